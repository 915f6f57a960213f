package org.yewledger.core.money;

import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.List;
import org.joda.money.CurrencyUnit;
import org.testng.annotations.Test;

public class CurrenciesTest {
  @Test
  public void offersCurrenciesThatExist() {
    List<CurrencyUnit> inUse = Currencies.inUse();
    for (String code : List.of("EUR", "USD", "JPY", "KWD", "CHF")) {
      assertTrue(inUse.contains(CurrencyUnit.of(code)), code);
    }
    for (String gone : List.of("LTL", "EEK", "HRK")) {
      assertFalse(inUse.stream().anyMatch(c -> c.getCode().equals(gone)), gone);
    }
  }
}
