package org.yewledger.core.report;

import java.time.LocalDate;
import java.time.Month;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import org.yewledger.core.Refusal;
import org.yewledger.core.ledger.FiscalYear;

/** Whole months that a report is about, both ends among them. */
public record Span(YearMonth first, YearMonth last) {
  /** A report has at most so many columns: five years of months. */
  public static final int MOST_COLUMNS = 60;

  /** Of how many months a span is, at most: a hundred years. */
  private static final int MOST_MONTHS = 1200;

  /** A span by its name, as it stands at a month. */
  public enum Named {
    /** The month alone. */
    MONTH,
    /** Its three months. */
    QUARTER,
    /** The twelve months that end with it. */
    TWELVE_MONTHS,
    /** From January to it. */
    YEAR_TO_DATE,
    /** From the first month of the book's fiscal year to it. */
    FISCAL_YEAR_TO_DATE,
    /** The calendar year that it is in. */
    YEAR,
    /** The fiscal year that it is in. */
    FISCAL_YEAR
  }

  /** What each column of a report is about. */
  public enum Every {
    MONTH,
    QUARTER,
    YEAR,
    WHOLE
  }

  /** What a span is seen beside. */
  public enum Beside {
    NOTHING,
    /** As many months, just before. */
    BEFORE,
    /** The same months of the year before. */
    YEAR_BEFORE,
    /** The same months as they were planned. */
    BUDGET,
    /** The same months as they were booked, where bills are spread. */
    BOOKED
  }

  /**
   * @throws Refusal {@code span-backwards} if it ends before it begins; {@code span-too-long}
   */
  public Span {
    if (last.isBefore(first)) {
      throw Refusal.ofField(
          "span-backwards", "last", "It ends in %s, before it begins.".formatted(last));
    }
    if (months(first, last) > MOST_MONTHS) {
      throw Refusal.ofField("span-too-long", "last", "A report covers at most a hundred years.");
    }
  }

  /**
   * @param fiscalStart the month in which fiscal years begin
   */
  public static Span of(Named named, YearMonth month, Month fiscalStart) {
    FiscalYear fiscal = FiscalYear.of(month.atDay(1), fiscalStart);
    YearMonth quarter = month.minusMonths((month.getMonthValue() - 1) % 3L);
    return switch (named) {
      case MONTH -> new Span(month, month);
      case QUARTER -> new Span(quarter, quarter.plusMonths(2));
      case TWELVE_MONTHS -> new Span(month.minusMonths(11), month);
      case YEAR_TO_DATE -> new Span(month.withMonth(1), month);
      case FISCAL_YEAR_TO_DATE -> new Span(YearMonth.from(fiscal.first()), month);
      case YEAR -> new Span(month.withMonth(1), month.withMonth(12));
      case FISCAL_YEAR -> new Span(YearMonth.from(fiscal.first()), YearMonth.from(fiscal.last()));
    };
  }

  /** From the first month of any to the last month of any, one at least. */
  public static Span around(List<Span> spans) {
    return new Span(
        spans.stream().map(Span::first).min(Comparator.naturalOrder()).orElseThrow(),
        spans.stream().map(Span::last).max(Comparator.naturalOrder()).orElseThrow());
  }

  public int months() {
    return (int) months(first, last);
  }

  private static long months(YearMonth first, YearMonth last) {
    return 12L * (last.getYear() - first.getYear())
        + last.getMonthValue()
        - first.getMonthValue()
        + 1;
  }

  /** Its months, in their order. */
  public List<YearMonth> each() {
    return Stream.iterate(first, this::contains, month -> month.plusMonths(1)).toList();
  }

  public LocalDate firstDay() {
    return first.atDay(1);
  }

  public LocalDate lastDay() {
    return last.atEndOfMonth();
  }

  public boolean contains(YearMonth month) {
    return !month.isBefore(first) && !month.isAfter(last);
  }

  /**
   * The spans of the columns that it is divided into, in their order. Quarters and years are those
   * of the calendar; at its ends they may be cut.
   *
   * @throws Refusal {@code too-many-columns}
   */
  public List<Span> divided(Every every) {
    var spans = new ArrayList<Span>();
    for (YearMonth from = first; !from.isAfter(last); from = spans.getLast().last().plusMonths(1)) {
      if (spans.size() == MOST_COLUMNS) {
        throw Refusal.ofField(
            "too-many-columns",
            "every",
            "That is more than %d columns. Take quarters or years, or a shorter span."
                .formatted(MOST_COLUMNS));
      }
      YearMonth to = endOf(from, every);
      spans.add(new Span(from, to.isAfter(last) ? last : to));
    }
    return List.copyOf(spans);
  }

  private YearMonth endOf(YearMonth from, Every every) {
    return switch (every) {
      case MONTH -> from;
      case QUARTER -> from.plusMonths(2 - (from.getMonthValue() - 1) % 3L);
      case YEAR -> from.withMonth(12);
      case WHOLE -> last;
    };
  }

  /** What it is seen beside; itself where that is nothing, its plan, or what was booked. */
  public Span beside(Beside beside) {
    long back =
        switch (beside) {
          case NOTHING, BUDGET, BOOKED -> 0;
          case BEFORE -> months();
          case YEAR_BEFORE -> 12;
        };
    return new Span(first.minusMonths(back), last.minusMonths(back));
  }
}
