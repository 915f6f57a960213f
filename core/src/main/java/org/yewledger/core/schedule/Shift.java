package org.yewledger.core.schedule;

import java.time.LocalDate;

/** Where a due item goes that falls on a weekend or a holiday. */
public enum Shift {
  NONE(0),
  WORKING_DAY_BEFORE(-1),
  NEXT_WORKING_DAY(1);

  private final int step;

  Shift(int step) {
    this.step = step;
  }

  /** The day on which an item is due that falls on a day. */
  public LocalDate of(LocalDate day, WorkingDays working) {
    return step == 0 ? day : working.nearest(day, step);
  }
}
