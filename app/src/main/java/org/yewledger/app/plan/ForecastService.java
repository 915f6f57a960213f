package org.yewledger.app.plan;

import java.sql.Date;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.AccountBalances;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.plan.ForecastJson.ForecastAccountJson;
import org.yewledger.app.plan.ForecastJson.ForecastDayJson;
import org.yewledger.app.plan.ForecastJson.ForecastPageJson;
import org.yewledger.app.plan.ForecastJson.TriedJson;
import org.yewledger.app.platform.HouseholdDays;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.app.schedule.DueService;
import org.yewledger.core.Refusal;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.Position;
import org.yewledger.core.money.Amount;
import org.yewledger.core.plan.BudgetedMoves;
import org.yewledger.core.plan.Forecast;
import org.yewledger.core.plan.MonthlyMoves;
import org.yewledger.core.plan.UsualMoves;
import org.yewledger.core.report.Span;
import org.yewledger.core.schedule.DueItem;
import org.yewledger.core.schedule.DueItems;

/** Loads what forecasts are worked out from: balances, what is due, and what moved so far. */
@Service
class ForecastService {
  /** Eighteen months. */
  private static final int FURTHEST = 550;

  /** Books may be behind; further back is not looked for what is usual. */
  private static final int MONTHS_LOOKED_BACK = 36;

  private final ChartService charts;
  private final AccountBalances balances;
  private final DueService due;
  private final BudgetedAhead ahead;
  private final HouseholdDays days;
  private final JdbcClient jdbc;

  ForecastService(
      ChartService charts,
      AccountBalances balances,
      DueService due,
      BudgetedAhead ahead,
      HouseholdDays days,
      JdbcClient jdbc) {
    this.charts = charts;
    this.balances = balances;
    this.due = due;
    this.ahead = ahead;
    this.days = days;
    this.jdbc = jdbc;
  }

  /**
   * Each account that is reconciled, of a book or of all, through a day. Cost: kept totals and the
   * due items; nothing is added up from postings but a begun month.
   *
   * @param tried an entry that is tried out; null without one
   * @throws Refusal {@code forecast-out-of-reach} before today, or beyond eighteen months, or as
   *     {@link Forecast.Tried#require} does
   */
  @Transactional(readOnly = true)
  ForecastPageJson through(LocalDate through, @Nullable UUID bookId, @Nullable TriedJson tried) {
    LocalDate today = days.today();
    if (through.isBefore(today) || through.isAfter(today.plusDays(FURTHEST))) {
      throw Refusal.ofField(
          "forecast-out-of-reach",
          "through",
          "A forecast reaches from today over eighteen months at most.");
    }
    Chart chart = charts.chart();
    List<Account> accounts = chart.reconciledAccounts(bookId).toList();
    AtBank atBank = AtBank.of(chart);
    MonthlyMoves moved = moved(chart, atBank, YearMonth.from(today));
    Span looked = moved.lastTwelve().orElse(new Span(YearMonth.from(today), YearMonth.from(today)));
    LocalDate overdue = today.minusDays(DueService.DAYS_BACK);
    LocalDate usual = looked.firstDay().minusDays(DueItems.FURTHEST);
    List<DueItem> items = due.items(chart, usual.isBefore(overdue) ? usual : overdue, through);
    MonthlyMoves besides = moved.without(items, atBank::of);
    var moves =
        Forecast.due(
            items.stream().filter(item -> !item.nominal().isBefore(overdue)).toList(),
            today,
            tried(tried, chart, today, through),
            atBank::of);
    BudgetedMoves budgeted =
        ahead.of(chart, atBank, new BudgetedAhead.Known(today, through, items, besides, looked));
    Map<UUID, Position> now = balances.at(today, atBank.all(accounts));
    return new ForecastPageJson(
        today,
        through,
        budgeted.without(),
        accounts.stream()
            .map(account -> {
              Amount whole = sum(account, atBank.all(List.of(account)), now);
              Forecast forecast =
                  Forecast.of(
                      account,
                      whole,
                      moves.getOrDefault(account.id(), new TreeMap<>()),
                      besides.usual(account, looked),
                      budgeted.of(account),
                      today,
                      through);
              return json(forecast, whole.minus(sum(account, List.of(account), now)));
            })
            .toList());
  }

  private static Amount sum(Account account, List<Account> of, Map<UUID, Position> now) {
    return Amount.sum(
        account.currency(),
        of.stream().map(one -> now.getOrDefault(one.id(), Position.empty(one)).amount()).toList());
  }

  private static List<Forecast.Tried> tried(
      @Nullable TriedJson tried, Chart chart, LocalDate today, LocalDate through) {
    if (tried == null) {
      return List.of();
    }
    Account account = chart.account(tried.accountId());
    return List.of(
        new Forecast.Tried(account, tried.on(), Amount.of(tried.amount(), account.currency()))
            .require(today, through));
  }

  /**
   * By account, in its own currency, set-asides with the account they are in; and by category. The
   * month in hand is not whole yet.
   */
  private MonthlyMoves moved(Chart chart, AtBank atBank, YearMonth before) {
    Map<UUID, Map<YearMonth, Long>> moved = new HashMap<>();
    List<Account> accounts = new ArrayList<>(atBank.all());
    chart
        .books()
        .forEach(book -> BudgetService.categories(chart, book.id()).forEach(accounts::add));
    jdbc.sql(
            """
            select account_id, month, debit_minor - credit_minor from account_month
             where household_id = :household and account_id = any(:accounts) and month >= :from and month < :before\
            """)
        .param("household", SignedIn.now().householdId())
        .param("accounts", accounts.stream().map(Account::id).toArray(UUID[]::new))
        .param("from", Date.valueOf(before.minusMonths(MONTHS_LOOKED_BACK).atDay(1)))
        .param("before", Date.valueOf(before.atDay(1)))
        .query(row -> {
          UUID id = Objects.requireNonNull(row.getObject(1, UUID.class));
          moved
              .computeIfAbsent(atBank.of(id), of -> new HashMap<>())
              .merge(YearMonth.from(row.getObject(2, LocalDate.class)), row.getLong(3), Long::sum);
        });
    return new MonthlyMoves(moved);
  }

  private static ForecastAccountJson json(Forecast forecast, Amount setAside) {
    Account account = forecast.account();
    UsualMoves usual = forecast.usual();
    return new ForecastAccountJson(
        account.id(),
        account.name(),
        account.currency().getCode(),
        forecast.now().decimal(),
        setAside.decimal(),
        forecast.dueToday().decimal(),
        Amount.ofMinor(usual.medianMinor(), account.currency()).decimal(),
        Amount.ofMinor(usual.lowMinor(), account.currency()).decimal(),
        Amount.ofMinor(usual.highMinor(), account.currency()).decimal(),
        forecast.usualThrough().decimal(),
        forecast.planned().decimal(),
        forecast.inPlaceOf().decimal(),
        json(forecast.lowest()),
        forecast.days().stream().map(ForecastService::json).toList());
  }

  private static ForecastDayJson json(Forecast.Day day) {
    return new ForecastDayJson(
        day.date(),
        day.due().decimal(),
        day.usual().decimal(),
        day.low().decimal(),
        day.high().decimal());
  }
}
