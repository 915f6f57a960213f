package org.yewledger.core.money;

import static org.joda.money.CurrencyUnit.EUR;
import static org.joda.money.CurrencyUnit.JPY;
import static org.joda.money.CurrencyUnit.USD;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.yewledger.core.Fixtures.dollarsToEuros;
import static org.yewledger.core.Fixtures.eur;
import static org.yewledger.core.Fixtures.refusalOf;
import static org.yewledger.core.Fixtures.usd;

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
    assertEquals(RATES.convert(usd(100_00), EUR, DAY), eur(91_00));
    assertEquals(RATES.convert(usd(100_00), EUR, LocalDate.of(2026, 9, 9)), eur(92_00));
    assertEquals(RATES.convert(usd(100_00), EUR, LocalDate.of(2026, 9, 10)), eur(91_00));
    assertEquals(
        refusalOf(() -> RATES.convert(usd(1), EUR, LocalDate.of(2026, 8, 31))), "rate-missing");
  }

  @Test
  public void turnedRoundItLeadsBackToTheAmount() {
    var random = new Random(8);
    for (int i = 0; i < 1000; i++) {
      long euros = random.nextInt(1, 10_000_000);
      Amount dollars = RATES.convert(eur(euros), USD, DAY);
      assertTrue(Math.abs(RATES.convert(dollars, EUR, DAY).minor() - euros) <= 1, "" + euros);
    }
  }

  @Test
  public void respectsTheDecimalsOfEachCurrency() {
    var rates =
        new ExchangeRates(List.of(new ExchangeRate(EUR, JPY, DAY, new BigDecimal("162.5"))));
    assertEquals(rates.convert(eur(10_00), JPY, DAY), Amount.ofMinor(1625, JPY));
    assertEquals(rates.convert(Amount.ofMinor(1625, JPY), EUR, DAY), eur(10_00));
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
    assertEquals(ExchangeRates.NONE.convert(eur(5), EUR, DAY), eur(5));
  }
}
