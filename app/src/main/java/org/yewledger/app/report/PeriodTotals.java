package org.yewledger.app.report;

import java.sql.Date;
import java.time.YearMonth;
import java.time.temporal.ChronoUnit;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.core.simple.JdbcClient.StatementSpec;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.app.report.ReportAsked.Tax;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.report.AccountTotals;

/** Reads the totals that are kept by account and month, from which all reports are worked out. */
@Component
@Transactional(propagation = Propagation.MANDATORY)
class PeriodTotals {
  /** A small number is read much faster than a day. */
  private static final String MONTHS_SINCE =
      "(extract(year from month) * 12 + extract(month from month))::int - :since";

  /** Years before the first month are kept whole. */
  private static final String BY_MONTH =
      """
      select account_id, -1 as month, sum(base)::bigint as base from (
        select account_id, base_minor as base from account_year where household_id = :household and year < :year
        union all
        select account_id, debit_base_minor - credit_base_minor from account_month
         where household_id = :household and month >= :year and month < :from) earlier
       group by account_id
      union all
      select account_id, %1$s, debit_base_minor - credit_base_minor from account_month
       where household_id = :household and month between :from and :last\
      """
          .formatted(MONTHS_SINCE);

  /** Only within the months: what was before plays no part in income and expenses. */
  private static final String TAX_BY_MONTH =
      """
      select account_id, %1$s, tax_minor from tax_month
       where household_id = :household and month between :from and :last\
      """
          .formatted(MONTHS_SINCE);

  private static final long[] NONE = {};

  private final JdbcClient jdbc;

  PeriodTotals(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /**
   * Of some accounts, each in its book's currency. Cost: one query over the totals, not over the
   * postings.
   *
   * @param from the first month that is told apart from all before
   * @param tax whether the sales tax in what was posted is left out, added, or all that is told
   */
  List<AccountTotals> of(List<Account> accounts, YearMonth from, YearMonth last, Tax tax) {
    Map<UUID, long[]> months = new HashMap<>();
    Map<UUID, Long> before = new HashMap<>();
    int many = (int) ChronoUnit.MONTHS.between(from, last) + 1;
    if (tax != Tax.TAX) {
      read(BY_MONTH, from, last)
          .query(row -> {
            UUID account = Objects.requireNonNull(row.getObject(1, UUID.class));
            int month = row.getInt(2);
            if (month < 0) {
              before.merge(account, row.getLong(3), Long::sum);
            } else {
              months.computeIfAbsent(account, id -> new long[many])[month] += row.getLong(3);
            }
          });
    }
    if (tax != Tax.NET) {
      read(TAX_BY_MONTH, from, last)
          .query(row -> {
            UUID account = Objects.requireNonNull(row.getObject(1, UUID.class));
            months.computeIfAbsent(account, id -> new long[many])[row.getInt(2)] += row.getLong(3);
          });
    }
    return accounts.stream()
        .map(account ->
            new AccountTotals(
                account,
                before.getOrDefault(account.id(), 0L),
                from,
                months.getOrDefault(account.id(), NONE)))
        .toList();
  }

  private StatementSpec read(String sql, YearMonth from, YearMonth last) {
    return jdbc.sql(sql)
        .param("household", SignedIn.now().householdId())
        .param("year", Date.valueOf(from.atDay(1).withDayOfYear(1)))
        .param("from", Date.valueOf(from.atDay(1)))
        .param("last", Date.valueOf(last.atDay(1)))
        .param("since", 12 * from.getYear() + from.getMonthValue());
  }
}
