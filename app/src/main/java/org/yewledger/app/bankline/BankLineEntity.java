package org.yewledger.app.bankline;

import jakarta.persistence.Column;
import jakarta.persistence.Convert;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.LocalDate;
import java.util.Map;
import java.util.UUID;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.PartitionKey;
import org.hibernate.annotations.SQLRestriction;
import org.hibernate.annotations.TenantId;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.gather.LineDetail;

/**
 * A bank line as stored: written once by {@link BankLineStore}, never changed. Lines of a batch
 * that was taken back are kept, and not seen through this entity.
 */
@Entity(name = "BankLine")
@Table(name = "bank_line")
@Immutable
@SQLRestriction("taken_back_at is null")
@SuppressWarnings("NullAway.Init")
public class BankLineEntity {
  @Id private UUID id;
  @TenantId @PartitionKey private UUID householdId;
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
  private boolean pending;

  @Column(columnDefinition = "jsonb")
  @Convert(converter = LineDetails.class)
  private Map<LineDetail, String> details;

  protected BankLineEntity() {}

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
        bookedOn,
        valueOn,
        amountMinor,
        payee,
        memo,
        reference,
        type,
        identity,
        raw,
        sourceLine,
        pending,
        details);
  }
}
