package org.yewledger.app.reconcile;

import java.sql.Date;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.Map;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.AgreedThrough;
import org.yewledger.app.platform.SignedIn;

/** The last finished statement of each account. */
@Component
class AgreedStatements implements AgreedThrough {
  private final JdbcClient jdbc;

  AgreedStatements(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  @Override
  @Transactional(readOnly = true)
  public Map<UUID, LocalDate> byAccount() {
    var days = new HashMap<UUID, LocalDate>();
    jdbc.sql(
            "select account_id, max(closes_on) from statement where household_id = ? and finished_at is not null group by 1")
        .param(SignedIn.now().householdId())
        .query(row -> {
          Date day = row.getDate(2);
          days.put(row.getObject(1, UUID.class), day.toLocalDate());
        });
    return days;
  }
}
