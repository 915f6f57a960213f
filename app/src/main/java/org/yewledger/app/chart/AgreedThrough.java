package org.yewledger.app.chart;

import java.sql.Date;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.Map;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.platform.SignedIn;

/** How far each account agrees with its statements. */
@Component
public class AgreedThrough {
  private final JdbcClient jdbc;

  AgreedThrough(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** The closing day of the last finished statement, by account; missing where there is none. */
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
