package org.yewledger.app.worth;

import java.sql.Date;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Objects;
import java.util.TreeMap;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;
import org.yewledger.core.worth.WriteDown;

/** Keeps what things are worth, how they are written down, and the entries that did it. */
@Component
@Transactional(propagation = Propagation.MANDATORY)
class Things {
  /**
   * An entry that brought an account to its worth, or wrote it down.
   *
   * @param amount what it moved on the account
   */
  record WorthEntry(UUID entryId, UUID accountId, LocalDate day, Amount amount) {}

  private final JdbcClient jdbc;

  Things(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** By account and day. */
  Map<UUID, NavigableMap<LocalDate, Amount>> valuations(Chart chart) {
    Map<UUID, NavigableMap<LocalDate, Amount>> all = new HashMap<>();
    jdbc.sql("select account_id, day, worth_minor from valuation where household_id = ?")
        .param(SignedIn.now().householdId())
        .query(row -> {
          Account account = chart.account(row.getObject(1, UUID.class));
          all.computeIfAbsent(account.id(), id -> new TreeMap<>())
              .put(
                  Objects.requireNonNull(row.getObject(2, LocalDate.class)),
                  Amount.ofMinor(row.getLong(3), account.currency()));
        });
    return all;
  }

  /** In place of what was told of the day before. */
  void keepValuation(Account account, LocalDate day, Amount worth) {
    jdbc.sql(
            """
            insert into valuation (household_id, account_id, day, worth_minor) values (?, ?, ?, ?)
            on conflict (household_id, account_id, day) do update set worth_minor = excluded.worth_minor\
            """)
        .params(SignedIn.now().householdId(), account.id(), Date.valueOf(day), worth.minor())
        .update();
  }

  void removeValuation(UUID accountId, LocalDate day) {
    jdbc.sql("delete from valuation where household_id = ? and account_id = ? and day = ?")
        .params(SignedIn.now().householdId(), accountId, Date.valueOf(day))
        .update();
  }

  /** By account. */
  Map<UUID, WriteDown> writeDowns(Chart chart) {
    Map<UUID, WriteDown> all = new HashMap<>();
    jdbc.sql(
            """
            select account_id, expense_id, cost_minor, left_minor, first, months from write_down where household_id = ?\
            """)
        .param(SignedIn.now().householdId())
        .query(row -> {
          Account account = chart.account(row.getObject(1, UUID.class));
          all.put(
              account.id(),
              new WriteDown(
                  account,
                  chart.account(row.getObject(2, UUID.class)),
                  Amount.ofMinor(row.getLong(3), account.currency()),
                  Amount.ofMinor(row.getLong(4), account.currency()),
                  YearMonth.from(Objects.requireNonNull(row.getObject(5, LocalDate.class))),
                  row.getInt(6)));
        });
    return all;
  }

  void keepWriteDown(WriteDown down) {
    jdbc.sql(
            """
            insert into write_down (household_id, account_id, expense_id, cost_minor, left_minor, first, months)
            values (?, ?, ?, ?, ?, ?, ?)
            on conflict (household_id, account_id) do update
              set expense_id = excluded.expense_id, cost_minor = excluded.cost_minor, left_minor = excluded.left_minor,
                  first = excluded.first, months = excluded.months\
            """)
        .params(
            SignedIn.now().householdId(),
            down.thing().id(),
            down.expense().id(),
            down.cost().minor(),
            down.left().minor(),
            Date.valueOf(down.first().atDay(1)),
            down.months())
        .update();
  }

  void removeWriteDown(UUID accountId) {
    jdbc.sql("delete from write_down where household_id = ? and account_id = ?")
        .params(SignedIn.now().householdId(), accountId)
        .update();
  }

  /** Without those that were taken back. */
  List<WorthEntry> entries(Chart chart) {
    return jdbc.sql(
            """
            select w.entry_id, w.account_id, w.day, coalesce(sum(p.amount_minor), 0)::bigint from worth_entry w
              left join posting p on p.household_id = :household and p.entry_id = w.entry_id and p.account_id = w.account_id
             where w.household_id = :household
               and not exists (select 1 from entry c where c.household_id = :household and c.counters_id = w.entry_id)
             group by w.entry_id, w.account_id, w.day\
            """)
        .param("household", SignedIn.now().householdId())
        .query((row, at) -> {
          Account account = chart.account(row.getObject(2, UUID.class));
          return new WorthEntry(
              Objects.requireNonNull(row.getObject(1, UUID.class)),
              account.id(),
              Objects.requireNonNull(row.getObject(3, LocalDate.class)),
              Amount.ofMinor(row.getLong(4), account.currency()));
        })
        .list();
  }

  void addEntry(UUID entryId, Account account, LocalDate day) {
    jdbc.sql(
            "insert into worth_entry (household_id, entry_id, account_id, day) values (?, ?, ?, ?)")
        .params(SignedIn.now().householdId(), entryId, account.id(), Date.valueOf(day))
        .update();
  }
}
