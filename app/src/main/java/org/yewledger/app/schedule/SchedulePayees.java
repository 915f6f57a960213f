package org.yewledger.app.schedule;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.payee.PayeeFollower;
import org.yewledger.app.platform.SignedIn;

/** Takes schedules along when a payee becomes part of another. */
@Component
class SchedulePayees implements PayeeFollower {
  private final JdbcClient jdbc;

  SchedulePayees(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  @Override
  @Transactional(propagation = Propagation.MANDATORY)
  public void merged(Payee from, Payee into) {
    jdbc.sql(
            "update schedule set payee_id = ?, version = version + 1 where household_id = ? and payee_id = ?")
        .params(into.id(), SignedIn.now().householdId(), from.id())
        .update();
  }
}
