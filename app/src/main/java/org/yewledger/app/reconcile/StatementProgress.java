package org.yewledger.app.reconcile;

import jakarta.persistence.EntityManager;
import java.util.List;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.journal.PostingEntity;
import org.yewledger.core.reconcile.AccountMonth;

/** How far a statement is ticked off. */
@Component
public class StatementProgress {
  private final EntityManager entities;
  private final ChartService charts;

  StatementProgress(EntityManager entities, ChartService charts) {
    this.entities = entities;
    this.charts = charts;
  }

  /**
   * The postings that belong to a statement or, while it is open, may still: all up to its day that
   * no other statement has, also older ones, and those of the set-asides in the account, of which
   * its bank knows nothing. The opening balance is no posting to tick.
   */
  @Transactional(readOnly = true)
  public List<PostingEntity> covered(StatementEntity statement) {
    return entities
        .createQuery(
            """
            select p from Posting p join Entry e on e.id = p.entryId
            where p.accountId in :accounts and e.origin <> OPENING
              and (p.statementId = :statement
                   or (p.statementId is null and p.amountMinor <> 0 and p.date <= :day and :open = true))
            order by p.date, e.no, p.place\
            """,
            PostingEntity.class)
        .setParameter("accounts", charts.chart().atBank(statement.accountId()))
        .setParameter("statement", statement.id())
        .setParameter("day", statement.closesOn())
        .setParameter("open", !statement.isFinished())
        .getResultList();
  }

  /**
   * Counts for the ring. Waiting lines up to the statement's day are still to be ticked too.
   *
   * @param covered what it {@linkplain #covered covers}
   */
  @Transactional(readOnly = true)
  public AccountMonth.Progress of(StatementEntity statement, List<PostingEntity> covered) {
    if (statement.isFinished()) {
      return new AccountMonth.Progress(statement.closesOn(), true, 0, 0);
    }
    int ticked = (int) covered.stream().filter(p -> p.statementId() != null).count();
    long waiting =
        entities
            .createQuery(
                """
                select count(*) from BankLineState
                where state = WAITING and accountId = :account and bookedOn <= :day\
                """,
                Long.class)
            .setParameter("account", statement.accountId())
            .setParameter("day", statement.closesOn())
            .getSingleResult();
    return new AccountMonth.Progress(
        statement.closesOn(), false, ticked, covered.size() - ticked + (int) waiting);
  }
}
