package org.yewledger.app.plan;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.BookEntity;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.currency.RateService;
import org.yewledger.app.plan.BudgetJson.BookedOnJson;
import org.yewledger.app.plan.BudgetJson.BudgetBookJson;
import org.yewledger.app.plan.BudgetJson.BudgetFiguresJson;
import org.yewledger.app.plan.BudgetJson.BudgetGroupJson;
import org.yewledger.app.plan.BudgetJson.BudgetPageJson;
import org.yewledger.app.plan.BudgetJson.BudgetRowJson;
import org.yewledger.app.plan.BudgetJson.PlannedMonthJson;
import org.yewledger.app.plan.BudgetJson.PlannedYearJson;
import org.yewledger.app.platform.HouseholdDays;
import org.yewledger.app.report.PeriodTotals;
import org.yewledger.app.report.ReportAsked.Tax;
import org.yewledger.app.report.SpreadBills;
import org.yewledger.app.schedule.DueService;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountClass;
import org.yewledger.core.ledger.FiscalYear;
import org.yewledger.core.money.Amount;
import org.yewledger.core.plan.BookedDays;
import org.yewledger.core.plan.Budget;
import org.yewledger.core.plan.BudgetSheet;
import org.yewledger.core.plan.PlannedSpan;
import org.yewledger.core.plan.PlannedTogether;
import org.yewledger.core.plan.ToCome;
import org.yewledger.core.report.AccountTotals;
import org.yewledger.core.report.Span;
import org.yewledger.core.report.SpreadBill;
import org.yewledger.core.schedule.DueItems;

/** Loads what budgets are held against, and lays them out. */
@Service
class BudgetService {
  private final ChartService charts;
  private final Budgets budgets;
  private final PeriodTotals totals;
  private final SpreadBills bills;
  private final DueService due;
  private final RateService rates;
  private final HouseholdDays days;

  BudgetService(
      ChartService charts,
      Budgets budgets,
      PeriodTotals totals,
      SpreadBills bills,
      DueService due,
      RateService rates,
      HouseholdDays days) {
    this.charts = charts;
    this.budgets = budgets;
    this.totals = totals;
    this.bills = bills;
    this.due = due;
    this.rates = rates;
    this.days = days;
  }

  static Stream<Account> categories(Chart chart, UUID bookId) {
    return plannable(chart, bookId).filter(a -> !a.group());
  }

  /** Categories of expenses, and their groups. */
  static Stream<Account> plannable(Chart chart, UUID bookId) {
    return chart.accountsOf(bookId).filter(a -> a.accountClass() == AccountClass.EXPENSE);
  }

  static PlannedTogether together(List<Budget> all, Chart chart) {
    return new PlannedTogether(all, category -> chart.groupsAround(category.id()));
  }

  static Span fiscalYear(BookEntity book, YearMonth month) {
    FiscalYear year = FiscalYear.of(month.atDay(1), book.fiscalYearStartsIn());
    return new Span(YearMonth.from(year.first()), YearMonth.from(year.last()));
  }

  /** Of each book, or of the chosen one. Cost: kept totals since the first plan. */
  @Transactional(readOnly = true)
  BudgetPageJson page(YearMonth month, @Nullable UUID bookId) {
    Chart chart = charts.chart();
    ToCome toCome = toCome(chart, month);
    return new BudgetPageJson(
        month,
        days.today(),
        toCome.without(),
        chart.books(bookId).map(book -> book(book, chart, month, toCome)).toList());
  }

  /** A holiday can take an item into the month, or out of it. */
  private ToCome toCome(Chart chart, YearMonth month) {
    return ToCome.of(
        month,
        due.items(
            chart,
            month.atDay(1).minusDays(DueItems.FURTHEST),
            month.atEndOfMonth().plusDays(DueItems.FURTHEST)),
        rates.rates());
  }

  /** What is left of each budget of a book in a month, by account, in minor units. */
  @Transactional(readOnly = true)
  Map<UUID, Long> left(BookEntity book, Chart chart, YearMonth month, ToCome toCome) {
    return laid(book, chart, month, toCome).sheet().rows().stream()
        .collect(Collectors.toMap(row -> row.category().id(), row -> row.month().left().minor()));
  }

  private record Laid(BudgetSheet sheet, List<SpreadBills.Of> spread) {}

  private Laid laid(BookEntity book, Chart chart, YearMonth month, ToCome toCome) {
    List<Account> categories = categories(chart, book.id()).toList();
    List<Budget> all = budgets.of(plannable(chart, book.id()).toList());
    Span since = new Span(BudgetSheet.reachesBackTo(month, all), month);
    List<SpreadBills.Of> spread = bills.touching(categories, since, Tax.NET);
    return new Laid(
        BudgetSheet.of(
            book.toBook().currency(),
            month,
            fiscalYear(book, month),
            all,
            together(all, chart),
            booked(categories, since, spread),
            toCome),
        spread);
  }

  private BudgetBookJson book(BookEntity book, Chart chart, YearMonth month, ToCome toCome) {
    Laid laid = laid(book, chart, month, toCome);
    BudgetSheet sheet = laid.sheet();
    Span year = fiscalYear(book, month);
    Map<UUID, Map<LocalDate, Amount>> byDay =
        budgets.bookedByDay(categories(chart, book.id()).toList(), month);
    return new BudgetBookJson(
        book.id(),
        book.name(),
        book.toBook().currency().getCode(),
        year.first(),
        year.last(),
        groups(sheet, chart, row -> json(row, month, byDay, laid.spread())),
        json(sheet.all()),
        sheet.year().decimal());
  }

  private static List<BudgetGroupJson> groups(
      BudgetSheet sheet, Chart chart, Function<BudgetSheet.Row, BudgetRowJson> json) {
    Map<Optional<UUID>, List<BudgetSheet.Row>> byGroup =
        sheet.rows().stream()
            .collect(
                Collectors.groupingBy(
                    row -> groupOf(row.category(), chart),
                    LinkedHashMap::new,
                    Collectors.toList()));
    return byGroup.entrySet().stream()
        .map(group ->
            new BudgetGroupJson(
                group.getKey().orElse(null),
                group.getKey().map(id -> chart.account(id).name()).orElse(""),
                sheet.leftOf(group.getValue()).decimal(),
                group.getValue().stream().map(json).toList()))
        .toList();
  }

  /** A group that is planned together stands with its categories. */
  private static Optional<UUID> groupOf(Account of, Chart chart) {
    return of.group() ? Optional.of(of.id()) : Optional.ofNullable(chart.parentId(of.id()));
  }

  /**
   * A hundred years at most, as every span.
   *
   * @param spread the bills that stand in the months they serve
   */
  private BiFunction<Account, YearMonth, Amount> booked(
      List<Account> categories, Span months, List<SpreadBills.Of> spread) {
    Map<UUID, AccountTotals> byId =
        SpreadBills.spread(
                totals.within(categories, months.first(), months.last(), Tax.NET), months, spread)
            .stream()
            .collect(Collectors.toMap(t -> t.account().id(), t -> t));
    return (category, month) -> {
      AccountTotals of = byId.get(category.id());
      return of == null
          ? Amount.zero(category.book().currency())
          : of.within(new Span(month, month));
    };
  }

  private static BudgetRowJson json(
      BudgetSheet.Row row,
      YearMonth month,
      Map<UUID, Map<LocalDate, Amount>> byDay,
      List<SpreadBills.Of> spread) {
    Account category = row.category();
    List<UUID> held = row.holds().stream().map(Account::id).toList();
    List<SpreadBill> bills =
        spread.stream()
            .map(SpreadBills.Of::bill)
            .filter(bill -> held.contains(bill.category().id()))
            .toList();
    Map<LocalDate, Amount> days = new HashMap<>();
    held.forEach(id ->
        byDay
            .getOrDefault(id, Map.of())
            .forEach((day, amount) -> days.merge(day, amount, Amount::plus)));
    return new BudgetRowJson(
        category.id(),
        category.name(),
        category.group() ? row.holds().stream().map(Account::name).toList() : null,
        row.planned(),
        row.carries(),
        json(row.month()),
        Amount.sum(category.book().currency(), bills.stream().map(bill -> bill.in(month)).toList())
            .decimal(),
        row.year().decimal(),
        BookedDays.spread(month, days, bills).entrySet().stream()
            .map(day -> new BookedOnJson(day.getKey(), day.getValue().decimal()))
            .toList());
  }

  private static BudgetFiguresJson json(Budget.Month month) {
    return new BudgetFiguresJson(
        month.brought().decimal(),
        month.planned().decimal(),
        month.booked().decimal(),
        month.toCome().decimal(),
        month.left().decimal());
  }

  /** A category over the fiscal year that a month is in, beside the year before. */
  @Transactional(readOnly = true)
  PlannedYearJson year(UUID accountId, YearMonth month) {
    Chart chart = charts.chart();
    Account category = chart.account(accountId);
    Span year = fiscalYear(chart.book(category.bookId()), month);
    Span both = new Span(year.first().minusMonths(12), year.last());
    List<Account> categories = categories(chart, category.bookId()).toList();
    List<Budget> all = budgets.of(plannable(chart, category.bookId()).toList());
    PlannedTogether together = together(all, chart);
    Budget budget =
        all.stream().filter(one -> one.of().id().equals(accountId)).findFirst().orElseThrow();
    var each = booked(categories, both, bills.touching(categories, both, Tax.NET));
    Function<YearMonth, Amount> booked =
        m ->
            Amount.sum(
                category.book().currency(),
                BudgetSheet.holds(category, categories, together, m).stream()
                    .map(one -> each.apply(one, m))
                    .toList());
    return new PlannedYearJson(
        accountId,
        IntStream.range(0, year.months())
            .mapToObj(i -> year.first().plusMonths(i))
            .map(m ->
                json(
                    m,
                    budget.spanOf(m).orElse(null),
                    booked.apply(m),
                    category.group()
                        ? lastYear(category, m, categories, chart, each)
                        : each.apply(category, m.minusYears(1))))
            .toList());
  }

  /** Of all categories of a group, whatever was planned then. */
  private static Amount lastYear(
      Account group,
      YearMonth month,
      List<Account> categories,
      Chart chart,
      BiFunction<Account, YearMonth, Amount> booked) {
    return Amount.sum(
        group.book().currency(),
        categories.stream()
            .filter(one -> chart.groupsAround(one.id()).contains(group))
            .map(one -> booked.apply(one, month.minusYears(1)))
            .toList());
  }

  private static PlannedMonthJson json(
      YearMonth month, @Nullable PlannedSpan in, Amount booked, Amount lastYear) {
    return new PlannedMonthJson(
        month,
        in == null ? null : in.span().first(),
        in == null ? null : in.span().last(),
        in == null ? null : in.amount().decimal(),
        booked.decimal(),
        lastYear.decimal());
  }
}
