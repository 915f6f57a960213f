package org.yewledger.core.report;

import java.time.Month;
import java.time.YearMonth;

/** How often a book's sales tax is returned; periods are those of the calendar. */
public enum ReturnPeriod {
  MONTH,
  QUARTER,
  YEAR;

  /** The period that a month is in. */
  public Span of(YearMonth month) {
    return Span.of(
        switch (this) {
          case MONTH -> Span.Named.MONTH;
          case QUARTER -> Span.Named.QUARTER;
          case YEAR -> Span.Named.YEAR;
        },
        month,
        Month.JANUARY);
  }
}
