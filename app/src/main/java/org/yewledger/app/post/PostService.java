package org.yewledger.app.post;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
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
  /** A line as the person accepted it. {@code version} is the state that they saw. */
  public record Accepted(UUID lineId, int version, Booking booking) {}

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
  public Entry wouldBook(UUID lineId, Booking booking) {
    BankLineEntity line = line(lineId);
    Chart chart = charts.chart();
    return booking
        .entryFor(chart.account(line.accountId()), line.toBankLine(), ledgers.ledger(chart))
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
    acts.begin(ActKind.POST, inWords(accepted, lines, chart));
    var ledger = new PendingLedger(ledgers.ledger(chart));
    var booked = new ArrayList<Booking.Booked>(accepted.size());
    for (Accepted a : accepted) {
      BankLineEntity line = lines.of(a.lineId());
      Account account = chart.account(line.accountId());
      booked.add(a.booking().entryFor(account, line.toBankLine(), ledger));
      ledger.note(booked.getLast().entry());
    }
    List<Stored> stored =
        entries.add(
            booked.stream().map(Booking.Booked::entry).toList(), because(accepted, lines, chart));
    var made = new ArrayList<Link>(stored.size());
    for (int i = 0; i < stored.size(); i++) {
      made.add(link(accepted.get(i).lineId(), stored.get(i), booked.get(i).bankPosting()));
    }
    links.add(made);
    states.become(ids, State.POSTED);
    return stored;
  }

  /** For each line, whether the person took what was proposed or answered by themselves. */
  private List<Because> because(List<Accepted> accepted, Found<BankLineEntity> lines, Chart chart) {
    List<WaitingLine> waited =
        accepted.stream()
            .map(a -> lines.of(a.lineId()))
            .map(l -> new WaitingLine(l.id(), chart.account(l.accountId()), l.toBankLine()))
            .toList();
    List<Proposal> proposals = Proposer.proposals(waiting.situation(waited, List.of(), chart));
    var because = new ArrayList<Because>(accepted.size());
    for (int i = 0; i < accepted.size(); i++) {
      because.add(proposals.get(i).because(accepted.get(i).booking()));
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
    accepted.forEach(a -> a.booking().parts().forEach(p -> accounts.add(p.account().id())));
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

  private static String inWords(List<Accepted> accepted, Found<BankLineEntity> lines, Chart chart) {
    if (accepted.size() > 1) {
      return "Posted %d lines".formatted(accepted.size());
    }
    Accepted only = accepted.getFirst();
    BankLineEntity line = lines.of(only.lineId());
    Account account = chart.account(line.accountId());
    return "Posted %s, %s on %s"
        .formatted(
            only.booking().payee(),
            Amount.ofMinor(line.amountMinor(), account.currency()).shown(),
            account.name());
  }

  private BankLineEntity line(UUID id) {
    return states.lines(List.of(id)).of(id);
  }

  /** The accounts that lines stand on, for callers that build a booking. */
  @Transactional(readOnly = true)
  public Found<Account> accountsOf(Collection<UUID> lineIds, Chart chart) {
    return new Found<>(
        states.lines(lineIds).all().stream()
            .collect(Collectors.toMap(BankLineEntity::id, l -> chart.account(l.accountId()))));
  }
}
