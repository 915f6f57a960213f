package org.yewledger.app.connection;

import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.yewledger.app.chart.AccountFollower;
import org.yewledger.app.platform.SignedIn;

/** Feeds of an account, and what they have said of its balance, go with it. */
@Component
class FeedsFollow implements AccountFollower {
  private final JdbcClient jdbc;

  FeedsFollow(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  @Override
  public long merged(UUID from, UUID into) {
    UUID household = SignedIn.now().householdId();
    jdbc.sql(
            "update connected_account set account_id = ?, version = version + 1 where household_id = ? and account_id = ?")
        .params(into, household, from)
        .update();
    jdbc.sql(
            """
            insert into feed_balance (household_id, account_id, on_day, amount_minor)
            select household_id, ?, on_day, amount_minor from feed_balance where household_id = ? and account_id = ?
            on conflict do nothing\
            """)
        .params(into, household, from)
        .update();
    jdbc.sql("delete from feed_balance where household_id = ? and account_id = ?")
        .params(household, from)
        .update();
    return 0;
  }

  @Override
  public void deleted(UUID account) {
    UUID household = SignedIn.now().householdId();
    jdbc.sql(
            "update connected_account set account_id = null, version = version + 1 where household_id = ? and account_id = ?")
        .params(household, account)
        .update();
    jdbc.sql("delete from feed_balance where household_id = ? and account_id = ?")
        .params(household, account)
        .update();
  }
}
