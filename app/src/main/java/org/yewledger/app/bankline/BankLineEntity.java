package org.yewledger.app.bankline;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.LocalDate;
import java.util.UUID;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.TenantId;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.gather.Arrival;
import org.yewledger.core.gather.BankLine;

/** A bank line as stored: written once, never changed. */
@Entity(name = "BankLine")
@Table(name = "bank_line")
@Immutable
@SuppressWarnings("NullAway.Init")
public class BankLineEntity {
  @Id private UUID id;
  @TenantId private UUID householdId;
  private UUID batchId;
  private UUID accountId;
  private LocalDate bookedOn;
  private @Nullable LocalDate valueOn;
  private long amountMinor;
  private String payee;
  private String memo;
  private String reference;
  private String type;
  private @Nullable String identity;
  private String raw;
  private int sourceLine;
  private String textKey;
  private int ordinal;

  protected BankLineEntity() {}

  public BankLineEntity(UUID id, UUID batchId, UUID accountId, Arrival arrival) {
    BankLine line = arrival.line();
    this.id = id;
    this.batchId = batchId;
    this.accountId = accountId;
    this.bookedOn = line.bookedOn();
    this.valueOn = line.valueOn();
    this.amountMinor = line.amountMinor();
    this.payee = line.payee();
    this.memo = line.memo();
    this.reference = line.reference();
    this.type = line.type();
    this.identity = line.identity();
    this.raw = line.raw();
    this.sourceLine = line.sourceLine();
    this.textKey = line.key().evenText();
    this.ordinal = arrival.ordinal();
  }

  public UUID id() {
    return id;
  }

  public UUID accountId() {
    return accountId;
  }

  public UUID batchId() {
    return batchId;
  }

  public LocalDate bookedOn() {
    return bookedOn;
  }

  public long amountMinor() {
    return amountMinor;
  }

  public BankLine toBankLine() {
    return new BankLine(
        bookedOn, valueOn, amountMinor, payee, memo, reference, type, identity, raw, sourceLine);
  }
}
