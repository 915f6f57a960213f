package org.yewledger.app.rules;

import jakarta.persistence.EntityManager;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.bankline.BankLineEntity;
import org.yewledger.app.bankline.WaitingRows;
import org.yewledger.app.bankline.WaitingRows.Row;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.platform.NotFound;
import org.yewledger.app.rules.RuleController.ReachJson;
import org.yewledger.app.rules.RuleController.SuggestionJson;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.rules.LastingWords;
import org.yewledger.core.rules.Rule;
import org.yewledger.core.rules.RuleBook;

/** What rules catch among the waiting lines. */
@Component
class RuleReach {
  private final EntityManager entities;
  private final WaitingRows rows;
  private final RuleService rules;

  RuleReach(EntityManager entities, WaitingRows rows, RuleService rules) {
    this.entities = entities;
    this.rows = rows;
    this.rules = rules;
  }

  /** How many waiting lines each rule decides. */
  @Transactional(readOnly = true)
  Map<UUID, Integer> waitingByRule(Chart chart) {
    var counts = new HashMap<UUID, Integer>();
    Map<UUID, RuleBook> books = rules.ruleBooks(chart);
    for (Row row : waiting()) {
      firstMatch(row, chart, books).ifPresent(rule -> counts.merge(rule.id(), 1, Integer::sum));
    }
    return counts;
  }

  /** What a rule that is not saved yet would catch. */
  @Transactional(readOnly = true)
  ReachJson of(Rule draft, Chart chart) {
    UUID bookId = RuleService.bookOf(draft, chart);
    Map<UUID, RuleBook> books = rules.ruleBooks(chart);
    List<Row> caught =
        waiting().stream()
            .filter(row -> chart.account(row.accountId()).bookId().equals(bookId))
            .filter(row -> draft.fits(row.accountId(), row.toBankLine()))
            .toList();
    long unanswered =
        caught.stream().filter(row -> firstMatch(row, chart, books).isEmpty()).count();
    return new ReachJson(caught.size(), (int) unanswered);
  }

  @Transactional(readOnly = true)
  SuggestionJson suggestion(UUID lineId) {
    BankLineEntity row = entities.find(BankLineEntity.class, lineId);
    if (row == null) {
      throw new NotFound("bank line");
    }
    BankLine line = row.toBankLine();
    return new SuggestionJson(
        LastingWords.of(line).toString(),
        line.amountMinor() > 0 ? Rule.Direction.IN : Rule.Direction.OUT);
  }

  private Optional<Rule> firstMatch(Row row, Chart chart, Map<UUID, RuleBook> books) {
    Account account = chart.account(row.accountId());
    RuleBook book = books.get(account.bookId());
    return book == null ? Optional.empty() : book.firstMatch(account.id(), row.toBankLine());
  }

  private List<Row> waiting() {
    return rows.all().rows();
  }
}
