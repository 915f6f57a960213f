package org.yewledger.core.report;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;
import static org.yewledger.core.Fixtures.OTHER_BOOK;
import static org.yewledger.core.Fixtures.SALES;
import static org.yewledger.core.Fixtures.account;
import static org.yewledger.core.Fixtures.eur;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.testng.annotations.Test;
import org.yewledger.core.Refusal;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.money.Amount;
import org.yewledger.core.report.TaxReturn.Line;

public class SalesTaxReportTest {
  private static final UUID STANDARD = new UUID(21, 0);
  private static final UUID REDUCED = new UUID(9, 0);
  private static final Account PAPER = account(OTHER_BOOK, "Paper", AccountKind.EXPENSE, null);
  private static final Span FIRST = ReturnPeriod.QUARTER.of(YearMonth.of(2026, 2));
  private static final Span SECOND = ReturnPeriod.QUARTER.of(YearMonth.of(2026, 4));
  private static final Span THIRD = ReturnPeriod.QUARTER.of(YearMonth.of(2026, 9));

  private static TaxedTotals of(Account category, UUID rate, long net, long tax) {
    return new TaxedTotals(category, rate, eur(net), eur(tax));
  }

  private static SalesTaxReport report(
      Span span, Map<Span, List<TaxedTotals>> now, List<TaxReturn> returns) {
    return SalesTaxReport.of(CurrencyUnit.EUR, span, now, returns);
  }

  private static TaxReturn returned(SalesTaxReport report) {
    List<Line> lines = new ArrayList<>(report.lines());
    lines.addAll(report.corrections());
    return new TaxReturn(new UUID(1, report.span().first().getMonthValue()), report.span(), lines);
  }

  @Test
  public void periodsAreThoseOfTheCalendar() {
    YearMonth august = YearMonth.of(2026, 8);
    assertEquals(ReturnPeriod.MONTH.of(august), new Span(august, august));
    assertEquals(THIRD, new Span(YearMonth.of(2026, 7), YearMonth.of(2026, 9)));
    assertEquals(ReturnPeriod.YEAR.of(august).first(), YearMonth.of(2026, 1));
  }

  @Test
  public void whatIsDueIsWhatWasCollectedLessWhatWasPaid() {
    SalesTaxReport report =
        report(
            FIRST,
            Map.of(
                FIRST,
                List.of(
                    of(SALES, STANDARD, -100_000, -21_000),
                    of(PAPER, STANDARD, 40_000, 8_400),
                    of(SALES, REDUCED, -10_000, -900))),
            List.of());
    Line standard = report.lines().getFirst();
    assertEquals(standard.sales(), eur(100_000));
    assertEquals(standard.collected(), eur(21_000));
    assertEquals(standard.purchases(), eur(40_000));
    assertEquals(standard.due(), eur(12_600));
    assertEquals(report.due(), eur(13_500));
    assertEquals(report.corrections(), List.of());
  }

  @Test
  public void whatChangedAfterAReturnIsACorrectionOfTheNextAndOfNoOther() {
    Map<Span, List<TaxedTotals>> now = new HashMap<>();
    now.put(FIRST, List.of(of(SALES, STANDARD, -100_000, -21_000)));
    TaxReturn first = returned(report(FIRST, now, List.of()));
    assertEquals(first.due(CurrencyUnit.EUR), eur(21_000));

    now.put(
        FIRST, List.of(of(SALES, STANDARD, -100_000, -21_000), of(PAPER, STANDARD, 10_000, 2_100)));
    now.put(SECOND, List.of(of(SALES, STANDARD, -50_000, -10_500)));
    SalesTaxReport second = report(SECOND, now, List.of(first));
    assertEquals(second.corrections().size(), 1);
    assertEquals(second.corrections().getFirst().about(), FIRST);
    assertEquals(second.corrections().getFirst().paid(), eur(2_100));
    assertEquals(second.due(), eur(8_400));

    SalesTaxReport third = report(THIRD, now, List.of(first, returned(second)));
    assertEquals(third.corrections(), List.of());
    assertEquals(third.due(), eur(0));
    // Looked at again, the first period says what the books say, and corrects nothing before it.
    assertEquals(report(FIRST, now, List.of(first, returned(second))).due(), eur(18_900));
  }

  @Test
  public void aPeriodIsReturnedOnce() {
    TaxReturn first = returned(report(FIRST, Map.of(), List.of()));
    TaxReturn.requireNew(SECOND, List.of(first));
    assertThrows(Refusal.class, () -> TaxReturn.requireNew(FIRST, List.of(first)));
    assertThrows(
        Refusal.class,
        () -> TaxReturn.requireNew(ReturnPeriod.YEAR.of(YearMonth.of(2026, 5)), List.of(first)));
  }

  @Test
  public void whatEndsWithinSomeMonthsAndWasNotReturnedIsMissing() {
    TaxReturn first = returned(report(FIRST, Map.of(), List.of()));
    var months = new Span(YearMonth.of(2025, 11), YearMonth.of(2026, 8));
    LocalDate registered = LocalDate.of(2026, 1, 1);
    assertEquals(
        TaxReturn.missing(ReturnPeriod.QUARTER, registered, months, List.of(first)),
        List.of(SECOND));
    assertEquals(
        TaxReturn.missing(ReturnPeriod.QUARTER, registered.minusDays(1), months, List.of()).size(),
        3);
    assertEquals(TaxReturn.missing(ReturnPeriod.YEAR, registered, months, List.of()), List.of());
  }

  @Test
  public void onlyTheLastReturnIsTakenBackAndOnlyWhatIsOverReturned() {
    TaxReturn first = returned(report(FIRST, Map.of(), List.of()));
    TaxReturn second = returned(report(SECOND, Map.of(), List.of()));
    second.requireLastOf(List.of(second, first));
    assertThrows(Refusal.class, () -> first.requireLastOf(List.of(second, first)));
    TaxReturn.requireOver(FIRST, LocalDate.of(2026, 4, 1));
    assertThrows(Refusal.class, () -> TaxReturn.requireOver(FIRST, LocalDate.of(2026, 3, 31)));
    assertEquals(new TaxOwed(eur(100), eur(50), eur(30)).settled(), eur(120));
  }

  /** Whatever changes between returns, all that was returned adds up to what the books say. */
  @Test
  public void returnsWithTheirCorrectionsAddUpToTheBooks() {
    var random = new Random(41);
    for (int round = 0; round < 100; round++) {
      Map<Span, List<TaxedTotals>> now = new HashMap<>();
      List<TaxReturn> returns = new ArrayList<>();
      YearMonth month = YearMonth.of(2024, 1);
      for (int quarter = 0; quarter < 8; quarter++, month = month.plusMonths(3)) {
        now.put(ReturnPeriod.QUARTER.of(month), random(random));
        if (random.nextBoolean()) {
          List<Span> spans = List.copyOf(now.keySet());
          now.put(spans.get(random.nextInt(spans.size())), random(random));
        }
        returns.add(returned(report(ReturnPeriod.QUARTER.of(month), now, returns)));
      }
      Amount sent =
          Amount.sum(
              CurrencyUnit.EUR, returns.stream().map(one -> one.due(CurrencyUnit.EUR)).toList());
      Amount books =
          Amount.sum(
              CurrencyUnit.EUR,
              now.values().stream().flatMap(List::stream).map(TaxedTotals::tax).toList());
      assertEquals(sent, books.negated(), "round " + round);
      assertTrue(
          now.entrySet().stream()
              .allMatch(one ->
                  SalesTaxReport.sinceReturned(
                          CurrencyUnit.EUR, one.getKey(), one.getValue(), returns)
                      .isEmpty()));
    }
  }

  private static List<TaxedTotals> random(Random random) {
    List<TaxedTotals> totals = new ArrayList<>();
    for (Account category : List.of(SALES, PAPER)) {
      for (UUID rate : List.of(STANDARD, REDUCED)) {
        long tax = random.nextLong(-5_000, 5_000);
        totals.add(of(category, rate, 5 * tax, tax));
      }
    }
    return totals;
  }
}
