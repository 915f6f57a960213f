package org.yewledger.core.plan;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNull;
import static org.testng.Assert.assertTrue;
import static org.yewledger.core.Fixtures.eur;
import static org.yewledger.core.Fixtures.refusalOf;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.Objects;
import java.util.Random;
import org.testng.annotations.Test;
import org.yewledger.core.Fixtures;
import org.yewledger.core.money.Amount;
import org.yewledger.core.report.Span;

public class GoalTest {
  private static final YearMonth JANUARY = YearMonth.of(2026, 1);
  private static final Span YEAR = new Span(JANUARY, JANUARY.plusMonths(11));
  private static final LocalDate TODAY = LocalDate.of(2026, 10, 23);

  /** 9,600 in the year are 800 a month; of October's, 23 days of 31 count. */
  @Test
  public void aProfitGoalIsHeldAgainstItsPartOfTheYear() {
    var goal = new ProfitGoal(YEAR, eur(960_000));
    ProfitGoal.Progress progress = goal.at(TODAY, month -> eur(82_732));
    assertEquals(progress.reached(), eur(827_320));
    assertEquals(progress.months().getFirst().against(), eur(2_732));
    assertEquals(progress.ahead(), eur(827_320 - 720_000 - 59_354));
    assertEquals(progress.toGo(), eur(132_680));
    assertEquals(progress.monthsLeft(), 2);
    assertEquals(progress.perMonth(), eur(66_340));
    assertNull(progress.months().getLast().reached());
    assertFalse(progress.isReached());
    assertTrue(goal.at(TODAY, month -> eur(100_000)).isReached());
  }

  @Test
  public void itsMonthsAreTheGoalAndWhatIsAheadIsReachedLessTheirParts() {
    var random = new Random(5);
    for (int round = 0; round < 200; round++) {
      var goal = new ProfitGoal(YEAR, eur(1 + random.nextInt(2_000_000)));
      long[] results = random.longs(12, -90_000, 200_000).toArray();
      LocalDate day = LocalDate.of(2026, 1 + random.nextInt(12), 1).plusMonths(1).minusDays(1);
      ProfitGoal.Progress progress = goal.at(day, month -> eur(results[month.getMonthValue() - 1]));
      assertEquals(
          Amount.sum(
              goal.amount().currency(),
              progress.months().stream().map(ProfitGoal.Month::planned).toList()),
          goal.amount());
      List<ProfitGoal.Month> over =
          progress.months().stream().filter(month -> month.reached() != null).toList();
      long reached =
          over.stream().mapToLong(m -> Objects.requireNonNull(m.reached()).minor()).sum();
      long planned = over.stream().mapToLong(month -> month.planned().minor()).sum();
      assertEquals(progress.reached().minor(), reached);
      assertEquals(progress.ahead().minor(), reached - planned);
      assertTrue(
          progress.perMonth().minor() * progress.monthsLeft() >= progress.toGo().minor()
              || progress.monthsLeft() == 0);
    }
  }

  @Test
  public void aBalanceGoalSaysWhatEachMonthHasToBring() {
    var goal =
        new BalanceGoal(
            LocalDate.of(2026, 1, 1), eur(100_000), LocalDate.of(2027, 1, 1), eur(173_000));
    BalanceGoal.Progress progress = goal.at(LocalDate.of(2026, 7, 2), eur(130_000));
    assertEquals(progress.expected(), eur(136_400));
    assertEquals(progress.ahead(), eur(-6_400));
    assertEquals(progress.monthsLeft(), 6);
    assertEquals(progress.perMonth(), eur(7_167));
    assertTrue(goal.at(LocalDate.of(2026, 7, 2), eur(173_000)).isReached());
    assertEquals(goal.at(LocalDate.of(2027, 3, 1), eur(172_000)).perMonth(), eur(1_000));
  }

  @Test
  public void whatIsNoGoalIsRefused() {
    assertEquals(refusalOf(() -> new ProfitGoal(YEAR, eur(0))), "goal-not-positive");
    assertEquals(refusalOf(() -> new BalanceGoal(TODAY, eur(0), TODAY, eur(1))), "goal-past");
    assertEquals(
        refusalOf(() -> BalanceGoal.requireAsset(Fixtures.GROCERIES)), "goal-not-of-assets");
  }
}
