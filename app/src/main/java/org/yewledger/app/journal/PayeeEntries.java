package org.yewledger.app.journal;

import java.util.Collection;
import java.util.HashMap;
import java.util.Map;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.payee.PayeeFollower;
import org.yewledger.app.payee.PayeeUse;
import org.yewledger.app.platform.HouseholdDays;
import org.yewledger.app.platform.SignedIn;

/** Counts the entries of payees, and takes them along when a payee becomes part of another. */
@Component
class PayeeEntries implements PayeeUse, PayeeFollower {
  /** Who is met more often than that is met often. */
  private static final int MOST = 100;

  private final JdbcClient jdbc;
  private final HouseholdDays days;

  PayeeEntries(JdbcClient jdbc, HouseholdDays days) {
    this.jdbc = jdbc;
    this.days = days;
  }

  @Override
  @Transactional(readOnly = true)
  public Map<UUID, Integer> of(Collection<UUID> payeeIds) {
    Map<UUID, Integer> used = new HashMap<>();
    jdbc.sql(
            "select payee_id, count(*) from entry where household_id = ? and payee_id = any(?) group by 1")
        .params(SignedIn.now().householdId(), payeeIds.toArray(UUID[]::new))
        .query(row -> {
          used.put(row.getObject(1, UUID.class), row.getInt(2));
        });
    return used;
  }

  @Override
  @Transactional(readOnly = true)
  public Map<UUID, Lately> lately(Collection<UUID> payeeIds) {
    Map<UUID, Lately> lately = new HashMap<>();
    jdbc.sql(
            """
            select u.id, newest.date,
                   (select count(*) from (select 1 from entry e where e.household_id = :household and e.payee_id = u.id
                                             and e.date > :since limit :most) few)
              from unnest(:ids) u (id)
              join lateral (select e.date from entry e where e.household_id = :household and e.payee_id = u.id
                             order by e.date desc, e.no desc limit 1) newest on true\
            """)
        .param("household", SignedIn.now().householdId())
        .param("since", days.today().minusYears(1))
        .param("most", MOST)
        .param("ids", payeeIds.toArray(UUID[]::new))
        .query(row -> {
          lately.put(
              row.getObject(1, UUID.class),
              new Lately(row.getInt(3), row.getDate(2).toLocalDate()));
        });
    return lately;
  }

  @Override
  @Transactional(propagation = Propagation.MANDATORY)
  public void merged(Payee from, Payee into) {
    jdbc.sql(
            "update entry set payee_id = ?, version = version + 1 where household_id = ? and payee_id = ?")
        .params(into.id(), SignedIn.now().householdId(), from.id())
        .update();
  }
}
