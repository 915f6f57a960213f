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
        jdbc.sql("select count(*) from rule_account where household_id = ? and account_id = ?")
            .params(SignedIn.now().householdId(), accountId)
            .query(Long.class)
            .single());
  }

  @Override
  public long merged(UUID from, UUID into) {
    jdbc.sql(
            """
            update rule r
               set conditions = replace(r.conditions::text, :from, :into)::jsonb,
                   shares = replace(r.shares::text, :from, :into)::jsonb,
                   version = r.version + 1
              from rule_account a
             where a.household_id = :household and a.account_id = :from::uuid
               and r.household_id = :household and r.id = a.rule_id\
            """)
        .param("from", from.toString())
        .param("into", into.toString())
        .param("household", SignedIn.now().householdId())
        .update();
    return 0;
  }

  @Override
  public void deleted(UUID account) {
    // What rules refer to is used, and not deleted.
  }
}
