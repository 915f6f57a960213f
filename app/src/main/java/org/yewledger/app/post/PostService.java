package org.yewledger.app.post;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
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
import org.yewledger.app.journal.EntryEntity;
import org.yewledger.app.journal.EntryStore;
import org.yewledger.app.journal.EntryStore.Stored;
import org.yewledger.app.journal.LedgerService;
import org.yewledger.app.journal.PostingEntity;
import org.yewledger.app.payee.PayeeTexts;
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
import org.yewledger.core.rules.LastingWords;

/** Posts waiting lines. */
@Service
public class PostService {
  /** A booking as it was typed: what its amounts are of follows from the line. */
  public interface Typed {
    /** The accounts that it names. */
    Collection<UUID> accountIds();

    Booking on(Account bankAccount, Chart chart);
  }

  /** The other half of a transfer. {@code version} is the state that the person saw. */
  public record Twin(UUID lineId, int version) {}

  /**
   * A line that stands in the books already.
   *
   * @param postingIds the postings that it is; several where they add up to it
   * @param withLines the other lines that add up with it to the one posting
   * @param differenceTo where what the line moves beyond the one posting is booked; null if nothing
   */
  public record Known(List<UUID> postingIds, List<Twin> withLines, @Nullable UUID differenceTo) {
    public Known {
      postingIds = List.copyOf(postingIds);
      withLines = List.copyOf(withLines);
    }
  }

  /**
   * A line as the person accepted it: booked, maybe with its other half, or known.
   *
   * @param version the state that the person saw
   */
  public record Accepted(
      UUID lineId,
      int version,
      @Nullable Typed booking,
      @Nullable Twin twin,
      @Nullable Known known) {
    /** Whether it is either booked or known. */
    private boolean isAnswered() {
      return (booking == null) != (known == null) && (twin == null || booking != null);
    }

    Typed booked() {
      return Objects.requireNonNull(booking);
    }

    Known asKnown() {
      return Objects.requireNonNull(known);
    }

    /** The line itself and all that are posted with it. */
    Stream<Twin> seen() {
      Stream<Twin> others = known == null ? Stream.ofNullable(twin) : known.withLines().stream();
      return Stream.concat(Stream.of(new Twin(lineId, version)), others);
    }
  }

  /** What posting has made, and what stood in the books already. */
  public record Posted(List<Stored> made, List<EntryEntity> known) {}

  private final ChartService charts;
  private final AccountLocks locks;
  private final LineStates states;
  private final LineLinks links;
  private final PostedLines posted;
  private final KnownLines knownLines;
  private final EntryStore entries;
  private final LedgerService ledgers;
  private final WaitingLines waiting;
  private final PayeeTexts texts;
  private final Acts acts;

  PostService(
      ChartService charts,
      AccountLocks locks,
      LineStates states,
      LineLinks links,
      PostedLines posted,
      KnownLines knownLines,
      EntryStore entries,
      LedgerService ledgers,
      WaitingLines waiting,
      PayeeTexts texts,
      Acts acts) {
    this.charts = charts;
    this.locks = locks;
    this.states = states;
    this.links = links;
    this.posted = posted;
    this.knownLines = knownLines;
    this.entries = entries;
    this.ledgers = ledgers;
    this.waiting = waiting;
    this.texts = texts;
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
   * @throws Refusal {@code not-answered} if one is neither booked nor known, or both
   */
  @Transactional
  @ForBookkeepers
  public Posted post(List<Accepted> accepted) {
    List<Twin> seen = accepted.stream().flatMap(Accepted::seen).toList();
    List<UUID> ids = seen.stream().map(Twin::lineId).toList();
    Found<BankLineEntity> lines = states.lines(ids);
    requireOnce(ids);
    requireAnswered(accepted);
    lockAccounts(accepted, lines);
    Found<BankLineStateEntity> locked = states.locked(ids);
    seen.forEach(s ->
        posted.requireWaiting(
            lines.of(s.lineId()).toBankLine(), locked.of(s.lineId()), s.version()));
    Chart chart = charts.chart();
    List<Accepted> known = accepted.stream().filter(a -> a.known() != null).toList();
    List<Accepted> toBook = accepted.stream().filter(a -> a.booking() != null).toList();
    List<KnownLines.Wanted> pairs =
        known.stream().map(a -> knownLines.wanted(a, lines, chart)).toList();
    requirePostingsOnce(pairs);
    List<Booking> bookings =
        toBook.stream()
            .map(a -> a.booked().on(chart.account(lines.of(a.lineId()).accountId()), chart))
            .toList();
    acts.begin(ActKind.POST, inWords(ids, lines, bookings, pairs, chart));
    List<Stored> made = book(toBook, bookings, lines, chart);
    links.add(pairs.stream().flatMap(pair -> knownLines.carriedOut(pair, chart).stream()).toList());
    states.become(ids, State.POSTED);
    return new Posted(made, pairs.stream().flatMap(pair -> pair.entries().stream()).toList());
  }

  /** Makes the entries of lines, and links these with them. */
  private List<Stored> book(
      List<Accepted> toBook, List<Booking> bookings, Found<BankLineEntity> lines, Chart chart) {
    if (toBook.isEmpty()) {
      return List.of();
    }
    List<BankLineEntity> inOrder = toBook.stream().map(a -> lines.of(a.lineId())).toList();
    List<Booking.Booked> booked = booked(inOrder, bookings, chart);
    List<Stored> stored =
        entries.add(
            booked.stream().map(Booking.Booked::entry).toList(),
            because(toBook, inOrder, bookings, chart));
    var made = new ArrayList<Link>(stored.size());
    for (int i = 0; i < stored.size(); i++) {
      Accepted line = toBook.get(i);
      made.add(link(line.lineId(), stored.get(i), booked.get(i).bankPosting()));
      if (line.twin() != null) {
        made.add(halfOf(stored.get(i), lines.of(line.twin().lineId())));
      }
    }
    links.add(made);
    learn(toBook, inOrder, stored);
    return stored;
  }

  /** By what a bank calls it, a payee is known next time; a transfer is with nobody. */
  private void learn(List<Accepted> booked, List<BankLineEntity> lines, List<Stored> stored) {
    Map<String, UUID> payees = new HashMap<>();
    for (int i = 0; i < lines.size(); i++) {
      if (booked.get(i).twin() == null) {
        payees.put(
            LastingWords.of(lines.get(i).toBankLine()).toString(), stored.get(i).entry().payeeId());
      }
    }
    texts.learn(payees);
  }

  /** The link of a transfer with its other half, whose side of it has to be exactly that line. */
  private static Link halfOf(Stored stored, BankLineEntity twin) {
    PostingEntity side =
        stored.postings().stream()
            .filter(p ->
                p.accountId().equals(twin.accountId()) && p.amountMinor() == twin.amountMinor())
            .findFirst()
            .orElseThrow(() ->
                Refusal.of(
                    "not-two-halves",
                    "The two lines are no halves of one transfer as it would be booked: account or"
                        + " amount of the other side differ."));
    return new Link(
        twin.id(), side.id(), stored.entry().id(), side.accountId(), side.amountMinor(), false);
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
  private List<Because> because(
      List<Accepted> accepted, List<BankLineEntity> lines, List<Booking> bookings, Chart chart) {
    List<WaitingLine> waited =
        lines.stream()
            .map(l -> new WaitingLine(l.id(), chart.account(l.accountId()), l.toBankLine()))
            .toList();
    List<Proposal> proposals = Proposer.proposals(waiting.alone(waited, chart));
    var because = new ArrayList<Because>(lines.size());
    for (int i = 0; i < lines.size(); i++) {
      because.add(
          accepted.get(i).twin() == null
              ? proposals.get(i).because(bookings.get(i))
              : Because.OF_BOTH_HALVES);
    }
    return because;
  }

  /** A line that is accepted twice in one request would be booked twice. */
  private static void requireOnce(List<UUID> ids) {
    if (Set.copyOf(ids).size() < ids.size()) {
      throw Refusal.ofField("line-twice", "lines", "A line is named twice. It is posted once.");
    }
  }

  private static void requireAnswered(List<Accepted> accepted) {
    if (!accepted.stream().allMatch(Accepted::isAnswered)) {
      throw Refusal.ofField(
          "not-answered", "lines", "Say of each line how it is booked, or what it is already.");
    }
  }

  /** A posting that two lines are said to be would be confirmed twice. */
  private static void requirePostingsOnce(List<KnownLines.Wanted> pairs) {
    List<UUID> named = pairs.stream().flatMap(pair -> pair.postingIds().stream()).toList();
    if (Set.copyOf(named).size() < named.size()) {
      throw Refusal.ofField(
          "posting-twice", "lines", "Two lines are said to be one posting. It can be one of them.");
    }
  }

  private void lockAccounts(List<Accepted> accepted, Found<BankLineEntity> lines) {
    Set<UUID> accounts = new HashSet<>();
    lines.all().forEach(line -> accounts.add(line.accountId()));
    accepted.stream()
        .map(Accepted::booking)
        .filter(Objects::nonNull)
        .forEach(booking -> accounts.addAll(booking.accountIds()));
    accepted.stream()
        .map(Accepted::known)
        .filter(Objects::nonNull)
        .forEach(known -> accounts.addAll(knownLines.accountsToChange(known)));
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

  private static String inWords(
      List<UUID> ids,
      Found<BankLineEntity> lines,
      List<Booking> bookings,
      List<KnownLines.Wanted> pairs,
      Chart chart) {
    if (bookings.size() + pairs.size() > 1) {
      return "Posted %d lines".formatted(ids.size());
    }
    if (!pairs.isEmpty()) {
      EntryEntity entry = pairs.getFirst().entries().getFirst();
      return "Paired a line with no. %d, %s".formatted(entry.no(), entry.payee());
    }
    BankLineEntity line = lines.of(ids.getFirst());
    Account account = chart.account(line.accountId());
    return "Posted %s, %s on %s"
        .formatted(
            bookings.getFirst().payee(),
            Amount.ofMinor(line.amountMinor(), account.currency()).shown(),
            account.name());
  }
}
