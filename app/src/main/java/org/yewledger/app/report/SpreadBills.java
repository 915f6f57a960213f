package org.yewledger.app.report;

import java.sql.Date;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.app.report.ReportAsked.Tax;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;
import org.yewledger.core.report.AccountTotals;
import org.yewledger.core.report.Span;
import org.yewledger.core.report.SpreadBill;

/** Reads the entries that serve several months, and spreads them. */
@Component
@Transactional(propagation = Propagation.MANDATORY)
public class SpreadBills {
  /** Of an entry, on a category; the tax in it is that category's too. */
  private static final String SQL =
      """
      select e.id, e.no, e.date, w.name, s.first, s.last, b.account_id, b.minor from served_months s
        join entry e on e.household_id = :household and e.id = s.entry_id
        join payee w on w.household_id = :household and w.id = e.payee_id
        cross join lateral (
          select coalesce(taxed_account_id, account_id) as account_id, sum(base_minor)::bigint as minor from posting p
           where p.household_id = :household and p.entry_id = e.id
             and (p.taxed_account_id is null and :net or p.taxed_account_id is not null and :tax)
           group by 1) b
       where s.household_id = :household and b.account_id = any(:categories) and b.minor <> 0
         and (e.date between :from and :to or s.first <= :to and s.last >= :from)
       order by e.date, e.no, b.account_id\
      """;

  /** A bill, and the entry that it is of. */
  public record Of(UUID entryId, long no, String payee, SpreadBill bill) {}

  private final JdbcClient jdbc;

  SpreadBills(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /**
   * The bills that are booked in some months, or serve any of them, by their days. Cost: the
   * entries of the household that serve several months.
   *
   * @param tax whether the sales tax in them is left out, added, or all that is told
   */
  public List<Of> touching(List<Account> categories, Span months, Tax tax) {
    Map<UUID, Account> byId =
        categories.stream().collect(Collectors.toMap(Account::id, Function.identity()));
    List<Of> bills = new ArrayList<>();
    jdbc.sql(SQL)
        .param("household", SignedIn.now().householdId())
        .param("categories", byId.keySet().toArray(UUID[]::new))
        .param("net", tax != Tax.TAX)
        .param("tax", tax != Tax.NET)
        .param("from", Date.valueOf(months.firstDay()))
        .param("to", Date.valueOf(months.lastDay()))
        .query(row -> {
          Account category =
              Objects.requireNonNull(
                  byId.get(Objects.requireNonNull(row.getObject(7, UUID.class))));
          bills.add(
              new Of(
                  Objects.requireNonNull(row.getObject(1, UUID.class)),
                  row.getLong(2),
                  Objects.requireNonNull(row.getString(4)),
                  new SpreadBill(
                      category,
                      Amount.ofMinor(row.getLong(8), category.book().currency()),
                      row.getObject(3, LocalDate.class),
                      new Span(
                          YearMonth.from(row.getObject(5, LocalDate.class)),
                          YearMonth.from(row.getObject(6, LocalDate.class))))));
        });
    return bills;
  }

  /** The same totals with bills in the months that they serve. */
  public static List<AccountTotals> spread(List<AccountTotals> totals, Span months, List<Of> of) {
    Map<UUID, List<SpreadBill>> byCategory =
        of.stream().map(Of::bill).collect(Collectors.groupingBy(bill -> bill.category().id()));
    return totals.stream()
        .map(total -> {
          List<SpreadBill> bills = byCategory.get(total.account().id());
          return bills == null ? total : total.spread(months, bills);
        })
        .toList();
  }
}
