package org.yewledger.core.entry;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNull;
import static org.testng.Assert.assertTrue;
import static org.yewledger.core.Fixtures.CARD;
import static org.yewledger.core.Fixtures.COURIERS;
import static org.yewledger.core.Fixtures.CURRENT;
import static org.yewledger.core.Fixtures.GROCERIES;
import static org.yewledger.core.Fixtures.KESTREL;
import static org.yewledger.core.Fixtures.LEDGER;
import static org.yewledger.core.Fixtures.PAPER;
import static org.yewledger.core.Fixtures.REDUCED;
import static org.yewledger.core.Fixtures.SALES;
import static org.yewledger.core.Fixtures.SCHOOL;
import static org.yewledger.core.Fixtures.SHOP_USD;
import static org.yewledger.core.Fixtures.TAXES;
import static org.yewledger.core.Fixtures.dollars;
import static org.yewledger.core.Fixtures.dollarsToEuros;
import static org.yewledger.core.Fixtures.eur;
import static org.yewledger.core.Fixtures.ledger;
import static org.yewledger.core.Fixtures.posting;
import static org.yewledger.core.Fixtures.refusalOf;
import static org.yewledger.core.Fixtures.usd;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.testng.annotations.Test;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.ledger.Ledger;
import org.yewledger.core.ledger.Marks;
import org.yewledger.core.ledger.Method;
import org.yewledger.core.ledger.Posting;
import org.yewledger.core.post.Booking;
import org.yewledger.core.tax.TaxChoice;

public class QuickEntryTest {
  private static final LocalDate TODAY = LocalDate.of(2026, 10, 5);
  private static final LocalDate BASE = LocalDate.of(2026, 10, 2);
  private static final LastEntry PHARMACY =
      new LastEntry(
          CURRENT,
          SCHOOL,
          eur(1860),
          TaxChoice.AS_USUAL,
          new Marks("", Method.CARD, List.of("health")));

  private static QuickEntry.Typing typed(
      String day,
      String amount,
      @Nullable Account fixed,
      @Nullable Account from,
      @Nullable Account to) {
    return new QuickEntry.Typing(
        day,
        "Mill Lane Pharmacy",
        amount,
        fixed,
        from,
        to,
        List.of(),
        false,
        "",
        "",
        "",
        null,
        null,
        null);
  }

  private static QuickEntry read(QuickEntry.Typing typing, @Nullable LastEntry last) {
    return read(typing, last, null);
  }

  private static QuickEntry read(
      QuickEntry.Typing typing, @Nullable LastEntry last, @Nullable Account category) {
    return QuickEntry.of(
        typing,
        new QuickEntry.Context(
            BASE, TODAY, Formats.DEFAULT, CurrencyUnit.EUR, Optional.ofNullable(last), category));
  }

  private static LastEntry last(Entry entry) {
    return LastEntry.of(entry.date(), entry.postings(), entry.marks(), TAXES);
  }

  private static List<Posting> postings(QuickEntry.Typing typing, @Nullable LastEntry last) {
    return read(typing, last).entry(LEDGER).postings();
  }

  @Test
  public void aCategoryThatWasSaidOfThePayeeGoesBeforeThatOfLastTime() {
    Entry entry = read(typed("", "", null, null, null), PHARMACY, GROCERIES).entry(LEDGER);
    assertEquals(entry.postings(), List.of(posting(CURRENT, -1860), posting(GROCERIES, 1860)));
    Entry said = read(typed("", "", null, null, SCHOOL), PHARMACY, GROCERIES).entry(LEDGER);
    assertEquals(said.postings(), List.of(posting(CURRENT, -1860), posting(SCHOOL, 1860)));
    QuickEntry onItsLine = read(typed("", "5", CURRENT, null, null), null, GROCERIES);
    assertEquals(onItsLine.entry(LEDGER).postings().getLast(), posting(GROCERIES, 500));
  }

  @Test
  public void emptyFieldsAreAsThePayeeWasBookedLast() {
    Entry entry = read(typed("", "", null, null, null), PHARMACY).entry(LEDGER);
    assertEquals(entry.date(), BASE);
    assertEquals(entry.origin(), Entry.Origin.BY_HAND);
    assertEquals(entry.postings(), List.of(posting(CURRENT, -1860), posting(SCHOOL, 1860)));
    assertEquals(entry.marks(), PHARMACY.marks());
  }

  @Test
  public void whatIsTypedTakesThePlaceOfWhatIsUsual() {
    Entry entry = read(typed("1", "3*6.20-2", null, CARD, GROCERIES), PHARMACY).entry(LEDGER);
    assertEquals(entry.date(), LocalDate.of(2026, 10, 1));
    assertEquals(entry.postings(), List.of(posting(CARD, -1660), posting(GROCERIES, 1660)));
  }

  @Test
  public void anAmountBelowZeroComesBack() {
    assertEquals(
        postings(typed("", "-5", null, CURRENT, GROCERIES), null),
        List.of(posting(CURRENT, 500), posting(GROCERIES, -500)));
  }

  @Test
  public void moneyThatIsEarnedArrivesOnTheAccountOfOnesOwn() {
    assertEquals(
        postings(typed("", "12", null, SALES, KESTREL), null).getFirst(), posting(KESTREL, 1200));
  }

  /** Typed from paper: a sign is that of the account, and without one it goes the usual way. */
  @Test
  public void onAnAccountsOwnLineTheSignSaysTheDirection() {
    assertEquals(
        postings(typed("", "5", CURRENT, null, null), PHARMACY).getFirst(), posting(CURRENT, -500));
    assertEquals(
        postings(typed("", "+5", CURRENT, null, null), PHARMACY).getFirst(), posting(CURRENT, 500));
    assertEquals(
        postings(typed("", "-5", CURRENT, null, null), PHARMACY).getFirst(),
        posting(CURRENT, -500));
    assertEquals(
        postings(typed("", "", CARD, null, null), PHARMACY).getFirst(), posting(CARD, -1860));
    var pay = new LastEntry(SALES, KESTREL, eur(9000), TaxChoice.AS_USUAL, Marks.NONE);
    assertEquals(
        postings(typed("", "5", KESTREL, null, null), pay).getFirst(), posting(KESTREL, 500));
    assertEquals(
        postings(typed("", "-5", KESTREL, null, null), pay).getFirst(), posting(KESTREL, -500));
    assertEquals(
        postings(typed("", "5", KESTREL, null, SALES), null).getFirst(), posting(KESTREL, 500));
  }

  @Test
  public void whatIsMissingOrUnclearIsRefusedAtItsField() {
    assertEquals(
        refusalOf(() -> postings(typed("", "5", null, null, SCHOOL), null)), "from-missing");
    assertEquals(
        refusalOf(() -> postings(typed("", "5", null, CURRENT, null), null)), "to-missing");
    assertEquals(
        refusalOf(() -> postings(typed("", "", null, CURRENT, SCHOOL), null)), "amount-unclear");
    assertEquals(
        refusalOf(() -> postings(typed("", "1.234", null, CURRENT, SCHOOL), null)),
        "amount-unclear");
    assertEquals(
        refusalOf(() -> postings(typed("31 2", "5", null, CURRENT, SCHOOL), null)), "day-unclear");
    assertEquals(
        refusalOf(() -> postings(typed("", "5", null, CURRENT, CURRENT), null)), "same-account");
  }

  @Test
  public void aSplitHasItsPartsAndTheRestMayStandInSuspense() {
    var typing =
        new QuickEntry.Typing(
            "",
            "Greengage Market",
            "-50",
            CURRENT,
            null,
            null,
            List.of(new Booking.Part(GROCERIES, eur(-3000), "weekly")),
            true,
            "",
            "",
            "",
            null,
            null,
            null);
    assertEquals(
        postings(typing, null).stream().map(p -> p.amount().minor()).toList(),
        List.of(-5000L, 3000L, 2000L));
  }

  @Test
  public void ofTheLastEntryTheTaxIsPartOfWhatWasPaid() {
    Entry couriers = read(typed("", "20.70", null, KESTREL, COURIERS), null).entry(LEDGER);
    assertEquals(couriers.postings().size(), 3);
    LastEntry last = last(couriers);
    assertEquals(last, new LastEntry(KESTREL, COURIERS, eur(2070), TaxChoice.AS_USUAL, Marks.NONE));
    var reduced =
        new QuickEntry.Typing(
            "",
            "Lampblack Inks",
            "10",
            null,
            KESTREL,
            PAPER,
            List.of(),
            false,
            "",
            "",
            "",
            null,
            null,
            TaxChoice.at(REDUCED));
    assertEquals(last(read(reduced, null).entry(LEDGER)).tax(), TaxChoice.at(REDUCED));
  }

  @Test
  public void ofASplitOnlyItsOneSideIsUsual() {
    var split =
        new Entry(
            BASE,
            "Greengage Market",
            "",
            Entry.Origin.BY_HAND,
            List.of(posting(CURRENT, -500), posting(GROCERIES, 300), posting(SCHOOL, 200)));
    LastEntry last = last(split);
    assertEquals(last.from(), CURRENT);
    assertNull(last.to());
    assertEquals(last.amount(), eur(500));
  }

  /** Whatever was booked from one place to another: the same payee with empty fields repeats it. */
  @Test
  public void emptyFieldsRepeatTheLastEntry() {
    var random = new Random(41);
    List<Account> own = List.of(CURRENT, CARD, KESTREL);
    List<Account> all = List.of(CURRENT, CARD, KESTREL, GROCERIES, SCHOOL, PAPER, SALES, COURIERS);
    int repeated = 0;
    for (int round = 0; round < 1_000; round++) {
      Account one = own.get(random.nextInt(own.size()));
      Account other = all.get(random.nextInt(all.size()));
      if (one.equals(other)) {
        continue;
      }
      boolean out = random.nextBoolean();
      String amount = (1 + random.nextInt(99)) + "." + (10 + random.nextInt(90));
      Entry first =
          read(typed("", amount, null, out ? one : other, out ? other : one), null).entry(LEDGER);
      Entry again = read(typed("", "", null, null, null), last(first)).entry(LEDGER);
      assertEquals(again.postings(), first.postings());
      Entry register = read(typed("", "", one, null, null), last(first)).entry(LEDGER);
      assertEquals(Set.copyOf(register.postings()), Set.copyOf(first.postings()));
      assertEquals(register.postings().getFirst().account(), one);
      repeated++;
    }
    assertTrue(repeated > 500);
  }

  /** To an account of one's own in another currency both amounts are said; nothing is guessed. */
  @Test
  public void whatArrivesInAnotherCurrencyIsTyped() {
    var moved = typed("", "100", null, KESTREL, SHOP_USD);
    assertEquals(refusalOf(() -> postings(moved, null)), "arrives-unclear");
    assertTrue(read(moved, null).arrives() instanceof Typed.Unreadable);
    var said =
        new QuickEntry.Typing(
            "",
            "Shop takings",
            "100",
            null,
            KESTREL,
            SHOP_USD,
            List.of(),
            false,
            "112.40",
            "",
            "",
            null,
            null,
            null);
    Ledger rates = ledger(dollars(0, 0), dollarsToEuros("2026-10-01", "0.89"));
    List<Posting> postings = read(said, null).entry(rates).postings();
    assertEquals(
        postings.stream()
            .filter(p -> p.account().equals(SHOP_USD))
            .findFirst()
            .orElseThrow()
            .amount(),
        usd(11240));
    assertNull(read(typed("", "100", null, KESTREL, PAPER), null).arrives());
  }
}
