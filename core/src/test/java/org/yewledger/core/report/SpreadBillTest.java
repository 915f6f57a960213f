package org.yewledger.core.report;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.yewledger.core.Fixtures.GROCERIES;
import static org.yewledger.core.Fixtures.eur;
import static org.yewledger.core.Fixtures.refusalOf;

import java.time.LocalDate;
import java.time.YearMonth;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.SortedMap;
import org.testng.annotations.Test;
import org.yewledger.core.money.Amount;
import org.yewledger.core.plan.BookedDays;

public class SpreadBillTest {
  private static final YearMonth JANUARY = YearMonth.of(2026, 1);
  private static final Span YEAR = new Span(JANUARY, JANUARY.plusMonths(11));

  private static SpreadBill bill(long minor, LocalDate booked, int first, int last) {
    return new SpreadBill(
        GROCERIES,
        eur(minor),
        booked,
        new Span(JANUARY.plusMonths(first), JANUARY.plusMonths(last)));
  }

  private static Amount in(AccountTotals totals, YearMonth month) {
    return totals.within(new Span(month, month));
  }

  @Test
  public void aYearsBillIsSpreadInTwelfths() {
    LocalDate day = LocalDate.of(2026, 3, 5);
    SpreadBill insurance = bill(20_000, day, 2, 13);
    assertEquals(insurance.in(YearMonth.of(2026, 2)), eur(0));
    assertEquals(insurance.in(YearMonth.of(2026, 3)), eur(1_666));
    assertEquals(insurance.in(YearMonth.of(2026, 5)), eur(1_667));
    assertEquals(insurance.in(YearMonth.of(2027, 2)), eur(1_667));
    assertEquals(insurance.within(YEAR), eur(16_666));
    long[] booked = new long[12];
    booked[2] = 25_000;
    AccountTotals spread =
        new AccountTotals(GROCERIES, 700, JANUARY, booked).spread(YEAR, List.of(insurance));
    assertEquals(in(spread, YearMonth.of(2026, 3)), eur(6_666));
    assertEquals(in(spread, YearMonth.of(2026, 12)), eur(1_666));
    assertEquals(spread.through(YearMonth.of(2025, 12)), eur(700));
  }

  /** However bills lie in time, spreading moves amounts and neither makes nor loses any. */
  @Test
  public void spreadingConservesAmounts() {
    var random = new Random(49);
    Span all = new Span(JANUARY.minusMonths(150), JANUARY.plusMonths(150));
    for (int round = 0; round < 300; round++) {
      long[] months = new long[all.months()];
      List<SpreadBill> bills = new ArrayList<>();
      for (int i = random.nextInt(5); i >= 0; i--) {
        int first = random.nextInt(40) - 20;
        LocalDate day = LocalDate.of(2026, 1, 1).plusDays(random.nextInt(600) - 300);
        SpreadBill bill =
            bill(random.nextInt(200_000) - 100_000, day, first, first + random.nextInt(30));
        bills.add(bill);
        months[(int) (150 + JANUARY.until(YearMonth.from(day), ChronoUnit.MONTHS))] +=
            bill.amount().minor();
        assertEquals(bill.within(all), bill.amount());
      }
      AccountTotals booked = new AccountTotals(GROCERIES, 0, all.first(), months);
      AccountTotals spread = booked.spread(all, bills);
      assertEquals(spread.within(all), booked.within(all));
      YearMonth month = JANUARY.plusMonths(random.nextInt(20) - 10);
      Amount parts =
          Amount.sum(eur(0).currency(), bills.stream().map(one -> one.in(month)).toList());
      assertEquals(in(spread, month), parts);
    }
  }

  /** The notches of a month add up to what it is told to have spent. */
  @Test
  public void theDaysOfAMonthAddUpToIt() {
    LocalDate day = LocalDate.of(2026, 3, 5);
    List<SpreadBill> bills =
        List.of(bill(12_000, day, 2, 13), bill(2_400, day.minusMonths(4), 0, 11));
    SortedMap<LocalDate, Amount> days =
        BookedDays.spread(
            YearMonth.of(2026, 3), Map.of(day, eur(12_500), day.plusDays(9), eur(40)), bills);
    assertEquals(
        days,
        Map.of(day, eur(1_500), day.plusDays(9), eur(40), LocalDate.of(2026, 3, 1), eur(200)));
    assertEquals(
        BookedDays.spread(
            YearMonth.of(2026, 3), Map.of(day, eur(12_000)), List.of(bill(12_000, day, 4, 5))),
        Map.of());
  }

  @Test
  public void whatServesTooMuchOrNothingIsRefusedAtItsField() {
    LocalDate day = LocalDate.of(2026, 3, 5);
    YearMonth own = YearMonth.of(2026, 3);
    assertEquals(
        refusalOf(() -> SpreadBill.require(new Span(own, own), day)), "served-is-own-month");
    assertEquals(
        refusalOf(() -> SpreadBill.require(new Span(own, own.plusMonths(120)), day)),
        "served-too-long");
    assertEquals(
        refusalOf(() -> SpreadBill.require(new Span(own.plusYears(11), own.plusYears(12)), day)),
        "served-far-away");
    Span other = new Span(own.plusMonths(1), own.plusMonths(1));
    assertTrue(SpreadBill.require(other, day).contains(own.plusMonths(1)));
  }
}
