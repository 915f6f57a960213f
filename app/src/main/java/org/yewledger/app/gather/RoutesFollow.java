package org.yewledger.app.gather;

import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.yewledger.app.chart.AccountFollower;
import org.yewledger.app.platform.SignedIn;

/** Which file is for which account, and how a table is read for it, goes with the account. */
@Component
class RoutesFollow implements AccountFollower {
  private final JdbcClient jdbc;

  RoutesFollow(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  @Override
  public long merged(UUID from, UUID into) {
    UUID household = SignedIn.now().householdId();
    jdbc.sql("update file_route set account_id = ? where household_id = ? and account_id = ?")
        .params(into, household, from)
        .update();
    jdbc.sql(
            """
            insert into table_layout (household_id, account_id, header_key, layout, kept_at)
            select household_id, ?, header_key, layout, kept_at from table_layout where household_id = ? and account_id = ?
            on conflict do nothing\
            """)
        .params(into, household, from)
        .update();
    jdbc.sql("delete from table_layout where household_id = ? and account_id = ?")
        .params(household, from)
        .update();
    return 0;
  }

  @Override
  public void deleted(UUID account) {
    UUID household = SignedIn.now().householdId();
    jdbc.sql("delete from file_route where household_id = ? and account_id = ?")
        .params(household, account)
        .update();
    jdbc.sql("delete from table_layout where household_id = ? and account_id = ?")
        .params(household, account)
        .update();
  }
}
