package org.yewledger.app.plan;

import java.sql.Date;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.BookEntity;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.currency.RateService;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.ExchangeRates;
import org.yewledger.core.plan.Budget;
import org.yewledger.core.plan.BudgetedMoves;
import org.yewledger.core.plan.BudgetedMoves.Paid;
import org.yewledger.core.plan.MonthlyMoves;
import org.yewledger.core.plan.ToCome;
import org.yewledger.core.report.Span;
import org.yewledger.core.schedule.DueItem;

/** Loads what budgets let move on accounts, and who paid lately what they are of. */
@Component
@Transactional(propagation = Propagation.MANDATORY)
class BudgetedAhead {
  /** The newest bookings of each category; those of entries that move one own account alone. */
  private static final String PAID =
      """
      select k.id, o.account, sum(c.base_minor)::bigint from unnest(:categories) k(id)
        cross join lateral (
          select entry_id, base_minor from posting
           where household_id = :household and account_id = k.id and date <= :today
           order by date desc, entry_id desc limit 50) c
        cross join lateral (
          select (array_agg(p.account_id))[1] as account, count(distinct p.account_id) as many from posting p
           where p.household_id = :household and p.entry_id = c.entry_id and p.account_id = any(:own)) o
       where o.many = 1 group by k.id, o.account\
      """;

  /** What a forecast knows already. */
  record Known(
      LocalDate today, LocalDate through, List<DueItem> items, MonthlyMoves besides, Span looked) {
    Span months() {
      return new Span(YearMonth.from(today), YearMonth.from(through));
    }
  }

  private final Budgets budgets;
  private final BudgetService sheets;
  private final RateService rates;
  private final JdbcClient jdbc;

  BudgetedAhead(Budgets budgets, BudgetService sheets, RateService rates, JdbcClient jdbc) {
    this.budgets = budgets;
    this.sheets = sheets;
    this.rates = rates;
    this.jdbc = jdbc;
  }

  /** Of all books together; nothing more is read where nothing is planned. */
  BudgetedMoves of(Chart chart, AtBank atBank, Known known) {
    return chart
        .books()
        .map(book -> of(book, chart, atBank, known))
        .reduce(BudgetedMoves.NONE, BudgetedMoves::plus);
  }

  private BudgetedMoves of(BookEntity book, Chart chart, AtBank atBank, Known known) {
    List<Budget> all = budgets.of(BudgetService.plannable(chart, book.id()).toList());
    Span months = known.months();
    if (all.stream().noneMatch(budget -> budget.plansWithin(months))) {
      return BudgetedMoves.NONE;
    }
    ExchangeRates now = rates.rates();
    ToCome thisMonth = ToCome.of(months.first(), known.items(), now);
    return BudgetedMoves.of(
        all,
        BudgetService.together(all, chart),
        known.today(),
        months,
        sheets.left(book, chart, months.first(), thisMonth),
        month -> ToCome.of(month, known.items(), now),
        paid(book, chart, atBank, known));
  }

  private Map<UUID, Paid> paid(BookEntity book, Chart chart, AtBank atBank, Known known) {
    List<Account> categories = BudgetService.categories(chart, book.id()).toList();
    Map<UUID, Map<UUID, Long>> by = new HashMap<>();
    jdbc.sql(PAID)
        .param("household", SignedIn.now().householdId())
        .param("categories", categories.stream().map(Account::id).toArray(UUID[]::new))
        .param("today", Date.valueOf(known.today()))
        .param(
            "own",
            atBank.all().stream()
                .filter(account -> account.currency().equals(book.toBook().currency()))
                .map(Account::id)
                .toArray(UUID[]::new))
        .query(row -> {
          by.computeIfAbsent(
                  Objects.requireNonNull(row.getObject(1, UUID.class)), id -> new HashMap<>())
              .merge(
                  atBank.of(Objects.requireNonNull(row.getObject(2, UUID.class))),
                  row.getLong(3),
                  Long::sum);
        });
    return categories.stream()
        .collect(
            Collectors.toMap(
                Account::id,
                one ->
                    new Paid(
                        by.getOrDefault(one.id(), Map.of()),
                        known.besides().average(one.id(), known.looked()))));
  }
}
