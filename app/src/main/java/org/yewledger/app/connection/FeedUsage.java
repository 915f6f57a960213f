package org.yewledger.app.connection;

import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.AccountUsage;
import org.yewledger.app.platform.SignedIn;

/** Feeds use the accounts that they bring lines for. */
@Component
class FeedUsage implements AccountUsage {
  private final JdbcClient jdbc;

  FeedUsage(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  @Override
  @Transactional(readOnly = true)
  public Part of(UUID accountId) {
    return Part.ofFeeds(
        jdbc.sql(
                """
                select count(*) from connected_account a
                  join bank_connection c on c.household_id = a.household_id and c.id = a.connection_id
                 where a.household_id = ? and a.account_id = ? and c.status <> 'ENDED'\
                """)
            .params(SignedIn.now().householdId(), accountId)
            .query(Long.class)
            .single());
  }
}
