package org.yewledger.app.plan;

import java.sql.Date;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;
import org.yewledger.core.plan.BalanceGoal;
import org.yewledger.core.plan.ProfitGoal;
import org.yewledger.core.report.Span;

/** Keeps goals. */
@Component
@Transactional(propagation = Propagation.MANDATORY)
class Goals {
  private final JdbcClient jdbc;

  Goals(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** Of a book in a fiscal year; empty if none is set. */
  Optional<ProfitGoal> profit(UUID bookId, Span year, CurrencyUnit base) {
    return jdbc.sql(
            "select amount_minor from profit_goal where household_id = ? and book_id = ? and first = ?")
        .params(SignedIn.now().householdId(), bookId, Date.valueOf(year.firstDay()))
        .query(Long.class)
        .optional()
        .map(minor -> new ProfitGoal(year, Amount.ofMinor(minor, base)));
  }

  void setProfit(UUID bookId, ProfitGoal goal) {
    jdbc.sql(
            """
            insert into profit_goal (household_id, book_id, first, amount_minor) values (?, ?, ?, ?)
            on conflict (household_id, book_id, first) do update set amount_minor = excluded.amount_minor\
            """)
        .params(
            SignedIn.now().householdId(),
            bookId,
            Date.valueOf(goal.year().firstDay()),
            goal.amount().minor())
        .update();
  }

  void giveProfitUp(UUID bookId, Span year) {
    jdbc.sql("delete from profit_goal where household_id = ? and book_id = ? and first = ?")
        .params(SignedIn.now().householdId(), bookId, Date.valueOf(year.firstDay()))
        .update();
  }

  private record Row(UUID id, LocalDate since, long start, LocalDate by, long amount) {
    BalanceGoal of(Account account) {
      return new BalanceGoal(
          since,
          Amount.ofMinor(start, account.currency()),
          by,
          Amount.ofMinor(amount, account.currency()));
    }
  }

  /** By account, of those among some that have one. */
  Map<Account, BalanceGoal> balances(Iterable<Account> accounts) {
    Map<UUID, Row> rows = new HashMap<>();
    jdbc.sql(
            "select account_id, since, start_minor, by_day, amount_minor from balance_goal where household_id = ?")
        .param(SignedIn.now().householdId())
        .query(row -> {
          UUID id = Objects.requireNonNull(row.getObject(1, UUID.class));
          rows.put(
              id,
              new Row(
                  id,
                  row.getObject(2, LocalDate.class),
                  row.getLong(3),
                  row.getObject(4, LocalDate.class),
                  row.getLong(5)));
        });
    Map<Account, BalanceGoal> goals = new HashMap<>();
    for (Account account : accounts) {
      Row row = rows.get(account.id());
      if (row != null) {
        goals.put(account, row.of(account));
      }
    }
    return goals;
  }

  void setBalance(Account account, BalanceGoal goal) {
    jdbc.sql(
            """
            insert into balance_goal (household_id, account_id, since, start_minor, by_day, amount_minor) values (?, ?, ?, ?, ?, ?)
            on conflict (household_id, account_id) do update
              set since = excluded.since, start_minor = excluded.start_minor, by_day = excluded.by_day, amount_minor = excluded.amount_minor\
            """)
        .params(
            SignedIn.now().householdId(),
            account.id(),
            Date.valueOf(goal.since()),
            goal.start().minor(),
            Date.valueOf(goal.by()),
            goal.amount().minor())
        .update();
  }

  void giveBalanceUp(Account account) {
    jdbc.sql("delete from balance_goal where household_id = ? and account_id = ?")
        .params(SignedIn.now().householdId(), account.id())
        .update();
  }
}
