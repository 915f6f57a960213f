package org.yewledger.app.rules;

import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.AccountFollower;
import org.yewledger.app.chart.AccountUsage;
import org.yewledger.app.platform.SignedIn;

/** Rules that book to an account, or look at one, use it and go with it. */
@Component
class RuleUsage implements AccountUsage, AccountFollower {
  private final JdbcClient jdbc;

  RuleUsage(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  @Override
  @Transactional(readOnly = true)
  public Part of(UUID accountId) {
    return Part.ofRules(
        jdbc.sql(
                "select count(*) from rule where household_id = ? and (to_account_id = ? or on_account_id = ?)")
            .params(SignedIn.now().householdId(), accountId, accountId)
            .query(Long.class)
            .single());
  }

  @Override
  public long merged(UUID from, UUID into) {
    jdbc.sql(
            "update rule set to_account_id = ?, version = version + 1 where household_id = ? and to_account_id = ?")
        .params(into, SignedIn.now().householdId(), from)
        .update();
    jdbc.sql(
            "update rule set on_account_id = ?, version = version + 1 where household_id = ? and on_account_id = ?")
        .params(into, SignedIn.now().householdId(), from)
        .update();
    return 0;
  }

  @Override
  public void deleted(UUID account) {
    // What rules refer to is used, and not deleted.
  }
}
