package org.yewledger.app.payee;

import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.AccountFollower;
import org.yewledger.app.platform.SignedIn;

/** The categories that payees have by default follow the chart. */
@Component
@Transactional(propagation = Propagation.MANDATORY)
class PayeesOfCategories implements AccountFollower {
  private final JdbcClient jdbc;

  PayeesOfCategories(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  @Override
  public long merged(UUID from, UUID into) {
    become(from, into);
    return 0;
  }

  @Override
  public void deleted(UUID account) {
    become(account, null);
  }

  private void become(UUID from, @Nullable UUID into) {
    jdbc.sql(
            "update payee set category_id = ?, version = version + 1 where household_id = ? and category_id = ?")
        .param(into)
        .params(SignedIn.now().householdId(), from)
        .update();
  }
}
