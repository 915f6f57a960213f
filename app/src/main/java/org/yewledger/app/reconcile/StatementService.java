package org.yewledger.app.reconcile;

import jakarta.persistence.EntityManager;
import jakarta.persistence.LockModeType;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.chart.AccountLocks;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.journal.PostingEntity;
import org.yewledger.app.platform.Conflict;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.platform.Ids;
import org.yewledger.app.platform.NotFound;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.app.reconcile.StatementJson.AgreementJson;
import org.yewledger.core.Refusal;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.gather.BankStatement.Balance;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;
import org.yewledger.core.reconcile.OpeningCheck;
import org.yewledger.core.reconcile.Reconciliation;
import org.yewledger.core.reconcile.StatementChain;
import org.yewledger.core.reconcile.StatementFigures;

/** Statements: begun from a file or from paper, ticked off, finished at zero. */
@Service
public class StatementService {
  private final EntityManager entities;
  private final ChartService charts;
  private final AccountLocks locks;
  private final Agreements agreements;
  private final Ticks ticks;
  private final StatementLines statementLines;
  private final Acts acts;
  private final Clock clock;

  StatementService(
      EntityManager entities,
      ChartService charts,
      AccountLocks locks,
      Agreements agreements,
      Ticks ticks,
      StatementLines statementLines,
      Acts acts,
      Clock clock) {
    this.entities = entities;
    this.charts = charts;
    this.locks = locks;
    this.agreements = agreements;
    this.ticks = ticks;
    this.statementLines = statementLines;
    this.acts = acts;
    this.clock = clock;
  }

  /** The account's statements in their chain. */
  @Transactional(readOnly = true)
  public StatementChain chain(Account account) {
    List<StatementChain.Link> links = of(account).stream().map(s -> s.link(account)).toList();
    return new StatementChain(account, openingBalance(account), links);
  }

  /** Whether a statement that closes on this day can be begun. */
  @Transactional(readOnly = true)
  public boolean hasRoomFor(Account account, LocalDate closesOn) {
    try {
      chain(account).requireRoomFor(closesOn);
      return true;
    } catch (Refusal e) {
      return false;
    }
  }

  /**
   * Begins a statement.
   *
   * @param says what the statement says of its period
   * @param batchId the batch whose file states the balance, null for one on paper
   */
  @Transactional
  @ForBookkeepers
  public StatementEntity begin(
      Account account, Balance closing, StatementFigures says, @Nullable UUID batchId) {
    account.requireReconciled("accountId");
    chain(account).requireRoomFor(closing.on());
    acts.begin(
        ActKind.BEGIN_STATEMENT,
        "Began the statement of %s for %s".formatted(closing.on(), account.name()));
    var statement = new StatementEntity(Ids.next(), account.id(), closing, says, batchId);
    entities.persist(statement);
    return statement;
  }

  /** Says which bank lines the statement has, in its order. */
  @Transactional
  @ForBookkeepers
  public void keepLines(UUID id, List<UUID> lineIds) {
    entities.flush();
    agreements.keepLines(id, lineIds);
  }

  /** Corrects the day or the balance of a statement that is not finished. */
  @Transactional
  @ForBookkeepers
  public void correct(UUID id, int version, Balance closing) {
    StatementEntity statement = unfinished(id, version);
    acts.begin(ActKind.CORRECT_STATEMENT, "Corrected " + inWords(statement));
    if (!statement.closesOn().equals(closing.on())) {
      chain(account(statement)).requireRoomFor(closing.on());
      untickAfter(id, closing.on());
    }
    statement.become(closing);
  }

  /** Takes an unfinished statement away; what was ticked for it is unticked. */
  @Transactional
  @ForBookkeepers
  public void remove(UUID id, int version) {
    StatementEntity statement = unfinished(id, version);
    acts.begin(ActKind.REMOVE_STATEMENT, "Removed " + inWords(statement));
    ticked(id).forEach(posting -> posting.tickFor(null));
    entities.flush();
    agreements.forgetLines(id);
    entities.remove(statement);
  }

  /**
   * Ticks postings for a statement, or unticks them.
   *
   * @throws Conflict {@code ticked-elsewhere}
   * @throws Refusal {@code after-statement}
   */
  @Transactional
  @ForBookkeepers
  public void tick(UUID id, List<UUID> postingIds, boolean tick) {
    StatementEntity statement = unfinished(id);
    acts.begin(
        ActKind.TICK,
        "%s %d in %s"
            .formatted(tick ? "Ticked" : "Unticked", postingIds.size(), inWords(statement)));
    entities.flush();
    ticks.tick(statement, Set.copyOf(postingIds), tick);
    entities.clear();
  }

  /**
   * Finishes a statement, for good.
   *
   * @throws Refusal if the difference is not zero, or an earlier statement is open
   */
  @Transactional
  @ForBookkeepers
  public void finish(UUID id, int version) {
    locks.exclusive(List.of(find(id).accountId()));
    StatementEntity statement = unfinished(id, version);
    Account account = account(statement);
    chain(account).requireNext(statement.closesOn());
    Reconciliation reconciliation = reconciliation(statement);
    reconciliation.requireAgreement();
    acts.begin(ActKind.AGREE, "Agreed " + inWords(statement));
    agreements.keep(statement, reconciliation);
    statement.finish(clock.instant(), SignedIn.now().personId());
  }

  /** The statement held against what is ticked for it. */
  @Transactional(readOnly = true)
  public Reconciliation reconciliation(StatementEntity statement) {
    Account account = account(statement);
    return Reconciliation.of(
        chain(account).opening(statement.closesOn()),
        ticked(statement.id()).stream().map(p -> p.amount(account.currency())).toList(),
        statement.closing(account.currency()));
  }

  /** What a statement says it opens with, held against the books; empty if it does not say. */
  @Transactional(readOnly = true)
  public Optional<OpeningCheck> openingCheck(StatementEntity statement) {
    Account account = account(statement);
    Amount said = statement.says(account.currency()).opening();
    StatementChain chain = chain(account);
    LocalDate opensOn =
        chain
            .before(statement.closesOn())
            .map(link -> link.closesOn().plusDays(1))
            .orElse(account.opensOn());
    if (said == null || opensOn == null) {
      return Optional.empty();
    }
    List<BankLine> lines = statementLines.between(account.id(), opensOn, statement.closesOn());
    return Optional.of(OpeningCheck.of(opensOn, chain.opening(statement.closesOn()), said, lines));
  }

  @Transactional(readOnly = true)
  public StatementEntity find(UUID id) {
    StatementEntity statement = entities.find(StatementEntity.class, id);
    if (statement == null) {
      throw new NotFound("statement");
    }
    return statement;
  }

  /**
   * Holds a statement until the transaction ends, after accounts and entries and before what is
   * ticked for it: who ticks while changing entries takes it in that order.
   *
   * @throws Conflict {@code statement-finished}
   */
  @Transactional
  public void hold(UUID id) {
    unfinished(id);
  }

  /** What was changed is written, for what reads rows. */
  void flush() {
    entities.flush();
  }

  /** What was read is read again: a statement was changed beside it. */
  void forgetRead() {
    entities.clear();
  }

  /** All statements of the account, by day. */
  @Transactional(readOnly = true)
  public List<StatementEntity> of(Account account) {
    return entities
        .createQuery(
            "from Statement where accountId = :account order by closesOn", StatementEntity.class)
        .setParameter("account", account.id())
        .getResultList();
  }

  private Amount openingBalance(Account account) {
    Long sum =
        entities
            .createQuery(
                """
                select sum(p.amountMinor) from Posting p join Entry e on e.id = p.entryId
                where p.accountId = :account and e.origin = OPENING\
                """,
                Long.class)
            .setParameter("account", account.id())
            .getSingleResult();
    return Amount.ofMinor(Objects.requireNonNullElse(sum, 0L), account.currency());
  }

  private String inWords(StatementEntity statement) {
    return "the statement of %s for %s".formatted(statement.closesOn(), account(statement).name());
  }

  private List<PostingEntity> ticked(UUID statementId) {
    return entities
        .createQuery("from Posting where statementId = :statement", PostingEntity.class)
        .setParameter("statement", statementId)
        .getResultList();
  }

  private void untickAfter(UUID statementId, LocalDate closesOn) {
    ticked(statementId).stream()
        .filter(posting -> posting.date().isAfter(closesOn))
        .forEach(posting -> posting.tickFor(null));
  }

  /**
   * What was agreed when a statement was finished, as it was then.
   *
   * @throws NotFound unless it is finished
   */
  @Transactional(readOnly = true)
  AgreementJson agreement(UUID id) {
    StatementEntity statement = find(id);
    return agreements
        .of(id)
        .map(kept -> AgreementJson.of(kept, account(statement).currency()))
        .orElseThrow(() -> new NotFound("agreement"));
  }

  private Account account(StatementEntity statement) {
    return charts.toLookAt().account(statement.accountId());
  }

  /**
   * The statement, locked until the transaction ends: what is ticked for it must not change while
   * it is being finished.
   */
  private StatementEntity unfinished(UUID id) {
    // Not by its identity alone, which would not name the household of a row that was read before.
    StatementEntity statement =
        entities
            .createQuery("select s from Statement s where s.id = :id", StatementEntity.class)
            .setParameter("id", id)
            .setLockMode(LockModeType.PESSIMISTIC_WRITE)
            .getResultStream()
            .findFirst()
            .orElseThrow(() -> new NotFound("statement"));
    requireUnfinished(statement);
    return statement;
  }

  private StatementEntity unfinished(UUID id, int version) {
    StatementEntity statement = unfinished(id);
    if (statement.version() != version) {
      throw Conflict.changedMeanwhile("statement");
    }
    return statement;
  }

  private static void requireUnfinished(StatementEntity statement) {
    if (statement.isFinished()) {
      throw new Conflict(
          "statement-finished",
          "The statement of %s is finished; it does not change any more."
              .formatted(statement.closesOn()));
    }
  }
}
