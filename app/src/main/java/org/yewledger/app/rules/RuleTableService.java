package org.yewledger.app.rules;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
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
import org.yewledger.core.ledger.Account;
import org.yewledger.core.rules.ConditionReader;
import org.yewledger.core.rules.DivisionText;
import org.yewledger.core.rules.Rule;
import org.yewledger.formats.table.RuleTable.RuleRow;

/** The rules of a book as a table, and copied from one book to another. */
@Service
public class RuleTableService {
  /** The columns of what a refusal may be about. */
  private static final Map<String, String> COLUMNS =
      Map.of(
          "shares", "book to",
          "book to", "book to",
          "trustedUpTo", "trusted up to",
          "trusted up to", "trusted up to",
          "switched", "switched",
          "tags", "tags");

  private final ChartService charts;
  private final RuleService rules;
  private final RuleCopies copies;
  private final TaxRateService taxRates;

  RuleTableService(
      ChartService charts, RuleService rules, RuleCopies copies, TaxRateService taxRates) {
    this.charts = charts;
    this.rules = rules;
    this.copies = copies;
    this.taxRates = taxRates;
  }

  /** The rules for the lines of a book, in their order. */
  @Transactional(readOnly = true)
  public List<RuleRow> rows(UUID bookId) {
    Chart chart = charts.chart();
    chart.book(bookId);
    List<TaxRateService.Kept> rates = taxRates.all();
    return rules.inOrder().stream()
        .map(RuleEntity::toRule)
        .filter(rule -> rule.bookId().equals(bookId))
        .map(rule -> row(rule, chart, rates))
        .toList();
  }

  private static RuleRow row(Rule rule, Chart chart, List<TaxRateService.Kept> rates) {
    return new RuleRow(
        0,
        RuleService.told(rule, chart),
        rule.then().payee(),
        DivisionText.of(
            rule.then().division(), id -> chart.account(id).name(), id -> rateName(id, rates)),
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
    List<TaxRateService.Kept> rates = taxRates.all();
    var problems = new ArrayList<BadRows.Problem>();
    int added = 0;
    for (RuleRow row : rows) {
      try {
        rules.add(rule(row, bookId, chart, rates));
        added++;
      } catch (Refusal e) {
        String column = COLUMNS.getOrDefault(e.field() == null ? "" : e.field(), "when");
        problems.add(new BadRows.Problem(row.line(), column, e.getMessage()));
      }
    }
    if (!problems.isEmpty()) {
      throw new BadRows(problems);
    }
    return added;
  }

  /**
   * Copies the rules of one book to another, where accounts of the same names are there; one that
   * looks the same there already is left out.
   *
   * @return how many were copied
   */
  @Transactional
  @ForBookkeepers
  public int copy(UUID fromId, UUID toId) {
    Chart chart = charts.chart();
    List<String> there = rules.of(toId).stream().map(r -> RuleService.told(r, chart)).toList();
    int copied = 0;
    for (Rule rule : rules.of(fromId)) {
      if (!there.contains(RuleService.told(rule, chart)) && hasSameNames(rule, toId, chart)) {
        rules.add(copies.moved(rule, toId, chart));
        copied++;
      }
    }
    return copied;
  }

  private static boolean hasSameNames(Rule rule, UUID bookId, Chart chart) {
    return rule.accounts().stream()
        .map(chart::account)
        .allMatch(account ->
            account.bookId().equals(bookId)
                || named(account.name(), bookId, chart).filter(a -> !a.group()).isPresent());
  }

  private static Rule rule(RuleRow row, UUID bookId, Chart chart, List<TaxRateService.Kept> rates) {
    Function<String, Optional<UUID>> accounts =
        name -> named(name, bookId, chart).or(() -> named(name, null, chart)).map(Account::id);
    return new Rule(
        Ids.next(),
        bookId,
        ConditionReader.read(row.when(), accounts),
        new Rule.Then(
            row.payee(),
            DivisionText.read(row.bookTo(), accounts, name -> rateNamed(name, bookId, rates)),
            row.tags().isEmpty() ? List.of() : List.of(row.tags().split("\\s*,\\s*")),
            row.note()),
        isOn(row.switched()),
        trustedUpTo(row.trustedUpTo()));
  }

  private static String rateName(UUID id, List<TaxRateService.Kept> rates) {
    return rates.stream()
        .filter(kept -> kept.id().equals(id))
        .map(kept -> kept.rate().name())
        .findFirst()
        .orElse("");
  }

  static Optional<UUID> rateNamed(String name, UUID bookId, List<TaxRateService.Kept> rates) {
    return rates.stream()
        .filter(kept -> kept.bookId().equals(bookId) && kept.rate().name().equalsIgnoreCase(name))
        .map(TaxRateService.Kept::id)
        .findFirst();
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
          "trusted up to",
          "Write an amount such as 40 or 12.50, not %s.".formatted(text));
    }
    return new BigDecimal(text);
  }

  private static Optional<Account> named(String name, @Nullable UUID bookId, Chart chart) {
    return chart
        .accounts()
        .filter(a -> bookId == null || a.bookId().equals(bookId))
        .filter(a -> a.name().equalsIgnoreCase(name.strip()))
        .findFirst();
  }
}
