package org.yewledger.app.tax;

import java.sql.Timestamp;
import java.time.Instant;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.platform.Ids;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.money.Amount;
import org.yewledger.core.report.Span;
import org.yewledger.core.report.TaxReturn;
import org.yewledger.core.report.TaxReturn.Line;

/** Keeps returns of sales tax as they were sent. */
@Component
@Transactional(propagation = Propagation.MANDATORY)
class TaxReturns {
  /** A return, when it was recorded and by whom. */
  record Kept(TaxReturn is, Instant at, String who) {}

  private final JdbcClient jdbc;

  TaxReturns(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** Those of a book by their periods: four a year, at most twelve. */
  List<Kept> of(UUID bookId, CurrencyUnit base) {
    Map<UUID, List<Line>> lines = lines(bookId, base);
    return jdbc.sql(
            """
            select r.id, r.first, r.last, r.returned_at, coalesce(p.name, 'somebody who left')
              from tax_return r left join person p on p.id = r.returned_by
             where r.household_id = ? and r.book_id = ? order by r.first\
            """)
        .params(SignedIn.now().householdId(), bookId)
        .query((row, no) -> {
          UUID id = Objects.requireNonNull(row.getObject(1, UUID.class));
          return new Kept(
              new TaxReturn(
                  id, span(row.getDate(2), row.getDate(3)), lines.getOrDefault(id, List.of())),
              row.getTimestamp(4).toInstant(),
              row.getString(5));
        })
        .list();
  }

  private Map<UUID, List<Line>> lines(UUID bookId, CurrencyUnit base) {
    Map<UUID, List<Line>> lines = new LinkedHashMap<>();
    jdbc.sql(
            """
            select l.return_id, l.about_first, l.about_last, l.rate_id,
                   l.sales_minor, l.collected_minor, l.purchases_minor, l.paid_minor
              from tax_return_line l
              join tax_return r on r.household_id = l.household_id and r.id = l.return_id
             where l.household_id = ? and r.book_id = ? order by l.return_id, l.place\
            """)
        .params(SignedIn.now().householdId(), bookId)
        .query(row -> {
          lines
              .computeIfAbsent(row.getObject(1, UUID.class), id -> new ArrayList<>())
              .add(
                  new Line(
                      span(row.getDate(2), row.getDate(3)),
                      Objects.requireNonNull(row.getObject(4, UUID.class)),
                      Amount.ofMinor(row.getLong(5), base),
                      Amount.ofMinor(row.getLong(6), base),
                      Amount.ofMinor(row.getLong(7), base),
                      Amount.ofMinor(row.getLong(8), base)));
        });
    return lines;
  }

  UUID keep(UUID bookId, Span span, List<Line> lines, Instant at) {
    UUID id = Ids.next();
    SignedIn person = SignedIn.now();
    jdbc.sql(
            "insert into tax_return (household_id, id, book_id, first, last, returned_at, returned_by) values (?, ?, ?, ?, ?, ?, ?)")
        .params(
            person.householdId(),
            id,
            bookId,
            span.first().atDay(1),
            span.last().atDay(1),
            Timestamp.from(at),
            person.personId())
        .update();
    int place = 0;
    for (Line line : lines) {
      jdbc.sql(
              "insert into tax_return_line (household_id, return_id, place, about_first, about_last, rate_id, sales_minor, collected_minor, purchases_minor, paid_minor) values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)")
          .params(
              person.householdId(),
              id,
              place++,
              line.about().first().atDay(1),
              line.about().last().atDay(1),
              line.rateId(),
              line.sales().minor(),
              line.collected().minor(),
              line.purchases().minor(),
              line.paid().minor())
          .update();
    }
    return id;
  }

  void forget(UUID id) {
    UUID household = SignedIn.now().householdId();
    jdbc.sql("delete from tax_return_line where household_id = ? and return_id = ?")
        .params(household, id)
        .update();
    jdbc.sql("delete from tax_return where household_id = ? and id = ?")
        .params(household, id)
        .update();
  }

  private static Span span(java.sql.Date first, java.sql.Date last) {
    return new Span(YearMonth.from(first.toLocalDate()), YearMonth.from(last.toLocalDate()));
  }
}
