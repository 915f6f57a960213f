package org.yewledger.app.plan;

import java.time.YearMonth;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.chart.BookEntity;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.plan.BudgetJson.PlanMonthsJson;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.report.PeriodTotals;
import org.yewledger.app.report.ReportAsked.Tax;
import org.yewledger.core.Refusal;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;
import org.yewledger.core.plan.Budget;
import org.yewledger.core.plan.LastYear;
import org.yewledger.core.plan.PlannedSpan;
import org.yewledger.core.report.AccountTotals;
import org.yewledger.core.report.Span;

/** Changes what is planned; each change is an act that can be undone. */
@Service
@ForBookkeepers
public class Planning {
  private final ChartService charts;
  private final Budgets budgets;
  private final PeriodTotals totals;
  private final Acts acts;

  Planning(ChartService charts, Budgets budgets, PeriodTotals totals, Acts acts) {
    this.charts = charts;
    this.budgets = budgets;
    this.totals = totals;
    this.acts = acts;
  }

  /** As the API asks for it: the same for each month, all months together, or nothing any more. */
  @Transactional
  void plan(UUID accountId, PlanMonthsJson wanted) {
    Span months = PlannedSpan.requireShort(new Span(wanted.first(), wanted.last()));
    if (wanted.amount() == null) {
      plan(accountId, months, List.of());
      return;
    }
    Amount amount = Amount.of(wanted.amount(), category(accountId).book().currency());
    plan(
        accountId,
        months,
        wanted.together()
            ? List.of(new PlannedSpan(months, amount))
            : PlannedSpan.each(months, amount));
  }

  /**
   * Plans months of a category anew.
   *
   * @param anew what is planned in them
   * @throws Refusal {@code budget-not-of-expenses}, {@code budget-overlaps}
   */
  @Transactional
  public void plan(UUID accountId, Span months, List<PlannedSpan> anew) {
    Account category = category(accountId);
    acts.begin(ActKind.BUDGETS, "Planned %s, %s".formatted(category.name(), inWords(months)));
    Budget was = budgets.held(category);
    budgets.keep(was, PlannedSpan.replaced(was.spans(), months, anew));
  }

  /** Whether what is left of a category goes on to the next month. */
  @Transactional
  public void carry(UUID accountId, boolean carries) {
    Account category = category(accountId);
    acts.begin(
        ActKind.BUDGETS,
        (carries ? "Carries over what is left of %s" : "Begins %s anew each month")
            .formatted(category.name()));
    budgets.held(category);
    budgets.carry(category, carries);
  }

  /**
   * Plans a fiscal year from what was spent in the year before, as {@link LastYear} says;
   * categories with any plan in the year, or planned with their group, stay as they are.
   *
   * @return how many categories were planned
   * @throws Refusal {@code nothing-last-year} if there are none
   */
  @Transactional
  int planYear(UUID bookId, YearMonth month) {
    Chart chart = charts.chart();
    BookEntity book = chart.book(bookId);
    Span year = BudgetService.fiscalYear(book, month);
    List<Account> categories = BudgetService.categories(chart, bookId).toList();
    acts.begin(
        ActKind.BUDGETS,
        "Planned %s, %s, from the year before".formatted(book.name(), inWords(year)));
    int planned = 0;
    for (AccountTotals spent :
        totals.within(
            categories, year.first().minusMonths(12), year.last().minusMonths(12), Tax.NET)) {
      List<PlannedSpan> plan = LastYear.plan(year, spent);
      if (plan.isEmpty()) {
        continue;
      }
      Budget was = budgets.held(spent.account());
      if (!was.plansWithin(year) && !isPlannedWithAGroup(spent.account(), chart, year)) {
        budgets.keep(was, PlannedSpan.replaced(was.spans(), year, plan));
        planned++;
      }
    }
    if (planned == 0) {
      throw Refusal.of(
          "nothing-last-year",
          "Nothing was spent in the year before on what is not planned yet. Plan category by category.");
    }
    return planned;
  }

  private boolean isPlannedWithAGroup(Account category, Chart chart, Span year) {
    return budgets.of(chart.groupsAround(category.id())).stream()
        .anyMatch(group -> group.plansWithin(year));
  }

  /**
   * @throws Refusal {@code budget-not-of-expenses}
   */
  private Account category(UUID accountId) {
    return Budget.requireExpenses(charts.chart().account(accountId));
  }

  private static String inWords(Span months) {
    return months.first().equals(months.last())
        ? months.first().toString()
        : "%s to %s".formatted(months.first(), months.last());
  }
}
