package org.yewledger.app.post;

import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.bankline.BankLineEntity;
import org.yewledger.app.bankline.BankLineStateEntity;
import org.yewledger.app.bankline.BankLineStateEntity.State;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.journal.EntryEntity;
import org.yewledger.app.journal.EntryStore;
import org.yewledger.app.journal.LedgerService;
import org.yewledger.app.journal.PostingEntity;
import org.yewledger.app.platform.AuditTrail;
import org.yewledger.app.platform.Conflict;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.platform.NotFound;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.app.reconcile.StatementEntity;
import org.yewledger.core.Refusal;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.ledger.Ledger;
import org.yewledger.core.post.Booking;
import org.yewledger.core.post.OpenPosting;

/** Posts waiting lines and takes them back. */
@Service
public class PostService {
  private static final DateTimeFormatter TIME = DateTimeFormatter.ofPattern("HH:mm");

  /** A line as the person accepted it. {@code version} is the state that they saw. */
  public record Accepted(UUID lineId, int version, Booking booking) {}

  private final EntityManager entities;
  private final ChartService charts;
  private final EntryStore entries;
  private final LedgerService ledgers;
  private final AuditTrail audit;
  private final JdbcClient jdbc;
  private final Clock clock;

  PostService(
      EntityManager entities,
      ChartService charts,
      EntryStore entries,
      LedgerService ledgers,
      AuditTrail audit,
      JdbcClient jdbc,
      Clock clock) {
    this.entities = entities;
    this.charts = charts;
    this.entries = entries;
    this.ledgers = ledgers;
    this.audit = audit;
    this.jdbc = jdbc;
    this.clock = clock;
  }

  /** The entry that a line would become, without booking anything. */
  @Transactional(readOnly = true)
  public Entry wouldBook(UUID lineId, Booking booking) {
    BankLineEntity line = line(lineId);
    Chart chart = charts.chart();
    return booking.entryFor(
        chart.account(line.accountId()), line.toBankLine(), ledgers.ledger(chart));
  }

  /**
   * Posts the lines, all or none.
   *
   * @throws Conflict if one of them is posted already
   */
  @Transactional
  @ForBookkeepers
  public List<EntryStore.Stored> post(List<Accepted> accepted) {
    Chart chart = charts.chart();
    Ledger ledger = ledgers.ledger(chart);
    preload(accepted.stream().map(Accepted::lineId).toList());
    var made = new ArrayList<Entry>(accepted.size());
    for (Accepted a : accepted) {
      BankLineEntity row = line(a.lineId());
      requireWaiting(row, a.version());
      BankLine line = row.toBankLine();
      made.add(a.booking().entryFor(chart.account(row.accountId()), line, ledger));
    }
    List<EntryStore.Stored> stored = entries.add(made);
    for (int i = 0; i < stored.size(); i++) {
      // By Booking.entryFor the first posting is the one on the bank's account.
      stored.get(i).postings().getFirst().seenIn(accepted.get(i).lineId());
      markPosted(accepted.get(i).lineId());
      EntryEntity entry = stored.get(i).entry();
      audit.write(
          "post",
          "bank line",
          accepted.get(i).lineId(),
          null,
          new PostedAs(entry.id(), entry.no()));
    }
    return stored;
  }

  private record PostedAs(UUID entryId, long entryNo) {}

  /** Postings that the waiting lines may stand for already, over all accounts. */
  @Transactional(readOnly = true)
  public List<OpenPosting> openPostings() {
    return entities
        .createQuery(
            """
            from Posting p where p.bankLineId is null and p.statementId is null and p.amountMinor <> 0
            and p.accountId in (select a.id from Account a where a.kind in :kinds)
            and exists (select 1 from Entry e where e.id = p.entryId and e.origin <> OPENING)\
            """,
            PostingEntity.class)
        .setParameter(
            "kinds",
            Arrays.stream(AccountKind.values()).filter(AccountKind::hasStatements).toList())
        .getResultStream()
        .map(p -> new OpenPosting(p.id(), p.accountId(), p.date(), p.amountMinor()))
        .toList();
  }

  /**
   * Says that a waiting line is a posting that the books already have, such as the other half of a
   * transfer. Nothing new is booked.
   */
  @Transactional
  @ForBookkeepers
  public EntryEntity pair(UUID lineId, int version, UUID postingId) {
    BankLineEntity row = line(lineId);
    requireWaiting(row, version);
    PostingEntity posting = entities.find(PostingEntity.class, postingId);
    if (posting == null) {
      throw new NotFound("posting");
    }
    EntryEntity entry = entities.find(EntryEntity.class, posting.entryId());
    if (posting.bankLineId() != null) {
      throw new Conflict(
          "already-paired", "No. %d already belongs to another bank line.".formatted(entry.no()));
    }
    if (!posting.accountId().equals(row.accountId())
        || posting.amountMinor() != row.amountMinor()) {
      throw Refusal.of("not-the-same", "Account and amount of the line and of the posting differ.");
    }
    posting.seenIn(lineId);
    markPosted(lineId);
    audit.write("pair", "bank line", lineId, null, new PostedAs(entry.id(), entry.no()));
    return entry;
  }

  /**
   * Takes posted lines back: they wait again. An entry goes with its line, unless another bank line
   * belongs to it too.
   *
   * @throws Refusal if an entry is part of a statement already
   */
  @Transactional
  @ForBookkeepers
  public void takeBack(List<UUID> lineIds) {
    for (UUID lineId : lineIds) {
      takeBack(lineId);
    }
  }

  private void takeBack(UUID lineId) {
    BankLineStateEntity state = state(lineId);
    if (state.state() != State.POSTED) {
      throw Conflict.changedMeanwhile("line");
    }
    takeBack(state);
  }

  /**
   * Takes a line out of the journal, if it is there, even where it is ticked for a statement that
   * is not finished.
   *
   * @return why it stays; empty if it is out of the journal now
   */
  @Transactional
  @ForBookkeepers
  public Optional<String> takeBackUnlessReconciled(UUID lineId) {
    BankLineStateEntity state = state(lineId);
    if (state.state() != State.POSTED) {
      return Optional.empty();
    }
    List<PostingEntity> all = entries.postingsOf(posting(lineId).entryId());
    for (PostingEntity posting : all) {
      if (posting.statementId() != null) {
        StatementEntity statement = entities.find(StatementEntity.class, posting.statementId());
        if (statement.isFinished()) {
          EntryEntity entry = entities.find(EntryEntity.class, posting.entryId());
          return Optional.of(
              "No. %d is reconciled in the statement of %s."
                  .formatted(entry.no(), statement.closesOn()));
        }
      }
    }
    all.forEach(posting -> posting.tickFor(null));
    takeBack(state);
    return Optional.empty();
  }

  private PostingEntity posting(UUID lineId) {
    return entities
        .createQuery("from Posting where bankLineId = :line", PostingEntity.class)
        .setParameter("line", lineId)
        .getSingleResult();
  }

  private void takeBack(BankLineStateEntity state) {
    UUID lineId = state.bankLineId();
    PostingEntity posting = posting(lineId);
    List<PostingEntity> all = entries.postingsOf(posting.entryId());
    EntryEntity entry = entities.find(EntryEntity.class, posting.entryId());
    for (PostingEntity p : all) {
      requireNotTicked(p, entry);
    }
    boolean othersSeen = all.stream().anyMatch(p -> p.bankLineId() != null && p != posting);
    posting.seenIn(null);
    if (!othersSeen) {
      entries.remove(entry.id());
    }
    state.become(State.WAITING, clock.instant(), SignedIn.now().personId());
    audit.write("take back", "bank line", lineId, new PostedAs(entry.id(), entry.no()), null);
  }

  private void requireNotTicked(PostingEntity posting, EntryEntity entry) {
    if (posting.statementId() != null) {
      StatementEntity statement = entities.find(StatementEntity.class, posting.statementId());
      throw Refusal.of(
          "already-ticked",
          "No. %d is ticked for the statement of %s. Untick it there first."
              .formatted(entry.no(), statement.closesOn()));
    }
  }

  /** Reads lines and states in two queries, so that looking each up afterwards costs none. */
  private void preload(List<UUID> lineIds) {
    entities
        .createQuery("from BankLine where id in :ids", BankLineEntity.class)
        .setParameter("ids", lineIds)
        .getResultList();
    entities
        .createQuery("from BankLineState where bankLineId in :ids", BankLineStateEntity.class)
        .setParameter("ids", lineIds)
        .getResultList();
  }

  private BankLineEntity line(UUID id) {
    BankLineEntity line = entities.find(BankLineEntity.class, id);
    if (line == null) {
      throw new NotFound("bank line");
    }
    return line;
  }

  private BankLineStateEntity state(UUID lineId) {
    BankLineStateEntity state = entities.find(BankLineStateEntity.class, lineId);
    if (state == null) {
      throw new NotFound("bank line");
    }
    return state;
  }

  private void requireWaiting(BankLineEntity line, int version) {
    BankLineStateEntity state = state(line.id());
    if (!state.isWaiting()) {
      throw new Conflict(
          "line-already-posted",
          "%s was posted at %s%s. Nothing was booked twice."
              .formatted(
                  line.toBankLine().text(),
                  TIME.format(state.changedAt().atZone(ZoneId.systemDefault())),
                  nameOf(state.changedBy())));
    }
    if (state.version() != version) {
      throw Conflict.changedMeanwhile("line");
    }
  }

  private String nameOf(UUID personId) {
    @Nullable String name =
        jdbc.sql("select name from person where id = ?")
            .param(personId)
            .query(String.class)
            .optional()
            .orElse(null);
    return name == null ? "" : " by " + name;
  }

  private void markPosted(UUID lineId) {
    state(lineId).become(State.POSTED, clock.instant(), SignedIn.now().personId());
  }

  /** The account that a line stands on, for callers that build a booking. */
  @Transactional(readOnly = true)
  public Account accountOf(UUID lineId, Chart chart) {
    return chart.account(line(lineId).accountId());
  }
}
