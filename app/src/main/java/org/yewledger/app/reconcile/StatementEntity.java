package org.yewledger.app.reconcile;

import jakarta.persistence.Column;
import jakarta.persistence.Convert;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.hibernate.annotations.ColumnTransformer;
import org.hibernate.annotations.PartitionKey;
import org.hibernate.annotations.TenantId;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.gather.BankStatement.Balance;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;
import org.yewledger.core.reconcile.CashCount;
import org.yewledger.core.reconcile.StatementChain;
import org.yewledger.core.reconcile.StatementFigures;

/** An account's statement as stored, and whether its reconciliation is finished. */
@Entity(name = "Statement")
@Table(name = "statement")
@SuppressWarnings("NullAway.Init")
public class StatementEntity {
  @Id private UUID id;
  @TenantId @PartitionKey private UUID householdId;
  private UUID accountId;
  private LocalDate closesOn;
  private long closingMinor;
  private @Nullable Long openingSaidMinor;
  private @Nullable Long inMinor;
  private @Nullable Long outMinor;
  private @Nullable UUID batchId;

  @Column(columnDefinition = "jsonb")
  @ColumnTransformer(write = "?::jsonb")
  @Convert(converter = CountedPieces.class)
  private @Nullable List<CountedPieces.Pieces> counted;

  private @Nullable Instant finishedAt;
  private @Nullable UUID finishedBy;
  @Version private int version;

  protected StatementEntity() {}

  StatementEntity(
      UUID id, UUID accountId, Balance closing, StatementFigures says, @Nullable UUID batchId) {
    this.openingSaidMinor = minor(says.opening());
    this.inMinor = minor(says.in());
    this.outMinor = minor(says.out());
    this.id = id;
    this.accountId = accountId;
    this.batchId = batchId;
    become(closing);
  }

  /** Says how cash was counted. */
  void countedAs(CashCount count) {
    counted =
        count.pieces().stream()
            .filter(one -> one.count() > 0)
            .map(one -> new CountedPieces.Pieces(one.of().minor(), one.count()))
            .toList();
  }

  /** The pieces as they were counted; none where only the sum was said, or nothing was counted. */
  List<CountedPieces.Pieces> counted() {
    return counted == null ? List.of() : counted;
  }

  final void become(Balance closing) {
    this.closesOn = closing.on();
    this.closingMinor = closing.amount().minor();
  }

  void finish(Instant at, UUID by) {
    this.finishedAt = at;
    this.finishedBy = by;
  }

  /** Its place in the chain of its account. */
  public StatementChain.Link link(Account account) {
    return new StatementChain.Link(id, closesOn, closing(account.currency()), isFinished());
  }

  public UUID id() {
    return id;
  }

  public UUID accountId() {
    return accountId;
  }

  public LocalDate closesOn() {
    return closesOn;
  }

  /** What it closes with, in the currency of its account. */
  public Amount closing(CurrencyUnit currency) {
    return Amount.ofMinor(closingMinor, currency);
  }

  /** What it says of its period, in the currency of its account; parts may not be known. */
  public StatementFigures says(CurrencyUnit currency) {
    return new StatementFigures(
        amount(openingSaidMinor, currency), amount(inMinor, currency), amount(outMinor, currency));
  }

  private static @Nullable Long minor(@Nullable Amount amount) {
    return amount == null ? null : (Long) amount.minor();
  }

  private static @Nullable Amount amount(@Nullable Long minor, CurrencyUnit currency) {
    return minor == null ? null : Amount.ofMinor(minor, currency);
  }

  /** The batch whose file stated the balance; null if it was typed from paper. */
  public @Nullable UUID batchId() {
    return batchId;
  }

  public boolean isFinished() {
    return finishedAt != null;
  }

  public int version() {
    return version;
  }
}
