package org.yewledger.app.post;

import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.bankline.WaitingRows;
import org.yewledger.app.bankline.WaitingRows.Row;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.platform.KeptByHousehold;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.app.rules.RuleService;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.post.OpenPosting;
import org.yewledger.core.post.Proposal;
import org.yewledger.core.post.Proposer;
import org.yewledger.core.post.Reason;
import org.yewledger.core.post.Situation;
import org.yewledger.core.post.WaitingLine;

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

  /** Of all households together. */
  private static final int MOST_LINES_KEPT = 200_000;

  private final KeptByHousehold<Proposed> kept =
      new KeptByHousehold<>(MOST_LINES_KEPT, proposed -> proposed.lines().size());
  private final WaitingRows rows;
  private final RuleService rules;
  private final OpenPostings open;

  WaitingLines(WaitingRows rows, RuleService rules, OpenPostings open) {
    this.rows = rows;
    this.rules = rules;
    this.open = open;
  }

  private record Proposed(String state, String reasons, List<Waiting> lines) {}

  /**
   * The waiting lines of a book, or of all, oldest first. Their proposals are kept until a line, a
   * rule or an account changes. Cost: a look at what they follow from; linear in their number when
   * it has changed.
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
    String reasons = rules.state() + '/' + chart.state() + '/' + open.state(chart);
    String state = waiting.state() + '/' + reasons;
    Proposed known = kept.get(household);
    if (known == null || !known.state().equals(state)) {
      List<Waiting> before =
          known != null && known.reasons().equals(reasons) ? known.lines() : List.of();
      known = new Proposed(state, reasons, propose(waiting.rows(), before, chart));
      kept.put(household, known);
    }
    return known;
  }

  /**
   * @param before those whose proposal still holds if their row is the same
   */
  private List<Waiting> propose(List<Row> waiting, List<Waiting> before, Chart chart) {
    Map<Row, Waiting> known = new IdentityHashMap<>();
    before.forEach(w -> known.put(w.row(), w));
    List<Row> changed = waiting.stream().filter(row -> !known.containsKey(row)).toList();
    List<Proposal> proposals =
        Proposer.proposals(
            situationOf(changed, changed.isEmpty() ? List.of() : open.all(chart), chart));
    for (int i = 0; i < changed.size(); i++) {
      Row row = changed.get(i);
      known.put(
          row,
          new Waiting(row, chart.account(row.accountId()), row.toBankLine(), proposals.get(i)));
    }
    return waiting.stream().map(known::get).toList();
  }

  private Situation situationOf(List<Row> waiting, List<OpenPosting> postings, Chart chart) {
    return situation(
        waiting.stream()
            .map(row -> new WaitingLine(row.id(), chart.account(row.accountId()), row.toBankLine()))
            .toList(),
        postings,
        chart);
  }

  /** All that bears on some lines, with the rules of the books of their accounts. */
  Situation situation(List<WaitingLine> lines, List<OpenPosting> postings, Chart chart) {
    return new Situation(
        lines,
        postings,
        rules.ruleBooks(chart),
        chart.accounts().collect(Collectors.toMap(Account::id, account -> account)));
  }
}
