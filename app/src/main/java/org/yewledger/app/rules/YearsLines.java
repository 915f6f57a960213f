package org.yewledger.app.rules;

import java.sql.Date;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.bankline.LineDetails;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.platform.KeptByHousehold;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.rules.RuleLine;

/**
 * The bank lines of the last twelve months that are posted or wait, ready to be tried by rules.
 * They are kept in memory until lines come or go: a rule is tried on all of them with every letter
 * that is typed.
 */
@Component
@Transactional(propagation = Propagation.MANDATORY)
class YearsLines {
  /** Of all households together: some hundred megabytes. */
  private static final int MOST_LINES_KEPT = 300_000;

  /** The lines of a book, oldest first, with their identities in the same order. */
  record Lines(List<UUID> ids, List<RuleLine> lines) {
    static final Lines NONE = new Lines(List.of(), List.of());
  }

  /**
   * @param since the first day looked at: twelve months before the newest line
   */
  record Year(String state, LocalDate since, Map<UUID, Lines> byBook) {
    Lines of(UUID bookId) {
      return byBook.getOrDefault(bookId, Lines.NONE);
    }

    int count() {
      return byBook.values().stream().mapToInt(lines -> lines.ids().size()).sum();
    }
  }

  private record Newest(String state, @Nullable LocalDate day) {}

  private final JdbcClient jdbc;
  private final KeptByHousehold<Year> kept = new KeptByHousehold<>(MOST_LINES_KEPT, Year::count);

  YearsLines(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /**
   * Oldest first. Cost: a look at whether lines have come or gone; linear in them when they have.
   */
  Year year(Chart chart) {
    UUID household = SignedIn.now().householdId();
    Newest newest = newest(household);
    String state = newest.state() + '/' + chart.state();
    Year known = kept.get(household);
    if (known == null || !known.state().equals(state)) {
      known = read(household, state, newest.day(), chart);
      kept.put(household, known);
    }
    return known;
  }

  /**
   * Lines come and go by batches, and by what is decided of those that are neither posted nor wait;
   * each kind of these is few, and has an index of its own.
   */
  private Newest newest(UUID household) {
    return jdbc.sql(
            """
            select (select count(*) || ',' || coalesce(sum(uuid_hash_extended(id, case when taken_back_at is null then 0 else 1 end)), 0)
                      from batch where household_id = :household)
                   || '/' || (select count(*) || ',' || coalesce(sum(uuid_hash_extended(bank_line_id, version)), 0)
                                from bank_line_state where household_id = :household and state in ('DOUBTFUL', 'PENDING'))
                   || '/' || (select count(*) || ',' || coalesce(sum(uuid_hash_extended(bank_line_id, version)), 0)
                                from bank_line_state where household_id = :household and state = 'LEFT_OUT'),
                   (select max(booked_on) from bank_line where household_id = :household and taken_back_at is null)\
            """)
        .param("household", household)
        .query((row, no) -> new Newest(row.getString(1), row.getObject(2, LocalDate.class)))
        .single();
  }

  private Year read(UUID household, String state, @Nullable LocalDate newest, Chart chart) {
    if (newest == null) {
      return new Year(state, LocalDate.EPOCH, Map.of());
    }
    LocalDate since = newest.minusMonths(12).plusDays(1);
    var byBook = new HashMap<UUID, Lines>();
    jdbc.sql(
            """
            select l.id, l.account_id, l.booked_on, l.amount_minor, l.payee, l.memo, l.reference, l.type, l.details::text
              from bank_line l
              join bank_line_state s on s.household_id = :household and s.bank_line_id = l.id
             where l.household_id = :household and l.taken_back_at is null and l.booked_on >= :since
               and s.state in ('WAITING', 'POSTED')
             order by l.booked_on, l.id\
            """)
        .param("household", household)
        .param("since", Date.valueOf(since))
        .query(row -> {
          var account = chart.account(row.getObject(2, UUID.class));
          Lines of =
              byBook.computeIfAbsent(
                  account.bookId(), id -> new Lines(new ArrayList<>(), new ArrayList<>()));
          of.ids().add(row.getObject(1, UUID.class));
          of.lines().add(RuleLine.of(account, line(row)));
        });
    return new Year(state, since, byBook);
  }

  private static BankLine line(ResultSet row) throws SQLException {
    return new BankLine(
        row.getObject(3, LocalDate.class),
        null,
        row.getLong(4),
        row.getString(5),
        row.getString(6),
        row.getString(7),
        row.getString(8),
        null,
        "",
        0,
        false,
        LineDetails.read(row.getString(9)));
  }
}
