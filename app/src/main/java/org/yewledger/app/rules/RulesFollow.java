package org.yewledger.app.rules;

import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.yewledger.app.chart.AccountFollower;
import org.yewledger.app.platform.SignedIn;

/** Rules that book to an account, or look at one, go with it. */
@Component
class RulesFollow implements AccountFollower {
  private final JdbcClient jdbc;

  RulesFollow(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  @Override
  public void merged(UUID from, UUID into) {
    jdbc.sql(
            "update rule set to_account_id = ?, version = version + 1 where household_id = ? and to_account_id = ?")
        .params(into, SignedIn.now().householdId(), from)
        .update();
    jdbc.sql(
            "update rule set on_account_id = ?, version = version + 1 where household_id = ? and on_account_id = ?")
        .params(into, SignedIn.now().householdId(), from)
        .update();
  }

  @Override
  public void deleted(UUID account) {
    // What rules refer to is used, and not deleted.
  }
}
