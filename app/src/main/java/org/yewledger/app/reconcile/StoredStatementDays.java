package org.yewledger.app.reconcile;

import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.journal.StatementDays;
import org.yewledger.app.platform.SignedIn;

/** Tells the journal of the statements that its postings are ticked for. */
@Component
class StoredStatementDays implements StatementDays {
  private final JdbcClient jdbc;

  StoredStatementDays(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  @Override
  @Transactional(readOnly = true)
  public Map<UUID, StatementDay> of(Collection<UUID> statementIds) {
    var days = new HashMap<UUID, StatementDay>();
    if (statementIds.isEmpty()) {
      return days;
    }
    jdbc.sql(
            """
            select id, closes_on, finished_at is not null from statement
             where household_id = ? and id = any(?)\
            """)
        .params(SignedIn.now().householdId(), statementIds.toArray(UUID[]::new))
        .query(row -> {
          days.put(
              row.getObject(1, UUID.class),
              new StatementDay(row.getDate(2).toLocalDate(), row.getBoolean(3)));
        });
    return days;
  }

  @Override
  @Transactional(readOnly = true)
  public List<UUID> unfinished() {
    return jdbc.sql("select id from statement where household_id = ? and finished_at is null")
        .param(SignedIn.now().householdId())
        .query((row, no) -> row.getObject(1, UUID.class))
        .list();
  }
}
