package org.yewledger.app.schedule;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.payee.Payees;
import org.yewledger.app.platform.Conflict;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.platform.Ids;
import org.yewledger.app.schedule.Schedules.Kept;
import org.yewledger.app.schedule.SchedulesJson.HolidayJson;
import org.yewledger.app.schedule.SchedulesJson.ScheduleDraftJson;
import org.yewledger.app.schedule.SchedulesJson.ScheduleOfJson;
import org.yewledger.core.Refusal;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.schedule.Schedule;

/** Makes, changes and ends schedules; each change is an act that can be undone. */
@Service
public class ScheduleService {
  private final ChartService charts;
  private final Schedules schedules;
  private final Holidays holidays;
  private final DueService due;
  private final VaryingSchedules varying;
  private final Payees payees;
  private final Acts acts;

  ScheduleService(
      ChartService charts,
      Schedules schedules,
      Holidays holidays,
      DueService due,
      VaryingSchedules varying,
      Payees payees,
      Acts acts) {
    this.charts = charts;
    this.schedules = schedules;
    this.holidays = holidays;
    this.due = due;
    this.varying = varying;
    this.payees = payees;
    this.acts = acts;
  }

  @Transactional(readOnly = true)
  List<ScheduleOfJson> all(@Nullable UUID bookId) {
    Chart chart = charts.chart();
    List<Kept> all =
        schedules.all(chart).stream()
            .filter(k -> bookId == null || k.schedule().account().bookId().equals(bookId))
            .toList();
    Map<UUID, LocalDate> next = due.next(chart, all.stream().map(Kept::schedule).toList());
    Set<UUID> vary = varying.all(chart).keySet();
    return all.stream()
        .map(kept -> {
          UUID id = kept.schedule().id();
          return ScheduleOfJson.of(kept, vary.contains(id), next.get(id));
        })
        .toList();
  }

  @Transactional(readOnly = true)
  ScheduleOfJson one(UUID id) {
    Chart chart = charts.chart();
    Kept kept = schedules.find(id, chart);
    return ScheduleOfJson.of(
        kept,
        varying.all(chart).containsKey(id),
        due.next(chart, List.of(kept.schedule())).get(id));
  }

  /**
   * @return the identity of the new one
   * @throws Refusal as {@link Schedule#require} does
   */
  @Transactional
  @ForBookkeepers
  UUID add(ScheduleDraftJson draft) {
    Schedule schedule = draft.toSchedule(Ids.next(), charts.chart());
    add(schedule);
    return schedule.id();
  }

  @Transactional
  @ForBookkeepers
  public void add(Schedule schedule) {
    acts.begin(ActKind.SCHEDULES, "Expects %s, %s".formatted(schedule.payee(), schedule.inWords()));
    schedules.add(schedule, payee(schedule));
  }

  private UUID payee(Schedule schedule) {
    return payees.named(List.of(schedule.payee())).of(schedule.payee()).id();
  }

  /**
   * @throws Conflict {@code schedule-of-loan}
   * @throws Refusal as {@link Schedule#require} does
   */
  @Transactional
  @ForBookkeepers
  void change(UUID id, ScheduleDraftJson draft) {
    schedules.hold(id);
    Chart chart = charts.chart();
    requireOwn(id, chart);
    Schedule schedule = draft.toSchedule(id, chart);
    acts.begin(
        ActKind.SCHEDULES,
        "Changed what is expected of %s: %s".formatted(schedule.payee(), schedule.inWords()));
    schedules.change(schedule, payee(schedule), draft.version());
  }

  private void requireOwn(UUID id, Chart chart) {
    if (varying.all(chart).containsKey(id)) {
      throw new Conflict(
          "schedule-of-loan", "The terms of a loan say when it is paid. Change them there.");
    }
  }

  /**
   * Ends a schedule; what was entered stays.
   *
   * @throws Conflict {@code schedule-of-loan}
   */
  @Transactional
  @ForBookkeepers
  void remove(UUID id, int version) {
    schedules.hold(id);
    Chart chart = charts.chart();
    requireOwn(id, chart);
    Schedule schedule = schedules.find(id, chart).schedule();
    acts.begin(ActKind.SCHEDULES, "Expects %s no more".formatted(schedule.payee()));
    schedules.remove(id, version);
  }

  @Transactional(readOnly = true)
  List<HolidayJson> holidays() {
    return holidays.all().entrySet().stream()
        .map(of -> new HolidayJson(of.getKey(), of.getValue()))
        .toList();
  }

  /**
   * @throws Refusal {@code holiday-unnamed}
   */
  @Transactional
  @ForBookkeepers
  void keepHoliday(LocalDate day, String name) {
    if (name.isBlank()) {
      throw Refusal.ofField("holiday-unnamed", "name", "Say which holiday it is.");
    }
    acts.begin(ActKind.SCHEDULES, "Keeps %s, %s, as a day off".formatted(day, name.strip()));
    holidays.keep(day, name.strip());
  }

  @Transactional
  @ForBookkeepers
  void removeHoliday(LocalDate day) {
    acts.begin(ActKind.SCHEDULES, "Keeps %s as a day off no more".formatted(day));
    holidays.remove(day);
  }
}
