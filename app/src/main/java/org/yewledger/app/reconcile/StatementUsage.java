package org.yewledger.app.reconcile;

import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.AccountUsage;
import org.yewledger.app.platform.SignedIn;

/** Statements use the accounts that they are of. */
@Component
class StatementUsage implements AccountUsage {
  private record Counts(long statements, long open) {}

  private final JdbcClient jdbc;

  StatementUsage(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  @Override
  @Transactional(readOnly = true)
  public Part of(UUID accountId) {
    Counts counts =
        jdbc.sql(
                """
                select count(*) as statements, count(*) filter (where finished_at is null) as open from statement
                 where household_id = ? and account_id = ?\
                """)
            .params(SignedIn.now().householdId(), accountId)
            .query(Counts.class)
            .single();
    return Part.ofStatements(counts.statements(), counts.open());
  }
}
