package org.yewledger.app.plan;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Stream;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.chart.AccountBalances;
import org.yewledger.app.chart.BookEntity;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.plan.GoalJson.BalanceGoalJson;
import org.yewledger.app.plan.GoalJson.GoalMonthJson;
import org.yewledger.app.plan.GoalJson.GoalsPageJson;
import org.yewledger.app.plan.GoalJson.ProfitGoalJson;
import org.yewledger.app.plan.GoalJson.ProgressJson;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.platform.HouseholdDays;
import org.yewledger.app.report.PeriodTotals;
import org.yewledger.app.report.ReportAsked.Tax;
import org.yewledger.core.Refusal;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;
import org.yewledger.core.plan.BalanceGoal;
import org.yewledger.core.plan.ProfitGoal;
import org.yewledger.core.report.AccountTotals;
import org.yewledger.core.report.Span;

/** Sets goals, and holds them against the books. */
@Service
public class GoalService {
  private final ChartService charts;
  private final Goals goals;
  private final PeriodTotals totals;
  private final AccountBalances balances;
  private final HouseholdDays days;
  private final Acts acts;

  GoalService(
      ChartService charts,
      Goals goals,
      PeriodTotals totals,
      AccountBalances balances,
      HouseholdDays days,
      Acts acts) {
    this.charts = charts;
    this.goals = goals;
    this.totals = totals;
    this.balances = balances;
    this.days = days;
    this.acts = acts;
  }

  /** As they stand at a month: at its end, or today if it is not over. */
  @Transactional(readOnly = true)
  GoalsPageJson page(YearMonth month, @Nullable UUID bookId) {
    Chart chart = charts.chart();
    LocalDate today = days.today();
    LocalDate on = month.atEndOfMonth().isBefore(today) ? month.atEndOfMonth() : today;
    return new GoalsPageJson(
        on,
        chart.books(bookId).flatMap(book -> profit(book, chart, month, on).stream()).toList(),
        chart.books(bookId).flatMap(book -> balances(book, chart, on)).toList());
  }

  private Optional<ProfitGoalJson> profit(
      BookEntity book, Chart chart, YearMonth month, LocalDate on) {
    CurrencyUnit base = book.toBook().currency();
    Span year = BudgetService.fiscalYear(book, month);
    return goals
        .profit(book.id(), year, base)
        .map(goal -> {
          ProfitGoal.Progress progress = goal.at(on, results(book, chart, year));
          return new ProfitGoalJson(
              book.id(),
              book.name(),
              base.getCode(),
              year.first(),
              year.last(),
              goal.amount().decimal(),
              progress.months().stream()
                  .map(one ->
                      new GoalMonthJson(
                          one.month(),
                          one.planned().decimal(),
                          one.reached() == null ? null : one.reached().decimal(),
                          one.against() == null ? null : one.against().decimal()))
                  .toList(),
              new ProgressJson(
                  progress.isReached(),
                  progress.reached().decimal(),
                  progress.ahead().decimal(),
                  progress.toGo().decimal(),
                  progress.monthsLeft(),
                  progress.perMonth().decimal()));
        });
  }

  /** Income less expenses of each month; credits are below zero in the books. */
  private Function<YearMonth, Amount> results(BookEntity book, Chart chart, Span year) {
    List<Account> categories =
        chart
            .accountsOf(book.id())
            .filter(a -> !a.group() && a.accountClass().isCategory())
            .toList();
    List<AccountTotals> all = totals.within(categories, year.first(), year.last(), Tax.NET);
    return month ->
        Amount.sum(
                book.toBook().currency(),
                all.stream().map(of -> of.within(new Span(month, month))).toList())
            .negated();
  }

  private Stream<BalanceGoalJson> balances(BookEntity book, Chart chart, LocalDate on) {
    Map<Account, BalanceGoal> set = goals.balances(chart.accountsOf(book.id()).toList());
    return set.entrySet().stream()
        .sorted(Comparator.comparing(one -> one.getKey().name()))
        .map(one -> json(one.getKey(), one.getValue(), on));
  }

  private BalanceGoalJson json(Account account, BalanceGoal goal, LocalDate on) {
    return BalanceGoalJson.of(account, goal, goal.at(on, balances.whole(account, on).amount()));
  }

  /**
   * What a book is to earn in the fiscal year that a month is in; null to give the goal up.
   *
   * @throws Refusal {@code goal-not-positive}
   */
  @Transactional
  @ForBookkeepers
  public void setProfit(UUID bookId, YearMonth month, @Nullable BigDecimal amount) {
    BookEntity book = charts.chart().book(bookId);
    Span year = BudgetService.fiscalYear(book, month);
    acts.begin(
        ActKind.BUDGETS,
        (amount == null ? "Gave the goal of %s up" : "Set the goal of %s").formatted(book.name()));
    if (amount == null) {
      goals.giveProfitUp(bookId, year);
    } else {
      goals.setProfit(bookId, new ProfitGoal(year, Amount.of(amount, book.toBook().currency())));
    }
  }

  /**
   * What is to stand on an account by a day; null to give the goal up.
   *
   * @throws Refusal {@code goal-not-of-assets}, {@code goal-not-positive}, {@code goal-past}
   */
  @Transactional
  @ForBookkeepers
  public void setBalance(UUID accountId, @Nullable BigDecimal amount, @Nullable LocalDate by) {
    Account account = BalanceGoal.requireAsset(charts.chart().account(accountId));
    acts.begin(
        ActKind.BUDGETS,
        (amount == null ? "Gave the goal of %s up" : "Set the goal of %s")
            .formatted(account.name()));
    if (amount == null) {
      goals.giveBalanceUp(account);
      return;
    }
    LocalDate today = days.today();
    goals.setBalance(
        account,
        new BalanceGoal(
            today,
            balances.whole(account, today).amount(),
            by == null ? today : by,
            Amount.of(amount, account.currency())));
  }
}
