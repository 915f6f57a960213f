package org.yewledger.app.schedule;

import java.sql.Date;
import java.time.LocalDate;
import java.util.Objects;
import java.util.SortedMap;
import java.util.TreeMap;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.schedule.WorkingDays;

/** Keeps the household's days off, besides weekends. */
@Component
@Transactional(propagation = Propagation.MANDATORY)
class Holidays {
  private final JdbcClient jdbc;

  Holidays(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** Their names by day, in their order. */
  SortedMap<LocalDate, String> all() {
    SortedMap<LocalDate, String> all = new TreeMap<>();
    jdbc.sql("select day, name from holiday where household_id = ?")
        .param(SignedIn.now().householdId())
        .query(row -> {
          all.put(
              Objects.requireNonNull(row.getObject(1, LocalDate.class)),
              Objects.requireNonNull(row.getString(2)));
        });
    return all;
  }

  WorkingDays workingDays() {
    return new WorkingDays(all().keySet());
  }

  void keep(LocalDate day, String name) {
    jdbc.sql(
            """
            insert into holiday (household_id, day, name) values (?, ?, ?)
            on conflict (household_id, day) do update set name = excluded.name\
            """)
        .params(SignedIn.now().householdId(), Date.valueOf(day), name)
        .update();
  }

  void remove(LocalDate day) {
    jdbc.sql("delete from holiday where household_id = ? and day = ?")
        .params(SignedIn.now().householdId(), Date.valueOf(day))
        .update();
  }
}
