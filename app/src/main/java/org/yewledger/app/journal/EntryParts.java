package org.yewledger.app.journal;

import java.time.YearMonth;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Predicate;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.Refusal;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountClass;
import org.yewledger.core.money.Amount;
import org.yewledger.core.report.Breakdown.By;
import org.yewledger.core.report.Breakdown.Part;
import org.yewledger.core.report.Span;

/** Adds up what the entries that a journal query finds have in common, by months. */
@Component
public class EntryParts {
  private static final String SUMS =
      """
      with fits as (select e.id, e.date, e.payee_id, e.method %1$s)
      select %2$s as key, date_trunc('month', f.date)::date as month, %3$s
        from fits f join posting p on p.household_id = :household and p.entry_id = f.id and p.account_id = any(:counted)
        %4$s group by 1, 2 order by 1, 2\
      """;

  private static final String OF_CATEGORIES =
      """
      coalesce(sum(-p.base_minor) filter (where p.account_id = any(:income)), 0)::bigint as earned,
      coalesce(sum(p.base_minor) filter (where p.account_id <> all(:income)), 0)::bigint as spent\
      """;

  private static final String OF_ACCOUNTS =
      """
      sum(greatest(p.base_minor, 0))::bigint as earned, sum(greatest(-p.base_minor, 0))::bigint as spent\
      """;

  private final EntrySearch search;
  private final QueryService queries;
  private final ChartService charts;
  private final JdbcClient jdbc;

  EntryParts(EntrySearch search, QueryService queries, ChartService charts, JdbcClient jdbc) {
    this.search = search;
    this.queries = queries;
    this.charts = charts;
    this.jdbc = jdbc;
  }

  /**
   * @param bookId whose postings count; null for all books, which then have one currency
   * @param text a query, as the journal reads it
   * @throws Refusal if the query says what cannot be read
   *     <p>Cost: each entry of the span that fits is looked at.
   */
  @Transactional(readOnly = true)
  public List<Part> of(By by, String text, @Nullable UUID bookId, CurrencyUnit base, Span span) {
    Chart chart = charts.chart();
    EntrySought sought =
        queries
            .sought(new JournalService.Filter(bookId, null, text))
            .within(span.firstDay(), span.lastDay());
    Map<String, Object> params = new HashMap<>(sought.params());
    boolean accounts = by == By.ACCOUNT;
    params.put(
        "counted",
        ids(chart, bookId, a -> accounts ? a.kind().isMoney() : a.accountClass().isCategory()));
    params.put("income", ids(chart, bookId, a -> a.accountClass() == AccountClass.INCOME));
    String sql =
        SUMS.formatted(
            sought.from(search.finder(sought)),
            key(by),
            accounts ? OF_ACCOUNTS : OF_CATEGORIES,
            by == By.TAG
                ? "join entry_tag t on t.household_id = :household and t.entry_id = f.id"
                : "");
    Map<String, String> names = names(by, chart);
    return jdbc.sql(sql)
        .params(params)
        .query((row, no) -> {
          String key = row.getString(1);
          return new Part(
              key == null ? "" : key,
              key == null ? "" : names.getOrDefault(key, key),
              YearMonth.from(row.getDate(2).toLocalDate()),
              Amount.ofMinor(row.getLong(3), base),
              Amount.ofMinor(row.getLong(4), base));
        })
        .list();
  }

  private static String key(By by) {
    return switch (by) {
      case CATEGORY, ACCOUNT -> "p.account_id::text";
      case PAYEE -> "f.payee_id::text";
      case TAG -> "t.tag_id::text";
      case METHOD -> "f.method";
    };
  }

  private static UUID[] ids(Chart chart, @Nullable UUID bookId, Predicate<Account> which) {
    return chart
        .accounts()
        .filter(a -> !a.group() && (bookId == null || a.bookId().equals(bookId)))
        .filter(which)
        .map(Account::id)
        .toArray(UUID[]::new);
  }

  private Map<String, String> names(By by, Chart chart) {
    Map<String, String> names = new HashMap<>();
    switch (by) {
      case CATEGORY, ACCOUNT ->
          chart.accounts().forEach(a -> names.put(a.id().toString(), a.name()));
      case PAYEE -> read(names, "select id::text, name from payee where household_id = ?");
      case TAG -> read(names, "select id::text, name from tag where household_id = ?");
      case METHOD -> {
        // As they are typed in a query.
      }
    }
    return names;
  }

  private void read(Map<String, String> names, String sql) {
    jdbc.sql(sql)
        .param(SignedIn.now().householdId())
        .query(row -> {
          names.put(row.getString(1), row.getString(2));
        });
  }
}
