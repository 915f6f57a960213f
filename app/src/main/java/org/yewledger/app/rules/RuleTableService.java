package org.yewledger.app.rules;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.platform.Ids;
import org.yewledger.core.BadRows;
import org.yewledger.core.Refusal;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.rules.Rule;
import org.yewledger.core.rules.Words;
import org.yewledger.formats.table.RuleTable.RuleRow;

/** The rules of a book as a table, and copied from one book to another. */
@Service
public class RuleTableService {
  private final ChartService charts;
  private final RuleService rules;

  RuleTableService(ChartService charts, RuleService rules) {
    this.charts = charts;
    this.rules = rules;
  }

  /** The rules for the lines of a book, in their order. */
  @Transactional(readOnly = true)
  public List<RuleRow> rows(UUID bookId) {
    Chart chart = charts.chart();
    chart.book(bookId);
    return rules.inOrder().stream()
        .map(RuleEntity::toRule)
        .filter(rule -> RuleService.bookOf(rule, chart).equals(bookId))
        .map(rule -> row(rule, chart))
        .toList();
  }

  private static RuleRow row(Rule rule, Chart chart) {
    UUID on = rule.when().accountId();
    return new RuleRow(
        0,
        rule.when().words().toString(),
        rule.when().direction().name().toLowerCase(Locale.ROOT),
        on == null ? "" : chart.account(on).name(),
        rule.then().payee(),
        chart.account(rule.then().accountId()).name());
  }

  /**
   * Adds all rules of a table at the end of the order, or none.
   *
   * @throws BadRows with every row that is no rule
   */
  @Transactional
  @ForBookkeepers
  public int takeIn(UUID bookId, List<RuleRow> rows) {
    Chart chart = charts.chart();
    chart.book(bookId);
    var problems = new ArrayList<BadRows.Problem>();
    int added = 0;
    for (RuleRow row : rows) {
      try {
        rules.add(rule(row, bookId, chart));
        added++;
      } catch (Refusal e) {
        String column = e.field() == null ? "words" : e.field();
        problems.add(new BadRows.Problem(row.line(), column, e.getMessage()));
      }
    }
    if (!problems.isEmpty()) {
      throw new BadRows(problems);
    }
    return added;
  }

  /**
   * Copies the rules of one book to another, where an account of the same name is there to book to;
   * one for a single account is left out, as that account belongs to its book.
   *
   * @return how many were copied
   */
  @Transactional
  @ForBookkeepers
  public int copy(UUID fromId, UUID toId) {
    Chart chart = charts.chart();
    List<RuleRow> there = rows(toId);
    List<RuleRow> copied =
        rows(fromId).stream()
            .filter(r -> r.onAccount().isEmpty() && named(r.bookTo(), toId, chart).isPresent())
            .filter(r -> there.stream().noneMatch(t -> t.words().equals(r.words())))
            .toList();
    return takeIn(toId, copied);
  }

  private static Rule rule(RuleRow row, UUID bookId, Chart chart) {
    Account to =
        named(row.bookTo(), bookId, chart)
            .or(() -> named(row.bookTo(), null, chart))
            .orElseThrow(() ->
                Refusal.ofField(
                    "unknown-account",
                    "book to",
                    "There is no account %s.".formatted(row.bookTo())));
    UUID on =
        row.onAccount().isEmpty()
            ? null
            : named(row.onAccount(), bookId, chart)
                .orElseThrow(() ->
                    Refusal.ofField(
                        "unknown-account",
                        "on account",
                        "The book has no account %s.".formatted(row.onAccount())))
                .id();
    return new Rule(
        Ids.next(),
        new Rule.When(Words.of(row.words()), direction(row.direction()), on),
        new Rule.Then(row.payee(), to.id()));
  }

  private static Rule.Direction direction(String text) {
    return switch (text.toLowerCase(Locale.ROOT)) {
      case "in" -> Rule.Direction.IN;
      case "out" -> Rule.Direction.OUT;
      case "", "either" -> Rule.Direction.EITHER;
      default ->
          throw Refusal.ofField(
              "unknown-direction", "direction", "Write in, out or either, not %s.".formatted(text));
    };
  }

  private static Optional<Account> named(
      String name, @org.jspecify.annotations.Nullable UUID bookId, Chart chart) {
    return chart
        .accounts()
        .filter(a -> bookId == null || a.bookId().equals(bookId))
        .filter(a -> a.name().equalsIgnoreCase(name.strip()))
        .findFirst();
  }
}
