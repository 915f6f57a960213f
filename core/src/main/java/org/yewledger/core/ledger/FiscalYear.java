package org.yewledger.core.ledger;

import java.time.LocalDate;
import java.time.Month;
import java.time.YearMonth;

/**
 * A fiscal year: twelve months from the first of a month on. Years follow each other by themselves.
 */
public record FiscalYear(LocalDate first, LocalDate last) {

  /** The fiscal year that a day falls into. */
  public static FiscalYear of(LocalDate day, Month startsIn) {
    YearMonth start = YearMonth.of(day.getYear(), startsIn);
    if (start.atDay(1).isAfter(day)) {
      start = start.minusYears(1);
    }
    return new FiscalYear(start.atDay(1), start.plusMonths(11).atEndOfMonth());
  }

  /** 2026, or 2025/26 where it spans two calendar years. */
  public String label() {
    return first.getYear() == last.getYear()
        ? String.valueOf(first.getYear())
        : "%d/%02d".formatted(first.getYear(), last.getYear() % 100);
  }
}
