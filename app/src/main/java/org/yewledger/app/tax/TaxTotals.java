package org.yewledger.app.tax;

import java.sql.Date;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;
import org.yewledger.core.report.Span;
import org.yewledger.core.report.TaxedTotals;

/** Reads the totals of taxed postings that are kept by month. */
@Component
@Transactional(propagation = Propagation.MANDATORY)
class TaxTotals {
  private final JdbcClient jdbc;

  TaxTotals(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** What a book's categories have at each rate, by spans. Cost: one query over the totals. */
  Map<Span, List<TaxedTotals>> of(UUID bookId, List<Span> spans, Chart chart) {
    CurrencyUnit base = chart.book(bookId).toBook().currency();
    Map<Span, List<TaxedTotals>> totals = new HashMap<>();
    jdbc.sql(
            """
            select s.first, s.last, t.account_id, t.rate_id, sum(t.net_minor)::bigint, sum(t.tax_minor)::bigint
              from unnest(:firsts::date[], :lasts::date[]) s(first, last)
              join tax_month t on t.household_id = :household and t.month between s.first and s.last
              join account a on a.household_id = :household and a.id = t.account_id and a.book_id = :book
             group by 1, 2, 3, 4 order by 1, 2, 3, 4\
            """)
        .param("firsts", days(spans.stream().map(Span::first).toList()))
        .param("lasts", days(spans.stream().map(Span::last).toList()))
        .param("household", SignedIn.now().householdId())
        .param("book", bookId)
        .query(row -> {
          var span = new Span(month(row.getDate(1)), month(row.getDate(2)));
          Account category = chart.account(Objects.requireNonNull(row.getObject(3, UUID.class)));
          totals
              .computeIfAbsent(span, s -> new ArrayList<>())
              .add(
                  new TaxedTotals(
                      category,
                      Objects.requireNonNull(row.getObject(4, UUID.class)),
                      Amount.ofMinor(row.getLong(5), base),
                      Amount.ofMinor(row.getLong(6), base)));
        });
    return totals;
  }

  private static Date[] days(List<YearMonth> months) {
    return months.stream().map(month -> Date.valueOf(month.atDay(1))).toArray(Date[]::new);
  }

  private static YearMonth month(Date day) {
    return YearMonth.from(day.toLocalDate());
  }
}
