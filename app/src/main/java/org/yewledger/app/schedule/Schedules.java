package org.yewledger.app.schedule;

import java.sql.Date;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.platform.Conflict;
import org.yewledger.app.platform.NotFound;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;
import org.yewledger.core.schedule.Recurrence;
import org.yewledger.core.schedule.Schedule;
import org.yewledger.core.schedule.Schedule.Part;
import org.yewledger.core.schedule.Shift;

/** Keeps schedules. */
@Component
@Transactional(propagation = Propagation.MANDATORY)
public class Schedules {
  /**
   * A schedule as it is kept.
   *
   * @param version to be sent back when it is changed
   */
  public record Kept(Schedule schedule, UUID payeeId, int version) {}

  private final JdbcClient jdbc;

  Schedules(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** All of them, by their payees. */
  public List<Kept> all(Chart chart) {
    Map<UUID, List<Part>> parts = parts(chart);
    List<Kept> all = new ArrayList<>();
    jdbc.sql(
            """
            select s.id, s.version, s.payee_id, w.name, s.note, s.account_id, s.about_minor, s.rule, s.first, s.shift, s.trusted
              from schedule s join payee w on w.household_id = :household and w.id = s.payee_id
             where s.household_id = :household order by lower(w.name), s.first, s.id\
            """)
        .param("household", SignedIn.now().householdId())
        .query(row -> {
          UUID id = Objects.requireNonNull(row.getObject(1, UUID.class));
          Account account = chart.account(row.getObject(6, UUID.class));
          all.add(
              new Kept(
                  new Schedule(
                      id,
                      row.getString(4),
                      row.getString(5),
                      account,
                      parts.getOrDefault(id, List.of()),
                      Amount.ofMinor(row.getLong(7), account.currency()),
                      Recurrence.read(row.getString(8), row.getObject(9, LocalDate.class)),
                      Shift.valueOf(row.getString(10)),
                      row.getBoolean(11)),
                  Objects.requireNonNull(row.getObject(3, UUID.class)),
                  row.getInt(2)));
        });
    return all;
  }

  private Map<UUID, List<Part>> parts(Chart chart) {
    Map<UUID, List<Part>> parts = new HashMap<>();
    jdbc.sql(
            """
            select p.schedule_id, p.account_id, p.amount_minor, p.note, s.account_id from schedule_part p
              join schedule s on s.household_id = :household and s.id = p.schedule_id
             where p.household_id = :household order by p.schedule_id, p.place\
            """)
        .param("household", SignedIn.now().householdId())
        .query(row -> {
          Account from = chart.account(row.getObject(5, UUID.class));
          parts
              .computeIfAbsent(row.getObject(1, UUID.class), id -> new ArrayList<>())
              .add(
                  new Part(
                      chart.account(row.getObject(2, UUID.class)),
                      Amount.ofMinor(row.getLong(3), from.currency()),
                      row.getString(4)));
        });
    return parts;
  }

  boolean anyIsTrusted() {
    return jdbc.sql("select exists (select 1 from schedule where household_id = ? and trusted)")
        .param(SignedIn.now().householdId())
        .query(Boolean.class)
        .single();
  }

  /**
   * @throws NotFound if the household has no such schedule
   */
  public Kept find(UUID id, Chart chart) {
    return all(chart).stream()
        .filter(kept -> kept.schedule().id().equals(id))
        .findFirst()
        .orElseThrow(() -> new NotFound("schedule"));
  }

  /**
   * Nobody else changes it, or says what becomes of its items, until the transaction ends.
   *
   * @throws NotFound if the household has no such schedule
   */
  public void hold(UUID id) {
    if (!isHeld(id)) {
      throw new NotFound("schedule");
    }
  }

  /** The same; whether it is still there. Accounts are locked before it. */
  boolean isHeld(UUID id) {
    return jdbc.sql("select version from schedule where household_id = ? and id = ? for update")
        .params(SignedIn.now().householdId(), id)
        .query(Integer.class)
        .optional()
        .isPresent();
  }

  public void add(Schedule schedule, UUID payeeId) {
    jdbc.sql(
            """
            insert into schedule (household_id, id, payee_id, note, account_id, about_minor, rule, first, shift, trusted)
            values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)\
            """)
        .params(
            SignedIn.now().householdId(),
            schedule.id(),
            payeeId,
            schedule.note(),
            schedule.account().id(),
            schedule.about().minor(),
            schedule.when().rule(),
            Date.valueOf(schedule.when().first()),
            schedule.shift().name(),
            schedule.trusted())
        .update();
    addParts(schedule);
  }

  private void addParts(Schedule schedule) {
    for (int place = 0; place < schedule.parts().size(); place++) {
      Part part = schedule.parts().get(place);
      jdbc.sql(
              """
              insert into schedule_part (household_id, schedule_id, place, account_id, amount_minor, note)
              values (?, ?, ?, ?, ?, ?)\
              """)
          .params(
              SignedIn.now().householdId(),
              schedule.id(),
              place,
              part.account().id(),
              part.amount().minor(),
              part.note())
          .update();
    }
  }

  /**
   * @param version as the person saw it
   * @throws Conflict {@code changed-meanwhile}
   */
  public void change(Schedule schedule, UUID payeeId, int version) {
    int changed =
        jdbc.sql(
                """
                update schedule set payee_id = ?, note = ?, account_id = ?, about_minor = ?, rule = ?, first = ?,
                       shift = ?, trusted = ?, version = version + 1
                 where household_id = ? and id = ? and version = ?\
                """)
            .params(
                payeeId,
                schedule.note(),
                schedule.account().id(),
                schedule.about().minor(),
                schedule.when().rule(),
                Date.valueOf(schedule.when().first()),
                schedule.shift().name(),
                schedule.trusted(),
                SignedIn.now().householdId(),
                schedule.id(),
                version)
            .update();
    requireChanged(changed);
    removeParts(schedule.id());
    addParts(schedule);
  }

  private void removeParts(UUID id) {
    jdbc.sql("delete from schedule_part where household_id = ? and schedule_id = ?")
        .params(SignedIn.now().householdId(), id)
        .update();
  }

  /**
   * Takes it away, with what was said of its items; entries stay.
   *
   * @param version as the person saw it
   * @throws Conflict {@code changed-meanwhile}
   */
  public void remove(UUID id, int version) {
    jdbc.sql("delete from due_item where household_id = ? and schedule_id = ?")
        .params(SignedIn.now().householdId(), id)
        .update();
    removeParts(id);
    requireChanged(
        jdbc.sql("delete from schedule where household_id = ? and id = ? and version = ?")
            .params(SignedIn.now().householdId(), id, version)
            .update());
  }

  private static void requireChanged(int rows) {
    if (rows == 0) {
      throw new Conflict(
          "changed-meanwhile", "The schedule was changed meanwhile. Look at it again.");
    }
  }
}
