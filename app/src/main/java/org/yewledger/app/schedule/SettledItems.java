package org.yewledger.app.schedule;

import java.sql.Date;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.journal.EntryFollower;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.schedule.Settled;

/** Keeps what was said of due items. */
@Component
@Transactional(propagation = Propagation.MANDATORY)
class SettledItems implements EntryFollower {
  private final JdbcClient jdbc;

  SettledItems(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** By schedule, and the days that their rules give the items. */
  Map<UUID, Map<LocalDate, Settled>> all() {
    Map<UUID, Map<LocalDate, Settled>> all = new HashMap<>();
    jdbc.sql(
            "select schedule_id, day, reason, moved_to, entry_id from due_item where household_id = ?")
        .param(SignedIn.now().householdId())
        .query(row -> {
          all.computeIfAbsent(row.getObject(1, UUID.class), id -> new HashMap<>())
              .put(
                  row.getObject(2, LocalDate.class),
                  settled(
                      row.getString(3),
                      row.getObject(4, LocalDate.class),
                      row.getObject(5, UUID.class)));
        });
    return all;
  }

  private static Settled settled(
      @Nullable String reason, @Nullable LocalDate movedTo, @Nullable UUID entryId) {
    if (reason != null) {
      return new Settled.Skipped(reason);
    }
    return movedTo != null
        ? new Settled.Moved(movedTo)
        : new Settled.Entered(Objects.requireNonNull(entryId));
  }

  @Override
  public void merged(UUID gone, UUID stays) {
    jdbc.sql("update due_item set entry_id = ? where household_id = ? and entry_id = ?")
        .params(stays, SignedIn.now().householdId(), gone)
        .update();
  }

  /** Whether anything was said of an item. */
  boolean isSaid(UUID scheduleId, LocalDate day) {
    return jdbc.sql(
            "select exists (select 1 from due_item where household_id = ? and schedule_id = ? and day = ?)")
        .params(SignedIn.now().householdId(), scheduleId, Date.valueOf(day))
        .query(Boolean.class)
        .single();
  }

  /**
   * @param said null to take back what was said
   */
  void keep(UUID scheduleId, LocalDate day, @Nullable Settled said) {
    jdbc.sql("delete from due_item where household_id = ? and schedule_id = ? and day = ?")
        .params(SignedIn.now().householdId(), scheduleId, Date.valueOf(day))
        .update();
    if (said != null) {
      jdbc.sql(
              """
              insert into due_item (household_id, schedule_id, day, reason, moved_to, entry_id)
              values (:household, :schedule, :day, :reason, :moved, :entry)\
              """)
          .param("household", SignedIn.now().householdId())
          .param("schedule", scheduleId)
          .param("day", Date.valueOf(day))
          .param("reason", said instanceof Settled.Skipped skipped ? skipped.reason() : null)
          .param("moved", said instanceof Settled.Moved moved ? Date.valueOf(moved.to()) : null)
          .param("entry", said instanceof Settled.Entered entered ? entered.entryId() : null)
          .update();
    }
  }
}
