package org.yewledger.app.post;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.bankline.BankLineEntity;
import org.yewledger.app.bankline.BankLineStateEntity;
import org.yewledger.app.bankline.BankLineStateEntity.State;
import org.yewledger.app.bankline.LineLinks;
import org.yewledger.app.bankline.LineLinks.Link;
import org.yewledger.app.bankline.LineStates;
import org.yewledger.app.chart.AccountLocks;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.journal.EntryStore;
import org.yewledger.app.journal.EntryStore.Stored;
import org.yewledger.app.journal.LedgerService;
import org.yewledger.app.journal.PostingEntity;
import org.yewledger.app.platform.Conflict;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.platform.Found;
import org.yewledger.core.Refusal;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.ledger.PendingLedger;
import org.yewledger.core.money.Amount;
import org.yewledger.core.post.Because;
import org.yewledger.core.post.Booking;
import org.yewledger.core.post.Proposal;
import org.yewledger.core.post.Proposer;
import org.yewledger.core.post.WaitingLine;

/** Posts waiting lines. */
@Service
public class PostService {
  /** A booking as it was typed: what its amounts are of follows from the line. */
  public interface Typed {
    /** The accounts that it names. */
    Collection<UUID> accountIds();

    Booking on(Account bankAccount, Chart chart);
  }

  /** A line as the person accepted it. {@code version} is the state that they saw. */
  public record Accepted(UUID lineId, int version, Typed booking) {}

  private final ChartService charts;
  private final AccountLocks locks;
  private final LineStates states;
  private final LineLinks links;
  private final PostedLines posted;
  private final EntryStore entries;
  private final LedgerService ledgers;
  private final WaitingLines waiting;
  private final Acts acts;

  PostService(
      ChartService charts,
      AccountLocks locks,
      LineStates states,
      LineLinks links,
      PostedLines posted,
      EntryStore entries,
      LedgerService ledgers,
      WaitingLines waiting,
      Acts acts) {
    this.charts = charts;
    this.locks = locks;
    this.states = states;
    this.links = links;
    this.posted = posted;
    this.entries = entries;
    this.ledgers = ledgers;
    this.waiting = waiting;
    this.acts = acts;
  }

  /** The entry that a line would become, without booking anything. */
  @Transactional(readOnly = true)
  public Entry wouldBook(UUID lineId, Typed booking) {
    BankLineEntity line = states.lines(List.of(lineId)).of(lineId);
    Chart chart = charts.chart();
    Account account = chart.account(line.accountId());
    return booking
        .on(account, chart)
        .entryFor(account, line.toBankLine(), ledgers.ledger(chart))
        .entry();
  }

  /**
   * Posts the lines, all or none, as one act.
   *
   * @throws Conflict if one of them is posted already
   */
  @Transactional
  @ForBookkeepers
  public List<Stored> post(List<Accepted> accepted) {
    List<UUID> ids = accepted.stream().map(Accepted::lineId).toList();
    requireOnce(ids);
    Found<BankLineEntity> lines = states.lines(ids);
    lockAccounts(accepted, lines);
    Found<BankLineStateEntity> locked = states.locked(ids);
    accepted.forEach(a ->
        posted.requireWaiting(
            lines.of(a.lineId()).toBankLine(), locked.of(a.lineId()), a.version()));
    Chart chart = charts.chart();
    List<BankLineEntity> inOrder = accepted.stream().map(a -> lines.of(a.lineId())).toList();
    List<Booking> bookings =
        accepted.stream()
            .map(a -> a.booking().on(chart.account(lines.of(a.lineId()).accountId()), chart))
            .toList();
    acts.begin(ActKind.POST, inWords(inOrder, bookings, chart));
    List<Booking.Booked> booked = booked(inOrder, bookings, chart);
    List<Stored> stored =
        entries.add(
            booked.stream().map(Booking.Booked::entry).toList(), because(inOrder, bookings, chart));
    var made = new ArrayList<Link>(stored.size());
    for (int i = 0; i < stored.size(); i++) {
      made.add(link(accepted.get(i).lineId(), stored.get(i), booked.get(i).bankPosting()));
    }
    links.add(made);
    states.become(ids, State.POSTED);
    return stored;
  }

  private List<Booking.Booked> booked(
      List<BankLineEntity> lines, List<Booking> bookings, Chart chart) {
    var ledger = new PendingLedger(ledgers.ledger(chart));
    var booked = new ArrayList<Booking.Booked>(lines.size());
    for (int i = 0; i < lines.size(); i++) {
      BankLineEntity line = lines.get(i);
      Account account = chart.account(line.accountId());
      booked.add(bookings.get(i).entryFor(account, line.toBankLine(), ledger));
      ledger.note(booked.getLast().entry());
    }
    return booked;
  }

  /** For each line, whether the person took what was proposed or answered by themselves. */
  private List<Because> because(List<BankLineEntity> lines, List<Booking> bookings, Chart chart) {
    List<WaitingLine> waited =
        lines.stream()
            .map(l -> new WaitingLine(l.id(), chart.account(l.accountId()), l.toBankLine()))
            .toList();
    List<Proposal> proposals = Proposer.proposals(waiting.situation(waited, List.of(), chart));
    var because = new ArrayList<Because>(lines.size());
    for (int i = 0; i < lines.size(); i++) {
      because.add(proposals.get(i).because(bookings.get(i)));
    }
    return because;
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
    accepted.forEach(a -> accounts.addAll(a.booking().accountIds()));
    locks.shared(accounts);
  }

  private static Link link(UUID lineId, Stored stored, int bankPosting) {
    PostingEntity posting = stored.postings().get(bankPosting);
    return new Link(
        lineId,
        posting.id(),
        stored.entry().id(),
        posting.accountId(),
        posting.amountMinor(),
        true);
  }

  private static String inWords(List<BankLineEntity> lines, List<Booking> bookings, Chart chart) {
    if (lines.size() > 1) {
      return "Posted %d lines".formatted(lines.size());
    }
    BankLineEntity line = lines.getFirst();
    Account account = chart.account(line.accountId());
    return "Posted %s, %s on %s"
        .formatted(
            bookings.getFirst().payee(),
            Amount.ofMinor(line.amountMinor(), account.currency()).shown(),
            account.name());
  }
}
