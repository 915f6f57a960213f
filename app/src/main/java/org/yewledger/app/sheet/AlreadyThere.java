package org.yewledger.app.sheet;

import java.sql.Date;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.sheet.EntrySheet.Booked;
import org.yewledger.core.sheet.SheetDoubles.Trace;

/** Finds what is in the books where the rows of a sheet would come. */
@Component
@Transactional(propagation = Propagation.MANDATORY)
class AlreadyThere {
  private final JdbcClient jdbc;

  AlreadyThere(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /**
   * What stands on the accounts of the rows between the first day of the sheet and the last, by an
   * index.
   */
  List<Trace> traces(List<Booked> booked) {
    if (booked.isEmpty()) {
      return List.of();
    }
    LocalDate first = booked.getFirst().row().day();
    LocalDate last = booked.getLast().row().day();
    UUID[] accounts = booked.stream().map(b -> b.account().id()).distinct().toArray(UUID[]::new);
    var there = new ArrayList<Trace>();
    jdbc.sql(
            """
            select account_id, date, amount_minor, count(*) as times from posting
             where household_id = ? and account_id = any(?) and date between ? and ?
             group by account_id, date, amount_minor\
            """)
        .params(SignedIn.now().householdId(), accounts, Date.valueOf(first), Date.valueOf(last))
        .query(row -> {
          var trace =
              new Trace(
                  Objects.requireNonNull(row.getObject("account_id", UUID.class)),
                  row.getDate("date").toLocalDate(),
                  row.getLong("amount_minor"));
          there.addAll(Collections.nCopies(row.getInt("times"), trace));
        });
    return there;
  }
}
