package org.yewledger.app.bankline;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.time.LocalDate;
import java.util.UUID;
import org.hibernate.annotations.PartitionKey;
import org.hibernate.annotations.TenantId;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.gather.Arrival.Standing;
import org.yewledger.core.gather.BankStatement;
import org.yewledger.core.gather.BankStatement.Balance;
import org.yewledger.core.gather.Days;
import org.yewledger.core.gather.Gathering;
import org.yewledger.core.gather.LineSource;
import org.yewledger.core.money.Amount;

/** What one file or one sync brought in for one account. */
@Entity(name = "Batch")
@Table(name = "batch")
@SuppressWarnings("NullAway.Init")
public class BatchEntity {
  @Id private UUID id;
  @TenantId @PartitionKey private UUID householdId;
  private long no;
  private UUID accountId;
  private String sourceName;

  @Enumerated(EnumType.STRING)
  private LineSource source;

  private Instant gatheredAt;
  private UUID gatheredBy;
  private @Nullable LocalDate firstDay;
  private @Nullable LocalDate lastDay;
  private int newLines;
  private int knownLines;
  private int doubtfulLines;
  private @Nullable Long openingMinor;
  private @Nullable Long closingMinor;
  private @Nullable LocalDate closingOn;
  private @Nullable Long availableMinor;
  private @Nullable Instant takenBackAt;
  private @Nullable UUID takenBackBy;

  protected BatchEntity() {}

  /**
   * Where a batch comes from, and when and by whom it was gathered.
   *
   * @param name of the file, or of the institution for a feed
   */
  public record Origin(String name, LineSource source, Instant gatheredAt, UUID gatheredBy) {}

  public BatchEntity(
      UUID id, long no, UUID accountId, Origin origin, BankStatement file, Gathering gathering) {
    this.id = id;
    this.no = no;
    this.accountId = accountId;
    this.sourceName = origin.name();
    this.source = origin.source();
    this.gatheredAt = origin.gatheredAt();
    this.gatheredBy = origin.gatheredBy();
    Days days = file.covers();
    this.firstDay = days == null ? null : days.first();
    this.lastDay = days == null ? null : days.last();
    this.newLines = gathering.count(Standing.NEW);
    this.knownLines = gathering.count(Standing.KNOWN);
    this.doubtfulLines = gathering.count(Standing.DOUBTFUL);
    this.openingMinor = minor(file.opening());
    Balance closing = file.closing();
    this.closingMinor = closing == null ? null : minor(closing.amount());
    this.closingOn = closing == null ? null : closing.on();
    Balance available = file.available();
    this.availableMinor = available == null ? null : minor(available.amount());
  }

  private static @Nullable Long minor(@Nullable Amount amount) {
    return amount == null ? null : (Long) amount.minor();
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

  /** The name of the file, or of the institution for a feed. */
  public String sourceName() {
    return sourceName;
  }

  public LineSource source() {
    return source;
  }

  public Instant gatheredAt() {
    return gatheredAt;
  }

  public UUID gatheredBy() {
    return gatheredBy;
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

  public int doubtfulLines() {
    return doubtfulLines;
  }

  /** What the source says that its days open with; null if it does not say. */
  public @Nullable Amount opening(CurrencyUnit currency) {
    return openingMinor == null ? null : Amount.ofMinor(openingMinor, currency);
  }

  /** The booked balance that the source closes with; null if it does not say. */
  public @Nullable Balance closing(CurrencyUnit currency) {
    return closingOn == null || closingMinor == null
        ? null
        : new Balance(closingOn, Amount.ofMinor(closingMinor, currency));
  }

  public @Nullable Instant takenBackAt() {
    return takenBackAt;
  }

  public void takeBack(Instant at, UUID by) {
    this.takenBackAt = at;
    this.takenBackBy = by;
  }
}
