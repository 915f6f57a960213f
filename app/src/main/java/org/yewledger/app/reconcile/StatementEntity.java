package org.yewledger.app.reconcile;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.time.LocalDate;
import java.util.UUID;
import org.hibernate.annotations.TenantId;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.gather.BankStatement.Balance;
import org.yewledger.core.reconcile.StatementChain;
import org.yewledger.core.reconcile.StatementFigures;

/** An account's statement as stored, and whether its reconciliation is finished. */
@Entity(name = "Statement")
@Table(name = "statement")
@SuppressWarnings("NullAway.Init")
public class StatementEntity {
  @Id private UUID id;
  @TenantId private UUID householdId;
  private UUID accountId;
  private LocalDate closesOn;
  private long closingMinor;
  private @Nullable Long openingSaidMinor;
  private @Nullable Long inMinor;
  private @Nullable Long outMinor;
  private @Nullable UUID batchId;
  private @Nullable Instant finishedAt;
  private @Nullable UUID finishedBy;
  @Version private int version;

  protected StatementEntity() {}

  StatementEntity(
      UUID id, UUID accountId, Balance closing, StatementFigures says, @Nullable UUID batchId) {
    this.openingSaidMinor = says.openingMinor();
    this.inMinor = says.inMinor();
    this.outMinor = says.outMinor();
    this.id = id;
    this.accountId = accountId;
    this.batchId = batchId;
    become(closing);
  }

  final void become(Balance closing) {
    this.closesOn = closing.on();
    this.closingMinor = closing.amountMinor();
  }

  void finish(Instant at, UUID by) {
    this.finishedAt = at;
    this.finishedBy = by;
  }

  public StatementChain.Link link() {
    return new StatementChain.Link(id, closesOn, closingMinor, isFinished());
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

  public long closingMinor() {
    return closingMinor;
  }

  /** What the statement itself says it opens with; null if it does not say. */
  public @Nullable Long openingSaidMinor() {
    return openingSaidMinor;
  }

  /** What it says of its period; parts of it may not be known. */
  public StatementFigures says() {
    return new StatementFigures(openingSaidMinor, inMinor, outMinor);
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
