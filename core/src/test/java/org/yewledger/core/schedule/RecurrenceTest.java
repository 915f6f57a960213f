package org.yewledger.core.schedule;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.yewledger.core.Fixtures.refusalOf;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.testng.annotations.Test;
import org.yewledger.core.schedule.Rhythm.On;
import org.yewledger.core.schedule.Rhythm.Unit;

public class RecurrenceTest {
  private static final int MOST = 5_000;

  private static LocalDate day(String iso) {
    return LocalDate.parse(iso);
  }

  private static Recurrence every(Unit unit, int interval, On on, String first) {
    return Recurrence.of(new Rhythm(unit, interval, on), day(first), null, null);
  }

  /** Told without a rule: by counting units from the first day. */
  private static boolean isOne(Rhythm rhythm, LocalDate first, LocalDate at) {
    return switch (rhythm.unit()) {
      case ONCE -> at.equals(first);
      case DAY -> ChronoUnit.DAYS.between(first, at) % rhythm.interval() == 0;
      case WEEK ->
          at.getDayOfWeek() == first.getDayOfWeek()
              && ChronoUnit.WEEKS.between(first, at) % rhythm.interval() == 0;
      case MONTH ->
          ChronoUnit.MONTHS.between(YearMonth.from(first), YearMonth.from(at)) % rhythm.interval()
                  == 0
              && inMonth(rhythm.on(), first, at);
      case YEAR ->
          at.getMonth() == first.getMonth()
              && at.getDayOfMonth() == first.getDayOfMonth()
              && (at.getYear() - first.getYear()) % rhythm.interval() == 0;
    };
  }

  private static boolean inMonth(On on, LocalDate first, LocalDate at) {
    LocalDate last = YearMonth.from(at).atEndOfMonth();
    return switch (on) {
      case DAY -> at.getDayOfMonth() == first.getDayOfMonth();
      case LAST_DAY -> at.equals(last);
      case LAST_WORKING_DAY -> {
        LocalDate working = last;
        while (working.getDayOfWeek().getValue() > DayOfWeek.FRIDAY.getValue()) {
          working = working.minusDays(1);
        }
        yield at.equals(working);
      }
      case WEEKDAY ->
          at.getDayOfWeek() == first.getDayOfWeek()
              && (first.getDayOfMonth() > 28
                  ? at.plusWeeks(1).getMonth() != at.getMonth()
                  : (at.getDayOfMonth() - 1) / 7 == (first.getDayOfMonth() - 1) / 7);
    };
  }

  /** Occurrences are those of a reference that counts day by day, over ten years. */
  @Test
  public void occurrencesAreThoseOfAReference() {
    var random = new Random(5545);
    for (int round = 0; round < 400; round++) {
      Unit unit = Unit.values()[random.nextInt(Unit.values().length)];
      On on = unit == Unit.MONTH ? On.values()[random.nextInt(On.values().length)] : On.DAY;
      var rhythm = new Rhythm(unit, unit == Unit.ONCE ? 1 : 1 + random.nextInt(6), on);
      LocalDate first = day("2024-01-01").plusDays(random.nextInt(900));
      if (on == On.DAY && first.getDayOfMonth() > 28 && unit != Unit.WEEK) {
        first = first.withDayOfMonth(28);
      }
      LocalDate last = first.plusYears(10);
      @Nullable LocalDate until =
          unit != Unit.ONCE && random.nextInt(3) == 0
              ? first.plusDays(random.nextInt(2_000))
              : null;
      @Nullable Integer times =
          unit != Unit.ONCE && until == null && random.nextInt(3) == 0
              ? 1 + random.nextInt(30)
              : null;
      List<LocalDate> expected = new ArrayList<>();
      for (LocalDate at = first;
          !at.isAfter(last) && (times == null || expected.size() < times);
          at = at.plusDays(1)) {
        if (isOne(rhythm, first, at) && (until == null || !at.isAfter(until))) {
          expected.add(at);
        }
      }
      if (expected.isEmpty()) {
        continue;
      }
      Recurrence recurrence = Recurrence.of(rhythm, first, until, times);
      String told = rhythm + " from " + first + ": " + recurrence.rule();
      assertEquals(recurrence.between(first, last, MOST), expected, told);
      LocalDate from = first.plusDays(random.nextInt(1_500));
      assertEquals(
          recurrence.between(from, last, MOST),
          expected.stream().filter(d -> !d.isBefore(from)).toList(),
          told + " after " + from);
      assertEquals(recurrence.rhythm().orElseThrow(), rhythm, told);
      assertEquals(recurrence.until().orElse(null), until, told);
      assertEquals(recurrence.times().orElse(null), times, told);
      assertEquals(Recurrence.read(recurrence.rule(), first).between(first, last, MOST), expected);
    }
  }

  @Test
  public void aRhythmIsToldInWords() {
    assertEquals(every(Unit.MONTH, 1, On.DAY, "2026-10-28").inWords(), "every month on the 28th");
    assertEquals(
        every(Unit.MONTH, 3, On.LAST_WORKING_DAY, "2026-10-01").inWords(),
        "every 3 months on the last working day");
    assertEquals(
        every(Unit.MONTH, 1, On.WEEKDAY, "2026-10-13").inWords(), "every month on the 2nd Tuesday");
    assertEquals(every(Unit.WEEK, 2, On.DAY, "2026-10-05").inWords(), "every 2 weeks on Monday");
    assertEquals(every(Unit.YEAR, 1, On.DAY, "2026-11-19").inWords(), "every year on 19 November");
    assertEquals(every(Unit.ONCE, 1, On.DAY, "2026-11-19").inWords(), "once");
    assertEquals(
        Recurrence.read("FREQ=MONTHLY;BYMONTHDAY=1,15", day("2026-10-01")).inWords(),
        "by freq=monthly;bymonthday=1,15");
  }

  @Test
  public void itemsLeaveWeekendsAndHolidays() {
    var working = new WorkingDays(Set.of(day("2026-12-25"), day("2026-12-24")));
    assertEquals(Shift.NEXT_WORKING_DAY.of(day("2026-12-24"), working), day("2026-12-28"));
    assertEquals(Shift.WORKING_DAY_BEFORE.of(day("2026-12-26"), working), day("2026-12-23"));
    assertEquals(Shift.NONE.of(day("2026-12-26"), working), day("2026-12-26"));
    assertTrue(working.contains(day("2026-12-23")));
  }

  @Test
  public void rulesThatCannotBeKeptAreRefused() {
    LocalDate first = day("2026-01-31");
    assertEquals(
        refusalOf(() -> every(Unit.MONTH, 1, On.DAY, "2026-01-31")), "day-not-in-every-month");
    assertEquals(
        refusalOf(() -> every(Unit.YEAR, 1, On.DAY, "2028-02-29")), "day-not-in-every-month");
    assertEquals(
        refusalOf(() -> Recurrence.read("FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=31", first)),
        "never-due");
    assertEquals(
        refusalOf(() -> Recurrence.read("FREQ=MONTHLY;UNTIL=20250101;BYMONTHDAY=1", first)),
        "never-due");
    assertEquals(refusalOf(() -> Recurrence.read("FREQ=HOURLY", first)), "rule-too-often");
    assertEquals(refusalOf(() -> Recurrence.read("EVERY=NOW", first)), "rule-unreadable");
    assertEquals(refusalOf(() -> Recurrence.read("X".repeat(300), first)), "rule-unreadable");
    assertEquals(refusalOf(() -> new Rhythm(Unit.MONTH, 0, On.DAY)), "bad-interval");
    Rhythm daily = new Rhythm(Unit.DAY, 1, On.DAY);
    assertEquals(
        refusalOf(() -> Recurrence.of(daily, first, first.minusDays(1), null)), "end-before-first");
    assertEquals(refusalOf(() -> Recurrence.of(daily, first, first, 3)), "two-ends");
    assertEquals(refusalOf(() -> Recurrence.of(daily, first, null, 0)), "bad-times");
  }
}
