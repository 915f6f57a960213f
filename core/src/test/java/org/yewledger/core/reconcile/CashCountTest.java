package org.yewledger.core.reconcile;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;
import static org.yewledger.core.Fixtures.BOOK;
import static org.yewledger.core.Fixtures.CURRENT;
import static org.yewledger.core.Fixtures.GROCERIES;
import static org.yewledger.core.Fixtures.LEDGER;
import static org.yewledger.core.Fixtures.OPENS;
import static org.yewledger.core.Fixtures.SHOP_USD;
import static org.yewledger.core.Fixtures.eur;
import static org.yewledger.core.Fixtures.refusalOf;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.testng.annotations.Test;
import org.yewledger.core.Refusal;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.money.Amount;
import org.yewledger.core.money.Currencies;
import org.yewledger.core.money.Denominations;
import org.yewledger.core.reconcile.CashCount.Pieces;

public class CashCountTest {
  @Test
  public void onlyCashIsCountedAndNotBeforeItsDay() {
    var purse =
        new Account(
            new UUID(0, 42), BOOK, "Purse", AccountKind.CASH, CurrencyUnit.EUR, false, OPENS);
    LocalDate today = LocalDate.of(2026, 10, 5);
    CashCount.requireCountable(purse, today, today);
    assertEquals(
        refusalOf(() -> CashCount.requireCountable(purse, today.plusDays(1), today)),
        "count-in-future");
    assertEquals(refusalOf(() -> CashCount.requireCountable(CURRENT, today, today)), "not-counted");
  }

  @Test
  public void thePiecesGoBeforeTheSumAndOneOfThemIsNeeded() {
    var pieces = new CashCount(CurrencyUnit.EUR, List.of(new Pieces(eur(2000), 2)));
    assertEquals(CashCount.sum(pieces, eur(1)), eur(4000));
    assertEquals(CashCount.sum(null, eur(1)), eur(1));
    assertEquals(refusalOf(() -> CashCount.sum(null, null)), "not-answered");
  }

  /** Changed into as few pieces as the currency has, an amount counts as itself. */
  @Test
  public void whatIsChangedIntoPiecesCountsAsItself() {
    var random = new Random(8);
    for (String code : List.of("EUR", "GBP", "USD", "JPY", "CHF", "PLN")) {
      CurrencyUnit currency = CurrencyUnit.of(code);
      List<Amount> pieces = Denominations.of(currency);
      for (int round = 0; round < 200; round++) {
        long smallest = pieces.getLast().minor();
        long left = smallest * random.nextInt(100_000);
        Amount all = Amount.ofMinor(left, currency);
        var counted = new ArrayList<Pieces>();
        for (Amount piece : pieces) {
          counted.add(new Pieces(piece, (int) (left / piece.minor())));
          left %= piece.minor();
        }
        assertEquals(new CashCount(currency, counted).total(), all);
      }
    }
  }

  @Test
  public void denominationsFallAndAreNoneWhereNotKnown() {
    for (CurrencyUnit currency : Currencies.inUse()) {
      List<Amount> pieces = Denominations.of(currency);
      for (int i = 1; i < pieces.size(); i++) {
        assertTrue(pieces.get(i).minor() < pieces.get(i - 1).minor(), currency.getCode());
      }
    }
    assertEquals(Denominations.of(CurrencyUnit.of("ISK")), List.of());
  }

  @Test
  public void aPieceThatIsNoneIsRefused() {
    assertEquals(refused(new Pieces(eur(3_00), 1)), "no-such-piece");
    assertEquals(refused(new Pieces(eur(5_00), -1)), "pieces-out-of-range");
    assertEquals(refused(new Pieces(eur(5_00), 1_000_001)), "pieces-out-of-range");
    assertEquals(refused(new Pieces(eur(5_00), 1), new Pieces(eur(5_00), 2)), "no-such-piece");
  }

  private static String refused(Pieces... pieces) {
    return expectThrows(Refusal.class, () -> new CashCount(CurrencyUnit.EUR, List.of(pieces)))
        .code();
  }

  @Test
  public void theLastResortMakesBothAgreeAndSaysWhatItIs() {
    Entry entry =
        LastResort.of(CURRENT, OPENS, eur(-3_55), GROCERIES)
            .entry(Entry.Origin.BY_HAND, List.of(), LEDGER);
    assertEquals(entry.payee(), "Reconciliation difference");
    assertEquals(entry.postings().getFirst().amount(), eur(-3_55));
    assertEquals(LastResort.kindFor(CURRENT), AccountKind.DIFFERENCE);
    assertEquals(
        expectThrows(Refusal.class, () -> LastResort.of(CURRENT, OPENS, eur(0), GROCERIES)).code(),
        "nothing-apart");
    Amount dollars = Amount.ofMinor(5, CurrencyUnit.USD);
    assertEquals(
        expectThrows(Refusal.class, () -> LastResort.of(SHOP_USD, OPENS, dollars, GROCERIES))
            .code(),
        "difference-abroad");
  }
}
