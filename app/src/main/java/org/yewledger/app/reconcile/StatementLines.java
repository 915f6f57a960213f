package org.yewledger.app.reconcile;

import java.sql.Date;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.core.simple.JdbcClient.StatementSpec;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.gather.BankLine;

/** Bank lines by their days and amounts alone: what a proof needs of them. They have no texts. */
@Component
class StatementLines {
  private final JdbcClient jdbc;

  StatementLines(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** Those that the statement has of its own, in its order. */
  @Transactional(readOnly = true)
  List<BankLine> of(StatementEntity statement) {
    return lines(
        jdbc.sql(
                """
                select l.booked_on, l.amount_minor, l.pending
                  from statement_lines s, unnest(s.line_ids) with ordinality as x(id, place)
                  join bank_line l on l.household_id = :household and l.id = x.id
                 where s.household_id = :household and s.statement_id = :statement order by x.place\
                """)
            .param("statement", statement.id()));
  }

  /** All of an account within some days. */
  @Transactional(readOnly = true)
  List<BankLine> between(UUID accountId, LocalDate first, LocalDate last) {
    return lines(
        jdbc.sql(
                """
                select booked_on, amount_minor, pending from bank_line
                 where household_id = :household and account_id = :account and booked_on between :first and :last\
                """)
            .param("account", accountId)
            .param("first", Date.valueOf(first))
            .param("last", Date.valueOf(last)));
  }

  private static List<BankLine> lines(StatementSpec query) {
    return query
        .param("household", SignedIn.now().householdId())
        .query((row, no) ->
            new BankLine(
                row.getDate(1).toLocalDate(),
                null,
                row.getLong(2),
                "",
                "",
                "",
                "",
                null,
                "",
                no,
                row.getBoolean(3),
                Map.of()))
        .list();
  }
}
