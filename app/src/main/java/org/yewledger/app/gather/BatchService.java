package org.yewledger.app.gather;

import jakarta.persistence.EntityManager;
import jakarta.persistence.LockModeType;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.bankline.BankLineEntity;
import org.yewledger.app.bankline.BankLineStateEntity.State;
import org.yewledger.app.bankline.BankLineStore;
import org.yewledger.app.bankline.BatchEntity;
import org.yewledger.app.bankline.LineStates;
import org.yewledger.app.chart.AccountLocks;
import org.yewledger.app.platform.Conflict;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.platform.NotFound;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.app.post.TakeBackService;
import org.yewledger.app.reconcile.StatementEntity;
import org.yewledger.app.reconcile.StatementService;
import org.yewledger.core.act.ActKind;

/** Takes whole batches back. */
@Service
class BatchService {
  /** A line that stays, and why. */
  record Left(BankLineEntity line, String why) {}

  /** What taking back did. */
  record TakenBack(BatchEntity batch, int taken, List<Left> left, boolean statementToo) {}

  private final EntityManager entities;
  private final BankLineStore store;
  private final LineStates states;
  private final AccountLocks locks;
  private final TakeBackService takeBacks;
  private final StatementService statements;
  private final Acts acts;
  private final Clock clock;

  BatchService(
      EntityManager entities,
      BankLineStore store,
      LineStates states,
      AccountLocks locks,
      TakeBackService takeBacks,
      StatementService statements,
      Acts acts,
      Clock clock) {
    this.entities = entities;
    this.store = store;
    this.states = states;
    this.locks = locks;
    this.takeBacks = takeBacks;
    this.statements = statements;
    this.acts = acts;
    this.clock = clock;
  }

  /**
   * Takes back every line of a batch that is not reconciled, with the entry that it became, and the
   * statement that the batch made if that is not finished. Lines that were in doubt over one of
   * them wait again.
   *
   * @throws Conflict if it was taken back before
   */
  @Transactional
  @ForBookkeepers
  TakenBack takeBack(UUID batchId) {
    UUID accountId = find(batchId).accountId();
    locks.exclusive(List.of(accountId));
    entities.clear();
    BatchEntity batch = entities.find(BatchEntity.class, batchId, LockModeType.PESSIMISTIC_WRITE);
    if (batch.takenBackAt() != null) {
      throw new Conflict(
          "already-taken-back", "Batch %d was taken back before.".formatted(batch.no()));
    }
    acts.begin(
        ActKind.TAKE_BATCH_BACK,
        "Took back batch %d, %s".formatted(batch.no(), batch.sourceName()));
    boolean statementToo = removeStatement(batchId);
    List<BankLineEntity> lines = linesOf(batchId);
    List<UUID> ids = lines.stream().map(BankLineEntity::id).toList();
    states.locked(ids);
    Map<UUID, String> reconciled = takeBacks.takeBackUnlessReconciled(ids);
    var left = new ArrayList<Left>();
    var taken = new ArrayList<UUID>();
    for (BankLineEntity line : lines) {
      String why = reconciled.get(line.id());
      if (why == null) {
        taken.add(line.id());
      } else {
        left.add(new Left(line, why));
      }
    }
    Instant now = clock.instant();
    releaseOthers(taken, now);
    store.takeBack(taken, now);
    if (left.isEmpty()) {
      find(batchId).takeBack(now, SignedIn.now().personId());
    }
    return new TakenBack(batch, taken.size(), left, statementToo);
  }

  private BatchEntity find(UUID batchId) {
    return Optional.ofNullable(entities.find(BatchEntity.class, batchId))
        .orElseThrow(() -> new NotFound("batch"));
  }

  private List<BankLineEntity> linesOf(UUID batchId) {
    return entities
        .createQuery(
            "from BankLine where batchId = :batch order by bookedOn, id", BankLineEntity.class)
        .setParameter("batch", batchId)
        .getResultList();
  }

  private boolean removeStatement(UUID batchId) {
    List<StatementEntity> made =
        entities
            .createQuery(
                "from Statement where batchId = :batch and finishedAt is null",
                StatementEntity.class)
            .setParameter("batch", batchId)
            .getResultList();
    made.forEach(s -> statements.remove(s.id(), s.version()));
    return !made.isEmpty();
  }

  /** What was held against a line that goes stands by itself again. */
  private void releaseOthers(List<UUID> taken, Instant now) {
    if (taken.isEmpty()) {
      return;
    }
    states.heldAgainst(taken).stream()
        .filter(state -> state.state() != State.POSTED)
        .forEach(state ->
            state.become(
                state.state() == State.REPLACED ? State.PENDING : State.WAITING,
                now,
                SignedIn.now().personId()));
  }
}
