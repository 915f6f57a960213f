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
   * @param category or the group that is planned together
   * @param holds the categories whose spending it is: itself, or those of the group that have no
   *     plan of their own
   * @param planned whether anything is planned for the month
   * @param year what is planned in the year
   */
  public record Row(
      Account category,
      List<Account> holds,
      boolean planned,
      boolean carries,
      Budget.Month month,
      Amount year) {}

  /**
   * @param budgets of all categories and groups, also of those for which nothing is planned
   * @param together which categories are planned with a group
   * @param booked what was spent on a category in a month
   * @param toCome what is still to be spent in this one
   */
  public static BudgetSheet of(
      CurrencyUnit base,
      YearMonth month,
      Span year,
      List<Budget> budgets,
      PlannedTogether together,
      BiFunction<Account, YearMonth, Amount> booked,
      ToCome toCome) {
    List<Account> categories =
        budgets.stream().map(Budget::of).filter(account -> !account.group()).toList();
    List<Row> rows = new ArrayList<>();
    for (Budget budget : budgets) {
      Account of = budget.of();
      List<Account> holds = holds(of, categories, together, month);
      Function<YearMonth, Amount> spent =
          m -> sum(base, holds(of, categories, together, m), category -> booked.apply(category, m));
      var at = budget.at(month, spent);
      Amount inYear = budget.plannedWithin(year);
      Amount now = spent.apply(month);
      Amount coming = sum(base, holds, category -> toCome.of(category.id(), base));
      if (at.isPresent() || !now.isZero() || !inYear.isZero() || !coming.isZero()) {
        Amount zero = Amount.zero(base);
        rows.add(
            new Row(
                of,
                holds,
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
            sum(base, rows, row -> row.month().brought()),
            sum(base, rows, row -> row.month().planned()),
            sum(base, rows, row -> row.month().booked()),
            sum(base, rows, row -> row.month().toCome())));
  }

  /** The categories whose spending counts against a plan in a month. */
  public static List<Account> holds(
      Account of, List<Account> categories, PlannedTogether together, YearMonth month) {
    if (of.group()) {
      return categories.stream().filter(category -> together.holds(of, category, month)).toList();
    }
    return together.groupOf(of, month).isPresent() ? List.of() : List.of(of);
  }

  /** What is planned in the year, in all rows. */
  public Amount year() {
    return Amount.sum(all.planned().currency(), rows.stream().map(Row::year).toList());
  }

  /** What is left of some of its rows together. */
  public Amount leftOf(List<Row> some) {
    return sum(all.planned().currency(), some, row -> row.month().left());
  }

  /** The first month whose spending plays a part; the month itself where nothing was planned. */
  public static YearMonth reachesBackTo(YearMonth month, List<Budget> budgets) {
    return budgets.stream()
        .flatMap(budget -> budget.begins().stream())
        .filter(begins -> begins.isBefore(month))
        .min(Comparator.naturalOrder())
        .orElse(month);
  }

  private static <T> Amount sum(CurrencyUnit base, List<T> of, Function<T, Amount> figure) {
    return Amount.sum(base, of.stream().map(figure).toList());
  }
}
