package org.yewledger.core.entry;

import java.math.BigDecimal;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.format.TextStyle;
import java.util.Locale;
import org.yewledger.core.Refusal;
import org.yewledger.core.money.Amount;

/**
 * How a person writes figures and days. Typed texts are read with them, and everything that people
 * read is written with them.
 *
 * @param weekBegins the first day of a week in a calendar
 * @param sides how the two sides of an entry are called where it is typed
 */
public record Formats(
    DecimalMark decimalMark,
    Grouping grouping,
    DayOrder dayOrder,
    DayOfWeek weekBegins,
    Sides sides) {
  private static final char TRUE_MINUS = '\u2212';

  /** With money that goes from one place to another. */
  public Formats(
      DecimalMark decimalMark, Grouping grouping, DayOrder dayOrder, DayOfWeek weekBegins) {
    this(decimalMark, grouping, dayOrder, weekBegins, Sides.FROM_TO);
  }

  /** As what the two sides of an entry are thought of. */
  public enum Sides {
    FROM_TO,
    DEBIT_CREDIT
  }

  /** 1,086.40 and 23 September, weeks beginning on Monday. */
  public static final Formats DEFAULT =
      new Formats(DecimalMark.POINT, Grouping.COMMA, DayOrder.DAY_MONTH, DayOfWeek.MONDAY);

  /** What stands before the decimals. */
  public enum DecimalMark {
    POINT('.'),
    COMMA(',');

    private final char mark;

    DecimalMark(char mark) {
      this.mark = mark;
    }

    public char mark() {
      return mark;
    }
  }

  /** What stands between the thousands. */
  public enum Grouping {
    COMMA(","),
    POINT("."),
    /** A narrow space that does not break (U+202F), as ISO 80000-1 has it. */
    SPACE("\u202f"),
    APOSTROPHE("\u2019"),
    NONE("");

    private final String mark;

    Grouping(String mark) {
      this.mark = mark;
    }

    public String mark() {
      return mark;
    }
  }

  /** Whether 5 6 is the fifth of June or the sixth of May. */
  public enum DayOrder {
    DAY_MONTH,
    MONTH_DAY
  }

  /**
   * @throws Refusal {@code marks-alike} if thousands and decimals would have one mark
   */
  public Formats {
    if (grouping.mark().equals(String.valueOf(decimalMark.mark()))) {
      throw Refusal.ofField(
          "marks-alike", "grouping", "Thousands and decimals need marks that differ.");
    }
  }

  /** An amount without its currency, with a true minus: −1,086.40. */
  public String write(Amount amount) {
    String[] parts = amount.size().decimal().toPlainString().split("\\.");
    String whole = parts[0].replaceAll("\\B(?=(\\d{3})+$)", grouping.mark());
    String decimals = parts.length > 1 ? decimalMark.mark() + parts[1] : "";
    return (amount.sign() < 0 ? String.valueOf(TRUE_MINUS) : "") + whole + decimals;
  }

  /** A rate of exchange, or any other plain number: 1.0834, not grouped. */
  public String writeRate(BigDecimal rate) {
    return rate.toPlainString().replace('.', decimalMark.mark());
  }

  /** A percentage: 12.5 %. */
  public String writePercent(BigDecimal percent) {
    return writeRate(percent) + " %";
  }

  /** A day: 23 September 2026. */
  public String write(LocalDate day) {
    return written(day, TextStyle.FULL);
  }

  /** A day for a column of days: 23 Sep 2026. */
  public String writeShort(LocalDate day) {
    return written(day, TextStyle.SHORT);
  }

  private String written(LocalDate day, TextStyle style) {
    String month = day.getMonth().getDisplayName(style, Locale.ENGLISH);
    // Four letters in newer tables of names; the interface has three.
    String name = style == TextStyle.SHORT ? month.substring(0, 3) : month;
    return dayOrder == DayOrder.DAY_MONTH
        ? "%d %s %d".formatted(day.getDayOfMonth(), name, day.getYear())
        : "%s %d, %d".formatted(name, day.getDayOfMonth(), day.getYear());
  }

  /** Months, both ends among them: July 2026 to September 2026; one alone by its name. */
  public String write(YearMonth first, YearMonth last) {
    return first.equals(last) ? write(first) : "%s to %s".formatted(write(first), write(last));
  }

  /** A month: September 2026. */
  public String write(YearMonth month) {
    return "%s %d"
        .formatted(
            month.getMonth().getDisplayName(TextStyle.FULL, Locale.ENGLISH), month.getYear());
  }
}
