package org.yewledger.app.reconcile;

import jakarta.persistence.EntityManager;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.money.Amount;
import org.yewledger.core.reconcile.AccountMonth;
import org.yewledger.core.reconcile.Reconciliation;

/**
 * The statements that views over many accounts need, in a fixed number of queries: those that are
 * not finished, with their sums, and how far each account agrees. None of it grows with the years.
 */
@Component
public class OpenStatements {
  /** What is ticked for a statement, and what it may still cover. */
  public record Sums(long inMinor, long outMinor, int ticked, int toTick) {
    public AccountMonth.Progress progress(LocalDate closesOn) {
      return new AccountMonth.Progress(closesOn, false, ticked, toTick);
    }

    public Reconciliation reconciliation(Amount opening, Amount closing) {
      return new Reconciliation(
          opening,
          Amount.ofMinor(inMinor, opening.currency()),
          Amount.ofMinor(outMinor, opening.currency()),
          closing);
    }
  }

  private final EntityManager entities;
  private final JdbcClient jdbc;

  OpenStatements(EntityManager entities, JdbcClient jdbc) {
    this.entities = entities;
    this.jdbc = jdbc;
  }

  /** The statements that are not finished, and of each account the last that is; by day. */
  @Transactional(readOnly = true)
  public List<StatementEntity> unfinishedAndLastAgreed() {
    return statements(
        """
        select s.* from account a
          join lateral (select * from statement l
                         where l.household_id = :household and l.account_id = a.id and l.finished_at is not null
                         order by l.closes_on desc limit 1) s on true
         where a.household_id = :household
        union all
        select * from statement where household_id = :household and finished_at is null
        order by closes_on\
        """,
        Map.of());
  }

  /** All statements that close within some days, by day. */
  @Transactional(readOnly = true)
  public List<StatementEntity> closingWithin(LocalDate first, LocalDate last) {
    return statements(
        """
        select * from statement where household_id = :household and closes_on between :first and :last
        order by closes_on\
        """,
        Map.of("first", first, "last", last));
  }

  private List<StatementEntity> statements(String sql, Map<String, Object> values) {
    var query = entities.createNativeQuery(sql, StatementEntity.class);
    query.setParameter("household", SignedIn.now().householdId());
    values.forEach(query::setParameter);
    @SuppressWarnings("unchecked")
    List<StatementEntity> found = query.getResultList();
    return found;
  }

  /** What is ticked for each statement that is not finished. */
  @Transactional(readOnly = true)
  public Map<UUID, Sums> sums() {
    var sums = new HashMap<UUID, Sums>();
    jdbc.sql(
            """
            select s.id, coalesce(t.ins, 0), coalesce(t.outs, 0), t.ticked, u.unticked + w.waiting
              from statement s
              left join lateral (select sum(greatest(p.amount_minor, 0))::bigint as ins, sum(greatest(-p.amount_minor, 0))::bigint as outs,
                                        count(*) as ticked
                                   from posting p where p.household_id = :household and p.statement_id = s.id) t on true
              left join lateral (select count(*) as unticked
                                   from posting p
                                  where p.household_id = :household and p.statement_id is null
                                    and p.account_id = any(array(select a.id from account a where a.household_id = :household
                                          and (a.id = s.account_id or a.parent_id = s.account_id and a.kind = 'SET_ASIDE')))
                                    and p.amount_minor <> 0 and p.date <= s.closes_on
                                    and p.entry_id not in (select id from entry
                                          where household_id = :household and origin = 'OPENING')) u on true
              left join lateral (select count(*) as waiting from bank_line_state b
                                  where b.household_id = :household and b.account_id = s.account_id and b.state = 'WAITING'
                                    and b.booked_on <= s.closes_on) w on true
             where s.household_id = :household and s.finished_at is null\
            """)
        .param("household", SignedIn.now().householdId())
        .query(row -> {
          sums.put(
              row.getObject(1, UUID.class),
              new Sums(row.getLong(2), row.getLong(3), row.getInt(4), row.getInt(5)));
        });
    return sums;
  }

  /** The opening balances of accounts, in minor units; accounts without one are missing. */
  @Transactional(readOnly = true)
  public Map<UUID, Long> openings() {
    var openings = new HashMap<UUID, Long>();
    jdbc.sql(
            """
            select p.account_id, sum(p.amount_minor)::bigint
              from entry e join posting p on p.household_id = e.household_id and p.entry_id = e.id
             where e.household_id = :household and e.origin = 'OPENING' group by 1\
            """)
        .param("household", SignedIn.now().householdId())
        .query(row -> {
          openings.put(row.getObject(1, UUID.class), row.getLong(2));
        });
    return openings;
  }
}
