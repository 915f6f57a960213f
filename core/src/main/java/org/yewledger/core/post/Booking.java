package org.yewledger.core.post;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.Refusal;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.BetweenBooks;
import org.yewledger.core.ledger.CurrencyTransfer;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.ledger.Ledger;
import org.yewledger.core.ledger.Position;
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
   * @param account a category, or another account of one's own, of this book or another
   * @param amountMinor minor units with the sign of the bank line: −12.00 is 12.00 spent
   * @param otherMinor where the account is of one's own and in another currency: what arrives or
   *     leaves there, in minor units of that currency, above zero; null otherwise
   */
  public record Part(Account account, long amountMinor, String note, @Nullable Long otherMinor) {
    public Part(Account account, long amountMinor, String note) {
      this(account, amountMinor, note, null);
    }

    private boolean isExchange(Account bankAccount) {
      return account.kind().hasOpeningBalance()
          && !account.currency().equals(bankAccount.currency());
    }
  }

  public Booking {
    parts = List.copyOf(parts);
  }

  /**
   * The entry that the line becomes; its first posting is the one on the bank's account. Where a
   * part belongs to another book, the core adds what keeps both balanced; where the line is in
   * another currency than the book, its value is that of the day's rate.
   *
   * @throws Refusal {@code still-to-place} if the parts do not add up to the line, or whatever
   *     {@link Entry} refuses
   */
  public Entry entryFor(Account bankAccount, BankLine line, Ledger ledger) {
    if (payee.isBlank()) {
      throw Refusal.ofField("payee-missing", "payee", "Say who this is.");
    }
    requirePlaced(bankAccount, line);
    for (Part part : parts) {
      if (part.isExchange(bankAccount)) {
        return exchange(bankAccount, part, line, ledger);
      }
    }
    var postings = new ArrayList<Posting>();
    long value =
        ledger
            .rates()
            .convert(
                line.amountMinor(),
                bankAccount.currency(),
                bankAccount.book().currency(),
                line.bookedOn());
    postings.add(new Posting(bankAccount, line.amountMinor(), value, ""));
    // Each part takes the step between two rounded sums, so that the steps make exactly the whole.
    var whole = new Position(line.amountMinor(), value);
    long placed = 0;
    for (Part part : parts) {
      long share = whole.valueOf(placed + part.amountMinor()) - whole.valueOf(placed);
      placed += part.amountMinor();
      postings.add(posting(part, bankAccount, share, line, ledger));
    }
    return new Entry(
        line.bookedOn(),
        payee,
        note,
        Entry.Origin.BANK_LINE,
        BetweenBooks.balanced(postings, ledger::drawings));
  }

  private void requirePlaced(Account bankAccount, BankLine line) {
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
  }

  /** A part's posting; {@code share} is its part of the line's value in the bank account's book. */
  private static Posting posting(
      Part part, Account bankAccount, long share, BankLine line, Ledger ledger) {
    Account account = part.account();
    long value =
        ledger
            .rates()
            .convert(
                share, bankAccount.book().currency(), account.book().currency(), line.bookedOn());
    long amount =
        account.isForeign()
            ? ledger
                .rates()
                .convert(
                    part.amountMinor(), bankAccount.currency(), account.currency(), line.bookedOn())
            : value;
    return new Posting(account, -amount, -value, part.note());
  }

  /** All of a line moved to, or come from, an account of one's own in another currency. */
  private Entry exchange(Account bankAccount, Part part, BankLine line, Ledger ledger) {
    if (parts.size() > 1) {
      throw Refusal.ofField(
          "exchange-in-split",
          "parts",
          "A transfer to %s in %s takes the whole line. Book the other parts as entries of their own."
              .formatted(part.account().name(), part.account().currency()));
    }
    Long other = part.otherMinor();
    if (other == null) {
      throw Refusal.ofField(
          "other-amount-missing",
          "parts",
          "%s is in %s. Say the amount there as well."
              .formatted(part.account().name(), part.account().currency()));
    }
    long amount = Math.abs(line.amountMinor());
    var transfer =
        line.amountMinor() < 0
            ? new CurrencyTransfer(
                line.bookedOn(), bankAccount, amount, part.account(), other, note)
            : new CurrencyTransfer(
                line.bookedOn(), part.account(), other, bankAccount, amount, note);
    Entry entry = transfer.booked(ledger, payee, Entry.Origin.BANK_LINE).entry();
    var postings = new ArrayList<>(entry.postings());
    if (!postings.getFirst().account().id().equals(bankAccount.id())) {
      java.util.Collections.swap(postings, 0, 1);
    }
    return new Entry(entry.date(), entry.payee(), entry.note(), entry.origin(), postings);
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
    if (account.kind().isKeptByCore()) {
      throw Refusal.ofField(
          "kept-by-core",
          "parts",
          "%s is kept by itself. Choose the category, or the account in the other book, that the money went to."
              .formatted(account.name()));
    }
  }
}
