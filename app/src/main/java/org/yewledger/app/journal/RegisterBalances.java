package org.yewledger.app.journal;

import java.time.LocalDate;
import java.util.Collection;
import java.util.HashMap;
import java.util.Map;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;

/**
 * What an account stood at in the middle of its register: whole years and months come from the kept
 * totals, the rest of a month from its postings. Days are compared as days: row-level security lets
 * no other comparison into the conditions of an index.
 */
@Component
@Transactional(propagation = Propagation.MANDATORY)
class RegisterBalances {
  private static final String KEPT =
      """
      (select coalesce(sum(total), 0) from (
         select y.amount_minor as total from account_year y
          where y.household_id = :household and y.account_id = :account and y.year < date_trunc('year', %1$s)::date
         union all
         select m.debit_minor - m.credit_minor from account_month m
          where m.household_id = :household and m.account_id = :account
            and m.month >= date_trunc('year', %1$s)::date and m.month < date_trunc('month', %1$s)::date) kept)\
      """;

  /** Only of the very day it matters in which order its entries stand. */
  private static final String REST =
      """
      ((select coalesce(sum(q.amount_minor), 0) from posting q
         where q.household_id = :household and q.account_id = :account
           and q.date >= date_trunc('month', %1$s)::date and q.date < %1$s)
       + (select coalesce(sum(q.amount_minor), 0) from posting q
            join entry x on x.household_id = q.household_id and x.id = q.entry_id
           where q.household_id = :household and q.account_id = :account and q.date = %1$s
             and (x.no, q.place) %2$s (%3$s, %4$s)))\
      """;

  private final JdbcClient jdbc;

  RegisterBalances(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** The balance before the place of a key. */
  Amount before(Account account, PageKey key) {
    String day = "cast(:day as date)";
    LocalDate date = key.date();
    return Amount.ofMinor(
        jdbc.sql(
                "select (%s + %s)::bigint"
                    .formatted(KEPT.formatted(day), REST.formatted(day, "<", ":no", ":place")))
            .param("household", SignedIn.now().householdId())
            .param("account", account.id())
            .param("day", date)
            .param("no", key.no())
            .param("place", key.place())
            .query(Long.class)
            .single(),
        account.currency());
  }

  /** The balance after each of some postings. Cost: for each, a month of the account. */
  Map<UUID, Amount> after(Account account, Collection<UUID> postings) {
    Map<UUID, Amount> balances = new HashMap<>();
    jdbc.sql(
            """
            select r.id, (%s + %s)::bigint from posting r
              join entry e on e.household_id = r.household_id and e.id = r.entry_id
             where r.household_id = :household and r.id = any(:ids)\
            """
                .formatted(
                    KEPT.formatted("r.date"), REST.formatted("r.date", "<=", "e.no", "r.place")))
        .param("household", SignedIn.now().householdId())
        .param("account", account.id())
        .param("ids", postings.toArray(UUID[]::new))
        .query(row -> {
          balances.put(
              row.getObject(1, UUID.class), Amount.ofMinor(row.getLong(2), account.currency()));
        });
    return balances;
  }
}
