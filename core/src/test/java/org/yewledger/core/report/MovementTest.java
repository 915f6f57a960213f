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
import static org.yewledger.core.Fixtures.posting;

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
    assertEquals(of(posting(CURRENT, -500), posting(GROCERIES, 500)).amount().minor(), -500);
    assertEquals(of(posting(KESTREL, 500), posting(SALES, -500)).amount().minor(), 500);
    assertEquals(of(posting(CURRENT, 500), posting(GROCERIES, -500)).amount().minor(), 500);
  }

  @Test
  public void aPayoutLessItsFeeIsWhatArrived() {
    var fee = account(Fixtures.OTHER_BOOK, "Fees", AccountKind.EXPENSE, null);
    Movement payout = of(posting(KESTREL, 9_500), posting(fee, 500), posting(SALES, -10_000));
    assertEquals(payout.amount().minor(), 9_500);
    assertFalse(payout.transfer());
  }

  @Test
  public void betweenOwnAccountsItIsWhatWasMoved() {
    Movement moved = of(posting(CURRENT, -500), posting(CARD, 500));
    assertEquals(moved.amount().minor(), 500);
    assertTrue(moved.transfer());
  }

  @Test
  public void betweenBooksItIsWhatLeftTheFirst() {
    var ofPress = account(Fixtures.OTHER_BOOK, "Drawn", AccountKind.DRAWINGS, null);
    var ofHome = account(CURRENT.book(), "Drawn", AccountKind.DRAWINGS, null);
    Movement drawn =
        of(
            posting(KESTREL, -700),
            posting(ofPress, 700),
            posting(CURRENT, 700),
            posting(ofHome, -700));
    assertEquals(drawn.amount().minor(), 700);
    assertTrue(drawn.transfer());
  }

  @Test
  public void amountsOfTwoCurrenciesAreNotMixed() {
    Movement sold = of(posting(SHOP_USD, 10_000, 9_214), posting(SALES, -9_214));
    assertEquals(sold.amount().minor(), 9_214);
    assertEquals(sold.amount().currency().getCode(), "EUR");
  }

  @Test
  public void betweenCategoriesItIsWhatTheDebitsMake() {
    assertEquals(of(posting(SCHOOL, 500), posting(GROCERIES, -500)).amount().minor(), 500);
  }
}
