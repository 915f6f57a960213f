package org.yewledger.app.worth;

import java.math.BigDecimal;
import java.sql.Date;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.platform.Conflict;
import org.yewledger.app.platform.NotFound;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.money.Amount;
import org.yewledger.core.worth.CostMethod;
import org.yewledger.core.worth.Investment;
import org.yewledger.core.worth.Trade;

/** Keeps investment accounts, and the trades in them. */
@Component
@Transactional(propagation = Propagation.MANDATORY)
class Investments {
  /**
   * @param version to be sent back when it is changed
   */
  record KeptInvestment(Investment investment, int version) {}

  /**
   * @param entryId the entry that it is; null of one that moved no money
   */
  record KeptTrade(Trade trade, UUID accountId, UUID securityId, @Nullable UUID entryId) {}

  private final JdbcClient jdbc;

  Investments(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** By account. */
  Map<UUID, KeptInvestment> all(Chart chart) {
    Map<UUID, KeptInvestment> all = new HashMap<>();
    jdbc.sql(
            """
            select account_id, version, method, cash_id, gain_id, dividends_id, fees_id from investment where household_id = ?\
            """)
        .param(SignedIn.now().householdId())
        .query(row -> {
          UUID id = Objects.requireNonNull(row.getObject(1, UUID.class));
          all.put(
              id,
              new KeptInvestment(
                  new Investment(
                      chart.account(id),
                      CostMethod.valueOf(row.getString(3)),
                      chart.account(row.getObject(4, UUID.class)),
                      chart.account(row.getObject(5, UUID.class)),
                      chart.account(row.getObject(6, UUID.class)),
                      chart.account(row.getObject(7, UUID.class))),
                  row.getInt(2)));
        });
    return all;
  }

  /**
   * @throws NotFound if trades of the account are not told how to be booked
   */
  KeptInvestment find(UUID accountId, Chart chart) {
    KeptInvestment found = all(chart).get(accountId);
    if (found == null) {
      throw new NotFound("investment");
    }
    return found;
  }

  /** Nobody else adds to or takes from its trades until the transaction ends. */
  void hold(UUID accountId) {
    boolean there =
        jdbc.sql(
                "select version from investment where household_id = ? and account_id = ? for update")
            .params(SignedIn.now().householdId(), accountId)
            .query(Integer.class)
            .optional()
            .isPresent();
    if (!there) {
      throw new NotFound("investment");
    }
  }

  /**
   * @param version as the person saw it; 0 for a new one
   * @throws Conflict {@code changed-meanwhile}
   */
  void keep(Investment of, int version) {
    int rows =
        jdbc.sql(
                """
                insert into investment (household_id, account_id, version, method, cash_id, gain_id, dividends_id, fees_id)
                values (?, ?, 1, ?, ?, ?, ?, ?)
                on conflict (household_id, account_id) do update
                  set method = excluded.method, cash_id = excluded.cash_id, gain_id = excluded.gain_id,
                      dividends_id = excluded.dividends_id, fees_id = excluded.fees_id, version = investment.version + 1
                  where investment.version = ?\
                """)
            .params(
                SignedIn.now().householdId(),
                of.account().id(),
                of.method().name(),
                of.cash().id(),
                of.gain().id(),
                of.dividends().id(),
                of.fees().id(),
                version)
            .update();
    if (rows == 0) {
      throw new Conflict("changed-meanwhile", "It was changed meanwhile. Look at it again.");
    }
  }

  /** All trades of the household, in the order in which they happened. */
  List<KeptTrade> trades(Chart chart) {
    return jdbc.sql(
            """
            select id, account_id, security_id, day, no, kind, quantity, amount_minor, fee_minor, cost_minor, entry_id
              from trade where household_id = ? order by day, no\
            """)
        .param(SignedIn.now().householdId())
        .query((row, at) -> trade(row, chart))
        .list();
  }

  private static KeptTrade trade(ResultSet row, Chart chart) throws SQLException {
    UUID account = Objects.requireNonNull(row.getObject(2, UUID.class));
    CurrencyUnit currency = chart.account(account).currency();
    return new KeptTrade(
        new Trade(
            Objects.requireNonNull(row.getObject(1, UUID.class)),
            Objects.requireNonNull(row.getObject(4, LocalDate.class)),
            row.getLong(5),
            Trade.Kind.valueOf(row.getString(6)),
            Objects.requireNonNull(row.getBigDecimal(7)),
            Amount.ofMinor(row.getLong(8), currency),
            Amount.ofMinor(row.getLong(9), currency),
            Amount.ofMinor(row.getLong(10), currency)),
        account,
        Objects.requireNonNull(row.getObject(3, UUID.class)),
        row.getObject(11, UUID.class));
  }

  /** Those of some trades that are of a holding. */
  static List<Trade> of(List<KeptTrade> trades, UUID accountId, UUID securityId) {
    List<Trade> of = new ArrayList<>();
    for (KeptTrade kept : trades) {
      if (kept.accountId().equals(accountId) && kept.securityId().equals(securityId)) {
        of.add(kept.trade());
      }
    }
    return of;
  }

  /** A place after all others. */
  long nextNo() {
    return jdbc.sql("select coalesce(max(no), 0) + 1 from trade where household_id = ?")
        .param(SignedIn.now().householdId())
        .query(Long.class)
        .single();
  }

  void add(KeptTrade kept) {
    Trade trade = kept.trade();
    BigDecimal quantity = trade.quantity();
    jdbc.sql(
            """
            insert into trade (household_id, id, account_id, security_id, day, no, kind, quantity, amount_minor, fee_minor,
                               cost_minor, entry_id)
            values (:household, :id, :account, :security, :day, :no, :kind, :quantity, :amount, :fee, :cost, :entry)\
            """)
        .param("household", SignedIn.now().householdId())
        .param("id", trade.id())
        .param("account", kept.accountId())
        .param("security", kept.securityId())
        .param("day", Date.valueOf(trade.day()))
        .param("no", trade.no())
        .param("kind", trade.kind().name())
        .param("quantity", quantity)
        .param("amount", trade.amount().minor())
        .param("fee", trade.fee().minor())
        .param("cost", trade.cost().minor())
        .param("entry", kept.entryId())
        .update();
  }

  void remove(UUID tradeId) {
    jdbc.sql("delete from trade where household_id = ? and id = ?")
        .params(SignedIn.now().householdId(), tradeId)
        .update();
  }
}
