package org.yewledger.app.post;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.app.post.PostJson.TrustedLineJson;
import org.yewledger.app.post.PostJson.TrustedPostJson;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;

/** What trusted rules have posted of late, and still stands. */
@Service
public class TrustedPosts {
  private static final Duration OF_LATE = Duration.ofDays(14);

  /** Entries that rules have made since a time, with the lines that they were made from. */
  private static final String POSTED =
      """
        from act a
        join act_change c on c.household_id = a.household_id and c.act_id = a.id
                         and c.table_name = 'entry' and c.op = 'INSERT'
        join entry e on e.household_id = a.household_id and e.id = c.entry_id
        join line_link k on k.household_id = a.household_id and k.entry_id = e.id and k.made_entry
       where a.household_id = :household and a.doer = 'RULE' and a.at >= :since
      """;

  private final JdbcClient jdbc;
  private final ChartService charts;
  private final Clock clock;

  TrustedPosts(JdbcClient jdbc, ChartService charts, Clock clock) {
    this.jdbc = jdbc;
    this.charts = charts;
    this.clock = clock;
  }

  /** By the act that posted them, the newest first; lines that were taken back are missing. */
  @Transactional(readOnly = true)
  List<TrustedPostJson> ofLate() {
    Chart chart = charts.chart();
    record Of(UUID act, Instant at) {}
    var byAct = new LinkedHashMap<Of, List<TrustedLineJson>>();
    ask("select a.id, a.at, k.bank_line_id, e.id, e.no, e.date,"
            + " (select y.name from payee y where y.household_id = e.household_id and y.id = e.payee_id),"
            + " k.account_id, k.amount_minor, e.rule_id "
            + POSTED
            + " order by a.id desc, e.date desc, e.no desc")
        .query(row -> {
          Account account = chart.account(row.getObject(8, UUID.class));
          byAct
              .computeIfAbsent(
                  new Of(row.getObject(1, UUID.class), row.getTimestamp(2).toInstant()),
                  act -> new ArrayList<>())
              .add(
                  new TrustedLineJson(
                      row.getObject(3, UUID.class),
                      row.getObject(4, UUID.class),
                      row.getLong(5),
                      row.getObject(6, LocalDate.class),
                      row.getString(7),
                      account.name(),
                      Amount.ofMinor(row.getLong(9), account.currency()).decimal(),
                      account.currency().getCode(),
                      row.getObject(10, UUID.class)));
        });
    return byAct.entrySet().stream()
        .map(of -> new TrustedPostJson(of.getKey().act(), of.getKey().at(), of.getValue()))
        .toList();
  }

  /** How many lines that is. */
  @Transactional(readOnly = true)
  public int countOfLate() {
    return ask("select count(*) " + POSTED).query(Integer.class).single();
  }

  private JdbcClient.StatementSpec ask(String sql) {
    return jdbc.sql(sql)
        .param("household", SignedIn.now().householdId())
        .param("since", Timestamp.from(clock.instant().minus(OF_LATE)));
  }
}
