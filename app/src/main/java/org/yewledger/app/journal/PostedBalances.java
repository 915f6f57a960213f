package org.yewledger.app.journal;

import java.sql.Date;
import java.time.LocalDate;
import java.util.Collection;
import java.util.HashMap;
import java.util.Map;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.AccountBalances;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.ledger.Position;
import org.yewledger.core.money.Amount;

/**
 * What stands on the accounts: whole years and the months after them from kept totals, a begun
 * month from its postings. The cost is that of one year, however many there are.
 */
@Component
class PostedBalances implements AccountBalances {
  private static final String AT =
      """
      select t.account_id, t.own, t.base, a.currency, b.currency from (
        select account_id, sum(own)::bigint as own, sum(base)::bigint as base from (
          select account_id, amount_minor as own, base_minor as base
            from account_year where household_id = :household and year < :year and (:any or account_id = any(:accounts))
          union all
          select account_id, debit_minor - credit_minor, debit_base_minor - credit_base_minor
            from account_month
           where household_id = :household and month >= :year and month < :begun and (:any or account_id = any(:accounts))
          union all
          select account_id, amount_minor, base_minor
            from posting where household_id = :household and date >= :begun and date <= :day and (:any or account_id = any(:accounts))
        ) all_of_them group by account_id) t
        join account a on a.household_id = :household and a.id = t.account_id
        join book b on b.household_id = :household and b.id = a.book_id\
      """;

  private final JdbcClient jdbc;

  PostedBalances(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  @Override
  @Transactional(readOnly = true)
  public Map<UUID, Position> at(LocalDate day) {
    return read(day, new UUID[0]);
  }

  @Override
  @Transactional(readOnly = true)
  public Map<UUID, Position> at(LocalDate day, Collection<Account> accounts) {
    return accounts.isEmpty()
        ? Map.of()
        : read(day, accounts.stream().map(Account::id).toArray(UUID[]::new));
  }

  @Override
  @Transactional(readOnly = true)
  public Position of(Account account, LocalDate day) {
    return read(day, account.id()).getOrDefault(account.id(), Position.empty(account));
  }

  @Override
  @Transactional(readOnly = true)
  public Position whole(Account account, LocalDate day) {
    UUID[] whole =
        jdbc.sql(
                """
                select id from account
                 where household_id = :household and (id = :account or parent_id = :account and kind = :part)\
                """)
            .param("household", SignedIn.now().householdId())
            .param("account", account.id())
            .param("part", AccountKind.SET_ASIDE.name())
            .query(UUID.class)
            .list()
            .toArray(UUID[]::new);
    return read(day, whole).values().stream().reduce(Position.empty(account), Position::plus);
  }

  /** Of some accounts, or of all where none is named. */
  private Map<UUID, Position> read(LocalDate day, UUID... accounts) {
    var balances = new HashMap<UUID, Position>();
    jdbc.sql(AT)
        .param("household", SignedIn.now().householdId())
        .param("year", Date.valueOf(day.plusDays(1).withDayOfYear(1)))
        .param("begun", Date.valueOf(day.plusDays(1).withDayOfMonth(1)))
        .param("day", Date.valueOf(day))
        .param("any", accounts.length == 0)
        .param("accounts", accounts)
        .query(row -> {
          balances.put(
              row.getObject(1, UUID.class),
              new Position(
                  Amount.ofMinor(row.getLong(2), CurrencyUnit.of(row.getString(4))),
                  Amount.ofMinor(row.getLong(3), CurrencyUnit.of(row.getString(5)))));
        });
    return balances;
  }
}
