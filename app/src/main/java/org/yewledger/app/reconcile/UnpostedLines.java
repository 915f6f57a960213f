package org.yewledger.app.reconcile;

import jakarta.persistence.EntityManager;
import java.util.List;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.bankline.BankLineEntity;

/** The bank's lines that belong to a statement and are not in the books yet. */
@Component
class UnpostedLines {
  private final EntityManager entities;

  UnpostedLines(EntityManager entities) {
    this.entities = entities;
  }

  /** Those up to the statement's day, by day; none once it is finished. */
  @Transactional(readOnly = true)
  List<BankLineEntity> of(StatementEntity statement) {
    if (statement.isFinished()) {
      return List.of();
    }
    return entities
        .createQuery(
            """
            select l from BankLine l join BankLineState s on s.bankLineId = l.id
            where s.state = WAITING and s.accountId = :account and s.bookedOn <= :day
            order by l.bookedOn, l.id\
            """,
            BankLineEntity.class)
        .setParameter("account", statement.accountId())
        .setParameter("day", statement.closesOn())
        .getResultList();
  }
}
