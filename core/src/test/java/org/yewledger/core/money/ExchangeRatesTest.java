package org.yewledger.core.money;

import static org.joda.money.CurrencyUnit.EUR;
import static org.joda.money.CurrencyUnit.JPY;
import static org.joda.money.CurrencyUnit.USD;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.yewledger.core.Fixtures.dollarsToEuros;
import static org.yewledger.core.Fixtures.refusalOf;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Random;
import org.testng.annotations.Test;

public class ExchangeRatesTest {
  private static final LocalDate DAY = LocalDate.of(2026, 9, 12);
  private static final ExchangeRates RATES =
      new ExchangeRates(
          List.of(dollarsToEuros("2026-09-01", "0.92"), dollarsToEuros("2026-09-10", "0.91")));

  @Test
  public void theLastRateOnOrBeforeTheDayCounts() {
    assertEquals(RATES.convert(100_00, USD, EUR, DAY), 91_00);
    assertEquals(RATES.convert(100_00, USD, EUR, LocalDate.of(2026, 9, 9)), 92_00);
    assertEquals(RATES.convert(100_00, USD, EUR, LocalDate.of(2026, 9, 10)), 91_00);
    assertEquals(
        refusalOf(() -> RATES.convert(1, USD, EUR, LocalDate.of(2026, 8, 31))), "rate-missing");
  }

  @Test
  public void turnedRoundItLeadsBackToTheAmount() {
    var random = new Random(8);
    for (int i = 0; i < 1000; i++) {
      long euros = random.nextInt(1, 10_000_000);
      long dollars = RATES.convert(euros, EUR, USD, DAY);
      assertTrue(Math.abs(RATES.convert(dollars, USD, EUR, DAY) - euros) <= 1, "" + euros);
    }
  }

  @Test
  public void respectsTheDecimalsOfEachCurrency() {
    var rates =
        new ExchangeRates(List.of(new ExchangeRate(EUR, JPY, DAY, new BigDecimal("162.5"))));
    assertEquals(rates.convert(10_00, EUR, JPY, DAY), 1625);
    assertEquals(rates.convert(1625, JPY, EUR, DAY), 10_00);
  }

  @Test
  public void aRateOfZeroOrOfItselfIsRefused() {
    assertEquals(refusalOf(() -> dollarsToEuros("2026-09-01", "0")), "rate-not-positive");
    assertEquals(refusalOf(() -> dollarsToEuros("2026-09-01", "-1")), "rate-not-positive");
    assertEquals(refusalOf(() -> dollarsToEuros("2026-09-01", "0.12345678901")), "rate-too-fine");
    assertEquals(
        refusalOf(() -> new ExchangeRate(EUR, EUR, DAY, BigDecimal.ONE)), "rate-of-itself");
  }

  @Test
  public void ofTheSameCurrencyNeedsNoRate() {
    assertEquals(ExchangeRates.NONE.convert(5, EUR, EUR, DAY), 5);
  }
}
