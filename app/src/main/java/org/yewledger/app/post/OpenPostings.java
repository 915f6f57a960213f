package org.yewledger.app.post;

import jakarta.persistence.EntityManager;
import java.sql.Date;
import java.time.LocalDate;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
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
  private final JdbcClient jdbc;

  OpenPostings(EntityManager entities, JdbcClient jdbc) {
    this.entities = entities;
    this.jdbc = jdbc;
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

  /**
   * Those that no bank line confirms and no statement covers, over all accounts.
   *
   * @param from the first day that a waiting line may stand for
   */
  @Transactional(readOnly = true)
  List<OpenPosting> all(Chart chart, LocalDate from) {
    return jdbc.sql(
            """
            select p.id, p.account_id, p.date, p.amount_minor, y.name || ' ' || e.note as text, e.origin = 'BANK_LINE' as awaited
              from unnest(:accounts) a(id)
              join posting p on p.household_id = :household and p.account_id = a.id and p.statement_id is null
              join entry e on e.household_id = :household and e.id = p.entry_id
              join payee y on y.household_id = :household and y.id = e.payee_id
             where p.amount_minor <> 0 and p.date >= :from and e.origin <> 'OPENING'
               and not exists (select 1 from line_link k where k.household_id = :household and k.posting_id = p.id)
             order by p.date, p.id\
            """)
        .param("household", SignedIn.now().householdId())
        .param("accounts", chart.bankAccounts(null).map(Account::id).toArray(UUID[]::new))
        .param("from", Date.valueOf(from))
        .query((row, no) ->
            new OpenPosting(
                Objects.requireNonNull(row.getObject(1, UUID.class)),
                Objects.requireNonNull(row.getObject(2, UUID.class)),
                Objects.requireNonNull(row.getObject(3, LocalDate.class)),
                row.getLong(4),
                row.getString(5),
                row.getBoolean(6)))
        .list();
  }
}
