package org.yewledger.core.entry;

import java.time.DateTimeException;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.Month;
import java.time.Year;
import java.time.YearMonth;
import java.time.temporal.TemporalAdjusters;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.entry.Formats.DayOrder;

/**
 * Reads a day as people type it: {@code 9} is the last ninth, {@code 5 6} the last fifth of June,
 * and there are {@code 5 jun}, {@code 5.6.26}, {@code 0506}, {@code 2026-06-05}, {@code yesterday},
 * {@code mon} for the last Monday, {@code -3} for three days ago. Without a year the day is the
 * latest one that is not after today. The cost is that of a short text.
 */
public final class DayText {
  /** The years that a book can have something in. */
  public static final int FIRST_YEAR = 1900;

  public static final int LAST_YEAR = 2199;

  private static final int LONGEST = 40;
  private static final int YEARS_AHEAD = 20;
  private static final Pattern SHIFT = Pattern.compile("[+-]\\d{1,5}");
  private static final Pattern BETWEEN = Pattern.compile("[\\s./,-]+");
  private static final Pattern ISO = Pattern.compile("\\d{4}-\\d{1,2}-\\d{1,2}");

  private final LocalDate today;
  private final DayOrder order;

  private DayText(LocalDate today, DayOrder order) {
    this.today = today;
    this.order = order;
  }

  /**
   * @param today where the household lives
   */
  public static Typed<LocalDate> read(String typed, LocalDate today, DayOrder order) {
    String text =
        typed
            .strip()
            .toLowerCase(Locale.ROOT)
            .replace('\u2212', '-')
            .replaceAll("(?<=\\d)(st|nd|rd|th)\\b", "");
    if (text.isEmpty() || text.length() > LONGEST) {
      return unreadable(typed);
    }
    try {
      return bounded(new DayText(today, order).day(text), typed);
    } catch (DateTimeException e) {
      return new Typed.Unreadable<>("There is no such day as %s.".formatted(shortened(typed)));
    }
  }

  private static Typed<LocalDate> bounded(@Nullable Typed<LocalDate> read, String typed) {
    if (read == null) {
      return unreadable(typed);
    }
    if (read instanceof Typed.Means<LocalDate>(LocalDate day)
        && (day.getYear() < FIRST_YEAR || day.getYear() > LAST_YEAR)) {
      return new Typed.Unreadable<>(
          "A day is between the years %d and %d.".formatted(FIRST_YEAR, LAST_YEAR));
    }
    return read;
  }

  private @Nullable Typed<LocalDate> day(String text) {
    if (SHIFT.matcher(text).matches()) {
      return means(today.plusDays(Integer.parseInt(text)));
    }
    LocalDate named = named(text);
    if (named != null) {
      return means(named);
    }
    if (ISO.matcher(text).matches()) {
      return ofParts(text.split("-"));
    }
    return text.matches("\\d+") ? ofDigits(text) : ofParts(BETWEEN.split(text));
  }

  private @Nullable LocalDate named(String text) {
    if (text.length() >= 3) {
      if ("today".startsWith(text)) {
        return today;
      }
      if ("yesterday".startsWith(text)) {
        return today.minusDays(1);
      }
      if ("tomorrow".startsWith(text)) {
        return today.plusDays(1);
      }
    }
    if (text.length() >= 2) {
      for (DayOfWeek weekday : DayOfWeek.values()) {
        if (weekday.name().toLowerCase(Locale.ROOT).startsWith(text)) {
          return today.with(TemporalAdjusters.previousOrSame(weekday));
        }
      }
    }
    return null;
  }

  private @Nullable Typed<LocalDate> ofDigits(String digits) {
    return switch (digits.length()) {
      case 1, 2 -> means(lastDayOfThisNumber(Integer.parseInt(digits)));
      case 4 -> ofParts(digits.substring(0, 2), digits.substring(2));
      case 6 -> ofParts(digits.substring(0, 2), digits.substring(2, 4), digits.substring(4));
      case 8 -> ofEight(digits);
      default -> null;
    };
  }

  /** The year may stand at either end; that no text makes a day both ways is tested. */
  private @Nullable Typed<LocalDate> ofEight(String digits) {
    boolean yearFirst =
        ifDay(number(digits, 0, 4), number(digits, 4, 6), number(digits, 6, 8)).isPresent();
    return yearFirst
        ? ofParts(digits.substring(0, 4), digits.substring(4, 6), digits.substring(6))
        : ofParts(digits.substring(0, 2), digits.substring(2, 4), digits.substring(4));
  }

  private @Nullable Typed<LocalDate> ofParts(String... parts) {
    if (parts.length < 2 || parts.length > 3) {
      return null;
    }
    for (int i = 0; i < 2; i++) {
      Month month = month(parts[i]);
      if (month != null) {
        String year = parts.length == 3 ? parts[2] : null;
        return ofMonth(parts[1 - i], month.getValue(), year);
      }
    }
    if (parts[0].matches("\\d{4}") && parts.length == 3) {
      return parts[1].matches("\\d{1,2}")
          ? ofMonth(parts[2], Integer.parseInt(parts[1]), parts[0])
          : null;
    }
    if (!parts[0].matches("\\d{1,2}") || !parts[1].matches("\\d{1,2}")) {
      return null;
    }
    boolean dayFirst = order == DayOrder.DAY_MONTH;
    String day = parts[dayFirst ? 0 : 1];
    int month = Integer.parseInt(parts[dayFirst ? 1 : 0]);
    String year = parts.length == 3 ? parts[2] : null;
    if (month > 12 && Integer.parseInt(day) <= 12) {
      return turnedRound(String.valueOf(month), Integer.parseInt(day), year);
    }
    return ofMonth(day, month, year);
  }

  /** There is no such month; the other order would make a day, but that is not how they write. */
  private @Nullable Typed<LocalDate> turnedRound(String day, int month, @Nullable String year) {
    Typed<LocalDate> other = ofMonth(day, month, year);
    return other instanceof Typed.Means<LocalDate>(LocalDate found)
        ? new Typed.Unclear<>(
            "There is no month %s. Is this day meant?".formatted(day), List.of(found))
        : other;
  }

  private @Nullable Typed<LocalDate> ofMonth(String day, int month, @Nullable String year) {
    if (!day.matches("\\d{1,2}")) {
      return null;
    }
    int number = Integer.parseInt(day);
    if (year == null) {
      return means(lastOf(number, month));
    }
    return switch (year.length()) {
      case 2 -> year.matches("\\d+") ? means(LocalDate.of(inFull(year), month, number)) : null;
      case 4 ->
          year.matches("\\d+") ? means(LocalDate.of(Integer.parseInt(year), month, number)) : null;
      default -> null;
    };
  }

  /** Two digits are a year of the last eighty or the next twenty. */
  private int inFull(String twoDigits) {
    int year = today.getYear() / 100 * 100 + Integer.parseInt(twoDigits);
    if (year > today.getYear() + YEARS_AHEAD) {
      return year - 100;
    }
    return year <= today.getYear() + YEARS_AHEAD - 100 ? year + 100 : year;
  }

  private LocalDate lastDayOfThisNumber(int number) {
    YearMonth month = YearMonth.from(today);
    for (int back = 0; back < 12; back++, month = month.minusMonths(1)) {
      if (number >= 1 && month.isValidDay(number) && !month.atDay(number).isAfter(today)) {
        return month.atDay(number);
      }
    }
    throw new DateTimeException("no month has such a day");
  }

  private LocalDate lastOf(int day, int month) {
    Month of = Month.of(month);
    for (int year = today.getYear(); year > today.getYear() - 9; year--) {
      if (day >= 1 && day <= of.length(Year.isLeap(year))) {
        LocalDate found = LocalDate.of(year, of, day);
        if (!found.isAfter(today)) {
          return found;
        }
      }
    }
    throw new DateTimeException("no year has such a day");
  }

  private static @Nullable Month month(String text) {
    if (text.length() < 3 || !text.matches("[a-z]+")) {
      return null;
    }
    for (Month month : Month.values()) {
      if (month.name().toLowerCase(Locale.ROOT).startsWith(text)) {
        return month;
      }
    }
    return text.equals("sept") ? Month.SEPTEMBER : null;
  }

  private static Optional<LocalDate> ifDay(int year, int month, int day) {
    if (year < FIRST_YEAR || year > LAST_YEAR || month < 1 || month > 12) {
      return Optional.empty();
    }
    YearMonth of = YearMonth.of(year, month);
    return of.isValidDay(day) ? Optional.of(of.atDay(day)) : Optional.empty();
  }

  private static int number(String digits, int from, int to) {
    return Integer.parseInt(digits.substring(from, to));
  }

  private static Typed<LocalDate> means(LocalDate day) {
    return new Typed.Means<>(day);
  }

  private static Typed<LocalDate> unreadable(String typed) {
    return new Typed.Unreadable<>(
        "%s is not a day. Type 9, 5 6, 5 jun 26, yesterday, mon or -3."
            .formatted(shortened(typed)));
  }

  static String shortened(String typed) {
    String text = typed.strip();
    return "\u201c%s\u201d".formatted(text.length() > 20 ? text.substring(0, 20) + "\u2026" : text);
  }
}
