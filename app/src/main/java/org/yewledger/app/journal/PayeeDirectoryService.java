package org.yewledger.app.journal;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.journal.PayeeDirectoryJson.DirectoryPayeeJson;
import org.yewledger.app.journal.PayeeDirectoryJson.PayeeMovedJson;
import org.yewledger.app.payee.PayeeNames;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.journal.QueryField;
import org.yewledger.core.journal.QueryText;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;

/** Who the household deals with: how often, when last, for how much, and for what. */
@Service
class PayeeDirectoryService {
  private static final int MOST = 200;

  /** So many of its newest entries say what is usual with a payee. */
  private static final int NEWEST = 20;

  /** What the entries of a payee come to. */
  private static final class Sums {
    private @Nullable LocalDate last;
    private final List<PayeeMovedJson> moved = new ArrayList<>();
  }

  private final PayeeNames payees;
  private final ChartService charts;
  private final JdbcClient jdbc;

  PayeeDirectoryService(PayeeNames payees, ChartService charts, JdbcClient jdbc) {
    this.payees = payees;
    this.charts = charts;
    this.jdbc = jdbc;
  }

  /** The payees with the part in their names, the most used first; at most 200. */
  @Transactional(readOnly = true)
  List<DirectoryPayeeJson> payees(String part) {
    List<PayeeNames.Used> shown = payees.mostUsed(part, MOST);
    UUID[] ids = shown.stream().map(u -> u.payee().id()).toArray(UUID[]::new);
    Map<UUID, Sums> sums = sums(ids);
    Map<UUID, UUID> usual = usualCategories(ids);
    Chart chart = charts.chart();
    return shown.stream()
        .map(u -> {
          UUID id = u.payee().id();
          return json(u, sums.getOrDefault(id, new Sums()), usual.get(id), chart);
        })
        .toList();
  }

  private static DirectoryPayeeJson json(
      PayeeNames.Used used, Sums sums, @Nullable UUID usual, Chart chart) {
    PayeeNames.Named payee = used.payee();
    UUID category = payee.details().categoryId();
    return new DirectoryPayeeJson(
        payee.id(),
        payee.version(),
        payee.name(),
        payee.knownAs(),
        QueryText.term(QueryField.PAYEE, payee.name()),
        used.entries(),
        sums.last,
        sums.moved,
        usual == null ? null : chart.account(usual).name(),
        category,
        category == null ? null : chart.account(category).name(),
        payee.details().accountNumber(),
        payee.details().contact(),
        payee.details().note());
  }

  private Map<UUID, Sums> sums(UUID[] ids) {
    Map<UUID, Sums> sums = new HashMap<>();
    jdbc.sql(
            """
            select payee_id, moved_currency, count(*), max(date),
                   coalesce(sum(moved_minor) filter (where not transfer and moved_minor > 0), 0)::bigint,
                   coalesce(sum(moved_minor) filter (where not transfer and moved_minor < 0), 0)::bigint
              from entry where household_id = ? and payee_id = any(?) and moved_currency is not null
             group by 1, 2 order by 1, 3 desc\
            """)
        .params(SignedIn.now().householdId(), ids)
        .query(row -> {
          Sums of = sums.computeIfAbsent(row.getObject(1, UUID.class), id -> new Sums());
          LocalDate last = row.getDate(4).toLocalDate();
          of.last = of.last == null || last.isAfter(of.last) ? last : of.last;
          CurrencyUnit currency = CurrencyUnit.of(row.getString(2));
          of.moved.add(
              new PayeeMovedJson(
                  currency.getCode(),
                  Amount.ofMinor(row.getLong(5), currency).decimal(),
                  Amount.ofMinor(row.getLong(6), currency).decimal()));
        });
    return sums;
  }

  /** The category that most of the newest entries of each went to. */
  private Map<UUID, UUID> usualCategories(UUID[] ids) {
    Map<UUID, UUID> usual = new HashMap<>();
    UUID[] categories =
        charts
            .chart()
            .accounts()
            .filter(a -> a.accountClass().isCategory())
            .map(Account::id)
            .toArray(UUID[]::new);
    jdbc.sql(
            """
            select who.id, mode() within group (order by p.account_id)
              from unnest(:ids) who(id)
              cross join lateral (select e.id from entry e
                    where e.household_id = :household and e.payee_id = who.id
                    order by e.date desc, e.no desc limit :newest) e
              join posting p on p.household_id = :household and p.entry_id = e.id and p.account_id = any(:categories)
             group by 1\
            """)
        .param("ids", ids)
        .param("household", SignedIn.now().householdId())
        .param("newest", NEWEST)
        .param("categories", categories)
        .query(row -> {
          usual.put(row.getObject(1, UUID.class), row.getObject(2, UUID.class));
        });
    return usual;
  }
}
