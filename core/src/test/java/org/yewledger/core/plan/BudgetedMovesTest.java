package org.yewledger.core.plan;

import static org.testng.Assert.assertEquals;
import static org.yewledger.core.Fixtures.CARD;
import static org.yewledger.core.Fixtures.CURRENT;
import static org.yewledger.core.Fixtures.GROCERIES;
import static org.yewledger.core.Fixtures.eur;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.UUID;
import java.util.function.Function;
import org.testng.annotations.Test;
import org.yewledger.core.plan.BudgetedMoves.Month;
import org.yewledger.core.plan.BudgetedMoves.Paid;
import org.yewledger.core.report.Span;

public class BudgetedMovesTest {
  private static final LocalDate TODAY = LocalDate.of(2026, 10, 21);
  private static final YearMonth OCTOBER = YearMonth.from(TODAY);
  private static final ToCome NOTHING_DUE = new ToCome(Map.of(), List.of());

  private static Budget budget(PlannedSpan... spans) {
    return new Budget(GROCERIES, false, List.of(spans));
  }

  private static PlannedSpan planned(YearMonth first, int months, long minor) {
    return new PlannedSpan(new Span(first, first.plusMonths(months - 1L)), eur(minor));
  }

  private static BudgetedMoves moves(
      Budget budget, int months, long left, Function<YearMonth, ToCome> due, Paid paid) {
    return BudgetedMoves.of(
        List.of(budget),
        new PlannedTogether(List.of(budget), category -> List.of()),
        TODAY,
        new Span(OCTOBER, OCTOBER.plusMonths(months - 1L)),
        Map.of(GROCERIES.id(), left),
        due,
        Map.of(GROCERIES.id(), paid));
  }

  private static Paid paid(long current, long card, long average) {
    return new Paid(Map.of(CURRENT.id(), current, CARD.id(), card), average);
  }

  @Test
  public void aPlanFallsOnTheAccountsThatPaidAndWhatIsDueIsTakenOff() {
    Function<YearMonth, ToCome> due =
        month ->
            month.equals(OCTOBER.plusMonths(1))
                ? new ToCome(Map.of(GROCERIES.id(), eur(10_000)), List.of())
                : NOTHING_DUE;
    BudgetedMoves moves =
        moves(
            budget(planned(OCTOBER, 1, 60_000), planned(OCTOBER.plusMonths(1), 2, 120_000)),
            5,
            12_000,
            due,
            paid(300, 100, 56_000));
    assertEquals(
        moves.of(CURRENT),
        Map.of(
            OCTOBER,
            new Month(9_000, 13_548),
            OCTOBER.plusMonths(1),
            new Month(37_500, 42_000),
            OCTOBER.plusMonths(2),
            new Month(45_000, 42_000)));
    assertEquals(moves.of(CARD).get(OCTOBER.plusMonths(2)), new Month(15_000, 14_000));
    assertEquals(moves.without(), List.of());
  }

  @Test
  public void aPlanThatNoAccountIsKnownToPayIsNamedAndMovesNothing() {
    BudgetedMoves moves =
        moves(
            budget(planned(OCTOBER.plusMonths(1), 1, 5_000)),
            3,
            0,
            month -> NOTHING_DUE,
            Paid.NOTHING);
    assertEquals(moves.byAccount(), Map.of());
    assertEquals(moves.without(), List.of(GROCERIES.name()));
  }

  @Test
  public void whatIsSpentUpMovesNothingMoreThisMonth() {
    BudgetedMoves moves =
        moves(budget(planned(OCTOBER, 1, 5_000)), 1, -700, month -> NOTHING_DUE, paid(1, 0, 3_100));
    assertEquals(moves.of(CURRENT), Map.of(OCTOBER, new Month(0, 1_000)));
  }

  /** The parts of accounts and of days are the plan, whatever it is; the forecast ends with it. */
  @Test
  public void nothingOfAPlanIsLostBetweenAccountsAndDays() {
    var random = new Random(36);
    for (int round = 0; round < 200; round++) {
      int months = 2 + random.nextInt(16);
      List<PlannedSpan> spans = new ArrayList<>();
      Map<YearMonth, ToCome> due = new HashMap<>();
      long all = 0;
      long usual = 0;
      long average = random.nextInt(90_000);
      for (int i = 1; i < months; i++) {
        YearMonth month = OCTOBER.plusMonths(i);
        long plan = random.nextInt(100_000);
        long coming = random.nextInt(60_000);
        if (random.nextInt(4) > 0) {
          spans.add(planned(month, 1, plan));
          due.put(month, new ToCome(Map.of(GROCERIES.id(), eur(coming)), List.of()));
          all += Math.max(plan - coming, 0);
          usual += average;
        }
      }
      BudgetedMoves moves =
          moves(
              budget(spans.toArray(PlannedSpan[]::new)),
              months,
              0,
              month -> due.getOrDefault(month, NOTHING_DUE),
              paid(random.nextInt(1_000), 1 + random.nextInt(1_000), average));
      Forecast current = forecast(moves, true, months);
      Forecast card = forecast(moves, false, months);
      assertEquals(current.planned().plus(card.planned()), eur(all));
      assertEquals(current.inPlaceOf().plus(card.inPlaceOf()), eur(usual));
      Forecast.Day last = current.days().getLast();
      assertEquals(
          last.usual(),
          last.due()
              .plus(current.usualThrough())
              .plus(current.inPlaceOf())
              .minus(current.planned()));
      assertEquals(current.usualThrough(), eur(0));
    }
  }

  private static Forecast forecast(BudgetedMoves moves, boolean current, int months) {
    var account = current ? CURRENT : CARD;
    return Forecast.of(
        account,
        eur(1_000_000),
        new TreeMap<>(),
        UsualMoves.NONE,
        moves.of(account),
        TODAY,
        OCTOBER.plusMonths(months - 1L).atEndOfMonth());
  }

  @Test
  public void theAverageCountsMonthsWithoutAny() {
    UUID id = GROCERIES.id();
    var moved = new MonthlyMoves(Map.of(id, Map.of(OCTOBER, 30L, OCTOBER.minusMonths(1), 31L)));
    assertEquals(moved.average(id, new Span(OCTOBER.minusMonths(11), OCTOBER)), 5);
    assertEquals(moved.average(CARD.id(), new Span(OCTOBER, OCTOBER)), 0);
  }
}
