package org.yewledger.app.journal;

import java.sql.Date;
import java.time.LocalDate;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.platform.SignedIn;

/** Entries that were booked as a difference, since nothing explained it. */
@Component
public class Differences {
  private final JdbcClient jdbc;

  Differences(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /**
   * How many stand on an account up to a day. One that was taken back by another entry is none any
   * more, nor is one whose amount was moved to where it belongs.
   */
  @Transactional(readOnly = true)
  public long unexplained(UUID accountId, LocalDate last) {
    return jdbc.sql(
            """
            select count(*) from posting p join entry e on e.household_id = p.household_id and e.id = p.entry_id
             where p.household_id = :household and p.account_id = :account and p.date <= :last and e.counters_id is null
               and not exists (select 1 from entry c where c.household_id = e.household_id and c.counters_id = e.id)\
            """)
        .param("household", SignedIn.now().householdId())
        .param("account", accountId)
        .param("last", Date.valueOf(last))
        .query(Long.class)
        .single();
  }
}
