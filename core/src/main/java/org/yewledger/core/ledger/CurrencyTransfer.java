package org.yewledger.core.ledger;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.yewledger.core.Refusal;
import org.yewledger.core.money.Amount;
import org.yewledger.core.money.ExchangeRates;

/**
 * Money moved between two of one's own accounts, each with the amount in its own currency.
 *
 * <p>What is given leaves at the value that the books carry it at (weighted average cost), what
 * arrives comes in at what it is worth; the rest is the exchange gain or loss that the transfer
 * realises. Worth is known exactly if either side is in the base currency, and is taken at the rate
 * of the day otherwise.
 *
 * @param given what leaves {@code from}, in its currency; more than zero
 * @param taken what arrives on {@code to}, in its currency; more than zero
 */
public record CurrencyTransfer(
    LocalDate date, Account from, Amount given, Account to, Amount taken, String note) {

  /** How the transfer is booked: the entry, the rate it implies, and the gain (loss below zero). */
  public record Booked(Entry entry, BigDecimal impliedRate, Amount gain) {}

  /**
   * @throws Refusal if the accounts are the same, an amount is not above zero, or equal currencies
   *     have unequal amounts
   */
  public CurrencyTransfer {
    if (from.id().equals(to.id())) {
      throw Refusal.ofField(
          "same-account", "to", "Choose two accounts; both are %s.".formatted(from.name()));
    }
    requireAmount(given, from, "given");
    requireAmount(taken, to, "taken");
    if (from.currency().equals(to.currency()) && !given.equals(taken)) {
      throw Refusal.ofField(
          "amounts-differ",
          "taken",
          "Both accounts are in %s, so what leaves and what arrives are one amount. Book a charge as an entry of its own."
              .formatted(from.currency()));
    }
  }

  private static void requireAmount(Amount amount, Account account, String field) {
    if (!amount.currency().equals(account.currency())) {
      throw new IllegalArgumentException("an amount in another currency than " + account.name());
    }
    if (amount.sign() <= 0) {
      throw Refusal.ofField("amount-not-positive", field, "Say an amount above zero.");
    }
  }

  /** The entry with whatever gain or loss it realises. */
  public Booked booked(Ledger ledger, String payee, Entry.Origin origin) {
    Amount worth = worth(ledger);
    Amount carried = carried(ledger, worth);
    var postings = new ArrayList<Posting>();
    postings.add(new Posting(from, given.negated(), carried.negated(), note));
    postings.add(new Posting(to, taken, inBaseOfTo(ledger, worth), note));
    Amount gain = worth.minus(carried);
    if (!gain.isZero()) {
      postings.add(new Posting(ledger.exchangeDifferences(from.book()), gain.negated()));
    }
    List<Posting> balanced = BetweenBooks.balanced(postings, ledger::drawings);
    return new Booked(
        new Entry(date, payee, note, origin, balanced), ExchangeRates.implied(given, taken), gain);
  }

  /** What was moved is worth, in the base currency of the giving book. */
  private Amount worth(Ledger ledger) {
    Book book = from.book();
    if (!from.isForeign()) {
      return given;
    }
    if (to.currency().equals(book.currency())) {
      return taken;
    }
    if (to.currency().equals(from.currency())) {
      // Nothing was exchanged: it arrives at what it was carried at.
      Position position = ledger.position(from, date);
      return position.covers(given)
          ? position.valueOf(given)
          : ledger.rates().convert(given, book.currency(), date);
    }
    return ledger.rates().convert(taken, book.currency(), date);
  }

  /** What the books carry the given amount at; what goes below zero is taken at its worth. */
  private Amount carried(Ledger ledger, Amount worth) {
    if (!from.isForeign()) {
      return given;
    }
    Position position = ledger.position(from, date);
    return position.covers(given) ? position.valueOf(given) : worth;
  }

  private Amount inBaseOfTo(Ledger ledger, Amount worth) {
    if (!to.isForeign()) {
      return taken;
    }
    return ledger.rates().convert(worth, to.book().currency(), date);
  }
}
