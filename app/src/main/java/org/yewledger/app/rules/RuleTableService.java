package org.yewledger.app.rules;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.chart.TaxRateService;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.platform.Ids;
import org.yewledger.core.BadRows;
import org.yewledger.core.Refusal;
import org.yewledger.core.rules.ConditionReader;
import org.yewledger.core.rules.DivisionText;
import org.yewledger.core.rules.Rule;
import org.yewledger.formats.table.RuleTable.RuleRow;

/** The rules of a book as a table, and copied from one book to another. */
@Service
public class RuleTableService {
  private final ChartService charts;
  private final RuleService rules;
  private final TaxRateService taxRates;

  RuleTableService(ChartService charts, RuleService rules, TaxRateService taxRates) {
    this.charts = charts;
    this.rules = rules;
    this.taxRates = taxRates;
  }

  /** The rules for the lines of a book, in their order. */
  @Transactional(readOnly = true)
  public List<RuleRow> rows(UUID bookId) {
    Chart chart = charts.chart();
    chart.book(bookId);
    var names = new ByName(chart, taxRates.all());
    return rules.inOrder().stream()
        .map(RuleEntity::toRule)
        .filter(rule -> rule.bookId().equals(bookId))
        .map(rule -> row(rule, names))
        .toList();
  }

  private static RuleRow row(Rule rule, ByName names) {
    return new RuleRow(
        0,
        RuleService.told(rule, names.chart()),
        rule.then().payee(),
        DivisionText.of(
            rule.then().division(), id -> names.chart().account(id).name(), names::nameOfRate),
        String.join(", ", rule.then().tags()),
        rule.then().note(),
        rule.isOn() ? "on" : "off",
        rule.trustedUpTo() == null ? "" : rule.trustedUpTo().toPlainString());
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
    var names = new ByName(chart, taxRates.all());
    var problems = new ArrayList<BadRows.Problem>();
    int added = 0;
    for (RuleRow row : rows) {
      try {
        rules.add(rule(row, bookId, names));
        added++;
      } catch (Refusal e) {
        problems.add(new BadRows.Problem(row.line(), column(e.field()), e.getMessage()));
      }
    }
    if (!problems.isEmpty()) {
      throw new BadRows(problems);
    }
    return added;
  }

  /** The column of what a refusal is about. */
  private static String column(@Nullable String field) {
    if (field == null) {
      return "when";
    }
    return switch (field.replaceFirst("\\..*", "")) {
      case "shares", "bookId" -> "book to";
      case "trustedUpTo" -> "trusted up to";
      case "switched", "tags" -> field;
      default -> "when";
    };
  }

  /**
   * Copies the rules of one book to another, where what they name is there by the same names; one
   * that looks the same there already is left out.
   *
   * @return how many were copied
   */
  @Transactional
  @ForBookkeepers
  public int copy(UUID fromId, UUID toId) {
    Chart chart = charts.chart();
    var names = new ByName(chart, taxRates.all());
    List<String> there = rules.of(toId).stream().map(r -> RuleService.told(r, chart)).toList();
    int copied = 0;
    for (Rule rule : rules.of(fromId)) {
      if (!there.contains(RuleService.told(rule, chart)) && RuleCopies.canMove(rule, toId, names)) {
        rules.add(RuleCopies.moved(rule, toId, names));
        copied++;
      }
    }
    return copied;
  }

  private static Rule rule(RuleRow row, UUID bookId, ByName names) {
    Function<String, Optional<UUID>> accounts = name -> names.accountAnywhere(name, bookId);
    return new Rule(
        Ids.next(),
        bookId,
        ConditionReader.read(row.when(), accounts),
        new Rule.Then(
            row.payee(),
            DivisionText.read(row.bookTo(), accounts, name -> names.rate(name, bookId)),
            row.tags().isEmpty() ? List.of() : List.of(row.tags().split("\\s*,\\s*")),
            row.note()),
        isOn(row.switched()),
        trustedUpTo(row.trustedUpTo()));
  }

  private static boolean isOn(String text) {
    return switch (text.toLowerCase(Locale.ROOT)) {
      case "", "on" -> true;
      case "off" -> false;
      default ->
          throw Refusal.ofField(
              "unknown-switch", "switched", "Write on or off, not %s.".formatted(text));
    };
  }

  private static @Nullable BigDecimal trustedUpTo(String text) {
    if (text.isEmpty()) {
      return null;
    }
    if (!text.matches("\\d{1,12}(\\.\\d{1,4})?")) {
      throw Refusal.ofField(
          "amount-unreadable",
          "trustedUpTo",
          "Write an amount such as 40 or 12.50, not %s.".formatted(text));
    }
    return new BigDecimal(text);
  }
}
