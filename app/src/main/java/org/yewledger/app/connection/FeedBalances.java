package org.yewledger.app.connection;

import java.sql.Date;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.YearMonth;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.core.gather.BankStatement.Balance;
import org.yewledger.core.money.Amount;

/** What feeds have said stands on the accounts, kept day by day. */
@Component
public class FeedBalances {
  private final JdbcClient jdbc;

  FeedBalances(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** Keeps a balance as the last word of its day. */
  @Transactional
  void keep(UUID accountId, Balance balance) {
    jdbc.sql(
            """
            insert into feed_balance (household_id, account_id, on_day, amount_minor)
            values (current_household(), ?, ?, ?)
            on conflict (household_id, account_id, on_day) do update set amount_minor = excluded.amount_minor\
            """)
        .params(accountId, Date.valueOf(balance.on()), balance.amount().minor())
        .update();
  }

  /** The last one of an account; empty if no feed has said any. */
  @Transactional(readOnly = true)
  public Optional<Balance> last(UUID accountId) {
    return jdbc.sql(
            """
            select f.on_day, f.amount_minor, a.currency from feed_balance f
              join account a on a.household_id = f.household_id and a.id = f.account_id
             where f.household_id = current_household() and f.account_id = ? order by f.on_day desc limit 1\
            """)
        .param(accountId)
        .query((row, no) -> balance(row))
        .optional();
  }

  /** The last one within a month, by account; accounts without one are missing. */
  @Transactional(readOnly = true)
  public Map<UUID, Balance> lastIn(YearMonth month) {
    var balances = new HashMap<UUID, Balance>();
    jdbc.sql(
            """
            select distinct on (f.account_id) f.account_id, f.on_day, f.amount_minor, a.currency from feed_balance f
              join account a on a.household_id = f.household_id and a.id = f.account_id
             where f.household_id = current_household() and f.on_day between ? and ? order by f.account_id, f.on_day desc\
            """)
        .params(Date.valueOf(month.atDay(1)), Date.valueOf(month.atEndOfMonth()))
        .query(row -> {
          balances.put(row.getObject("account_id", UUID.class), balance(row));
        });
    return balances;
  }

  private static Balance balance(ResultSet row) throws SQLException {
    return new Balance(
        row.getDate("on_day").toLocalDate(),
        Amount.ofMinor(row.getLong("amount_minor"), CurrencyUnit.of(row.getString("currency"))));
  }
}
