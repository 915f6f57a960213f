package org.yewledger.app.report;

import java.sql.Date;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.temporal.ChronoUnit;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
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
public class PeriodTotals {
  /** Years before the first month are kept whole. */
  private static final String BEFORE =
      """
      select account_id, sum(base)::bigint from (
        select account_id, base_minor as base from account_year where household_id = :household and year < :year
        union all
        select account_id, debit_base_minor - credit_base_minor from account_month
         where household_id = :household and month >= :year and month < :from) earlier
       group by account_id\
      """;

  /** A number of days is read faster than a day. */
  private static final String BY_MONTH =
      """
      select account_id, month - :from, debit_base_minor - credit_base_minor from account_month
       where household_id = :household and month between :from and :last\
      """;

  private static final String TAX_BY_MONTH =
      """
      select account_id, month - :from, tax_minor from tax_month
       where household_id = :household and month between :from and :last\
      """;

  private static final long[] NONE = {};

  private final JdbcClient jdbc;

  PeriodTotals(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /**
   * What was posted within some months and what stood before them, of some accounts, each in its
   * book's currency. Cost: two queries over the totals, not over the postings.
   *
   * @param from the first month that is told apart from all before
   */
  List<AccountTotals> through(List<Account> accounts, YearMonth from, YearMonth last) {
    Map<UUID, Long> before = new HashMap<>();
    jdbc.sql(BEFORE)
        .param("household", SignedIn.now().householdId())
        .param("year", Date.valueOf(from.atDay(1).withDayOfYear(1)))
        .param("from", Date.valueOf(from.atDay(1)))
        .query(row -> {
          before.put(row.getObject(1, UUID.class), row.getLong(2));
        });
    return totals(accounts, from, last, Tax.NET, before);
  }

  /**
   * What was posted within some months; what stood before them is not told. Cost: one query over
   * the totals, or two.
   *
   * @param tax whether the sales tax in what was posted is left out, added, or all that is told
   */
  public List<AccountTotals> within(
      List<Account> accounts, YearMonth from, YearMonth last, Tax tax) {
    return totals(accounts, from, last, tax, Map.of());
  }

  private List<AccountTotals> totals(
      List<Account> accounts, YearMonth from, YearMonth last, Tax tax, Map<UUID, Long> before) {
    Map<UUID, long[]> months = new HashMap<>();
    if (tax != Tax.TAX) {
      add(months, BY_MONTH, from, last);
    }
    if (tax != Tax.NET) {
      add(months, TAX_BY_MONTH, from, last);
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

  private void add(Map<UUID, long[]> months, String sql, YearMonth from, YearMonth last) {
    int many = (int) ChronoUnit.MONTHS.between(from, last) + 1;
    LocalDate first = from.atDay(1);
    jdbc.sql(sql)
        .param("household", SignedIn.now().householdId())
        .param("from", Date.valueOf(first))
        .param("last", Date.valueOf(last.atDay(1)))
        .query(row -> {
          YearMonth month = YearMonth.from(first.plusDays(row.getInt(2)));
          months
                  .computeIfAbsent(
                      Objects.requireNonNull(row.getObject(1, UUID.class)), id -> new long[many])[
                  (int) ChronoUnit.MONTHS.between(from, month)] +=
              row.getLong(3);
        });
  }
}
