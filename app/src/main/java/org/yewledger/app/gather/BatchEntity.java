package org.yewledger.app.gather;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.time.LocalDate;
import java.util.UUID;
import org.hibernate.annotations.TenantId;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.gather.BankStatement;
import org.yewledger.core.gather.Gathering;
import org.yewledger.formats.StatementFormat;

/** What one file brought in. */
@Entity(name = "Batch")
@Table(name = "batch")
@SuppressWarnings("NullAway.Init")
public class BatchEntity {
  @Id private UUID id;
  @TenantId private UUID householdId;
  private long no;
  private UUID accountId;
  private String fileName;

  @Enumerated(EnumType.STRING)
  private StatementFormat format;

  private Instant gatheredAt;
  private UUID gatheredBy;
  private @Nullable LocalDate firstDay;
  private @Nullable LocalDate lastDay;
  private int newLines;
  private int knownLines;

  protected BatchEntity() {}

  /** Where a batch comes from, and when and by whom it was gathered. */
  public record Source(
      String fileName, StatementFormat format, Instant gatheredAt, UUID gatheredBy) {}

  BatchEntity(
      UUID id, long no, UUID accountId, Source source, BankStatement file, Gathering gathering) {
    this.id = id;
    this.no = no;
    this.accountId = accountId;
    this.fileName = source.fileName();
    this.format = source.format();
    this.gatheredAt = source.gatheredAt();
    this.gatheredBy = source.gatheredBy();
    this.firstDay = file.firstDay();
    this.lastDay = file.lastDay();
    this.newLines = gathering.newLines().size();
    this.knownLines = gathering.knownCount();
  }

  public UUID id() {
    return id;
  }

  public long no() {
    return no;
  }

  public UUID accountId() {
    return accountId;
  }

  public String fileName() {
    return fileName;
  }

  public StatementFormat format() {
    return format;
  }

  public Instant gatheredAt() {
    return gatheredAt;
  }

  public @Nullable LocalDate firstDay() {
    return firstDay;
  }

  public @Nullable LocalDate lastDay() {
    return lastDay;
  }

  public int newLines() {
    return newLines;
  }

  public int knownLines() {
    return knownLines;
  }
}
