package org.yewledger.app.journal;

import java.sql.Date;
import java.sql.Timestamp;
import java.time.Instant;
import java.time.YearMonth;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.platform.SignedIn;

/**
 * The months of books that are closed. They have no gaps: a book is closed through a month. The
 * database lets nothing in them change.
 */
@Component
@Transactional(propagation = Propagation.MANDATORY)
public class ClosedMonths {
  private final JdbcClient jdbc;

  ClosedMonths(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** The last month through which a book is closed; empty if none is. */
  public Optional<YearMonth> through(UUID bookId) {
    return month(
        "select max(month) from closed_month where household_id = ? and book_id = ?", bookId);
  }

  /** The last closed month of each book that has one. */
  public Map<UUID, YearMonth> through() {
    Map<UUID, YearMonth> months = new HashMap<>();
    jdbc.sql("select book_id, max(month) from closed_month where household_id = ? group by book_id")
        .param(SignedIn.now().householdId())
        .query(row -> {
          months.put(row.getObject(1, UUID.class), YearMonth.from(row.getDate(2).toLocalDate()));
        });
    return months;
  }

  /** The month of a book's first posting, its opening balances among them. */
  public Optional<YearMonth> first(UUID bookId) {
    return month("select min(date) from posting where household_id = ? and book_id = ?", bookId);
  }

  private Optional<YearMonth> month(String sql, UUID bookId) {
    List<Date> days =
        jdbc.sql(sql)
            .params(SignedIn.now().householdId(), bookId)
            .query((row, no) -> row.getDate(1))
            .list();
    return days.stream()
        .filter(day -> day != null)
        .findFirst()
        .map(Date::toLocalDate)
        .map(YearMonth::from);
  }

  /** How many entries of a book are within some months. */
  public long entries(UUID bookId, YearMonth first, YearMonth last) {
    return jdbc.sql(
            "select count(distinct entry_id) from posting where household_id = ? and book_id = ? and date between ? and ?")
        .params(SignedIn.now().householdId(), bookId, first.atDay(1), last.atEndOfMonth())
        .query(Long.class)
        .single();
  }

  /** Closes the months of a book, both ends among them. */
  public void close(UUID bookId, YearMonth first, YearMonth last, Instant at) {
    jdbc.sql(
            """
            insert into closed_month (household_id, book_id, month, closed_at, closed_by)
            select :household, :book, m::date, :at, :by
              from generate_series(:first::date, :last::date, interval '1 month') m\
            """)
        .param("household", SignedIn.now().householdId())
        .param("book", bookId)
        .param("first", first.atDay(1))
        .param("last", last.atDay(1))
        .param("at", Timestamp.from(at))
        .param("by", SignedIn.now().personId())
        .update();
  }

  /** Opens a month of a book again, and all after it. */
  public void reopen(UUID bookId, YearMonth from) {
    jdbc.sql("delete from closed_month where household_id = ? and book_id = ? and month >= ?")
        .params(SignedIn.now().householdId(), bookId, from.atDay(1))
        .update();
  }
}
