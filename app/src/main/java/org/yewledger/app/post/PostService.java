package org.yewledger.app.post;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.bankline.BankLineEntity;
import org.yewledger.app.bankline.BankLineStateEntity;
import org.yewledger.app.bankline.BankLineStateEntity.State;
import org.yewledger.app.bankline.LineLinks;
import org.yewledger.app.bankline.LineStates;
import org.yewledger.app.chart.AccountLocks;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.journal.EntryEntity;
import org.yewledger.app.journal.EntryStore.Stored;
import org.yewledger.app.journal.LedgerService;
import org.yewledger.app.plan.TakingAsPosted;
import org.yewledger.app.platform.Conflict;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.platform.Found;
import org.yewledger.core.Refusal;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.ledger.Ledger;
import org.yewledger.core.ledger.PendingLedger;
import org.yewledger.core.post.Booking;
import org.yewledger.core.post.OwnTransfers;
import org.yewledger.core.post.WaitingLine;

/** Posts waiting lines. */
@Service
public class PostService {
  /** What posting has made, what stood in the books already, and which lines stay and why. */
  record Posted(List<Stored> made, List<EntryEntity> known, List<Stays.Stayed> stayed) {}

  private final ChartService charts;
  private final AccountLocks locks;
  private final LineStates states;
  private final LineLinks links;
  private final PostedLines posted;
  private final KnownLines knownLines;
  private final EntriesOfLines entriesOfLines;
  private final LedgerService ledgers;
  private final TakingAsPosted taking;
  private final Acts acts;

  PostService(
      ChartService charts,
      AccountLocks locks,
      LineStates states,
      LineLinks links,
      PostedLines posted,
      KnownLines knownLines,
      EntriesOfLines entriesOfLines,
      LedgerService ledgers,
      TakingAsPosted taking,
      Acts acts) {
    this.charts = charts;
    this.locks = locks;
    this.states = states;
    this.links = links;
    this.posted = posted;
    this.knownLines = knownLines;
    this.entriesOfLines = entriesOfLines;
    this.ledgers = ledgers;
    this.taking = taking;
    this.acts = acts;
  }

  /** The entry that a line would become, without booking anything. */
  @Transactional(readOnly = true)
  public Entry wouldBook(UUID lineId, Accepted.Typed booking) {
    BankLineEntity line = states.lines(List.of(lineId)).of(lineId);
    Chart chart = charts.chart();
    Account account = chart.account(line.accountId());
    return booking
        .on(account, chart)
        .entryFor(account, line.toBankLine(), ledgers.ledger(chart))
        .entry();
  }

  /**
   * Posts lines as one act, all or none.
   *
   * @throws Conflict if one of them is posted already
   * @throws Refusal as for lines that may not stay
   */
  @Transactional
  @ForBookkeepers
  public void post(List<Accepted> accepted) {
    post(accepted, Stays.none());
  }

  /**
   * Posts lines as one act.
   *
   * @param stays what becomes of those that cannot be posted
   * @throws Conflict if one of them is posted already, and the others do not go without it
   * @throws Refusal {@code not-answered} if one is neither booked nor known, or both; {@code
   *     line-twice} whatever may stay
   */
  @Transactional
  @ForBookkeepers
  Posted post(List<Accepted> accepted, Stays stays) {
    List<UUID> ids = idsOf(accepted);
    Found<BankLineEntity> lines = states.lines(ids);
    requireOnce(ids);
    lockAccounts(accepted, lines);
    Found<BankLineStateEntity> locked = states.locked(ids);
    List<Accepted> waiting =
        accepted.stream()
            .filter(a -> stays.unless(a, () -> stillWaiting(a, lines, locked)).isPresent())
            .toList();
    Chart chart = charts.chart();
    List<KnownLines.Wanted> pairs = knownLines.wanted(waiting, lines, chart, stays);
    List<ToBook> ahead = toBook(waiting, lines, chart, ledgers.lookingAhead(chart), stays);
    List<UUID> going =
        idsOf(
            Stream.concat(
                    pairs.stream().map(KnownLines.Wanted::line),
                    ahead.stream().map(ToBook::accepted))
                .toList());
    if (going.isEmpty()) {
      return new Posted(List.of(), List.of(), stays.all());
    }
    acts.begin(ActKind.POST, inWords(going.size(), ahead, pairs));
    List<Accepted> toBook = ahead.stream().map(ToBook::accepted).toList();
    List<Stored> made =
        entriesOfLines.make(
            toBook(toBook, lines, chart, ledgers.ledger(chart), Stays.none()), chart);
    links.add(pairs.stream().flatMap(pair -> knownLines.carriedOut(pair).stream()).toList());
    states.become(going, State.POSTED);
    return new Posted(
        made, pairs.stream().flatMap(pair -> pair.entries().stream()).toList(), stays.all());
  }

  private static List<UUID> idsOf(List<Accepted> accepted) {
    return accepted.stream().flatMap(Accepted::seen).map(Accepted.Half::lineId).toList();
  }

  private Accepted stillWaiting(
      Accepted accepted, Found<BankLineEntity> lines, Found<BankLineStateEntity> locked) {
    if (!accepted.isAnswered()) {
      throw Refusal.ofField(
          "not-answered", "lines", "Say of each line how it is booked, or what it is already.");
    }
    accepted
        .seen()
        .forEach(s ->
            posted.requireWaiting(
                lines.of(s.lineId()).toBankLine(), locked.of(s.lineId()), s.version()));
    return accepted;
  }

  /** Of several lines, each meets the positions that those before have left. */
  private static List<ToBook> toBook(
      List<Accepted> accepted,
      Found<BankLineEntity> lines,
      Chart chart,
      Ledger stored,
      Stays stays) {
    var ledger = new PendingLedger(stored);
    var toBook = new ArrayList<ToBook>();
    for (Accepted a : accepted) {
      if (a.known() == null) {
        stays
            .unless(a, () -> toBook(a, lines, chart, ledger))
            .ifPresent(booked -> {
              ledger.note(booked.booked().entry());
              toBook.add(booked);
            });
      }
    }
    return toBook;
  }

  /** As it was typed; a transfer without that is booked as its two halves say. */
  private static ToBook toBook(
      Accepted accepted, Found<BankLineEntity> lines, Chart chart, Ledger ledger) {
    WaitingLine line = waiting(lines.of(accepted.lineId()), chart);
    WaitingLine twin =
        accepted.twin() == null ? null : waiting(lines.of(accepted.twin().lineId()), chart);
    Booking booking =
        accepted.booking() == null
            ? OwnTransfers.booking(Objects.requireNonNull(twin).account().name(), line, twin)
            : accepted.booking().on(line.account(), chart);
    Booking.Booked booked = booking.entryFor(line.account(), line.line(), ledger);
    int twinPosting = twin == null ? -1 : OwnTransfers.sideOf(twin, booked.entry());
    return new ToBook(accepted, line, booking, booked, twinPosting);
  }

  private static WaitingLine waiting(BankLineEntity line, Chart chart) {
    return new WaitingLine(line.id(), chart.account(line.accountId()), line.toBankLine());
  }

  /** A line that is accepted twice in one request would be booked twice. */
  private static void requireOnce(List<UUID> ids) {
    if (Set.copyOf(ids).size() < ids.size()) {
      throw Refusal.ofField("line-twice", "lines", "A line is named twice. It is posted once.");
    }
  }

  private void lockAccounts(List<Accepted> accepted, Found<BankLineEntity> lines) {
    Set<UUID> accounts = new HashSet<>();
    lines.all().forEach(line -> accounts.add(line.accountId()));
    accepted.stream()
        .map(Accepted::booking)
        .filter(Objects::nonNull)
        .forEach(booking -> accounts.addAll(booking.accountIds()));
    accounts.addAll(taking.giving(accounts));
    accounts.addAll(knownLines.accountsToChange(accepted));
    locks.shared(accounts);
  }

  private static String inWords(int lines, List<ToBook> toBook, List<KnownLines.Wanted> pairs) {
    if (toBook.size() + pairs.size() > 1) {
      return "Posted %d lines".formatted(lines);
    }
    if (!pairs.isEmpty()) {
      EntryEntity entry = pairs.getFirst().entries().getFirst();
      return "Paired a line with no. %d, %s".formatted(entry.no(), entry.payee());
    }
    ToBook only = toBook.getFirst();
    Account account = only.line().account();
    return "Posted %s, %s on %s"
        .formatted(
            only.booking().payee(),
            only.line().line().amount(account.currency()).shown(),
            account.name());
  }
}
