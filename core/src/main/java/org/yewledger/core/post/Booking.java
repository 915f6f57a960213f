package org.yewledger.core.post;

import java.util.ArrayList;
import java.util.List;
import org.yewledger.core.Refusal;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.ledger.Posting;
import org.yewledger.core.money.Amounts;

/**
 * How a waiting bank line is to be booked.
 *
 * @param payee who it is
 * @param note what it was for, empty if nothing is said
 * @param parts where the amount goes; one for a plain line, more for a split
 */
public record Booking(String payee, String note, List<Part> parts) {

  /**
   * A part of a line's amount.
   *
   * @param account a category, or another account of one's own
   * @param amountMinor minor units with the sign of the bank line: −12.00 is 12.00 spent
   */
  public record Part(Account account, long amountMinor, String note) {}

  public Booking {
    parts = List.copyOf(parts);
  }

  /**
   * The entry that the line becomes; its first posting is the one on the bank's account.
   *
   * @throws Refusal {@code still-to-place} if the parts do not add up to the line, or whatever
   *     {@link Entry} refuses
   */
  public Entry entryFor(Account bankAccount, BankLine line) {
    if (payee.isBlank()) {
      throw Refusal.ofField("payee-missing", "payee", "Say who this is.");
    }
    long placed = 0;
    for (Part part : parts) {
      requirePlace(bankAccount, part.account());
      placed += part.amountMinor();
    }
    long rest = line.amountMinor() - placed;
    if (rest != 0) {
      throw Refusal.ofField(
          "still-to-place",
          "parts",
          "%s still to place: the parts have to add up to %s."
              .formatted(
                  Amounts.shown(rest, bankAccount.currency()),
                  Amounts.shown(line.amountMinor(), bankAccount.currency())));
    }
    var postings = new ArrayList<Posting>();
    postings.add(new Posting(bankAccount, line.amountMinor()));
    parts.forEach(p -> postings.add(new Posting(p.account(), -p.amountMinor(), p.note())));
    return new Entry(line.bookedOn(), payee, note, Entry.Origin.BANK_LINE, postings);
  }

  /** All of the line to one account. */
  public static Booking plain(String payee, Account account, BankLine line) {
    return new Booking(payee, "", List.of(new Part(account, line.amountMinor(), "")));
  }

  private static void requirePlace(Account bankAccount, Account account) {
    if (account.id().equals(bankAccount.id())) {
      throw Refusal.ofField(
          "same-account", "parts", "%s cannot be booked to itself.".formatted(account.name()));
    }
    if (!account.bookId().equals(bankAccount.bookId())) {
      throw Refusal.ofField(
          "other-book",
          "parts",
          "%s and %s are in different books. Choose a category of the same book."
              .formatted(bankAccount.name(), account.name()));
    }
  }
}
