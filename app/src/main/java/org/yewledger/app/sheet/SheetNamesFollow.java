package org.yewledger.app.sheet;

import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.yewledger.app.chart.AccountFollower;
import org.yewledger.app.platform.SignedIn;

/** What names in sheets mean goes with the account that they mean. */
@Component
class SheetNamesFollow implements AccountFollower {
  private final JdbcClient jdbc;

  SheetNamesFollow(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  @Override
  public long merged(UUID from, UUID into) {
    jdbc.sql("update sheet_name set account_id = ? where household_id = ? and account_id = ?")
        .params(into, SignedIn.now().householdId(), from)
        .update();
    return 0;
  }

  @Override
  public void deleted(UUID account) {
    jdbc.sql("delete from sheet_name where household_id = ? and account_id = ?")
        .params(SignedIn.now().householdId(), account)
        .update();
  }
}
