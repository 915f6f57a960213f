package org.yewledger.app.post;

import jakarta.persistence.EntityManager;
import java.util.List;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.post.OpenPosting;

/** Postings that the waiting lines may stand for already. */
@Component
class OpenPostings {
  private final EntityManager entities;

  OpenPostings(EntityManager entities) {
    this.entities = entities;
  }

  /** Those that no bank line confirms and no statement covers, over all accounts. */
  @Transactional(readOnly = true)
  List<OpenPosting> all(Chart chart) {
    return entities
        .createQuery(
            """
            select new %s(p.id, p.accountId, p.date, p.amountMinor) from Posting p
            where p.householdId = :household and p.statementId is null and p.amountMinor <> 0
            and p.accountId in :accounts
            and not exists (select 1 from LineLink k where k.postingId = p.id)
            and exists (select 1 from Entry e where e.id = p.entryId and e.origin <> OPENING)\
            """
                .formatted(OpenPosting.class.getName()),
            OpenPosting.class)
        .setParameter("household", SignedIn.now().householdId())
        .setParameter("accounts", chart.bankAccounts(null).map(Account::id).toList())
        .getResultList();
  }
}
