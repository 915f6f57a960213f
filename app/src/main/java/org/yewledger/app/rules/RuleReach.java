package org.yewledger.app.rules;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.bankline.BankLineEntity;
import org.yewledger.app.bankline.LineStates;
import org.yewledger.app.bankline.WaitingRows;
import org.yewledger.app.bankline.WaitingRows.Row;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.payee.PayeeTexts;
import org.yewledger.app.rules.RuleJson.BeginningJson;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.rules.Condition;
import org.yewledger.core.rules.LastingWords;
import org.yewledger.core.rules.Rule;
import org.yewledger.core.rules.RuleBook;
import org.yewledger.core.rules.RuleLine;
import org.yewledger.core.rules.Words;

/** What rules catch among the waiting lines, and what one is begun with from some of them. */
@Component
class RuleReach {
  private final WaitingRows rows;
  private final LineStates lines;
  private final RuleService rules;
  private final PayeeTexts texts;

  RuleReach(WaitingRows rows, LineStates lines, RuleService rules, PayeeTexts texts) {
    this.rows = rows;
    this.lines = lines;
    this.rules = rules;
    this.texts = texts;
  }

  /** How many waiting lines each rule decides. */
  @Transactional(readOnly = true)
  Map<UUID, Integer> waitingByRule(Chart chart) {
    var counts = new HashMap<UUID, Integer>();
    Map<UUID, RuleBook> books = rules.ruleBooks(chart);
    for (Row row : rows.all().rows()) {
      firstMatch(row, chart, books).ifPresent(rule -> counts.merge(rule.id(), 1, Integer::sum));
    }
    return counts;
  }

  private static Optional<Rule> firstMatch(Row row, Chart chart, Map<UUID, RuleBook> books) {
    Account account = chart.account(row.accountId());
    RuleBook book = books.get(account.bookId());
    return book == null
        ? Optional.empty()
        : book.firstMatch(RuleLine.of(account, row.toBankLine()));
  }

  /** What several lines have in common; the lasting words of one, if it is one. */
  @Transactional(readOnly = true)
  BeginningJson beginning(List<UUID> lineIds, Chart chart) {
    List<BankLineEntity> found = List.copyOf(lines.lines(lineIds).all());
    List<BankLine> all = found.stream().map(BankLineEntity::toBankLine).toList();
    Words words = all.size() == 1 ? texts.lasting(all.getFirst()) : LastingWords.common(all);
    long in = all.stream().filter(line -> line.amountMinor() > 0).count();
    return new BeginningJson(
        chart.account(found.getFirst().accountId()).bookId(),
        words.toString(),
        in == 0 ? Condition.Direction.OUT : in == all.size() ? Condition.Direction.IN : null,
        LastingWords.name(words));
  }
}
