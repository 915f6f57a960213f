package org.yewledger.core.post;

import static org.testng.Assert.assertEquals;
import static org.yewledger.core.Fixtures.CARD;
import static org.yewledger.core.Fixtures.CURRENT;
import static org.yewledger.core.Fixtures.GROCERIES;
import static org.yewledger.core.Fixtures.KESTREL;
import static org.yewledger.core.Fixtures.LEDGER;
import static org.yewledger.core.Fixtures.PAPER;
import static org.yewledger.core.Fixtures.SALES;
import static org.yewledger.core.Fixtures.SCHOOL;
import static org.yewledger.core.Fixtures.SHOP_USD;
import static org.yewledger.core.Fixtures.dollars;
import static org.yewledger.core.Fixtures.dollarsToEuros;
import static org.yewledger.core.Fixtures.eur;
import static org.yewledger.core.Fixtures.ledger;
import static org.yewledger.core.Fixtures.line;
import static org.yewledger.core.Fixtures.refusalOf;
import static org.yewledger.core.Fixtures.usd;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.UUID;
import org.testng.annotations.Test;
import org.yewledger.core.Fixtures;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.ledger.BetweenBooks;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.ledger.Ledger;
import org.yewledger.core.ledger.PendingLedger;
import org.yewledger.core.ledger.Position;
import org.yewledger.core.ledger.Posting;
import org.yewledger.core.post.Booking.Part;

public class BookingTest {
  private static final BankLine LINE = line("2026-09-26", -7485, "GREENGAGE MKT 114");

  @Test
  public void aSplitLineBecomesOneEntry() {
    var parts =
        List.of(
            new Part(GROCERIES, eur(-6160), "weekly"), new Part(SCHOOL, eur(-1325), "lunch boxes"));
    Entry entry =
        new Booking("Greengage Market", "", parts).entryFor(CURRENT, LINE, LEDGER).entry();
    assertEquals(entry.postings().size(), 3);
    assertEquals(entry.postings().get(0).account(), CURRENT);
    assertEquals(entry.postings().get(0).amount().minor(), -7485);
    assertEquals(entry.postings().get(1).debit().minor(), 6160);
    assertEquals(entry.date(), LINE.bookedOn());
  }

  @Test
  public void partsMustAddUpToTheLine() {
    var parts = List.of(new Part(GROCERIES, eur(-6000), ""), new Part(SCHOOL, eur(-1325), ""));
    assertEquals(
        refusalOf(() -> new Booking("x", "", parts).entryFor(CURRENT, LINE, LEDGER)),
        "still-to-place");
  }

  @Test
  public void whatIsLeftOpenStandsInSuspense() {
    var parts = List.of(new Part(GROCERIES, eur(-6000), ""));
    Entry entry = new Booking("x", "", parts, true).entryFor(CURRENT, LINE, LEDGER).entry();
    Posting rest = entry.postings().getLast();
    assertEquals(rest.account().kind(), AccountKind.SUSPENSE);
    assertEquals(rest.amount().minor(), 1485);
    Entry all = new Booking("x", "", List.of(), true).entryFor(CURRENT, LINE, LEDGER).entry();
    assertEquals(all.postings().size(), 2);
    Entry none =
        new Booking("x", "", List.of(new Part(GROCERIES, eur(-7485), "")), true)
            .entryFor(CURRENT, LINE, LEDGER)
            .entry();
    assertEquals(none.postings().size(), 2);
  }

  @Test
  public void anySplitOfALineBalances() {
    var random = new Random(5);
    for (int round = 0; round < 300; round++) {
      long rest = 1 + random.nextInt(1_000_000);
      BankLine line = line("2026-09-26", random.nextBoolean() ? rest : -rest, "X");
      int sign = Long.signum(line.amountMinor());
      var parts = new ArrayList<Part>();
      while (rest > 0) {
        long part = Math.min(rest, 1 + random.nextInt(400_000));
        parts.add(new Part(random.nextBoolean() ? GROCERIES : SCHOOL, eur(sign * part), ""));
        rest -= part;
      }
      Entry entry = new Booking("x", "", parts).entryFor(CURRENT, line, LEDGER).entry();
      assertEquals(entry.postings().getFirst().amount(), eur(line.amountMinor()));
    }
  }

  @Test
  public void asksWhoItIsAndWhereItGoes() {
    assertEquals(
        refusalOf(
            () -> Booking.plain(" ", GROCERIES, LINE, CURRENT).entryFor(CURRENT, LINE, LEDGER)),
        "payee-missing");
    assertEquals(
        refusalOf(() -> Booking.plain("x", CURRENT, LINE, CURRENT).entryFor(CURRENT, LINE, LEDGER)),
        "same-account");
  }

  @Test
  public void aPartOfAnotherBookGetsBothItsDrawings() {
    Entry entry =
        Booking.plain("Inkwell & Sons", PAPER, LINE, CURRENT)
            .entryFor(CURRENT, LINE, LEDGER)
            .entry();
    assertEquals(entry.postings().size(), 4);
    assertEquals(
        entry.postings().stream()
            .filter(p -> p.account().kind() == AccountKind.DRAWINGS)
            .mapToLong(p -> p.value().minor())
            .sum(),
        0);
    assertEquals(
        BetweenBooks.inWords(entry.postings()),
        "Household gives 74.85 EUR to Press. So that each book balances by itself, these are"
            + " added: Drawings, Household in Household and Drawings, Press in Press.");
  }

  @Test
  public void aLineInDollarsIsValuedAtTheRateOfItsDay() {
    Ledger ledger = ledger(Position.empty(SHOP_USD), dollarsToEuros("2026-09-01", "0.9214"));
    Entry entry =
        Booking.plain("Shop", SALES, LINE, SHOP_USD).entryFor(SHOP_USD, LINE, ledger).entry();
    assertEquals(entry.postings().get(0).amount().minor(), -7485);
    assertEquals(entry.postings().get(0).value().minor(), -6897);
    assertEquals(entry.postings().get(1).amount().minor(), 6897);
    assertEquals(
        refusalOf(
            () -> Booking.plain("Shop", SALES, LINE, SHOP_USD).entryFor(SHOP_USD, LINE, LEDGER)),
        "rate-missing");
  }

  @Test
  public void aTransferToAnotherCurrencyAsksForTheAmountThere() {
    assertEquals(
        refusalOf(
            () -> Booking.plain("Payout", SHOP_USD, LINE, KESTREL).entryFor(KESTREL, LINE, LEDGER)),
        "other-amount-missing");
    var part = new Part(SHOP_USD, eur(-7485), "", usd(8100));
    Entry entry = new Booking("Payout", "", List.of(part)).entryFor(KESTREL, LINE, LEDGER).entry();
    assertEquals(entry.postings().get(0).account(), KESTREL);
    assertEquals(entry.postings().get(1).amount().minor(), 8100);
    assertEquals(entry.postings().get(1).value().minor(), 7485);
  }

  @Test
  public void whatTheCoreKeepsIsNotBookedToByHand() {
    var drawings = Fixtures.account(Fixtures.BOOK, "Drawings", AccountKind.DRAWINGS, null);
    assertEquals(
        refusalOf(
            () -> Booking.plain("x", drawings, LINE, CURRENT).entryFor(CURRENT, LINE, LEDGER)),
        "kept-by-core");
  }

  @Test
  public void findsPostingsThatTheLineMayBeNearestFirst() {
    BankLine payment = line("2026-09-20", 29618, "PAYMENT RECEIVED");
    OpenPosting near = open(CARD.id(), "2026-09-21", 29618);
    OpenPosting same = open(CARD.id(), "2026-09-20", 29618);
    OpenPosting far = open(CARD.id(), "2026-09-01", 29618);
    OpenPosting other = open(CURRENT.id(), "2026-09-20", 29618);
    OpenPosting wrong = open(CARD.id(), "2026-09-20", 29600);
    assertEquals(
        OpenPosting.thatMayBe(CARD.id(), payment, List.of(near, same, far, other, wrong)),
        List.of(same, near));
  }

  private static OpenPosting open(UUID account, String day, long amount) {
    return new OpenPosting(UUID.randomUUID(), account, LocalDate.parse(day), amount, "", false);
  }

  @Test
  public void whatLeavesAForeignAccountLeavesAtAverageCost() {
    // 200.00 dollars stand at 180.00: 74.85 of them are carried at 67.36, and worth 68.97.
    Ledger ledger = ledger(dollars(20_000, 18_000), dollarsToEuros("2026-09-01", "0.9214"));
    Booking.Booked booked =
        Booking.plain("Fee", SALES, LINE, SHOP_USD).entryFor(SHOP_USD, LINE, ledger);
    assertEquals(booked.atBank().value().minor(), -6736);
    assertEquals(booked.entry().postings().get(1).value().minor(), 6897);
    assertEquals(booked.entry().postings().get(2).account().kind(), AccountKind.EXCHANGE);
    assertEquals(booked.entry().postings().get(2).value().minor(), -161);
  }

  @Test
  public void anEmptiedForeignAccountIsWorthNothing() {
    var random = new Random(7);
    for (int round = 0; round < 300; round++) {
      long own = 1 + random.nextInt(500_000);
      long base = random.nextInt(500_000);
      var pending =
          new PendingLedger(ledger(dollars(own, base), dollarsToEuros("2026-09-01", "0.9214")));
      long left = own;
      long value = base;
      while (left > 0) {
        long amount = 1 + random.nextLong(left);
        BankLine line = line("2026-09-26", -amount, "SHOP");
        Entry entry =
            Booking.plain("x", SALES, line, SHOP_USD).entryFor(SHOP_USD, line, pending).entry();
        pending.note(entry);
        left -= amount;
        value += entry.postings().getFirst().value().minor();
      }
      assertEquals(value, 0, "of " + own + " at " + base);
    }
  }

  @Test
  public void aLineOfZeroBooksNothing() {
    BankLine line = line("2026-09-26", 0, "NOTHING");
    var parts = List.of(new Part(GROCERIES, eur(500), ""), new Part(GROCERIES, eur(-500), ""));
    assertEquals(
        refusalOf(() -> new Booking("x", "", parts).entryFor(CURRENT, line, LEDGER)),
        "nothing-moved");
  }
}
