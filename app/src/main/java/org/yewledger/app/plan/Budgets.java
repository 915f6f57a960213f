package org.yewledger.app.plan;

import java.sql.Date;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.app.report.PlannedTotals;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;
import org.yewledger.core.plan.Budget;
import org.yewledger.core.plan.PlannedSpan;
import org.yewledger.core.report.AccountTotals;
import org.yewledger.core.report.Span;

/** Keeps what is planned for categories. */
@Component
@Transactional(propagation = Propagation.MANDATORY)
class Budgets implements PlannedTotals {
  private final ChartService charts;
  private final JdbcClient jdbc;

  Budgets(ChartService charts, JdbcClient jdbc) {
    this.charts = charts;
    this.jdbc = jdbc;
  }

  /** Of each category, also of those for which nothing is planned. Cost: two queries. */
  List<Budget> of(List<Account> categories) {
    UUID[] ids = categories.stream().map(Account::id).toArray(UUID[]::new);
    Set<UUID> carrying = carrying(ids);
    Map<UUID, Map<YearMonth, Planned>> planned = planned(ids);
    return categories.stream()
        .map(category ->
            new Budget(
                category,
                carrying.contains(category.id()),
                spans(planned.getOrDefault(category.id(), Map.of()), category.book().currency())))
        .toList();
  }

  @Override
  public List<AccountTotals> planned(List<Account> categories, Span months) {
    Chart chart = charts.chart();
    Set<Account> all = new LinkedHashSet<>(categories);
    categories.forEach(category -> all.addAll(chart.groupsAround(category.id())));
    return of(List.copyOf(all)).stream()
        .filter(budget -> !budget.of().group() || budget.plansWithin(months))
        .map(budget -> budget.spread(months))
        .toList();
  }

  /** Of one category, which nobody else plans meanwhile. */
  Budget held(Account category) {
    jdbc.sql(
            "insert into budget (household_id, account_id, carries) values (?, ?, false) on conflict do nothing")
        .params(SignedIn.now().householdId(), category.id())
        .update();
    jdbc.sql("select 1 from budget where household_id = ? and account_id = ? for update")
        .params(SignedIn.now().householdId(), category.id())
        .query(Integer.class)
        .single();
    return of(List.of(category)).getFirst();
  }

  private Set<UUID> carrying(UUID[] ids) {
    return new HashSet<>(
        jdbc.sql(
                "select account_id from budget where household_id = ? and account_id = any(?) and carries")
            .params(SignedIn.now().householdId(), ids)
            .query(UUID.class)
            .list());
  }

  private record Planned(YearMonth first, long minor) {}

  private Map<UUID, Map<YearMonth, Planned>> planned(UUID[] ids) {
    Map<UUID, Map<YearMonth, Planned>> planned = new HashMap<>();
    jdbc.sql(
            """
            select account_id, month, first, amount_minor from budget_month
             where household_id = ? and account_id = any(?) order by account_id, month\
            """)
        .params(SignedIn.now().householdId(), ids)
        .query(row -> {
          planned
              .computeIfAbsent(
                  Objects.requireNonNull(row.getObject(1, UUID.class)), id -> new LinkedHashMap<>())
              .put(
                  YearMonth.from(row.getObject(2, LocalDate.class)),
                  new Planned(YearMonth.from(row.getObject(3, LocalDate.class)), row.getLong(4)));
        });
    return planned;
  }

  /** Months with the same first one are planned together. */
  private static List<PlannedSpan> spans(Map<YearMonth, Planned> months, CurrencyUnit base) {
    List<PlannedSpan> spans = new ArrayList<>();
    months.forEach((month, planned) -> {
      if (month.equals(planned.first())) {
        spans.add(new PlannedSpan(new Span(month, month), Amount.ofMinor(planned.minor(), base)));
      } else {
        PlannedSpan begun = spans.removeLast();
        spans.add(new PlannedSpan(new Span(planned.first(), month), begun.amount()));
      }
    });
    return spans;
  }

  /** Only what differs is written, so that history tells just that. */
  void keep(Budget was, List<PlannedSpan> spans) {
    UUID household = SignedIn.now().householdId();
    UUID account = was.of().id();
    was.spans().stream()
        .filter(one -> !spans.contains(one))
        .forEach(one ->
            jdbc.sql(
                    "delete from budget_month where household_id = ? and account_id = ? and first = ?")
                .params(household, account, Date.valueOf(one.span().firstDay()))
                .update());
    spans.stream()
        .filter(one -> !was.spans().contains(one))
        .forEach(one ->
            jdbc.sql(
                    """
                    insert into budget_month (household_id, account_id, month, first, amount_minor)
                    select :household, :account, m::date, :first, case when m::date = :first then :minor else 0 end
                      from generate_series(:first::date, :last::date, interval '1 month') m\
                    """)
                .param("household", household)
                .param("account", account)
                .param("first", Date.valueOf(one.span().firstDay()))
                .param("last", Date.valueOf(one.span().last().atDay(1)))
                .param("minor", one.amount().minor())
                .update());
    if (spans.isEmpty() && !was.carries()) {
      jdbc.sql("delete from budget where household_id = ? and account_id = ?")
          .params(household, account)
          .update();
    }
  }

  void carry(Account category, boolean carries) {
    jdbc.sql("update budget set carries = ? where household_id = ? and account_id = ?")
        .params(carries, SignedIn.now().householdId(), category.id())
        .update();
  }

  /** What was spent on each category on each day of a month, by their days. */
  Map<UUID, Map<LocalDate, Amount>> bookedByDay(List<Account> categories, YearMonth month) {
    Map<UUID, Account> byId =
        categories.stream().collect(Collectors.toMap(Account::id, Function.identity()));
    Map<UUID, Map<LocalDate, Amount>> booked = new HashMap<>();
    jdbc.sql(
            """
            select account_id, date, sum(base_minor)::bigint from posting
             where household_id = :household and account_id = any(:accounts) and date between :first and :last
             group by account_id, date order by date\
            """)
        .param("household", SignedIn.now().householdId())
        .param("accounts", byId.keySet().toArray(UUID[]::new))
        .param("first", Date.valueOf(month.atDay(1)))
        .param("last", Date.valueOf(month.atEndOfMonth()))
        .query(row -> {
          UUID id = Objects.requireNonNull(row.getObject(1, UUID.class));
          CurrencyUnit base = Objects.requireNonNull(byId.get(id)).book().currency();
          booked
              .computeIfAbsent(id, of -> new LinkedHashMap<>())
              .put(row.getObject(2, LocalDate.class), Amount.ofMinor(row.getLong(3), base));
        });
    return booked;
  }
}
