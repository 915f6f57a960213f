package org.yewledger.app.report;

import java.sql.Date;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.Book;
import org.yewledger.core.money.Amount;
import org.yewledger.core.report.MonthAgainst.Payee;
import org.yewledger.core.report.MonthAgainst.Payment;

/** Reads what was spent on each day, and to whom: the few postings of two months. */
@Component
@Transactional(propagation = Propagation.MANDATORY)
class SpentByDay {
  /** So many payments before the month tell whether a price rose. */
  private static final int PAYMENTS_BEFORE = 6;

  private static final String OF_PAYEES =
      """
      with met as (
        select distinct e.payee_id from entry e
          join posting p on p.household_id = e.household_id and p.entry_id = e.id
         where e.household_id = :household and e.date between :first and :last and p.account_id = any(:accounts)),
      told as (
        select m.payee_id, x.id, x.date from met m cross join lateral (
          (select e.id, e.date from entry e
            where e.household_id = :household and e.payee_id = m.payee_id and e.date between :first and :last)
          union all
          (select e.id, e.date from entry e
            where e.household_id = :household and e.payee_id = m.payee_id and e.date < :first
            order by e.date desc, e.no desc limit :most)) x)
      select y.id, y.name, t.date, sum(p.base_minor)::bigint as minor,
             exists (select 1 from entry o where o.household_id = :household and o.payee_id = y.id and o.date < :first) as known
        from told t
        join payee y on y.household_id = :household and y.id = t.payee_id
        join posting p on p.household_id = :household and p.entry_id = t.id and p.account_id = any(:accounts)
       group by y.id, y.name, t.id, t.date order by y.name, t.date\
      """;

  private final JdbcClient jdbc;

  SpentByDay(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** On each day of a month and the one before; days without spending are missing. */
  Map<LocalDate, Amount> of(Book book, List<Account> categories, YearMonth month) {
    Map<LocalDate, Amount> spent = new HashMap<>();
    jdbc.sql(
            """
            select date, sum(base_minor)::bigint from posting
             where household_id = :household and account_id = any(:accounts) and date between :first and :last
             group by date\
            """)
        .param("household", SignedIn.now().householdId())
        .param("accounts", ids(categories))
        .param("first", Date.valueOf(month.minusMonths(1).atDay(1)))
        .param("last", Date.valueOf(month.atEndOfMonth()))
        .query(row -> {
          spent.put(
              row.getObject(1, LocalDate.class), Amount.ofMinor(row.getLong(2), book.currency()));
        });
    return spent;
  }

  /** Those who were paid in a month, with their last payments before it. */
  List<Payee> payees(Book book, List<Account> categories, YearMonth month) {
    Map<UUID, List<Row>> byPayee = new LinkedHashMap<>();
    jdbc.sql(OF_PAYEES)
        .param("household", SignedIn.now().householdId())
        .param("accounts", ids(categories))
        .param("first", Date.valueOf(month.atDay(1)))
        .param("last", Date.valueOf(month.atEndOfMonth()))
        .param("most", PAYMENTS_BEFORE)
        .query(Row.class)
        .list()
        .forEach(row -> byPayee.computeIfAbsent(row.id(), id -> new ArrayList<>()).add(row));
    return byPayee.values().stream()
        .map(rows ->
            new Payee(
                rows.getFirst().name(),
                rows.getFirst().known(),
                rows.stream().map(row -> payment(row, rows, book)).toList()))
        .toList();
  }

  private record Row(UUID id, String name, LocalDate date, long minor, boolean known) {}

  private static Payment payment(Row row, List<Row> all, Book book) {
    YearMonth month = YearMonth.from(row.date());
    long inMonth = all.stream().filter(o -> YearMonth.from(o.date()).equals(month)).count();
    return new Payment(row.date(), Amount.ofMinor(row.minor(), book.currency()), inMonth == 1);
  }

  private static UUID[] ids(List<Account> accounts) {
    return accounts.stream().map(Account::id).toArray(UUID[]::new);
  }
}
