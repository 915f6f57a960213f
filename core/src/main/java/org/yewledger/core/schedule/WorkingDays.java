package org.yewledger.core.schedule;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.Set;

/** Monday to Friday without the household's holidays. */
public record WorkingDays(Set<LocalDate> holidays) {
  /** Without any holidays. */
  public static final WorkingDays WEEKDAYS = new WorkingDays(Set.of());

  /** More holidays than this in a row are taken for a mistake, and not looked beyond. */
  private static final int MOST_DAYS_OFF = 60;

  public WorkingDays {
    holidays = Set.copyOf(holidays);
  }

  public boolean contains(LocalDate day) {
    return day.getDayOfWeek() != DayOfWeek.SATURDAY
        && day.getDayOfWeek() != DayOfWeek.SUNDAY
        && !holidays.contains(day);
  }

  /** The day itself, or the nearest working day on one side of it. */
  LocalDate nearest(LocalDate day, int step) {
    LocalDate at = day;
    for (int i = 0; i < MOST_DAYS_OFF && !contains(at); i++) {
      at = at.plusDays(step);
    }
    return contains(at) ? at : day;
  }
}
