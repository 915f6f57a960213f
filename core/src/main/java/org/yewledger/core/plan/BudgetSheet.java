package org.yewledger.core.plan;

import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.BiFunction;
import java.util.function.Function;
import org.joda.money.CurrencyUnit;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;
import org.yewledger.core.report.Span;

/**
 * The budgets of a book in a month: what was brought, planned, booked and is left, category by
 * category. Categories on which something was spent without a plan stand among them, so that
 * nothing that was spent is missing from the sums.
 *
 * @param rows in the order of the budgets
 * @param all what the rows come to
 */
public record BudgetSheet(List<Row> rows, Budget.Month all) {
  /**
   * @param planned whether anything is planned for the month
   * @param year what is planned in the year
   */
  public record Row(
      Account category, boolean planned, boolean carries, Budget.Month month, Amount year) {}

  /**
   * @param budgets of all categories, also of those for which nothing is planned
   * @param booked what was spent on a category in a month
   * @param toCome what is still to be spent in this one
   */
  public static BudgetSheet of(
      CurrencyUnit base,
      YearMonth month,
      Span year,
      List<Budget> budgets,
      BiFunction<Account, YearMonth, Amount> booked,
      ToCome toCome) {
    List<Row> rows = new ArrayList<>();
    Amount zero = Amount.zero(base);
    for (Budget budget : budgets) {
      Account category = budget.of();
      var at = budget.at(month, m -> booked.apply(category, m));
      Amount inYear = budget.plannedWithin(year);
      Amount now = booked.apply(category, month);
      Amount coming = toCome.of(category.id(), base);
      if (at.isPresent() || !now.isZero() || !inYear.isZero() || !coming.isZero()) {
        rows.add(
            new Row(
                category,
                at.isPresent(),
                budget.carries(),
                at.orElse(new Budget.Month(month, zero, zero, now, zero)).withToCome(coming),
                inYear));
      }
    }
    return new BudgetSheet(
        List.copyOf(rows),
        new Budget.Month(
            month,
            sum(base, rows, Budget.Month::brought),
            sum(base, rows, Budget.Month::planned),
            sum(base, rows, Budget.Month::booked),
            sum(base, rows, Budget.Month::toCome)));
  }

  /** What is planned in the year, in all rows. */
  public Amount year() {
    return Amount.sum(all.planned().currency(), rows.stream().map(Row::year).toList());
  }

  /** What is left of some of its rows together. */
  public Amount leftOf(List<Row> some) {
    return sum(all.planned().currency(), some, Budget.Month::left);
  }

  /** The first month whose spending plays a part; the month itself where nothing was planned. */
  public static YearMonth reachesBackTo(YearMonth month, List<Budget> budgets) {
    return budgets.stream()
        .flatMap(budget -> budget.begins().stream())
        .filter(begins -> begins.isBefore(month))
        .min(Comparator.naturalOrder())
        .orElse(month);
  }

  private static Amount sum(
      CurrencyUnit base, List<Row> rows, Function<Budget.Month, Amount> figure) {
    return Amount.sum(base, rows.stream().map(row -> figure.apply(row.month())).toList());
  }
}
