package org.yewledger.app.reconcile;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.reconcile.Reconciliation;

/**
 * What statements keep for ever: the lines that they have, and what was agreed when they were
 * finished, as it was then.
 */
@Component
@Transactional(propagation = Propagation.MANDATORY)
class Agreements {
  /** The version of the form in which postings are kept. */
  private static final int FORM = 2;

  private static final String AS_KEPT =
      """
      coalesce(jsonb_agg(jsonb_build_object('postingId', p.id, 'entryNo', e.no, 'date', p.date, 'payee', y.name,
        'amountMinor', p.amount_minor, 'adjustment', exists (
          select 1 from posting x join account d on d.household_id = x.household_id and d.id = x.account_id
           where x.household_id = p.household_id and x.entry_id = p.entry_id and d.kind in ('OVER_SHORT', 'DIFFERENCE'))) order by p.date, e.no, p.place), '[]')
        from posting p
        join entry e on e.household_id = p.household_id and e.id = p.entry_id
        join payee y on y.household_id = e.household_id and y.id = e.payee_id
       where p.household_id = :household and p.account_id = any(array(
         select a.id from account a where a.household_id = :household
            and (a.id = :account or a.parent_id = :account and a.kind = 'SET_ASIDE')))\
      """;

  private final JdbcClient jdbc;

  Agreements(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** Keeps what is being agreed: the sum, the ticked postings, and what stays open. */
  void keep(StatementEntity statement, Reconciliation sum) {
    jdbc.sql(
            """
            insert into agreement
            select :household, :statement, :opening, :in, :out, :closing, :form,
                   (select %1$s and p.statement_id = :statement),
                   (select %1$s and p.statement_id is null and p.date <= :day and e.origin <> 'OPENING')\
            """
                .formatted(AS_KEPT))
        .param("household", SignedIn.now().householdId())
        .param("account", statement.accountId())
        .param("statement", statement.id())
        .param("opening", sum.opening().minor())
        .param("in", sum.in().minor())
        .param("out", sum.out().minor())
        .param("closing", sum.closing().minor())
        .param("day", statement.closesOn())
        .param("form", FORM)
        .update();
  }

  /**
   * What was agreed.
   *
   * @param who the name of the person
   * @param kept as JSON in the form that was kept
   */
  record Agreed(Instant at, String who, String kept) {}

  /** What was agreed, when and by whom; empty if the statement is not finished. */
  Optional<Agreed> of(UUID statementId) {
    return jdbc.sql(
            """
            select s.finished_at, coalesce(p.name, 'somebody who left'),
                   jsonb_build_object('form', a.form, 'opening', a.opening_minor, 'in', a.in_minor, 'out', a.out_minor,
                                      'closing', a.closing_minor, 'postings', a.postings, 'stillOpen', a.still_open)::text
              from agreement a
              join statement s on s.household_id = a.household_id and s.id = a.statement_id
              left join person p on p.id = s.finished_by
             where a.household_id = ? and a.statement_id = ?\
            """)
        .params(SignedIn.now().householdId(), statementId)
        .query((row, no) ->
            new Agreed(row.getTimestamp(1).toInstant(), row.getString(2), row.getString(3)))
        .optional();
  }

  void keepLines(UUID statementId, List<UUID> lineIds) {
    jdbc.sql("insert into statement_lines (household_id, statement_id, line_ids) values (?, ?, ?)")
        .params(SignedIn.now().householdId(), statementId, lineIds.toArray(UUID[]::new))
        .update();
  }

  void forgetLines(UUID statementId) {
    jdbc.sql("delete from statement_lines where household_id = ? and statement_id = ?")
        .params(SignedIn.now().householdId(), statementId)
        .update();
  }
}
