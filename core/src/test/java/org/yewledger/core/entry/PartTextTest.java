package org.yewledger.core.entry;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yewledger.core.money.Amount;
import org.yewledger.core.tax.TaxOnDay;

/** Parts of a split as they are typed: amounts, shares and net amounts. */
public class PartTextTest {
  private static final Amount SPENT = eur("-48.20");
  private static final TaxOnDay STANDARD = new TaxOnDay(new UUID(0, 1), new BigDecimal("21"));

  private static Amount eur(String decimal) {
    return Amount.of(new BigDecimal(decimal), CurrencyUnit.EUR);
  }

  private static Typed<Amount> read(String typed, Amount whole, Optional<TaxOnDay> tax) {
    return PartText.read(typed, whole, tax, Formats.DEFAULT);
  }

  @DataProvider
  Object[][] typed() {
    return new Object[][] {
      {"20", "-20.00"},
      {"+20", "20.00"},
      {"2*10+1", "-21.00"},
      {"50%", "-24.10"},
      {"12.5 %", "-6.02"},
      {"33,3%", "-16.05"},
      {"100%", "-48.20"},
      {"-10%", "4.82"},
      {"10 net", "-12.10"},
      {"net 10", "-12.10"},
      {"9.99net", "-12.09"},
    };
  }

  @Test(dataProvider = "typed")
  public void aPartIsReadTheWayItsWholeGoes(String typed, String amount) {
    assertEquals(read(typed, SPENT, Optional.of(STANDARD)), new Typed.Means<>(eur(amount)), typed);
  }

  @Test
  public void whatIsUnclearIsAskedAlsoInASharesNumberAndBeforeNet() {
    assertTrue(
        read("1.234 net", SPENT, Optional.of(STANDARD))
                instanceof Typed.Unclear<Amount>(var question, List<Amount> choices)
            && choices.equals(List.of(eur("-1493.14"), eur("-1.49"))));
    assertTrue(read("half%", SPENT, Optional.empty()) instanceof Typed.Unreadable<Amount>);
    assertTrue(read("%", SPENT, Optional.empty()) instanceof Typed.Unreadable<Amount>);
    assertTrue(read("100000%", SPENT, Optional.empty()) instanceof Typed.Unreadable<Amount>);
    assertTrue(
        read("10 net", SPENT, Optional.empty()) instanceof Typed.Unreadable<Amount>(String reason)
            && reason.contains("no sales tax"));
  }

  /** Taken apart again, the gross amount has just the net amount in it that was typed. */
  @Test
  public void aNetAmountIsThereAgainInItsGrossAmount() {
    var random = new Random(21);
    for (int i = 0; i < 5_000; i++) {
      var tax = new TaxOnDay(new UUID(0, 1), BigDecimal.valueOf(random.nextInt(4_000), 2));
      Amount net = Amount.ofMinor(random.nextLong(-10_000_000, 10_000_000), CurrencyUnit.EUR);
      Amount gross = tax.grossOf(net);
      assertEquals(gross.minus(tax.taxIn(gross)), net, net + " at " + tax.percent());
    }
  }

  /** Halves, thirds and so on are never further off than the half of a minor unit. */
  @Test
  public void aShareIsThatShareOfTheWhole() {
    var random = new Random(22);
    for (int i = 0; i < 2_000; i++) {
      Amount whole = Amount.ofMinor(random.nextLong(-1_000_000, 1_000_000), CurrencyUnit.EUR);
      BigDecimal percent = BigDecimal.valueOf(random.nextInt(10_001), 2);
      if (read(percent.toPlainString() + "%", whole, Optional.empty())
          instanceof Typed.Means<Amount>(Amount part)) {
        BigDecimal off =
            part.decimal().subtract(whole.decimal().multiply(percent).movePointLeft(2)).abs();
        assertTrue(off.compareTo(new BigDecimal("0.005")) <= 0, percent + " of " + whole);
      } else {
        throw new AssertionError(percent + "% is not read");
      }
    }
  }
}
