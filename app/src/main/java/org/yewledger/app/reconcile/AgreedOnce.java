package org.yewledger.app.reconcile;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.act.ActKind;

/**
 * What history keeps of statements that were agreed and are open again: who opened them, and what
 * became of their postings since.
 */
@Component
@Transactional(propagation = Propagation.MANDATORY)
class AgreedOnce {
  private final JdbcClient jdbc;

  AgreedOnce(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /**
   * Of one statement.
   *
   * @param step the place in history of its opening
   * @param words what the act says, the reason with it
   * @param kept what was agreed, as JSON: its closing balance and postings in the form in which
   *     {@link Agreements} keeps them
   */
  record Opened(UUID statementId, long step, Instant at, String who, String words, String kept) {}

  /**
   * An act that changed a posting.
   *
   * @param ticking whether it only ticked or unticked it
   */
  record ChangedBy(
      UUID postingId, UUID actId, Instant at, String who, String words, boolean ticking) {}

  /** A posting of an entry that was agreed once, or one that is ticked now. */
  record Row(
      UUID postingId,
      UUID entryId,
      UUID accountId,
      long entryNo,
      LocalDate date,
      String payee,
      long amountMinor,
      boolean ticked) {}

  /** The last opening of an open statement; empty if it was never agreed. */
  Optional<Opened> of(UUID statementId) {
    return jdbc.sql(
            """
            select c.step, a.at, coalesce(p.name, 'somebody who left'), a.words,
                   jsonb_build_object('closing', c.before -> 'closing_minor', 'postings', c.before -> 'postings')::text
              from act_change c
              join act a on a.household_id = c.household_id and a.id = c.act_id and a.kind = :kind
              left join person p on p.id = a.person_id
             where c.household_id = :household and c.table_name = 'agreement' and c.row_key = :key and c.op = 'DELETE'
             order by c.step desc limit 1\
            """)
        .param("household", SignedIn.now().householdId())
        .param("kind", ActKind.REOPEN_STATEMENT.name())
        .param("key", statementId.toString())
        .query((row, no) ->
            new Opened(
                statementId,
                row.getLong(1),
                row.getTimestamp(2).toInstant(),
                row.getString(3),
                row.getString(4),
                row.getString(5)))
        .optional();
  }

  /** The postings of some entries, and all that are ticked for a statement. */
  List<Row> now(UUID statementId, List<Long> entryNos) {
    return jdbc.sql(
            """
            select p.id, p.entry_id, p.account_id, e.no, p.date, y.name, p.amount_minor, p.statement_id is not distinct from :statement
              from posting p
              join entry e on e.household_id = p.household_id and e.id = p.entry_id
              join payee y on y.household_id = e.household_id and y.id = e.payee_id
             where p.household_id = :household and (e.no = any(:nos) or p.statement_id = :statement)
             order by p.date, e.no, p.place\
            """)
        .param("household", SignedIn.now().householdId())
        .param("statement", statementId)
        .param("nos", entryNos.toArray(Long[]::new))
        .query((row, no) ->
            new Row(
                Objects.requireNonNull(row.getObject(1, UUID.class)),
                Objects.requireNonNull(row.getObject(2, UUID.class)),
                Objects.requireNonNull(row.getObject(3, UUID.class)),
                row.getLong(4),
                Objects.requireNonNull(row.getObject(5, LocalDate.class)),
                row.getString(6),
                row.getLong(7),
                row.getBoolean(8)))
        .list();
  }

  /**
   * The last acts that changed some postings since a step of history: of each the one that ticked
   * or unticked it, and the one that changed anything else.
   */
  List<ChangedBy> changedSince(long step, List<UUID> postingIds) {
    return jdbc.sql(
            """
            select distinct on (c.row_key, ticking) c.row_key::uuid, a.id, a.at, coalesce(p.name, 'somebody who left'), a.words,
                   c.op = 'UPDATE' and c.before - '{statement_id,version}'::text[] = c.after - '{statement_id,version}'::text[] as ticking
              from act_change c
              join act a on a.household_id = c.household_id and a.id = c.act_id
              left join person p on p.id = a.person_id
             where c.household_id = :household and c.table_name = 'posting' and c.row_key = any(:keys) and c.step > :step
             order by c.row_key, ticking, c.step desc\
            """)
        .param("household", SignedIn.now().householdId())
        .param("keys", postingIds.stream().map(UUID::toString).toArray(String[]::new))
        .param("step", step)
        .query((row, no) ->
            new ChangedBy(
                Objects.requireNonNull(row.getObject(1, UUID.class)),
                Objects.requireNonNull(row.getObject(2, UUID.class)),
                row.getTimestamp(3).toInstant(),
                row.getString(4),
                row.getString(5),
                row.getBoolean(6)))
        .list();
  }
}
