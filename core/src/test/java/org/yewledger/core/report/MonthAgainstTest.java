package org.yewledger.core.report;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNull;
import static org.testng.Assert.assertTrue;
import static org.yewledger.core.Fixtures.GROCERIES;
import static org.yewledger.core.Fixtures.SCHOOL;
import static org.yewledger.core.Fixtures.eur;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.Arrays;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.stream.IntStream;
import java.util.stream.LongStream;
import org.joda.money.CurrencyUnit;
import org.testng.annotations.Test;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;
import org.yewledger.core.report.MonthAgainst.Day;
import org.yewledger.core.report.MonthAgainst.Payee;
import org.yewledger.core.report.MonthAgainst.Payment;
import org.yewledger.core.report.MonthAgainst.Unusual;

public class MonthAgainstTest {
  private static final YearMonth FEBRUARY = YearMonth.of(2026, 2);
  private static final LocalDate LATER = LocalDate.of(2026, 6, 1);

  private static MonthAgainst of(
      LocalDate today,
      Map<LocalDate, Amount> spentOn,
      List<AccountTotals> totals,
      Payee... payees) {
    return MonthAgainst.of(
        CurrencyUnit.EUR,
        FEBRUARY,
        today,
        today.equals(LATER),
        spentOn,
        totals,
        Arrays.asList(payees));
  }

  /** Twelve months before February, and February. */
  private static AccountTotals totals(Account account, long... months) {
    return new AccountTotals(account, 0, FEBRUARY.minusMonths(months.length - 1L), months);
  }

  @Test
  public void daysAddUpToTheWholeOfBothMonthsHoweverLong() {
    var random = new Random(2);
    Map<LocalDate, Amount> spentOn = new HashMap<>();
    FEBRUARY
        .minusMonths(1)
        .atDay(1)
        .datesUntil(FEBRUARY.plusMonths(1).atDay(1))
        .forEach(day -> spentOn.put(day, eur(random.nextInt(5_000))));
    List<Day> days = of(LATER, spentOn, List.of()).days();
    assertEquals(days.size(), 28);
    assertEquals(days.getLast().spent(), sum(spentOn, FEBRUARY));
    assertEquals(days.getLast().before(), sum(spentOn, FEBRUARY.minusMonths(1)));
    assertEquals(days.getFirst().before(), spentOn.get(LocalDate.of(2026, 1, 1)));
  }

  private static Amount sum(Map<LocalDate, Amount> spentOn, YearMonth month) {
    return Amount.sum(
        CurrencyUnit.EUR,
        spentOn.entrySet().stream()
            .filter(one -> YearMonth.from(one.getKey()).equals(month))
            .map(Map.Entry::getValue)
            .toList());
  }

  @Test
  public void daysToComeAreNotNothing() {
    List<Day> days = of(LocalDate.of(2026, 2, 10), Map.of(), List.of()).days();
    assertEquals(days.get(9).spent(), eur(0));
    assertNull(days.get(10).spent());
  }

  @Test
  public void aCategoryBeyondItsBandIsToldWithTheBand() {
    long[] months = LongStream.rangeClosed(1, 13).map(i -> 40_000 + i * 100).toArray();
    months[12] = 70_000;
    List<Unusual> unusual = of(LATER, Map.of(), List.of(totals(GROCERIES, months))).unusual();
    assertTrue(unusual.getFirst() instanceof Unusual.Beyond, unusual.toString());
    var beyond = (Unusual.Beyond) unusual.getFirst();
    assertEquals(beyond.months(), 12);
    assertTrue(beyond.high().compareTo(eur(50_000)) < 0, beyond.toString());
    months[12] = 40_900;
    assertEquals(of(LATER, Map.of(), List.of(totals(GROCERIES, months))).unusual(), List.of());
  }

  @Test
  public void tooLittleIsToldOnlyOfAMonthThatIsComplete() {
    long[] months = new long[13];
    Arrays.fill(months, 0, 12, 30_000);
    List<AccountTotals> school = List.of(totals(SCHOOL, months));
    assertEquals(of(LATER, Map.of(), school).unusual().size(), 1);
    assertEquals(of(LocalDate.of(2026, 2, 20), Map.of(), school).unusual(), List.of());
  }

  @Test
  public void whatComesOnceAYearIsNotUnusualWhenItComes() {
    long[] months = new long[13];
    months[0] = 60_000;
    months[12] = 60_000;
    assertEquals(of(LATER, Map.of(), List.of(totals(SCHOOL, months))).unusual(), List.of());
  }

  @Test
  public void oneGreatBillDoesNotMoveTheBand() {
    List<Long> quiet = Collections.nCopies(11, 10_000L);
    UsualBand band = UsualBand.of(quiet).orElseThrow();
    List<Long> withOne = IntStream.range(0, 12).mapToObj(i -> i == 4 ? 900_000L : 10_000L).toList();
    UsualBand other = UsualBand.of(withOne).orElseThrow();
    assertEquals(other.high(), band.high());
    assertEquals(UsualBand.of(quiet.subList(0, 5)), Optional.empty());
  }

  private static Payment paid(String on, long minor) {
    return new Payment(LocalDate.parse(on), eur(minor), true);
  }

  @Test
  public void newPayeesAndPricesThatRoseAreToldOthersAreNot() {
    var netted =
        new Payee(
            "Fibrelink",
            true,
            List.of(
                paid("2025-11-03", 3_990),
                paid("2025-12-03", 3_990),
                paid("2026-01-03", 3_990),
                paid("2026-02-03", 4_290)));
    var fresh = new Payee("Ashlock Roofing", false, List.of(paid("2026-02-12", 48_000)));
    var shop =
        new Payee(
            "Greengage Market",
            true,
            List.of(
                paid("2025-12-03", 5_000),
                paid("2026-01-03", 6_000),
                paid("2026-01-20", 7_000),
                paid("2026-02-03", 8_000)));
    List<Unusual> unusual = of(LATER, Map.of(), List.of(), netted, fresh, shop).unusual();
    assertEquals(
        unusual,
        List.of(
            new Unusual.NewPayee("Ashlock Roofing", LocalDate.of(2026, 2, 12), eur(48_000)),
            new Unusual.PriceRose(
                "Fibrelink", LocalDate.of(2026, 2, 3), eur(3_990), 3, eur(4_290))));
  }
}
