package org.yewledger.app.bankline;

import java.sql.Date;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.platform.KeptByHousehold;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.gather.LineDetail;

/** The waiting lines as rows: of a hundred thousand, entities would cost several times as much. */
@Component
public class WaitingRows {
  /** Of all households together: some hundred megabytes. */
  private static final int MOST_ROWS_KEPT = 200_000;

  /** A waiting line without its raw text; {@code version} is that of its state. */
  public record Row(
      UUID id,
      UUID batchId,
      UUID accountId,
      LocalDate bookedOn,
      @Nullable LocalDate valueOn,
      long amountMinor,
      String payee,
      String memo,
      String reference,
      String type,
      @Nullable String identity,
      int sourceLine,
      int version,
      Map<LineDetail, String> details) {

    public BankLine toBankLine() {
      return new BankLine(
          bookedOn,
          valueOn,
          amountMinor,
          payee,
          memo,
          reference,
          type,
          identity,
          "",
          sourceLine,
          false,
          details);
    }
  }

  private final JdbcClient jdbc;
  private final KeptByHousehold<Waiting> kept =
      new KeptByHousehold<>(MOST_ROWS_KEPT, waiting -> waiting.rows().size());

  WaitingRows(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /**
   * All that wait, in one form per state.
   *
   * @param state what they follow from; the same text for the same lines
   */
  public record Waiting(String state, List<Row> rows) {}

  /**
   * All of the household, oldest first. They are kept in memory until one of them changes: a page
   * that shows a few of five thousand need not read them all again. Cost: a look at the states of
   * those that wait, whatever lies behind.
   */
  @Transactional(readOnly = true)
  public Waiting all() {
    UUID household = SignedIn.now().householdId();
    String state = state(household);
    Waiting known = kept.get(household);
    if (known == null || !known.state().equals(state)) {
      known =
          new Waiting(state, known == null ? read(household) : renewed(household, known.rows()));
      kept.put(household, known);
    }
    return known;
  }

  /** Which lines wait, in which version of their states. */
  private String state(UUID household) {
    return jdbc.sql(
            """
            select count(*) || ',' || coalesce(sum(uuid_hash_extended(bank_line_id, version)), 0)
              from bank_line_state where household_id = :household and state = 'WAITING'\
            """)
        .param("household", household)
        .query(String.class)
        .single();
  }

  /** Reads those again that have come or changed since; the others are the same rows as before. */
  private List<Row> renewed(UUID household, List<Row> before) {
    record Standing(UUID id, int version) {}
    List<Standing> now =
        jdbc.sql(
                """
                select bank_line_id, version from bank_line_state
                 where household_id = ? and state = 'WAITING' order by booked_on, bank_line_id\
                """)
            .param(household)
            .query((row, no) -> new Standing(row.getObject(1, UUID.class), row.getInt(2)))
            .list();
    Map<Standing, Row> known = new HashMap<>();
    before.forEach(row -> known.put(new Standing(row.id(), row.version()), row));
    UUID[] missing =
        now.stream().filter(s -> !known.containsKey(s)).map(Standing::id).toArray(UUID[]::new);
    if (missing.length > 0) {
      read(household, " and s.bank_line_id = any(:ids)", missing)
          .forEach(row -> known.put(new Standing(row.id(), row.version()), row));
    }
    return now.stream().map(known::get).toList();
  }

  private List<Row> read(UUID household) {
    return read(household, "", new UUID[0]);
  }

  private List<Row> read(UUID household, String narrowed, UUID[] ids) {
    return jdbc.sql(
            """
            select l.id, l.batch_id, l.account_id, l.booked_on, l.value_on, l.amount_minor, l.payee, l.memo, l.reference,
                   l.type, l.identity, l.source_line, s.version, l.details::text
              from bank_line_state s
              join bank_line l on l.household_id = :household and l.id = s.bank_line_id
             where s.household_id = :household and s.state = 'WAITING'\
            """
                + narrowed
                + " order by s.booked_on, s.bank_line_id")
        .param("household", household)
        .param("ids", ids)
        .query(WaitingRows::row)
        .list();
  }

  private static Row row(ResultSet row, int no) throws SQLException {
    Date valueOn = row.getDate(5);
    return new Row(
        row.getObject(1, UUID.class),
        row.getObject(2, UUID.class),
        row.getObject(3, UUID.class),
        row.getObject(4, LocalDate.class),
        valueOn == null ? null : valueOn.toLocalDate(),
        row.getLong(6),
        row.getString(7),
        row.getString(8),
        row.getString(9),
        row.getString(10),
        row.getString(11),
        row.getInt(12),
        row.getInt(13),
        LineDetails.read(row.getString(14)));
  }
}
