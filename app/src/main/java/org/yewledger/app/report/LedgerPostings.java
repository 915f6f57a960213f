package org.yewledger.app.report;

import java.sql.Date;
import java.time.LocalDate;
import java.util.ArrayList;
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
import org.yewledger.core.Refusal;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;
import org.yewledger.core.report.GeneralLedger.Row;
import org.yewledger.core.report.Span;

/** Reads what a general ledger is of: totals of its accounts, and their postings. */
@Component
@Transactional(propagation = Propagation.MANDATORY)
class LedgerPostings {
  /** More than these fill a book of their own. */
  private static final int MOST = 20_000;

  private static final String TOTALS =
      """
      select account_id, sum(before)::bigint, sum(debit)::bigint, sum(credit)::bigint from (
        select account_id, base_minor as before, 0 as debit, 0 as credit from account_year
         where household_id = :household and year < :year
        union all
        select account_id, debit_base_minor - credit_base_minor, 0, 0 from account_month
         where household_id = :household and month >= :year and month < :first
        union all
        select account_id, 0, debit_base_minor, credit_base_minor from account_month
         where household_id = :household and month between :first and :last) t
       group by account_id\
      """;

  private static final String POSTINGS =
      """
      select p.account_id, p.date, e.no, y.name, e.note, p.note, p.base_minor
        from posting p
        join entry e on e.household_id = :household and e.id = p.entry_id
        join payee y on y.household_id = :household and y.id = e.payee_id
       where p.household_id = :household and p.account_id = any(:accounts) and p.date between :from and :to
       order by p.date, e.no, p.place limit :most\
      """;

  private final JdbcClient jdbc;

  LedgerPostings(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /**
   * @param minor debits above zero, in the book's currency
   */
  record Line(LocalDate date, long entryNo, String payee, String note, long minor) {}

  /** Cost: one query over the kept totals. */
  List<Row> totals(List<Account> accounts, Span span) {
    Map<UUID, long[]> totals = new HashMap<>();
    jdbc.sql(TOTALS)
        .param("household", SignedIn.now().householdId())
        .param("year", Date.valueOf(span.first().atDay(1).withDayOfYear(1)))
        .param("first", Date.valueOf(span.first().atDay(1)))
        .param("last", Date.valueOf(span.last().atDay(1)))
        .query(row -> {
          totals.put(
              row.getObject(1, UUID.class),
              new long[] {row.getLong(2), row.getLong(3), row.getLong(4)});
        });
    return accounts.stream()
        .map(account -> {
          long[] of = totals.getOrDefault(account.id(), new long[3]);
          var base = account.book().currency();
          return new Row(
              account,
              Amount.ofMinor(of[0], base),
              Amount.ofMinor(of[1], base),
              Amount.ofMinor(of[2], base));
        })
        .toList();
  }

  /**
   * The postings of each account within a span, by day.
   *
   * @throws Refusal {@code too-many-postings}
   */
  Map<UUID, List<Line>> postings(List<Account> accounts, Span span) {
    Map<UUID, List<Line>> lines = new HashMap<>();
    int[] count = {0};
    jdbc.sql(POSTINGS)
        .param("household", SignedIn.now().householdId())
        .param("accounts", accounts.stream().map(Account::id).toArray(UUID[]::new))
        .param("from", Date.valueOf(span.firstDay()))
        .param("to", Date.valueOf(span.lastDay()))
        .param("most", MOST + 1)
        .query(row -> {
          count[0]++;
          String own = row.getString(6);
          lines
              .computeIfAbsent(
                  Objects.requireNonNull(row.getObject(1, UUID.class)), id -> new ArrayList<>())
              .add(
                  new Line(
                      row.getDate(2).toLocalDate(),
                      row.getLong(3),
                      row.getString(4),
                      own.isEmpty() ? row.getString(5) : own,
                      row.getLong(7)));
        });
    if (count[0] > MOST) {
      throw Refusal.ofField(
          "too-many-postings",
          "last",
          "More than %,d postings are in that span. Choose a shorter one, or one book."
              .formatted(MOST));
    }
    return lines;
  }
}
