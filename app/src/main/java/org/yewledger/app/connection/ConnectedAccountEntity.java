package org.yewledger.app.connection;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Objects;
import java.util.UUID;
import org.hibernate.annotations.PartitionKey;
import org.hibernate.annotations.TenantId;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.money.Currencies;

/** An account at an institution, with the account of the books that its lines go to. */
@Entity(name = "ConnectedAccount")
@Table(name = "connected_account")
@SuppressWarnings("NullAway.Init")
class ConnectedAccountEntity {
  /** Where fetching stands. */
  enum Phase {
    /** Not mapped to an account of the books. */
    UNUSED,
    QUEUED,
    FETCHING,
    DONE,
    /** Failed; tried again by itself. */
    WAITING,
    /** Failed; a person has to do something. */
    STOPPED
  }

  @Id private UUID id;
  @TenantId @PartitionKey private UUID householdId;
  private UUID connectionId;
  private String resourceId;
  private String number;
  private String name;
  private String kind;
  private String currency;
  private @Nullable UUID accountId;
  private @Nullable LocalDate startOn;
  private boolean openingToCome;

  @Enumerated(EnumType.STRING)
  private Phase phase;

  private int linesSoFar;
  private int failures;
  private @Nullable String problem;
  private @Nullable Instant nextTryAt;
  private @Nullable Instant syncedAt;
  private @Nullable LocalDate syncedThrough;
  private int lastNewLines;
  private @Nullable Long bankMinor;
  private @Nullable LocalDate bankOn;
  @Version private int version;

  protected ConnectedAccountEntity() {}

  ConnectedAccountEntity(UUID id, UUID connectionId, BankWire.Account account) {
    this.id = id;
    this.connectionId = connectionId;
    this.resourceId = account.resourceId();
    this.phase = Phase.UNUSED;
    describe(account);
  }

  final void describe(BankWire.Account account) {
    this.number = Objects.requireNonNullElse(account.iban(), account.resourceId());
    this.name = Objects.requireNonNullElse(account.name(), number);
    this.kind = Objects.requireNonNullElse(account.cashAccountType(), "");
    this.currency = account.currency();
  }

  /**
   * @param opening whether the account's opening balance is to be worked out from the first lines
   */
  void map(UUID account, LocalDate start, boolean opening) {
    this.accountId = account;
    this.startOn = start;
    this.openingToCome = opening;
  }

  void queue() {
    this.phase = Phase.QUEUED;
    this.problem = null;
  }

  void fetching(int lines) {
    this.phase = Phase.FETCHING;
    this.linesSoFar = lines;
  }

  void bankSays(long minor, LocalDate on) {
    this.bankMinor = minor;
    this.bankOn = on;
  }

  void done(int newLines, Instant at, LocalDate through, Instant next) {
    this.phase = Phase.DONE;
    this.lastNewLines = newLines;
    this.syncedAt = at;
    this.syncedThrough = through;
    this.nextTryAt = next;
    this.failures = 0;
    this.problem = null;
    this.openingToCome = false;
  }

  /**
   * @param next when it is tried again; null if that would not help
   */
  void failed(String why, @Nullable Instant next) {
    this.phase = next == null ? Phase.STOPPED : Phase.WAITING;
    this.problem = why;
    this.nextTryAt = next;
    this.failures++;
  }

  void stop() {
    this.phase = accountId == null ? Phase.UNUSED : Phase.STOPPED;
    this.nextTryAt = null;
  }

  UUID id() {
    return id;
  }

  UUID connectionId() {
    return connectionId;
  }

  String resourceId() {
    return resourceId;
  }

  /** The account's number at the bank, such as its IBAN. */
  String number() {
    return number;
  }

  String name() {
    return name;
  }

  /** The ISO 20022 code of its kind: CACC, SVGS, CARD. */
  String kind() {
    return kind;
  }

  CurrencyUnit currency() {
    return Currencies.of(currency, "currency");
  }

  @Nullable UUID accountId() {
    return accountId;
  }

  @Nullable LocalDate startOn() {
    return startOn;
  }

  boolean openingToCome() {
    return openingToCome;
  }

  Phase phase() {
    return phase;
  }

  int linesSoFar() {
    return linesSoFar;
  }

  int failures() {
    return failures;
  }

  @Nullable String problem() {
    return problem;
  }

  @Nullable Instant nextTryAt() {
    return nextTryAt;
  }

  @Nullable Instant syncedAt() {
    return syncedAt;
  }

  @Nullable LocalDate syncedThrough() {
    return syncedThrough;
  }

  int lastNewLines() {
    return lastNewLines;
  }

  @Nullable Long bankMinor() {
    return bankMinor;
  }

  @Nullable LocalDate bankOn() {
    return bankOn;
  }
}
