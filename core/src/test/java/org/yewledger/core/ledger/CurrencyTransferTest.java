package org.yewledger.core.ledger;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.yewledger.core.Fixtures.CURRENT;
import static org.yewledger.core.Fixtures.KESTREL;
import static org.yewledger.core.Fixtures.LEDGER;
import static org.yewledger.core.Fixtures.SHOP_USD;
import static org.yewledger.core.Fixtures.dollars;
import static org.yewledger.core.Fixtures.dollarsToEuros;
import static org.yewledger.core.Fixtures.eur;
import static org.yewledger.core.Fixtures.ledger;
import static org.yewledger.core.Fixtures.refusalOf;
import static org.yewledger.core.Fixtures.usd;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Random;
import org.testng.annotations.Test;

public class CurrencyTransferTest {
  private static final LocalDate DAY = LocalDate.of(2026, 9, 12);

  private static CurrencyTransfer.Booked payout(long dollars, long euros, Ledger ledger) {
    return new CurrencyTransfer(DAY, SHOP_USD, usd(dollars), KESTREL, eur(euros), "")
        .booked(ledger, "Payout", Entry.Origin.BY_HAND);
  }

  @Test
  public void theGainIsWhatArrivesLessWhatTheBooksCarried() {
    // 457.80 USD stand at 390.26 EUR; 200.00 of them carry 170.49.
    var booked = payout(200_00, 176_00, ledger(dollars(457_80, 390_26)));
    assertEquals(booked.gain().minor(), 176_00 - 170_49);
    assertEquals(booked.impliedRate(), new BigDecimal("0.880000"));
    Posting gain = booked.entry().postings().getLast();
    assertEquals(gain.account().kind(), AccountKind.EXCHANGE);
    assertEquals(gain.credit().minor(), 5_51);
  }

  @Test
  public void givingAllAwayLeavesNoValueBehind() {
    var random = new Random(3);
    for (int i = 0; i < 300; i++) {
      long own = random.nextInt(1, 5_000_000);
      long base = random.nextInt(1, 5_000_000);
      var all = payout(own, 1 + random.nextInt(4_000_000), ledger(dollars(own, base)));
      assertEquals(all.entry().postings().getFirst().value().minor(), -base);
      // In two steps the same: the second gives what the first left.
      long part = 1 + random.nextLong(own);
      if (part < own) {
        long carried = dollars(own, base).valueOf(usd(part)).minor();
        assertEquals(
            dollars(own - part, base - carried).valueOf(usd(own - part)), eur(base - carried));
      }
    }
  }

  @Test
  public void buyingCurrencyRealisesNothing() {
    var booked =
        new CurrencyTransfer(DAY, KESTREL, eur(92_00), SHOP_USD, usd(100_00), "")
            .booked(LEDGER, "x", Entry.Origin.BY_HAND);
    assertEquals(booked.gain().minor(), 0);
    assertEquals(booked.entry().postings().get(1).amount().minor(), 100_00);
    assertEquals(booked.entry().postings().get(1).value().minor(), 92_00);
  }

  @Test
  public void goesBetweenBooksToo() {
    var booked =
        new CurrencyTransfer(DAY, SHOP_USD, usd(50_00), CURRENT, eur(44_00), "")
            .booked(ledger(dollars(100_00, 90_00)), "x", Entry.Origin.BY_HAND);
    assertEquals(booked.gain().minor(), -1_00);
    // 50.00 dollars are carried at 45.00 and bring 44.00; each book is balanced by its drawings.
    assertEquals(
        booked.entry().postings().stream()
            .map(
                p -> p.account().kind() + " " + p.account().book().name() + " " + p.value().minor())
            .toList(),
        List.of(
            "PAYOUT Press -4500",
            "CURRENT Household 4400",
            "EXCHANGE Press 100",
            "DRAWINGS Press 4400",
            "DRAWINGS Household -4400"));
  }

  @Test
  public void refusesWhatIsNoTransfer() {
    assertEquals(
        refusalOf(() -> new CurrencyTransfer(DAY, KESTREL, eur(1), KESTREL, eur(1), "")),
        "same-account");
    assertEquals(
        refusalOf(() -> new CurrencyTransfer(DAY, KESTREL, eur(0), SHOP_USD, usd(1), "")),
        "amount-not-positive");
    assertEquals(
        refusalOf(() -> new CurrencyTransfer(DAY, KESTREL, eur(5), CURRENT, eur(6), "")),
        "amounts-differ");
  }

  @Test
  public void revaluationBringsAValueToTheRateOfTheDayAndThenFindsNothingMore() {
    Ledger before = ledger(dollars(457_80, 390_26), dollarsToEuros("2026-09-30", "0.86"));
    Account exchange = before.exchangeDifferences(SHOP_USD.book());
    Entry entry =
        Revaluation.of(SHOP_USD.book(), DAY.withDayOfMonth(30), List.of(SHOP_USD, KESTREL), before)
            .entry(exchange)
            .orElseThrow();
    assertEquals(entry.postings().getFirst().amount().minor(), 0);
    assertEquals(entry.postings().getFirst().value().minor(), 393_71 - 390_26);
    Ledger after = ledger(dollars(457_80, 393_71), dollarsToEuros("2026-09-30", "0.86"));
    assertTrue(
        Revaluation.of(SHOP_USD.book(), DAY.withDayOfMonth(30), List.of(SHOP_USD), after)
            .entry(exchange)
            .isEmpty());
  }

  @Test
  public void betweenTwoAccountsInOneForeignCurrencyNothingIsRealisedAndNoRateIsNeeded() {
    Account other =
        org.yewledger.core.Fixtures.account(
            SHOP_USD.book(),
            "Other takings",
            AccountKind.PAYOUT,
            SHOP_USD.currency(),
            org.yewledger.core.Fixtures.OPENS);
    var moved =
        new CurrencyTransfer(DAY, SHOP_USD, usd(200_00), other, usd(200_00), "")
            .booked(ledger(dollars(457_80, 390_26)), "x", Entry.Origin.BY_HAND);
    assertEquals(moved.gain().minor(), 0);
    assertEquals(moved.entry().postings().size(), 2);
    assertEquals(moved.entry().postings().get(1).value().minor(), 170_49);
  }
}
