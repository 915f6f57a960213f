package org.yewledger.core.plan;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.yewledger.core.Fixtures.CARD;
import static org.yewledger.core.Fixtures.CURRENT;
import static org.yewledger.core.Fixtures.GROCERIES;
import static org.yewledger.core.Fixtures.eur;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Random;
import java.util.TreeMap;
import java.util.UUID;
import org.testng.annotations.Test;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.plan.Forecast.Day;
import org.yewledger.core.report.Span;
import org.yewledger.core.schedule.DueItem;
import org.yewledger.core.schedule.DueItems;
import org.yewledger.core.schedule.Recurrence;
import org.yewledger.core.schedule.Rhythm;
import org.yewledger.core.schedule.Rhythm.On;
import org.yewledger.core.schedule.Rhythm.Unit;
import org.yewledger.core.schedule.Schedule;
import org.yewledger.core.schedule.Schedule.Part;
import org.yewledger.core.schedule.Shift;
import org.yewledger.core.schedule.Standing;
import org.yewledger.core.schedule.WorkingDays;

public class ForecastTest {
  private static final LocalDate TODAY = LocalDate.of(2026, 10, 23);

  private static Forecast forecast(
      long now, NavigableMap<LocalDate, Long> due, UsualMoves usual, int days) {
    return Forecast.of(CURRENT, eur(now), due, usual, new TreeMap<>(), TODAY, TODAY.plusDays(days));
  }

  @Test
  public void whatIsDueAndWhatIsUsualAddUpDayByDay() {
    var due = new TreeMap<>(Map.of(TODAY, -2_800L, TODAY.plusDays(10), 200_000L));
    Forecast forecast = forecast(100_000, due, new UsualMoves(-30_437, -40_437, -25_437), 61);
    Day tenth =
        forecast.days().stream()
            .filter(d -> d.date().equals(TODAY.plusDays(10)))
            .findFirst()
            .orElseThrow();
    assertEquals(tenth.due(), eur(297_200));
    assertEquals(tenth.usual(), eur(287_200));
    Day last = forecast.days().getLast();
    assertEquals(last.date(), TODAY.plusDays(61));
    assertEquals(last.usual(), eur(297_200 - 61_000));
    assertEquals(last.low(), eur(297_200 - 61_000 - 14_157));
    assertEquals(last.high(), eur(297_200 - 61_000 + 7_078));
    assertEquals(forecast.lowest().date(), TODAY.plusDays(9));
    assertEquals(forecast.lowest().usual(), eur(97_200 - 9_000));
    assertEquals(forecast.dueToday(), eur(-2_800));
  }

  /** Whatever is due: the end is what stands now and all of it; the band holds the usual course. */
  @Test
  public void nothingIsLostOnTheWay() {
    var random = new Random(38);
    for (int round = 0; round < 200; round++) {
      var due = new TreeMap<LocalDate, Long>();
      long all = 0;
      int days = 30 + random.nextInt(500);
      for (int i = random.nextInt(40); i > 0; i--) {
        long minor = random.nextInt(200_000) - 100_000;
        due.merge(TODAY.plusDays(random.nextInt(days + 1)), minor, Long::sum);
        all += minor;
      }
      long[] months = random.longs(12, -90_000, 20_000).toArray();
      Forecast forecast = forecast(50_000, due, UsualMoves.of(months), days);
      assertEquals(forecast.days().getFirst().date(), TODAY);
      assertEquals(forecast.days().getLast().due(), eur(50_000 + all));
      for (Day day : forecast.days()) {
        assertTrue(day.low().minor() <= day.usual().minor(), day.toString());
        assertTrue(day.high().minor() >= day.usual().minor(), day.toString());
        assertTrue(forecast.lowest().usual().minor() <= day.usual().minor(), day.toString());
      }
    }
  }

  @Test
  public void theUsualIsTheMedianAndHalfOfTheMonthsLieInTheBand() {
    assertEquals(UsualMoves.of(new long[] {5, 1, 4, 2, 3}), new UsualMoves(3, 2, 4));
    assertEquals(UsualMoves.of(new long[] {10, 20}), new UsualMoves(15, 13, 18));
    assertEquals(UsualMoves.of(new long[] {-7}), new UsualMoves(-7, -7, -7));
    assertEquals(UsualMoves.of(new long[0]), UsualMoves.NONE);
  }

  /** What a schedule brought is not usual besides, nor is the month that an account opened in. */
  @Test
  public void usualIsWhatMovedBesidesWhatSchedulesBrought() {
    LocalDate opens = CURRENT.opensOn();
    YearMonth first = YearMonth.from(opens).plusMonths(opens.getDayOfMonth() == 1 ? 0 : 1);
    Map<YearMonth, Long> months = new HashMap<>(Map.of(first.minusMonths(1), 900_000L));
    for (int i = 0; i < 6; i++) {
      months.put(first.plusMonths(i), -5_000L);
    }
    months.merge(first.plusMonths(2), -20_000L, Long::sum);
    var moved =
        new MonthlyMoves(
            Map.of(CURRENT.id(), months, CARD.id(), Map.of(first.plusMonths(2), 20_000L)));
    Span looked = moved.lastTwelve().orElseThrow();
    assertEquals(looked.last(), first.plusMonths(5));
    Schedule schedule =
        new Schedule(
            UUID.randomUUID(),
            "Quillon Card",
            "",
            CURRENT,
            List.of(new Part(CARD, eur(-20_000), "")),
            eur(0),
            Recurrence.of(Rhythm.ONCE, first.plusMonths(2).atDay(5), null, null),
            Shift.NONE);
    List<DueItem> items =
        DueItems.of(
            schedule,
            first.atDay(1),
            first.plusMonths(5).atDay(1),
            TODAY,
            WorkingDays.WEEKDAYS,
            Map.of(),
            List.of(
                new Standing(UUID.randomUUID(), 7, first.plusMonths(2).atDay(6), eur(-20_000))));
    MonthlyMoves besides = moved.without(items, Account::id);
    assertEquals(besides.usual(CURRENT, looked), new UsualMoves(-5_000, -5_000, -5_000));
    assertEquals(besides.byAccount().get(CARD.id()).get(first.plusMonths(2)), Long.valueOf(0));
    assertEquals(
        moved.byAccount().get(CURRENT.id()).get(first.plusMonths(2)), Long.valueOf(-25_000));
    assertTrue(new MonthlyMoves(Map.of()).lastTwelve().isEmpty());
  }

  @Test
  public void anItemMovesOnBothOfOnesAccountsAndIsDueTodayIfItIsOverdue() {
    Schedule schedule =
        new Schedule(
            UUID.randomUUID(),
            "Quillon Card",
            "",
            CURRENT,
            List.of(new Part(CARD, eur(-20_000), ""), new Part(GROCERIES, eur(-500), "")),
            eur(0),
            Recurrence.of(
                new Rhythm(Unit.MONTH, 1, On.DAY), LocalDate.of(2026, 10, 15), null, null),
            Shift.NONE);
    List<DueItem> items =
        DueItems.of(
            schedule,
            TODAY.minusDays(60),
            TODAY.plusDays(40),
            TODAY,
            WorkingDays.WEEKDAYS,
            Map.of(),
            List.of());
    var due = Forecast.due(items, TODAY, List.of(), Account::id);
    LocalDate november = LocalDate.of(2026, 11, 15);
    assertEquals(due.get(CURRENT.id()), Map.of(TODAY, -20_500L, november, -20_500L));
    assertEquals(due.get(CARD.id()), Map.of(TODAY, 20_000L, november, 20_000L));
    assertEquals(due.containsKey(GROCERIES.id()), false);
  }
}
