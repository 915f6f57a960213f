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
import org.yewledger.app.platform.SignedIn;

/** Counts the entries of payees, and takes them along when a payee becomes part of another. */
@Component
class PayeeEntries implements PayeeUse, PayeeFollower {
  private final JdbcClient jdbc;

  PayeeEntries(JdbcClient jdbc) {
    this.jdbc = jdbc;
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
  @Transactional(propagation = Propagation.MANDATORY)
  public void merged(Payee from, Payee into) {
    jdbc.sql(
            "update entry set payee_id = ?, version = version + 1 where household_id = ? and payee_id = ?")
        .params(into.id(), SignedIn.now().householdId(), from.id())
        .update();
  }
}
