package org.yewledger.core.export;

import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.YearMonth;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import org.yewledger.core.Refusal;

/**
 * When an export is made: at a time of day in a zone, each day, each week or each month. Where the
 * clocks skip that time, it is made as much later as they are put forward.
 *
 * @param on the day of the week from 1 for Monday, or of the month from 1; in a shorter month its
 *     last day. No matter where it is each day
 */
public record ExportSchedule(Every every, int on, LocalTime at, ZoneId zone) {
  /** How often. */
  public enum Every {
    DAY,
    WEEK,
    MONTH
  }

  private static final int DAYS_OF_A_WEEK = 7;
  private static final int MOST_DAYS_OF_A_MONTH = 31;

  /**
   * @throws Refusal {@code export-schedule} for a day that there is not
   */
  public ExportSchedule {
    int most =
        switch (every) {
          case DAY -> Integer.MAX_VALUE;
          case WEEK -> DAYS_OF_A_WEEK;
          case MONTH -> MOST_DAYS_OF_A_MONTH;
        };
    if (every != Every.DAY && (on < 1 || on > most)) {
      throw Refusal.ofField("export-schedule", "on", "Say a day from 1 to %d.".formatted(most));
    }
  }

  /** The next time strictly after an instant. */
  public Instant next(Instant now) {
    LocalDate day = now.atZone(zone).toLocalDate();
    while (!isDay(day) || !at(day).isAfter(now)) {
      day = day.plusDays(1);
    }
    return at(day);
  }

  private Instant at(LocalDate day) {
    return ZonedDateTime.of(day, at, zone).toInstant();
  }

  private boolean isDay(LocalDate day) {
    return switch (every) {
      case DAY -> true;
      case WEEK -> day.getDayOfWeek().getValue() == on;
      case MONTH -> day.getDayOfMonth() == Math.min(on, YearMonth.from(day).lengthOfMonth());
    };
  }
}
