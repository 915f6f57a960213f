package org.yewledger.core.schedule;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.dmfs.rfc5545.DateTime;
import org.dmfs.rfc5545.recur.Freq;
import org.dmfs.rfc5545.recur.InvalidRecurrenceRuleException;
import org.dmfs.rfc5545.recur.RecurrenceRule;
import org.dmfs.rfc5545.recur.RecurrenceRuleIterator;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.Refusal;

/**
 * On which days something recurs: once, or by a recurrence rule of RFC 5545 (section 3.3.10) from a
 * first day on.
 */
public final class Recurrence {
  /** A rule that has no day within so many years never falls due. */
  private static final int YEARS_LOOKED_AHEAD = 30;

  private static final int LONGEST_RULE = 200;
  private static final int MOST_TIMES = 9999;

  private final String rule;
  private final LocalDate first;
  private final Rhythm rhythm;
  private final @Nullable RecurrenceRule parsed;

  private Recurrence(String rule, LocalDate first, Rhythm rhythm, @Nullable RecurrenceRule parsed) {
    this.rule = rule;
    this.first = first;
    this.rhythm = rhythm;
    this.parsed = parsed;
  }

  /**
   * As a person picks it.
   *
   * @param until the last day that may be one of them; null without an end
   * @param times how often at most; null without an end
   * @throws Refusal {@code two-ends}, {@code end-before-first}, {@code bad-times}, {@code
   *     never-due}, or as {@link Rhythm#rule} does
   */
  public static Recurrence of(
      Rhythm rhythm, LocalDate first, @Nullable LocalDate until, @Nullable Integer times) {
    String rule = rhythm.rule(first) + end(rhythm, first, until, times);
    return read(rule, first);
  }

  private static String end(
      Rhythm rhythm, LocalDate first, @Nullable LocalDate until, @Nullable Integer times) {
    if (rhythm.unit() == Rhythm.Unit.ONCE) {
      return "";
    }
    if (until != null && times != null) {
      throw Refusal.ofField(
          "two-ends", "times", "It ends on a day, or after so many times. Choose one of them.");
    }
    if (until != null && until.isBefore(first)) {
      throw Refusal.ofField(
          "end-before-first", "until", "It ends on %s, before it begins.".formatted(until));
    }
    if (times != null && (times < 1 || times > MOST_TIMES)) {
      throw Refusal.ofField(
          "bad-times", "times", "Choose a number from 1 to %d.".formatted(MOST_TIMES));
    }
    if (until != null) {
      return ";UNTIL=" + until.toString().replace("-", "");
    }
    return times == null ? "" : ";COUNT=" + times;
  }

  /**
   * As it is kept, or as another program tells it.
   *
   * @param rule by RFC 5545, without its name; empty for what happens once
   * @throws Refusal {@code rule-unreadable}, {@code rule-too-often}, {@code never-due}
   */
  public static Recurrence read(String rule, LocalDate first) {
    if (rule.isEmpty()) {
      return new Recurrence(rule, first, Rhythm.ONCE, null);
    }
    RecurrenceRule parsed = parse(rule);
    var recurrence = new Recurrence(rule, first, Rhythms.of(parsed, first), parsed);
    if (recurrence.between(first, first.plusYears(YEARS_LOOKED_AHEAD), 1).isEmpty()) {
      throw Refusal.ofField("never-due", "first", "By that rule it never falls due.");
    }
    return recurrence;
  }

  private static RecurrenceRule parse(String rule) {
    if (rule.length() > LONGEST_RULE) {
      throw Refusal.ofField("rule-unreadable", "rule", "The rule is too long.");
    }
    try {
      RecurrenceRule parsed = new RecurrenceRule(rule, RecurrenceRule.RfcMode.RFC5545_STRICT);
      Freq often = parsed.getFreq();
      if (often == Freq.HOURLY || often == Freq.MINUTELY || often == Freq.SECONDLY) {
        throw Refusal.ofField(
            "rule-too-often", "rule", "A schedule recurs by days, weeks, months or years.");
      }
      return parsed;
    } catch (InvalidRecurrenceRuleException | IllegalArgumentException e) {
      throw Refusal.ofField(
          "rule-unreadable", "rule", "“%s” is no recurrence rule by RFC 5545.".formatted(rule));
    }
  }

  /** As RFC 5545 writes it, with its end; empty for what happens once. */
  public String rule() {
    return rule;
  }

  public LocalDate first() {
    return first;
  }

  /** As a person picks it; once where the rule is not one that can be picked. */
  public Optional<Rhythm> rhythm() {
    return parsed == null || rhythm.unit() != Rhythm.Unit.ONCE
        ? Optional.of(rhythm)
        : Optional.empty();
  }

  /** The last day that may be one of them; empty without such an end. */
  public Optional<LocalDate> until() {
    return Optional.ofNullable(parsed).map(RecurrenceRule::getUntil).map(Recurrence::day);
  }

  /** How often at most; empty without such an end. */
  public Optional<Integer> times() {
    return Optional.ofNullable(parsed).map(RecurrenceRule::getCount);
  }

  /** Such as "every month on the 28th". */
  public String inWords() {
    return rhythm().map(r -> r.inWords(first)).orElse("by " + rule.toLowerCase(Locale.ROOT));
  }

  /**
   * The days from one to another, both among them, in their order.
   *
   * @param most so many are told at most
   */
  public List<LocalDate> between(LocalDate from, LocalDate to, int most) {
    List<LocalDate> days = new ArrayList<>();
    if (parsed == null) {
      if (!first.isBefore(from) && !first.isAfter(to)) {
        days.add(first);
      }
      return days;
    }
    try {
      RecurrenceRuleIterator all = parsed.iterator(dateTime(first));
      if (from.isAfter(first)) {
        all.fastForward(dateTime(from));
      }
      while (days.size() < most && all.hasNext()) {
        LocalDate day = day(all.nextDateTime());
        if (day.isAfter(to)) {
          break;
        }
        if (!day.isBefore(from)) {
          days.add(day);
        }
      }
    } catch (IllegalArgumentException e) {
      // The library gives up on a rule that has no day for hundreds of its units.
      return days;
    }
    return days;
  }

  private static DateTime dateTime(LocalDate day) {
    return new DateTime(day.getYear(), day.getMonthValue() - 1, day.getDayOfMonth());
  }

  private static LocalDate day(DateTime day) {
    return LocalDate.of(day.getYear(), day.getMonth() + 1, day.getDayOfMonth());
  }
}
