package org.yewledger.core.post;

import static org.testng.Assert.assertEquals;
import static org.yewledger.core.Fixtures.CARD;
import static org.yewledger.core.Fixtures.CURRENT;
import static org.yewledger.core.Fixtures.GROCERIES;
import static org.yewledger.core.Fixtures.LEDGER;
import static org.yewledger.core.Fixtures.OTHER_BOOK;
import static org.yewledger.core.Fixtures.PAPER;
import static org.yewledger.core.Fixtures.SCHOOL;
import static org.yewledger.core.Fixtures.SHOP_USD;
import static org.yewledger.core.Fixtures.eur;
import static org.yewledger.core.Fixtures.line;
import static org.yewledger.core.Fixtures.posting;
import static org.yewledger.core.Fixtures.refusalOf;
import static org.yewledger.core.Fixtures.usd;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;
import org.testng.annotations.Test;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.BetweenBooks;
import org.yewledger.core.ledger.Draft;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.ledger.Posting;
import org.yewledger.core.post.Pairing.Side;

public class PairingTest {
  private static List<Side> on(Account account, long... minor) {
    return Stream.of(minor)
        .flatMapToLong(java.util.Arrays::stream)
        .mapToObj(m -> new Side(account.id(), eur(m)))
        .toList();
  }

  @Test
  public void oneIsOneAndSeveralAddUpEitherWay() {
    new Pairing(on(CURRENT, -5), on(CURRENT, -5)).requireSame();
    var deposit = new Pairing(on(CURRENT, 65), on(CURRENT, 40, 25));
    deposit.requireSame();
    assertEquals(deposit.share(0, 1), eur(25));
    var deliveries = new Pairing(on(CURRENT, -25, -12), on(CURRENT, -37));
    deliveries.requireSame();
    assertEquals(deliveries.share(1, 0), eur(-12));
  }

  @Test
  public void whatIsNotTheSameIsRefused() {
    assertEquals(
        refusalOf(() -> new Pairing(on(CURRENT, 65), on(CURRENT, 40, 24)).requireSame()),
        "not-the-same");
    assertEquals(refusalOf(() -> new Pairing(on(CURRENT, 65), on(CARD, 65))), "not-the-same");
    assertEquals(
        refusalOf(() -> new Pairing(on(CURRENT, 1, 2), on(CURRENT, 2, 1))), "not-answered");
    assertEquals(refusalOf(() -> new Pairing(on(CURRENT, 1), List.of())), "not-answered");
  }

  private static Entry entry(Posting... postings) {
    return new Entry(
        LocalDate.of(2026, 9, 2),
        "Whimbrel Tearoom",
        "lunch",
        Entry.Origin.BY_HAND,
        BetweenBooks.balanced(List.of(postings), LEDGER::drawings));
  }

  /**
   * The tip of what another book's category was paid from here is placed here; both books balance.
   */
  @Test
  public void aDifferenceIsPlacedAndTheEntryBalances() {
    Entry bill = entry(posting(CARD, -4_000), posting(PAPER, 4_000));
    Draft draft = Difference.placed(bill, 0, eur(-4_400), GROCERIES);
    Entry after = draft.entry(Entry.Origin.BY_HAND, bill.postings(), LEDGER);
    assertEquals(after.payee(), "Whimbrel Tearoom");
    assertEquals(after.note(), "lunch");
    assertEquals(on(after, CARD), -4_400);
    assertEquals(on(after, GROCERIES), 400);
    assertEquals(on(after, PAPER), 4_000);
    assertEquals(
        after.postings().stream()
            .filter(p -> p.account().bookId().equals(OTHER_BOOK.id()))
            .mapToLong(p -> p.value().minor())
            .sum(),
        0);
  }

  @Test
  public void aDifferenceInAnotherCurrencyIsForTheJournal() {
    Entry exchange = entry(new Posting(SHOP_USD, usd(-100), eur(-90), ""), posting(PAPER, 90));
    assertEquals(
        refusalOf(() -> Difference.placed(exchange, 1, eur(95), SCHOOL)), "difference-abroad");
    Entry plain = entry(posting(CURRENT, -100), posting(SCHOOL, 100));
    assertEquals(
        refusalOf(() -> Difference.placed(plain, 0, eur(-110), SHOP_USD)), "difference-abroad");
  }

  private static long on(Entry entry, Account account) {
    return entry.postings().stream()
        .filter(p -> p.account().equals(account))
        .mapToLong(p -> p.amount().minor())
        .sum();
  }

  @Test
  public void twoHalvesAreWhatLeavesOneAccountAndArrivesOnAnother() {
    WaitingLine out = new WaitingLine(new UUID(1, 1), CURRENT, line("2026-09-01", -61, "OUT"));
    WaitingLine in = new WaitingLine(new UUID(1, 2), CARD, line("2026-09-22", 61, "IN"));
    Booking booking = OwnTransfers.booking("To the card", out, in);
    assertEquals(booking.parts(), List.of(new Booking.Part(CARD, eur(-61), "")));
    WaitingLine abroad = new WaitingLine(new UUID(1, 3), SHOP_USD, line("2026-09-02", 70, "IN"));
    assertEquals(OwnTransfers.booking("Abroad", out, abroad).parts().getFirst().other(), usd(70));
    for (WaitingLine no :
        List.of(
            out,
            new WaitingLine(new UUID(1, 4), CARD, line("2026-09-02", -61, "OUT TOO")),
            new WaitingLine(new UUID(1, 5), CARD, line("2026-09-02", 60, "LESS")))) {
      assertEquals(refusalOf(() -> OwnTransfers.booking("", out, no)), "not-two-halves");
    }
  }
}
