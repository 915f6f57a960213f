package org.yewledger.core.ledger;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.yewledger.core.Refusal;
import org.yewledger.core.money.ExchangeRates;

/**
 * Money moved between two of one's own accounts, each with the amount in its own currency.
 *
 * <p>What is given leaves at the value that the books carry it at (weighted average cost), what
 * arrives comes in at what it is worth; the rest is the exchange gain or loss that the transfer
 * realises. Worth is known exactly if either side is in the base currency, and is taken at the rate
 * of the day otherwise.
 *
 * @param givenMinor what leaves {@code from}, in minor units of its currency; more than zero
 * @param takenMinor what arrives on {@code to}, in minor units of its currency; more than zero
 */
public record CurrencyTransfer(
    LocalDate date, Account from, long givenMinor, Account to, long takenMinor, String note) {

  /** How the transfer is booked: the entry, the rate it implies, and the gain (loss below zero). */
  public record Booked(Entry entry, BigDecimal impliedRate, long gainMinor) {}

  /**
   * @throws Refusal if the accounts are the same, an amount is not above zero, or equal currencies
   *     have unequal amounts
   */
  public CurrencyTransfer {
    if (from.id().equals(to.id())) {
      throw Refusal.ofField(
          "same-account", "to", "Choose two accounts; both are %s.".formatted(from.name()));
    }
    requireAmount(givenMinor, "given");
    requireAmount(takenMinor, "taken");
    if (from.currency().equals(to.currency()) && givenMinor != takenMinor) {
      throw Refusal.ofField(
          "amounts-differ",
          "taken",
          "Both accounts are in %s, so what leaves and what arrives are one amount. Book a charge as an entry of its own."
              .formatted(from.currency()));
    }
  }

  private static void requireAmount(long minor, String field) {
    if (minor <= 0) {
      throw Refusal.ofField("amount-not-positive", field, "Say an amount above zero.");
    }
  }

  /** The entry with whatever gain or loss it realises. */
  public Booked booked(Ledger ledger, String payee, Entry.Origin origin) {
    long worth = worthMinor(ledger);
    long carried = carriedMinor(ledger, worth);
    var postings = new ArrayList<Posting>();
    postings.add(new Posting(from, -givenMinor, -carried, note));
    postings.add(new Posting(to, takenMinor, inBaseOfTo(ledger, worth), note));
    long gain = worth - carried;
    if (gain != 0) {
      postings.add(new Posting(ledger.exchangeDifferences(from.book()), -gain));
    }
    List<Posting> balanced = BetweenBooks.balanced(postings, ledger::drawings);
    return new Booked(
        new Entry(date, payee, note, origin, balanced),
        ExchangeRates.implied(givenMinor, from.currency(), takenMinor, to.currency()),
        gain);
  }

  /** What was moved is worth, in the base currency of the giving book. */
  private long worthMinor(Ledger ledger) {
    Book book = from.book();
    if (!from.isForeign()) {
      return givenMinor;
    }
    if (to.currency().equals(book.currency())) {
      return takenMinor;
    }
    if (to.currency().equals(from.currency())) {
      // Nothing was exchanged: it arrives at what it was carried at.
      Position position = ledger.position(from, date);
      return position.covers(givenMinor)
          ? position.valueOf(givenMinor)
          : ledger.rates().convert(givenMinor, from.currency(), book.currency(), date);
    }
    return ledger.rates().convert(takenMinor, to.currency(), book.currency(), date);
  }

  /** What the books carry the given amount at; what goes below zero is taken at its worth. */
  private long carriedMinor(Ledger ledger, long worth) {
    if (!from.isForeign()) {
      return givenMinor;
    }
    Position position = ledger.position(from, date);
    return position.covers(givenMinor) ? position.valueOf(givenMinor) : worth;
  }

  private long inBaseOfTo(Ledger ledger, long worth) {
    if (!to.isForeign()) {
      return takenMinor;
    }
    return ledger.rates().convert(worth, from.book().currency(), to.book().currency(), date);
  }
}
