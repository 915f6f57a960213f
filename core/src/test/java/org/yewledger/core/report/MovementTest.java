package org.yewledger.core.report;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.yewledger.core.Fixtures.CARD;
import static org.yewledger.core.Fixtures.CURRENT;
import static org.yewledger.core.Fixtures.GROCERIES;
import static org.yewledger.core.Fixtures.KESTREL;
import static org.yewledger.core.Fixtures.SALES;
import static org.yewledger.core.Fixtures.SCHOOL;
import static org.yewledger.core.Fixtures.SHOP_USD;
import static org.yewledger.core.Fixtures.account;

import java.util.List;
import org.testng.annotations.Test;
import org.yewledger.core.Fixtures;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.ledger.Posting;

public class MovementTest {
  private static Movement of(Posting... postings) {
    return Movement.of(List.of(postings));
  }

  @Test
  public void spentIsBelowZeroAndEarnedAbove() {
    assertEquals(of(new Posting(CURRENT, -500), new Posting(GROCERIES, 500)).amountMinor(), -500);
    assertEquals(of(new Posting(KESTREL, 500), new Posting(SALES, -500)).amountMinor(), 500);
    assertEquals(of(new Posting(CURRENT, 500), new Posting(GROCERIES, -500)).amountMinor(), 500);
  }

  @Test
  public void aPayoutLessItsFeeIsWhatArrived() {
    var fee = account(Fixtures.OTHER_BOOK, "Fees", AccountKind.EXPENSE, null);
    Movement payout =
        of(new Posting(KESTREL, 9_500), new Posting(fee, 500), new Posting(SALES, -10_000));
    assertEquals(payout.amountMinor(), 9_500);
    assertFalse(payout.transfer());
  }

  @Test
  public void betweenOwnAccountsItIsWhatWasMoved() {
    Movement moved = of(new Posting(CURRENT, -500), new Posting(CARD, 500));
    assertEquals(moved.amountMinor(), 500);
    assertTrue(moved.transfer());
  }

  @Test
  public void amountsOfTwoCurrenciesAreNotMixed() {
    Movement sold = of(new Posting(SHOP_USD, 10_000, 9_214, ""), new Posting(SALES, -9_214));
    assertEquals(sold.amountMinor(), 9_214);
    assertEquals(sold.currency().getCode(), "EUR");
  }

  @Test
  public void betweenCategoriesItIsWhatTheDebitsMake() {
    assertEquals(of(new Posting(SCHOOL, 500), new Posting(GROCERIES, -500)).amountMinor(), 500);
  }
}
