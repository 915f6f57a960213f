package org.yewledger.core.money;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;
import static org.yewledger.core.Fixtures.eur;
import static org.yewledger.core.Fixtures.refusalOf;
import static org.yewledger.core.Fixtures.usd;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import org.joda.money.CurrencyUnit;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class AmountTest {
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
    assertEquals(Amount.of(new BigDecimal(text), CurrencyUnit.of(currency)).minor(), minor);
  }

  @Test
  public void refusesMoreDecimalsThanTheCurrencyHas() {
    assertEquals(
        refusalOf(() -> Amount.of(new BigDecimal("1.005"), CurrencyUnit.EUR)), "amount-too-fine");
    assertEquals(
        refusalOf(() -> Amount.of(new BigDecimal("0.5"), CurrencyUnit.JPY)), "amount-too-fine");
  }

  @Test
  public void refusesAmountsThatCouldOverflowInASum() {
    assertEquals(
        refusalOf(() -> Amount.of(new BigDecimal("1e18"), CurrencyUnit.EUR)), "amount-too-large");
  }

  @Test
  public void comesBackFromItsDecimalUnchanged() {
    var random = new Random(7);
    for (int i = 0; i < 2000; i++) {
      Amount amount = eur(random.nextLong(-1_000_000_000_000L, 1_000_000_000_000L));
      assertEquals(Amount.of(amount.decimal(), CurrencyUnit.EUR), amount);
    }
  }

  @Test
  public void isShownWithATrueMinusAndThousandsMarks() {
    assertEquals(eur(-123_456_789).shown(), "\u22121,234,567.89");
    assertEquals(Amount.ofMinor(1250, CurrencyUnit.JPY).shown(), "1,250");
  }

  @Test
  public void twoCurrenciesAreNeitherAddedNorCompared() {
    for (Runnable mixed :
        List.<Runnable>of(
            () -> eur(1).plus(usd(1)),
            () -> eur(1).minus(usd(1)),
            () -> eur(1).compareTo(usd(1)),
            () -> Amount.sum(CurrencyUnit.EUR, List.of(eur(1), usd(1))))) {
      assertThrows(IllegalArgumentException.class, mixed::run);
    }
  }

  @Test
  public void aSumThatOverflowsIsNoSum() {
    assertThrows(ArithmeticException.class, () -> eur(Long.MAX_VALUE).plus(eur(1)));
    assertThrows(ArithmeticException.class, () -> eur(Long.MIN_VALUE).negated());
  }

  @Test
  public void itsTwoSidesMakeTheWholeInAnyOrder() {
    var random = new Random(11);
    for (int round = 0; round < 200; round++) {
      var amounts = new ArrayList<Amount>();
      for (int i = 0; i < random.nextInt(20); i++) {
        amounts.add(eur(random.nextLong(-1000, 1000)));
      }
      Amount sum = Amount.sum(CurrencyUnit.EUR, amounts);
      Collections.shuffle(amounts, random);
      Amount above = Amount.sum(CurrencyUnit.EUR, amounts.stream().map(Amount::ifAbove).toList());
      Amount below = Amount.sum(CurrencyUnit.EUR, amounts.stream().map(Amount::ifBelow).toList());
      assertEquals(above.minus(below), sum);
      assertEquals(
          above.plus(below),
          Amount.sum(CurrencyUnit.EUR, amounts.stream().map(Amount::size).toList()));
    }
  }
}
