package org.yewledger.app.plan;

import java.sql.Date;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.temporal.ChronoUnit;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
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
import org.yewledger.app.platform.HouseholdDays;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.app.schedule.DueService;
import org.yewledger.core.Refusal;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.Position;
import org.yewledger.core.money.Amount;
import org.yewledger.core.plan.Forecast;
import org.yewledger.core.plan.UsualMoves;
import org.yewledger.core.schedule.DueItem;
import org.yewledger.core.schedule.Schedule;

/** Loads what forecasts are worked out from: balances, what is due, and what moved so far. */
@Service
class ForecastService {
  /** Eighteen months. */
  private static final int FURTHEST = 550;

  private static final int MONTHS_LOOKED_AT = 12;

  private final ChartService charts;
  private final AccountBalances balances;
  private final DueService due;
  private final HouseholdDays days;
  private final JdbcClient jdbc;

  ForecastService(
      ChartService charts,
      AccountBalances balances,
      DueService due,
      HouseholdDays days,
      JdbcClient jdbc) {
    this.charts = charts;
    this.balances = balances;
    this.due = due;
    this.days = days;
    this.jdbc = jdbc;
  }

  /**
   * Each account that is reconciled, of a book or of all, through a day. Cost: kept totals and the
   * due items; nothing is added up from postings but a begun month.
   *
   * @throws Refusal {@code forecast-out-of-reach} before today, or beyond eighteen months
   */
  @Transactional(readOnly = true)
  ForecastPageJson through(LocalDate through, @Nullable UUID bookId) {
    LocalDate today = days.today();
    if (through.isBefore(today) || through.isAfter(today.plusDays(FURTHEST))) {
      throw Refusal.ofField(
          "forecast-out-of-reach",
          "through",
          "A forecast reaches from today over eighteen months at most.");
    }
    Chart chart = charts.chart();
    List<Account> accounts = chart.reconciledAccounts(bookId).toList();
    List<DueItem> items = due.items(chart, today.minusDays(DueService.DAYS_BACK), through);
    Map<UUID, Position> now = balances.at(today, accounts);
    var moves = Forecast.due(items, today);
    Map<UUID, UsualMoves> usual = usual(accounts, items, today);
    return new ForecastPageJson(
        today,
        through,
        accounts.stream()
            .map(account ->
                Forecast.of(
                    account,
                    now.getOrDefault(account.id(), Position.empty(account)).amount(),
                    moves.getOrDefault(account.id(), new TreeMap<>()),
                    usual.getOrDefault(account.id(), UsualMoves.NONE),
                    today,
                    through))
            .map(ForecastService::json)
            .toList());
  }

  /** Of the last twelve months that anything was booked in, without what schedules brought. */
  private Map<UUID, UsualMoves> usual(
      List<Account> accounts, List<DueItem> items, LocalDate today) {
    Map<UUID, Map<YearMonth, Long>> moved = moved(accounts, YearMonth.from(today));
    YearMonth last =
        moved.values().stream()
            .flatMap(months -> months.keySet().stream())
            .max(YearMonth::compareTo)
            .orElse(YearMonth.from(today));
    YearMonth first = last.minusMonths(MONTHS_LOOKED_AT - 1L);
    for (DueItem item : items) {
      if (item.entry() != null) {
        Schedule schedule = item.schedule();
        YearMonth month = YearMonth.from(item.entry().date());
        Amount whole = item.entry().amount();
        take(moved, schedule.account().id(), month, whole.minor());
        schedule
            .parts(whole)
            .forEach(part -> take(moved, part.account().id(), month, -part.amount().minor()));
      }
    }
    Map<UUID, UsualMoves> usual = new HashMap<>();
    moved.forEach((account, months) -> {
      YearMonth begins = months.keySet().stream().min(YearMonth::compareTo).orElse(last);
      YearMonth from = begins.isAfter(first) ? begins : first;
      long[] each = new long[(int) from.until(last, ChronoUnit.MONTHS) + 1];
      for (int i = 0; i < each.length; i++) {
        each[i] = months.getOrDefault(from.plusMonths(i), 0L);
      }
      usual.put(account, UsualMoves.of(each));
    });
    return usual;
  }

  private static void take(
      Map<UUID, Map<YearMonth, Long>> moved, UUID account, YearMonth month, long minor) {
    Map<YearMonth, Long> months = moved.get(account);
    if (months != null) {
      months.computeIfPresent(month, (m, all) -> all - minor);
    }
  }

  /** By account, in its own currency; the month in hand is not whole yet. */
  private Map<UUID, Map<YearMonth, Long>> moved(List<Account> accounts, YearMonth before) {
    Map<UUID, Map<YearMonth, Long>> moved = new HashMap<>();
    jdbc.sql(
            """
            select account_id, month, debit_minor - credit_minor from account_month
             where household_id = :household and account_id = any(:accounts) and month >= :from and month < :before\
            """)
        .param("household", SignedIn.now().householdId())
        .param("accounts", accounts.stream().map(Account::id).toArray(UUID[]::new))
        .param("from", Date.valueOf(before.minusMonths(MONTHS_LOOKED_AT + 2L).atDay(1)))
        .param("before", Date.valueOf(before.atDay(1)))
        .query(row -> {
          moved
              .computeIfAbsent(row.getObject(1, UUID.class), id -> new HashMap<>())
              .put(YearMonth.from(row.getObject(2, LocalDate.class)), row.getLong(3));
        });
    return moved;
  }

  private static ForecastAccountJson json(Forecast forecast) {
    Account account = forecast.account();
    UsualMoves usual = forecast.usual();
    return new ForecastAccountJson(
        account.id(),
        account.name(),
        account.currency().getCode(),
        forecast.now().decimal(),
        forecast.dueToday().decimal(),
        Amount.ofMinor(usual.medianMinor(), account.currency()).decimal(),
        Amount.ofMinor(usual.lowMinor(), account.currency()).decimal(),
        Amount.ofMinor(usual.highMinor(), account.currency()).decimal(),
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
