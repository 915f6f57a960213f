package org.yewledger.core.export;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.Optional;

/** Which days an export covers, as seen from the day on which it is made. */
public enum ExportDays {
  EVERYTHING,
  THIS_MONTH,
  LAST_MONTH,
  /** The last 90 days and today. */
  LAST_90_DAYS,
  /** This calendar year. */
  THIS_YEAR,
  LAST_YEAR;

  /** Both ends included. */
  public record Range(LocalDate first, LocalDate last) {
    static Range of(YearMonth from, YearMonth to) {
      return new Range(from.atDay(1), to.atEndOfMonth());
    }
  }

  /** Empty where it has no bounds. */
  public Optional<Range> asOf(LocalDate today) {
    YearMonth month = YearMonth.from(today);
    YearMonth january = month.withMonth(1);
    return switch (this) {
      case EVERYTHING -> Optional.empty();
      case THIS_MONTH -> Optional.of(Range.of(month, month));
      case LAST_MONTH -> Optional.of(Range.of(month.minusMonths(1), month.minusMonths(1)));
      case LAST_90_DAYS -> Optional.of(new Range(today.minusDays(90), today));
      case THIS_YEAR -> Optional.of(Range.of(january, january.plusMonths(11)));
      case LAST_YEAR -> Optional.of(Range.of(january.minusYears(1), january.minusMonths(1)));
    };
  }
}
