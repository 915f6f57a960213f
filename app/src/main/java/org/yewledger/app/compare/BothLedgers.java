package org.yewledger.app.compare;

import java.sql.Date;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.app.post.WaitingLines;
import org.yewledger.app.post.WaitingLines.Waiting;
import org.yewledger.app.reconcile.StatementEntity;
import org.yewledger.core.compare.Comparison;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.post.OpenPosting;
import org.yewledger.core.post.WaitingLine;

/** Reads what a statement's comparison looks at: the lines that wait, and what may be the same. */
@Component
class BothLedgers {
  /** A day that was typed wrong is looked for so long after the statement. */
  private static final int DAYS_AFTER = 70;

  private static final String POSTINGS =
      """
      select p.id, p.account_id, p.date, p.amount_minor, p.statement_id is not null as ticked,
             exists (select 1 from line_link k where k.household_id = p.household_id and k.posting_id = p.id) as linked,
             e.id as entry_id, e.no as entry_no, y.name as payee, e.note, e.origin = 'BANK_LINE' as by_line
        from posting p
        join entry e on e.household_id = p.household_id and e.id = p.entry_id
        join payee y on y.household_id = e.household_id and y.id = e.payee_id
       where p.household_id = :household and p.account_id = any(:accounts) and e.origin <> 'OPENING'
         and (p.statement_id = :statement or (p.statement_id is null and p.amount_minor <> 0 and p.date <= :last))
       order by p.date, e.no, p.place\
      """;

  /**
   * A posting that the statement may cover, or that may be one of its lines on a wrong day.
   *
   * @param linked whether a line confirms it already
   * @param byLine whether a line of another account made its entry
   */
  record Written(
      UUID id,
      UUID accountId,
      LocalDate date,
      long amountMinor,
      boolean ticked,
      boolean linked,
      UUID entryId,
      long entryNo,
      String payee,
      String note,
      boolean byLine) {
    private OpenPosting open() {
      return new OpenPosting(id, accountId, date, amountMinor, payee + ' ' + note, byLine);
    }
  }

  /**
   * Both, and what they have in common.
   *
   * @param waiting the lines by their ids
   * @param written the postings by their ids
   */
  record Beside(
      StatementEntity statement,
      Account account,
      Map<UUID, Waiting> waiting,
      Map<UUID, Written> written,
      Comparison comparison) {
    /** Whether the statement may cover a posting; those of a later day are only looked at. */
    boolean isCovered(Written posting) {
      return !posting.date().isAfter(statement.closesOn());
    }
  }

  private final WaitingLines waiting;
  private final JdbcClient jdbc;

  BothLedgers(WaitingLines waiting, JdbcClient jdbc) {
    this.waiting = waiting;
    this.jdbc = jdbc;
  }

  /** Cost: what {@link Comparison#of} says, and reading the account's open postings once. */
  @Transactional(readOnly = true)
  Beside of(StatementEntity statement, Chart chart) {
    Account account = chart.account(statement.accountId());
    Map<UUID, Waiting> waits = new HashMap<>();
    List<WaitingLine> lines = new ArrayList<>();
    if (!statement.isFinished()) {
      for (Waiting w : waiting.all(chart, account.bookId())) {
        if (w.account().id().equals(account.id())
            && !w.line().bookedOn().isAfter(statement.closesOn())) {
          waits.put(w.row().id(), w);
          lines.add(new WaitingLine(w.row().id(), account, w.line()));
        }
      }
    }
    Map<UUID, Written> written = new HashMap<>();
    List<OpenPosting> open = new ArrayList<>();
    for (Written posting : postings(statement, chart)) {
      written.put(posting.id(), posting);
      // A bank knows nothing of what is put aside: its lines are those of the account itself.
      if (!posting.linked() && posting.accountId().equals(account.id())) {
        open.add(posting.open());
      }
    }
    return new Beside(
        statement, account, waits, written, Comparison.of(lines, open, statement.closesOn()));
  }

  private List<Written> postings(StatementEntity statement, Chart chart) {
    LocalDate last =
        statement.isFinished() ? LocalDate.EPOCH : statement.closesOn().plusDays(DAYS_AFTER);
    return jdbc.sql(POSTINGS)
        .param("household", SignedIn.now().householdId())
        .param("accounts", chart.atBank(statement.accountId()).toArray(UUID[]::new))
        .param("statement", statement.id())
        .param("last", Date.valueOf(last))
        .query((row, no) ->
            new Written(
                Objects.requireNonNull(row.getObject(1, UUID.class)),
                Objects.requireNonNull(row.getObject(2, UUID.class)),
                Objects.requireNonNull(row.getObject(3, LocalDate.class)),
                row.getLong(4),
                row.getBoolean(5),
                row.getBoolean(6),
                Objects.requireNonNull(row.getObject(7, UUID.class)),
                row.getLong(8),
                row.getString(9),
                row.getString(10),
                row.getBoolean(11)))
        .list();
  }
}
