package org.yewledger.core.report;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import org.joda.money.CurrencyUnit;
import org.testng.annotations.Test;
import org.yewledger.core.Fixtures;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.ledger.Position;

public class RateUsedTest {
  private static Account in(String currency) {
    return Fixtures.account(
        Fixtures.BOOK,
        "Shop takings",
        AccountKind.CURRENT,
        CurrencyUnit.of(currency),
        Fixtures.OPENS);
  }

  @Test
  public void ratesAreOfWholeUnitsWhateverTheDecimals() {
    RateUsed dollars =
        RateUsed.ofEntries(in("USD"), new BigDecimal("0.90001"), new BigDecimal("0.93125"));
    assertEquals(dollars.low(), new BigDecimal("0.9000"));
    assertEquals(dollars.high(), new BigDecimal("0.9312"));
    // 0.62 cents for a yen, which has no smaller unit, are 0.0062 euros.
    RateUsed yen = RateUsed.ofEntries(in("JPY"), new BigDecimal("0.62"), new BigDecimal("0.62"));
    assertEquals(yen.low(), new BigDecimal("0.0062"));
  }

  @Test
  public void aBalanceStandsAtTheAverageOfItsEntries() {
    Account takings = in("USD");
    RateUsed used =
        RateUsed.ofBalance(takings, Position.ofMinor(takings, 30_000, 27_543)).orElseThrow();
    assertEquals(used.low(), new BigDecimal("0.9181"));
    assertEquals(used.high(), used.low());
    assertTrue(RateUsed.ofBalance(takings, Position.empty(takings)).isEmpty());
  }
}
