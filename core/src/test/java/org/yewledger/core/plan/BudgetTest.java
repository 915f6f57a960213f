package org.yewledger.core.plan;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.yewledger.core.Fixtures.BOOK;
import static org.yewledger.core.Fixtures.GROCERIES;
import static org.yewledger.core.Fixtures.SCHOOL;
import static org.yewledger.core.Fixtures.eur;
import static org.yewledger.core.Fixtures.refusalOf;

import java.time.YearMonth;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.testng.annotations.Test;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.money.Amount;
import org.yewledger.core.report.AccountTotals;
import org.yewledger.core.report.Span;

public class BudgetTest {
  private static final YearMonth JANUARY = YearMonth.of(2026, 1);
  private static final Span YEAR = new Span(JANUARY, JANUARY.plusMonths(11));

  private static Span months(int first, int last) {
    return new Span(JANUARY.plusMonths(first - 1), JANUARY.plusMonths(last - 1));
  }

  private static PlannedSpan planned(int first, int last, long minor) {
    return new PlannedSpan(months(first, last), eur(minor));
  }

  private static long left(Budget budget, int month, Map<YearMonth, Amount> booked) {
    return budget
        .at(JANUARY.plusMonths(month - 1), m -> booked.getOrDefault(m, eur(0)))
        .orElseThrow()
        .left()
        .minor();
  }

  @Test
  public void whatIsLeftGoesOnOnlyWhereItIsCarried() {
    Map<YearMonth, Amount> booked = Map.of(JANUARY, eur(3_000), JANUARY.plusMonths(1), eur(11_000));
    List<PlannedSpan> spans = PlannedSpan.each(months(1, 3), eur(10_000));
    Budget carried = new Budget(GROCERIES, true, spans);
    assertEquals(left(carried, 1, booked), 7_000);
    assertEquals(left(carried, 2, booked), 6_000);
    assertEquals(left(carried, 3, booked), 16_000);
    Budget anew = new Budget(GROCERIES, false, spans);
    assertEquals(left(anew, 2, booked), -1_000);
    assertEquals(left(anew, 3, booked), 10_000);
  }

  @Test
  public void aSpanOfSeveralMonthsIsSpentTogether() {
    Budget summer = new Budget(GROCERIES, false, List.of(planned(6, 8, 90_000)));
    Map<YearMonth, Amount> booked =
        Map.of(YearMonth.of(2026, 6), eur(20_000), YearMonth.of(2026, 8), eur(50_000));
    assertEquals(left(summer, 6, booked), 70_000);
    Budget.Month july =
        summer.at(YearMonth.of(2026, 7), m -> booked.getOrDefault(m, eur(0))).orElseThrow();
    assertEquals(july.brought(), eur(70_000));
    assertTrue(july.planned().isZero());
    assertEquals(left(summer, 8, booked), 20_000);
    assertTrue(summer.at(YearMonth.of(2026, 9), m -> eur(0)).isEmpty());
    assertTrue(summer.at(YearMonth.of(2026, 5), m -> eur(0)).isEmpty());
  }

  /** Carrying over neither makes nor loses anything, however the months are cut into spans. */
  @Test
  public void carryingOverConservesAmounts() {
    var random = new Random(17);
    for (int round = 0; round < 300; round++) {
      List<PlannedSpan> spans = new ArrayList<>();
      for (int month = 1; month <= 12; ) {
        int last = Math.min(12, month + random.nextInt(3));
        spans.add(planned(month, last, random.nextInt(50_000)));
        month = last + 1;
      }
      Map<YearMonth, Amount> booked = new HashMap<>();
      for (int month = 0; month < 12; month++) {
        booked.put(JANUARY.plusMonths(month), eur(random.nextInt(40_000) - 5_000));
      }
      Budget budget = new Budget(GROCERIES, true, spans);
      int month = 1 + random.nextInt(12);
      YearMonth at = JANUARY.plusMonths(month - 1);
      long planned =
          spans.stream()
              .filter(one -> !one.span().first().isAfter(at))
              .mapToLong(one -> one.amount().minor())
              .sum();
      long spent =
          booked.entrySet().stream()
              .filter(one -> !one.getKey().isAfter(at))
              .mapToLong(one -> one.getValue().minor())
              .sum();
      assertEquals(left(budget, month, booked), planned - spent);
    }
  }

  /** Spread over its months, a plan is neither more nor less. */
  @Test
  public void whatIsPlannedTogetherIsSpreadToTheCent() {
    var random = new Random(7);
    for (int round = 0; round < 200; round++) {
      int first = 1 + random.nextInt(11);
      int last = first + random.nextInt(13 - first);
      long amount = random.nextInt(100_000);
      Budget budget = new Budget(GROCERIES, false, List.of(planned(first, last, amount)));
      AccountTotals spread = budget.spread(YEAR);
      assertEquals(spread.within(YEAR), eur(amount));
      assertEquals(spread.within(months(first, last)), eur(amount));
      long even = amount / (last - first + 1);
      long inFirst = spread.within(months(first, first)).minor();
      assertTrue(inFirst == even || inFirst == even + 1, inFirst + " of " + amount);
    }
  }

  @Test
  public void monthsArePlannedAnewButNoSpanIsCut() {
    List<PlannedSpan> now = List.of(planned(1, 1, 100), planned(2, 2, 200), planned(6, 8, 900));
    List<PlannedSpan> anew = List.of(planned(2, 2, 250), planned(3, 3, 250));
    assertEquals(
        PlannedSpan.replaced(now, months(2, 3), anew),
        List.of(planned(1, 1, 100), planned(2, 2, 250), planned(3, 3, 250), planned(6, 8, 900)));
    assertEquals(
        PlannedSpan.replaced(now, months(5, 9), List.of()),
        List.of(planned(1, 1, 100), planned(2, 2, 200)));
    assertEquals(
        refusalOf(() -> PlannedSpan.replaced(now, months(8, 9), List.of())), "budget-overlaps");
    assertEquals(refusalOf(() -> planned(1, 1, -1)), "planned-below-zero");
  }

  @Test
  public void aYearIsPlannedFromTheOneBeforeUpToTheNextFive() {
    long[] spent = new long[12];
    spent[0] = 13_196;
    spent[1] = 17_500;
    spent[2] = -300;
    var totals = new AccountTotals(GROCERIES, 0, JANUARY.minusMonths(12), spent);
    List<PlannedSpan> plan = LastYear.plan(YEAR, totals);
    assertEquals(plan.size(), 12);
    assertEquals(plan.get(0), planned(1, 1, 13_500));
    assertEquals(plan.get(1), planned(2, 2, 17_500));
    assertEquals(plan.get(2), planned(3, 3, 0));
    var nothing = new AccountTotals(SCHOOL, 0, JANUARY.minusMonths(12), new long[12]);
    assertTrue(LastYear.plan(YEAR, nothing).isEmpty());
  }

  @Test
  public void whatWasSpentWithoutAPlanStandsInTheSumsToo() {
    BudgetSheet sheet =
        BudgetSheet.of(
            CurrencyUnit.EUR,
            JANUARY,
            YEAR,
            List.of(
                new Budget(GROCERIES, false, PlannedSpan.each(YEAR, eur(10_000))),
                new Budget(SCHOOL, false, List.of())),
            new PlannedTogether(List.of(), category -> List.of()),
            (category, month) -> eur(category.equals(SCHOOL) ? 2_000 : 4_000),
            new ToCome(Map.of(GROCERIES.id(), eur(500)), List.of()));
    assertEquals(sheet.rows().size(), 2);
    assertFalse(sheet.rows().getLast().planned());
    assertEquals(sheet.all().left(), eur(3_500));
    assertEquals(sheet.all().toCome(), eur(500));
    assertEquals(sheet.year(), eur(120_000));
    assertEquals(
        BudgetSheet.reachesBackTo(
            YearMonth.of(2026, 6),
            List.of(new Budget(GROCERIES, false, List.of(planned(3, 3, 1))))),
        YearMonth.of(2026, 3));
  }

  private static final Account OURSELVES = group(1, "Ourselves");
  private static final Account ALL = group(2, "Everything");

  private static Account group(int no, String name) {
    return new Account(
        new UUID(36, no), BOOK, name, AccountKind.EXPENSE, CurrencyUnit.EUR, true, null);
  }

  private static BudgetSheet sheet(List<Budget> budgets, YearMonth month) {
    return BudgetSheet.of(
        CurrencyUnit.EUR,
        month,
        YEAR,
        budgets,
        new PlannedTogether(budgets, category -> List.of(OURSELVES, ALL)),
        (category, m) -> eur(category.equals(SCHOOL) ? 2_000 : 4_000),
        new ToCome(Map.of(GROCERIES.id(), eur(500)), List.of()));
  }

  @Test
  public void aGroupIsPlannedTogetherWhereItsCategoriesAreNot() {
    List<PlannedSpan> each = PlannedSpan.each(YEAR, eur(10_000));
    BudgetSheet both =
        sheet(
            List.of(
                new Budget(OURSELVES, true, each),
                new Budget(GROCERIES, false, List.of()),
                new Budget(SCHOOL, false, List.of())),
            JANUARY.plusMonths(1));
    assertEquals(both.rows().size(), 1);
    BudgetSheet.Row row = both.rows().getFirst();
    assertEquals(row.holds(), List.of(GROCERIES, SCHOOL));
    // 100.00 each month, 60.00 spent: 40.00 come along, and 5.00 is still to be paid.
    assertEquals(row.month().brought(), eur(4_000));
    assertEquals(row.month().left(), eur(7_500));

    BudgetSheet apart =
        sheet(
            List.of(
                new Budget(OURSELVES, false, each),
                new Budget(GROCERIES, false, PlannedSpan.each(months(2, 2), eur(3_000))),
                new Budget(SCHOOL, false, List.of())),
            JANUARY.plusMonths(1));
    assertEquals(
        apart.rows().stream()
            .map(r -> r.category().name() + " " + r.month().booked().minor())
            .toList(),
        List.of("Ourselves 2000", "Groceries 4000"));
  }

  @Test
  public void whateverIsPlannedWhereEachAmountCountsOnce() {
    Random random = new Random(36);
    for (int run = 0; run < 200; run++) {
      List<Budget> budgets = new ArrayList<>();
      for (Account of : List.of(ALL, OURSELVES, GROCERIES, SCHOOL)) {
        List<PlannedSpan> spans = new ArrayList<>();
        for (int month = 1; month <= 12; month++) {
          if (random.nextInt(3) == 0) {
            spans.add(planned(month, month, 1 + random.nextInt(9_000)));
          }
        }
        budgets.add(new Budget(of, random.nextBoolean(), spans));
      }
      BudgetSheet sheet = sheet(budgets, JANUARY.plusMonths(random.nextInt(12)));
      assertEquals(sheet.all().booked(), eur(6_000), "run " + run);
      assertEquals(sheet.all().toCome(), eur(500));
      assertEquals(sheet.rows().stream().mapToInt(row -> row.holds().size()).sum(), 2);
    }
  }
}
