package org.yewledger.app.bankline;

import java.sql.Date;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.gather.BankLine;

/** The waiting lines as rows: of a hundred thousand, entities would cost several times as much. */
@Component
public class WaitingRows {
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
      int version) {

    public BankLine toBankLine() {
      return new BankLine(
          bookedOn, valueOn, amountMinor, payee, memo, reference, type, identity, "", sourceLine);
    }
  }

  private final JdbcClient jdbc;

  WaitingRows(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** Those of some accounts, oldest first. Cost: linear in their number, whatever lies behind. */
  @Transactional(readOnly = true)
  public List<Row> of(Collection<UUID> accounts) {
    return jdbc.sql(
            """
            select l.id, l.batch_id, l.account_id, l.booked_on, l.value_on, l.amount_minor, l.payee, l.memo, l.reference,
                   l.type, l.identity, l.source_line, s.version
              from bank_line_state s
              join bank_line l on l.household_id = :household and l.id = s.bank_line_id
             where s.household_id = :household and s.state = 'WAITING' and s.account_id = any(:accounts)
             order by s.booked_on, s.bank_line_id\
            """)
        .param("household", SignedIn.now().householdId())
        .param("accounts", accounts.toArray(UUID[]::new))
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
        row.getInt(13));
  }
}
