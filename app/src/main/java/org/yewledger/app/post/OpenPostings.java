package org.yewledger.app.post;

import jakarta.persistence.EntityManager;
import java.util.List;
import java.util.UUID;
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

  /** Which they are, in one short text; the same for the same postings. */
  @Transactional(readOnly = true)
  String state(Chart chart) {
    return entities
        .createNativeQuery(
            """
            select count(*) || ',' || coalesce(sum(uuid_hash_extended(p.id, p.version)), 0)
              from unnest(:accounts) a(id)
              join posting p on p.household_id = :household and p.account_id = a.id and p.statement_id is null
             where p.amount_minor <> 0
               and not exists (select 1 from line_link k where k.household_id = :household and k.posting_id = p.id)\
            """,
            String.class)
        .setParameter("household", SignedIn.now().householdId())
        .setParameter("accounts", chart.bankAccounts(null).map(Account::id).toArray(UUID[]::new))
        .getSingleResult()
        .toString();
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
