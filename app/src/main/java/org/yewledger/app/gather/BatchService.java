package org.yewledger.app.gather;

import jakarta.persistence.EntityManager;
import jakarta.persistence.LockModeType;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.bankline.BankLineEntity;
import org.yewledger.app.bankline.BankLineStateEntity;
import org.yewledger.app.bankline.BankLineStateEntity.State;
import org.yewledger.app.bankline.BankLineStore;
import org.yewledger.app.bankline.BatchEntity;
import org.yewledger.app.platform.AuditTrail;
import org.yewledger.app.platform.Conflict;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.platform.NotFound;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.app.post.PostService;
import org.yewledger.app.reconcile.StatementEntity;
import org.yewledger.app.reconcile.StatementService;

/** Takes whole batches back. */
@Service
class BatchService {
  /** A line that stays, and why. */
  record Left(BankLineEntity line, String why) {}

  /** What taking back did. */
  record TakenBack(BatchEntity batch, int taken, List<Left> left, boolean statementToo) {}

  private final EntityManager entities;
  private final BankLineStore lines;
  private final PostService posts;
  private final StatementService statements;
  private final AuditTrail audit;
  private final Clock clock;

  BatchService(
      EntityManager entities,
      BankLineStore lines,
      PostService posts,
      StatementService statements,
      AuditTrail audit,
      Clock clock) {
    this.entities = entities;
    this.lines = lines;
    this.posts = posts;
    this.statements = statements;
    this.audit = audit;
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
    BatchEntity batch =
        Optional.ofNullable(
                entities.find(BatchEntity.class, batchId, LockModeType.PESSIMISTIC_WRITE))
            .orElseThrow(() -> new NotFound("batch"));
    if (batch.takenBackAt() != null) {
      throw new Conflict(
          "already-taken-back", "Batch %d was taken back before.".formatted(batch.no()));
    }
    boolean statementToo = removeStatement(batchId);
    readStates(batchId);
    var left = new ArrayList<Left>();
    var taken = new ArrayList<UUID>();
    for (BankLineEntity line : linesOf(batchId)) {
      posts
          .takeBackUnlessReconciled(line.id())
          .ifPresentOrElse(why -> left.add(new Left(line, why)), () -> taken.add(line.id()));
    }
    Instant now = clock.instant();
    releaseOthers(taken, now);
    lines.takeBack(taken, now);
    if (left.isEmpty()) {
      batch.takeBack(now, SignedIn.now().personId());
    }
    audit.write(
        "take back",
        "batch",
        batchId,
        BatchSummary.of(batch),
        new Counts(taken.size(), left.size()));
    return new TakenBack(batch, taken.size(), left, statementToo);
  }

  private record Counts(int takenBack, int left) {}

  private List<BankLineEntity> linesOf(UUID batchId) {
    return entities
        .createQuery(
            "from BankLine where batchId = :batch order by bookedOn, id", BankLineEntity.class)
        .setParameter("batch", batchId)
        .getResultList();
  }

  /** Reads all states at once, so that looking each up afterwards costs nothing. */
  private void readStates(UUID batchId) {
    entities
        .createQuery(
            """
            from BankLineState where bankLineId in
              (select l.id from BankLine l where l.batchId = :batch)\
            """,
            BankLineStateEntity.class)
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
    entities
        .createQuery("from BankLineState where otherLineId in :ids", BankLineStateEntity.class)
        .setParameter("ids", taken)
        .getResultStream()
        .filter(state -> state.state() != State.POSTED)
        .forEach(state ->
            state.become(
                state.state() == State.REPLACED ? State.PENDING : State.WAITING,
                now,
                SignedIn.now().personId()));
  }
}
