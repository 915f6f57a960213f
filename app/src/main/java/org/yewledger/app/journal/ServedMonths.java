package org.yewledger.app.journal;

import java.sql.Date;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.Collection;
import java.util.HashMap;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.report.Span;

/** Keeps which months entries serve. */
@Component
@Transactional(propagation = Propagation.MANDATORY)
class ServedMonths {
  private final JdbcClient jdbc;

  ServedMonths(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** By entry; those that serve just the month they are booked in are missing. */
  Map<UUID, Span> of(Collection<UUID> entryIds) {
    Map<UUID, Span> served = new HashMap<>();
    jdbc.sql(
            "select entry_id, first, last from served_months where household_id = ? and entry_id = any(?)")
        .params(SignedIn.now().householdId(), entryIds.toArray(UUID[]::new))
        .query(row -> {
          served.put(
              Objects.requireNonNull(row.getObject(1, UUID.class)),
              new Span(
                  YearMonth.from(row.getObject(2, LocalDate.class)),
                  YearMonth.from(row.getObject(3, LocalDate.class))));
        });
    return served;
  }

  /**
   * @param months null where the entry serves just its own from now on
   */
  void keep(UUID entryId, @Nullable Span months) {
    if (months == null) {
      jdbc.sql("delete from served_months where household_id = ? and entry_id = ?")
          .params(SignedIn.now().householdId(), entryId)
          .update();
      return;
    }
    jdbc.sql(
            """
            insert into served_months (household_id, entry_id, first, last) values (?, ?, ?, ?)
            on conflict (household_id, entry_id) do update set first = excluded.first, last = excluded.last\
            """)
        .params(
            SignedIn.now().householdId(),
            entryId,
            Date.valueOf(months.firstDay()),
            Date.valueOf(months.last().atDay(1)))
        .update();
  }

  /** An entry serves the months of another too, where it does not serve some already. */
  void take(UUID fromEntryId, UUID toEntryId) {
    jdbc.sql(
            """
            insert into served_months (household_id, entry_id, first, last)
            select household_id, :to, first, last from served_months where household_id = :household and entry_id = :from
            on conflict do nothing\
            """)
        .param("household", SignedIn.now().householdId())
        .param("from", fromEntryId)
        .param("to", toEntryId)
        .update();
  }

  void forget(Collection<UUID> entryIds) {
    jdbc.sql("delete from served_months where household_id = ? and entry_id = any(?)")
        .params(SignedIn.now().householdId(), entryIds.toArray(UUID[]::new))
        .update();
  }
}
