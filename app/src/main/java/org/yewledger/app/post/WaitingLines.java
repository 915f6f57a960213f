package org.yewledger.app.post;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.LongSummaryStatistics;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.bankline.WaitingRows;
import org.yewledger.app.bankline.WaitingRows.Row;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.currency.RateService;
import org.yewledger.app.platform.KeptByHousehold;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.app.rules.RuleService;
import org.yewledger.app.schedule.DueService;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.ExchangeRates;
import org.yewledger.core.post.OpenPosting;
import org.yewledger.core.post.Proposal;
import org.yewledger.core.post.Proposer;
import org.yewledger.core.post.Reason;
import org.yewledger.core.post.Situation;
import org.yewledger.core.post.WaitingLine;
import org.yewledger.core.schedule.DueItem;
import org.yewledger.core.schedule.DueItems;

/** The waiting lines with the proposal for each: a rule made a moment ago is already tried. */
@Component
public class WaitingLines {

  /** A waiting line with its proposal. */
  public record Waiting(Row row, Account account, BankLine line, Proposal proposal) {
    public Reason reason() {
      return proposal.reason();
    }

    /** That of the line's state, to be sent back when posting. */
    public int version() {
      return row.version();
    }
  }

  /** Of lines of many years, the newest three can be due items. */
  private static final int DUE_DAYS = 1_100;

  /** Of all households together. */
  private static final int MOST_LINES_KEPT = 200_000;

  private final KeptByHousehold<Proposed> kept =
      new KeptByHousehold<>(MOST_LINES_KEPT, proposed -> proposed.lines().size());
  private final WaitingRows rows;
  private final RuleService rules;
  private final OpenPostings open;
  private final RateService rates;
  private final PastBookings past;
  private final DueService due;

  WaitingLines(
      WaitingRows rows,
      RuleService rules,
      OpenPostings open,
      RateService rates,
      PastBookings past,
      DueService due) {
    this.rows = rows;
    this.rules = rules;
    this.open = open;
    this.rates = rates;
    this.past = past;
    this.due = due;
  }

  private record Proposed(String state, List<Waiting> lines) {}

  /**
   * The waiting lines of a book, or of all, oldest first. Their proposals are kept until a line, a
   * rule, an account, an open posting, a rate or what was booked before changes. Cost: a look at
   * what they follow from; linear in their number when it has changed.
   */
  @Transactional(readOnly = true)
  public List<Waiting> all(Chart chart, @Nullable UUID bookId) {
    List<Waiting> all = proposed(chart).lines();
    return bookId == null
        ? all
        : all.stream().filter(w -> w.account().bookId().equals(bookId)).toList();
  }

  /** What the proposals follow from; the same text for the same proposals. */
  @Transactional(readOnly = true)
  public String state(Chart chart) {
    return proposed(chart).state();
  }

  private Proposed proposed(Chart chart) {
    UUID household = SignedIn.now().householdId();
    WaitingRows.Waiting waiting = rows.all();
    String state =
        String.join(
            "/",
            waiting.state(),
            rules.state(),
            chart.state(),
            open.state(chart),
            rates.state(),
            past.state(),
            due.state());
    Proposed known = kept.get(household);
    if (known == null || !known.state().equals(state)) {
      known =
          new Proposed(
              state, propose(waiting.rows(), known == null ? List.of() : known.lines(), chart));
      kept.put(household, known);
    }
    return known;
  }

  /**
   * All are proposed together: what one line is may hang on any other.
   *
   * @param before those whose rows may still be the same, so that they need not be read again
   */
  private List<Waiting> propose(List<Row> waiting, List<Waiting> before, Chart chart) {
    Map<Row, BankLine> known = new IdentityHashMap<>();
    before.forEach(w -> known.put(w.row(), w.line()));
    List<WaitingLine> lines =
        waiting.stream()
            .map(row -> {
              BankLine line = known.get(row);
              return new WaitingLine(
                  row.id(), chart.account(row.accountId()), line == null ? row.toBankLine() : line);
            })
            .toList();
    List<Proposal> proposals = Proposer.proposals(situation(lines, openFor(lines, chart), chart));
    var proposed = new ArrayList<Waiting>(lines.size());
    for (int i = 0; i < lines.size(); i++) {
      WaitingLine line = lines.get(i);
      proposed.add(new Waiting(waiting.get(i), line.account(), line.line(), proposals.get(i)));
    }
    return proposed;
  }

  private List<OpenPosting> openFor(List<WaitingLine> lines, Chart chart) {
    return lines.stream()
        .map(line -> line.line().bookedOn())
        .min(Comparator.naturalOrder())
        .map(first -> open.all(chart, first.minusDays(OpenPosting.WINDOW_DAYS)))
        .orElse(List.of());
  }

  /** What is expected about the days of some lines. */
  private List<DueItem> dueFor(List<WaitingLine> lines, Chart chart) {
    LongSummaryStatistics days =
        lines.stream().mapToLong(l -> l.line().bookedOn().toEpochDay()).summaryStatistics();
    if (days.getCount() == 0) {
      return List.of();
    }
    long first = Math.max(days.getMin(), days.getMax() - DUE_DAYS);
    return due.expected(
        chart,
        LocalDate.ofEpochDay(first).minusDays(DueItems.FURTHEST),
        LocalDate.ofEpochDay(days.getMax()).plusDays(DueItems.FURTHEST));
  }

  /** Lines by themselves, to see which of them a rule or a habit decides. */
  Situation alone(List<WaitingLine> lines, Chart chart) {
    return new Situation(
        lines,
        List.of(),
        rules.ruleBooks(chart),
        accounts(chart),
        Map.of(),
        ExchangeRates.NONE,
        past.of(lines, chart),
        dueFor(lines, chart));
  }

  private static Map<UUID, Account> accounts(Chart chart) {
    return chart.accounts().collect(Collectors.toMap(Account::id, account -> account));
  }

  private Situation situation(List<WaitingLine> lines, List<OpenPosting> postings, Chart chart) {
    Map<UUID, Account> accounts = accounts(chart);
    Map<UUID, String> tails =
        accounts.keySet().stream().collect(Collectors.toMap(id -> id, chart::tail));
    return new Situation(
        lines,
        postings,
        rules.ruleBooks(chart),
        accounts,
        tails,
        rates.rates(),
        past.of(lines, chart),
        dueFor(lines, chart));
  }
}
