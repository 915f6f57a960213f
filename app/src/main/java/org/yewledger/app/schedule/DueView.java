package org.yewledger.app.schedule;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.platform.HouseholdDays;
import org.yewledger.app.schedule.SchedulesJson.DueItemJson;
import org.yewledger.app.schedule.SchedulesJson.DueItemsJson;
import org.yewledger.core.schedule.DueItem;
import org.yewledger.core.schedule.Schedule;
import org.yewledger.core.schedule.Standing;

/** Lays out what is due. */
@Service
class DueView {
  /** What came or was skipped so many days ago is still told among what is due. */
  private static final int DAYS_TOLD = 7;

  private static final int DAYS_AHEAD = 550;

  private final ChartService charts;
  private final Schedules schedules;
  private final DueService due;
  private final HouseholdDays days;

  DueView(ChartService charts, Schedules schedules, DueService due, HouseholdDays days) {
    this.charts = charts;
    this.schedules = schedules;
    this.due = due;
    this.days = days;
  }

  /**
   * What is overdue, what came or was skipped within the last week, and what falls due through a
   * day, within eighteen months.
   */
  @Transactional(readOnly = true)
  DueItemsJson through(LocalDate through, @Nullable UUID bookId) {
    LocalDate today = days.today();
    LocalDate furthest = today.plusDays(DAYS_AHEAD);
    LocalDate told = today.minusDays(DAYS_TOLD);
    Chart chart = charts.chart();
    return json(
        today,
        due
            .items(
                chart,
                today.minusDays(DueService.DAYS_BACK),
                through.isAfter(furthest) ? furthest : through)
            .stream()
            .filter(item -> bookId == null || item.schedule().account().bookId().equals(bookId))
            .filter(item -> item.state() == DueItem.State.OVERDUE || !item.due().isBefore(told))
            .toList());
  }

  @Transactional(readOnly = true)
  DueItemsJson of(UUID scheduleId) {
    LocalDate today = days.today();
    Chart chart = charts.chart();
    Schedule schedule = schedules.find(scheduleId, chart).schedule();
    return json(
        today,
        due.of(chart, schedule, today.minusDays(DueService.DAYS_BACK), today.plusDays(DAYS_AHEAD)));
  }

  private static DueItemsJson json(LocalDate today, List<DueItem> items) {
    return new DueItemsJson(today, items.stream().map(DueView::json).toList());
  }

  private static DueItemJson json(DueItem item) {
    Schedule schedule = item.schedule();
    Standing entry = item.entry();
    return new DueItemJson(
        schedule.id(),
        item.nominal(),
        item.due(),
        item.state(),
        schedule.payee(),
        schedule.note(),
        schedule.account().bookId(),
        schedule.account().id(),
        schedule.account().name(),
        schedule.account().currency().getCode(),
        (entry == null ? schedule.whole() : entry.amount()).decimal(),
        schedule.whole().decimal(),
        !schedule.about().isZero(),
        places(schedule),
        SchedulesJson.partsOf(schedule, schedule.whole().sign() < 0),
        schedule.inWords(),
        entry == null ? null : entry.entryId(),
        entry == null ? null : entry.no(),
        entry == null ? null : entry.date(),
        item.state() == DueItem.State.SKIPPED ? item.reason() : null,
        item.moved());
  }

  private static String places(Schedule schedule) {
    return schedule.parts().size() == 1
        ? schedule.parts().getFirst().account().name()
        : schedule.parts().size() + " places";
  }
}
