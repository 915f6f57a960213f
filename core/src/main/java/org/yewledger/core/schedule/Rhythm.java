package org.yewledger.core.schedule;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.format.TextStyle;
import java.util.Locale;
import org.yewledger.core.Refusal;

/**
 * How often something recurs, as a person picks it; its first day tells the rest.
 *
 * @param interval every so many units; 1 for once
 */
public record Rhythm(Unit unit, int interval, On on) {
  /** Something happens once. */
  public static final Rhythm ONCE = new Rhythm(Unit.ONCE, 1, On.DAY);

  private static final int MOST_UNITS = 99;
  private static final int LAST_SAFE_DAY = 28;

  /** By what is counted. */
  public enum Unit {
    ONCE,
    DAY,
    WEEK,
    MONTH,
    YEAR
  }

  /** On which day of a month; of other units it is the first day's own. */
  public enum On {
    /** The number of the first day. */
    DAY,
    /** The last day of the month. */
    LAST_DAY,
    /** The last of Monday to Friday. */
    LAST_WORKING_DAY,
    /** The same weekday of the month as the first day: the second Tuesday, say. */
    WEEKDAY
  }

  /**
   * @throws Refusal {@code bad-interval}
   */
  public Rhythm {
    if (interval < 1 || interval > MOST_UNITS) {
      throw Refusal.ofField(
          "bad-interval", "interval", "Choose a number from 1 to %d.".formatted(MOST_UNITS));
    }
  }

  /**
   * The rule by RFC 5545, without an end; empty for what happens once.
   *
   * @throws Refusal {@code day-not-in-every-month} for the 31st of each month, say
   */
  public String rule(LocalDate first) {
    return switch (unit) {
      case ONCE -> "";
      case DAY -> "FREQ=DAILY" + every();
      case WEEK -> "FREQ=WEEKLY" + every() + ";BYDAY=" + code(first.getDayOfWeek());
      case MONTH -> "FREQ=MONTHLY" + every() + ";" + inMonth(first);
      case YEAR ->
          "FREQ=YEARLY"
              + every()
              + ";BYMONTH="
              + first.getMonthValue()
              + ";BYMONTHDAY="
              + requireEveryYear(first);
    };
  }

  private String every() {
    return interval == 1 ? "" : ";INTERVAL=" + interval;
  }

  private String inMonth(LocalDate first) {
    return switch (on) {
      case DAY -> "BYMONTHDAY=" + requireEveryMonth(first);
      case LAST_DAY -> "BYMONTHDAY=-1";
      case LAST_WORKING_DAY -> "BYDAY=MO,TU,WE,TH,FR;BYSETPOS=-1";
      case WEEKDAY -> "BYDAY=" + week(first) + code(first.getDayOfWeek());
    };
  }

  /** Which of its weekdays of the month a day is; the fifth counts as the last. */
  private static int week(LocalDate day) {
    int week = (day.getDayOfMonth() - 1) / 7 + 1;
    return week == 5 ? -1 : week;
  }

  private static int requireEveryMonth(LocalDate first) {
    if (first.getDayOfMonth() > LAST_SAFE_DAY) {
      throw Refusal.ofField(
          "day-not-in-every-month",
          "on",
          "Not every month has a day %d. Choose the last day of the month, or another first day."
              .formatted(first.getDayOfMonth()));
    }
    return first.getDayOfMonth();
  }

  private static int requireEveryYear(LocalDate first) {
    if (first.getMonthValue() == 2 && first.getDayOfMonth() > LAST_SAFE_DAY) {
      throw Refusal.ofField(
          "day-not-in-every-month",
          "first",
          "Only every fourth year has a 29 February. Choose 28 February or 1 March.");
    }
    return first.getDayOfMonth();
  }

  private static String code(DayOfWeek day) {
    return day.getDisplayName(TextStyle.SHORT, Locale.ENGLISH)
        .substring(0, 2)
        .toUpperCase(Locale.ROOT);
  }

  /** In words, such as "every month on the 28th". */
  public String inWords(LocalDate first) {
    return switch (unit) {
      case ONCE -> "once";
      case DAY -> times("day");
      case WEEK -> times("week") + " on " + name(first.getDayOfWeek());
      case MONTH -> times("month") + " on " + dayInMonth(first);
      case YEAR ->
          times("year")
              + " on "
              + first.getDayOfMonth()
              + " "
              + first.getMonth().getDisplayName(TextStyle.FULL, Locale.ENGLISH);
    };
  }

  private String times(String one) {
    return interval == 1 ? "every " + one : "every %d %ss".formatted(interval, one);
  }

  private String dayInMonth(LocalDate first) {
    return switch (on) {
      case DAY -> "the " + ordinal(first.getDayOfMonth());
      case LAST_DAY -> "the last day";
      case LAST_WORKING_DAY -> "the last working day";
      case WEEKDAY -> {
        int week = week(first);
        yield "the " + (week < 0 ? "last" : ordinal(week)) + " " + name(first.getDayOfWeek());
      }
    };
  }

  private static String name(DayOfWeek day) {
    return day.getDisplayName(TextStyle.FULL, Locale.ENGLISH);
  }

  private static String ordinal(int number) {
    boolean teen = number % 100 / 10 == 1;
    String end =
        switch (teen ? 0 : number % 10) {
          case 1 -> "st";
          case 2 -> "nd";
          case 3 -> "rd";
          default -> "th";
        };
    return number + end;
  }
}
