package org.yewledger.core.money;

import static org.testng.Assert.assertEquals;
import static org.yewledger.core.Fixtures.refusalOf;

import java.math.BigDecimal;
import java.util.Random;
import org.joda.money.CurrencyUnit;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class AmountsTest {
  @DataProvider
  Object[][] amounts() {
    return new Object[][] {
      {"12.50", "EUR", 1250L},
      {"-0.01", "EUR", -1L},
      {"1250", "JPY", 1250L},
      {"1.234", "KWD", 1234L},
      {"5", "EUR", 500L},
      {"7.500", "EUR", 750L},
    };
  }

  @Test(dataProvider = "amounts")
  public void countsInMinorUnitsOfTheCurrency(String text, String currency, long minor) {
    assertEquals(Amounts.toMinor(new BigDecimal(text), CurrencyUnit.of(currency)), minor);
  }

  @Test
  public void refusesMoreDecimalsThanTheCurrencyHas() {
    assertEquals(
        refusalOf(() -> Amounts.toMinor(new BigDecimal("1.005"), CurrencyUnit.EUR)),
        "amount-too-fine");
    assertEquals(
        refusalOf(() -> Amounts.toMinor(new BigDecimal("0.5"), CurrencyUnit.JPY)),
        "amount-too-fine");
  }

  @Test
  public void refusesAmountsThatCouldOverflowInASum() {
    assertEquals(
        refusalOf(() -> Amounts.toMinor(new BigDecimal("1e18"), CurrencyUnit.EUR)),
        "amount-too-large");
  }

  @Test
  public void comesBackFromMinorUnitsUnchanged() {
    var random = new Random(7);
    for (int i = 0; i < 2000; i++) {
      long minor = random.nextLong(-1_000_000_000_000L, 1_000_000_000_000L);
      assertEquals(
          Amounts.toMinor(Amounts.toDecimal(minor, CurrencyUnit.EUR), CurrencyUnit.EUR), minor);
    }
  }

  @Test
  public void isShownWithATrueMinusAndThousandsMarks() {
    assertEquals(Amounts.shown(-123_456_789, CurrencyUnit.EUR), "\u22121,234,567.89");
    assertEquals(Amounts.shown(1250, CurrencyUnit.JPY), "1,250");
  }
}
