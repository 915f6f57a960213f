package org.yewledger.core.loan;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;

/** How a lender counts the days that interest runs over, and how many make a year. */
public enum InterestCount {
  /**
   * Each month is a twelfth of a year, whatever its days, as are the days on which payments count:
   * those that the terms say. Parts of a month are thirtieths (30E/360 ISDA: ISDA Definitions 2006,
   * section 4.16(h), with the last day of February counted as a thirtieth too).
   */
  MONTHS(360),
  /** The days as they are, 365 to a year; payments count on the day they are booked. */
  DAYS_365(365),
  /** The days as they are, 360 to a year; payments count on the day they are booked. */
  DAYS_360(360);

  private static final int DAYS_OF_MONTH = 30;

  private final int year;

  InterestCount(int year) {
    this.year = year;
  }

  /** So many days make a year. */
  int daysOfYear() {
    return year;
  }

  /** The days from one to another; those of two spans that follow each other add up. */
  long days(LocalDate from, LocalDate to) {
    return this == MONTHS ? counted(to) - counted(from) : ChronoUnit.DAYS.between(from, to);
  }

  private static long counted(LocalDate day) {
    boolean last = day.getDayOfMonth() == day.lengthOfMonth();
    return 12L * DAYS_OF_MONTH * day.getYear()
        + DAYS_OF_MONTH * (day.getMonthValue() - 1L)
        + (last ? DAYS_OF_MONTH : day.getDayOfMonth());
  }
}
