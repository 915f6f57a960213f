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
 * @param restToSuspense whether what the parts leave of the line's amount stands in suspense until
 *     it is placed; otherwise the parts have to add up
 */
public record Booking(String payee, String note, List<Part> parts, boolean restToSuspense) {

  /** A booking whose parts have to add up to the line. */
  public Booking(String payee, String note, List<Part> parts) {
    this(payee, note, parts, false);
  }

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

    /** Moved to an account of one's own in the same currency: it takes its value along. */
    private boolean carriesOver(Account bankAccount) {
      return account.kind().hasOpeningBalance()
          && account.currency().equals(bankAccount.currency())
          && account.book().currency().equals(bankAccount.book().currency());
    }

    private boolean isExchange(Account bankAccount) {
      return account.kind().hasOpeningBalance()
          && !account.currency().equals(bankAccount.currency());
    }
  }

  /**
   * The entry that a line becomes.
   *
   * @param bankPosting the place of the posting that the line confirms
   */
  public record Booked(Entry entry, int bankPosting) {
    public Posting atBank() {
      return entry.postings().get(bankPosting);
    }
  }

  public Booking {
    parts = List.copyOf(parts);
  }

  /**
   * The entry that the line becomes. Where a part belongs to another book, the core adds what keeps
   * both balanced. What leaves an account in another currency than its book's leaves at its average
   * cost, so that an empty account is worth nothing; the difference to the day's rate is exchange
   * gain or loss. What arrives there is worth the day's rate.
   *
   * @throws Refusal {@code still-to-place} if the parts do not add up to the line, {@code
   *     nothing-moved} for a line of zero, or whatever {@link Entry} refuses
   */
  public Booked entryFor(Account bankAccount, BankLine line, Ledger ledger) {
    if (payee.isBlank()) {
      throw Refusal.ofField("payee-missing", "payee", "Say who this is.");
    }
    if (line.amountMinor() == 0) {
      throw Refusal.of(
          "nothing-moved",
          "The line is of %s: it moves nothing, so there is nothing to book."
              .formatted(Amounts.shown(0, bankAccount.currency())));
    }
    long rest = line.amountMinor() - parts.stream().mapToLong(Part::amountMinor).sum();
    if (restToSuspense && rest != 0) {
      return withRest(ledger.suspense(bankAccount.book()), rest)
          .entryFor(bankAccount, line, ledger);
    }
    requirePlaced(bankAccount, line);
    for (Part part : parts) {
      if (part.isExchange(bankAccount)) {
        return exchange(bankAccount, part, line, ledger);
      }
    }
    var values = Values.of(bankAccount, line, this, ledger);
    var postings = new ArrayList<Posting>();
    postings.add(new Posting(bankAccount, line.amountMinor(), values.carried(), ""));
    long placed = 0;
    long placedValue = 0;
    for (Part part : parts) {
      long share = values.share(part, bankAccount, placed);
      placed += part.amountMinor();
      placedValue += share;
      postings.add(posting(part, bankAccount, share, line, ledger));
    }
    long gain = placedValue - values.carried();
    if (gain != 0) {
      postings.add(new Posting(ledger.exchangeDifferences(bankAccount.book()), gain));
    }
    return new Booked(
        new Entry(
            line.bookedOn(),
            payee,
            note,
            Entry.Origin.BANK_LINE,
            BetweenBooks.balanced(postings, ledger::drawings)),
        0);
  }

  private Booking withRest(Account suspense, long rest) {
    var all = new ArrayList<>(parts);
    all.add(new Part(suspense, rest, ""));
    return new Booking(payee, note, all);
  }

  /**
   * What the line is valued at in its book's currency: what the books carry it at, and what it is
   * worth on its day. Each part takes the step between two rounded sums, so that the steps make
   * exactly the whole.
   */
  private record Values(Position atCost, Position atWorth) {
    static Values of(Account bankAccount, BankLine line, Booking booking, Ledger ledger) {
      long amount = line.amountMinor();
      if (!bankAccount.isForeign()) {
        var plain = new Position(amount, amount);
        return new Values(plain, plain);
      }
      Position standing = ledger.position(bankAccount, line.bookedOn());
      boolean leaves = standing.covers(-amount);
      boolean carriedOver = booking.parts.stream().allMatch(p -> p.carriesOver(bankAccount));
      long worth =
          leaves && carriedOver
              ? 0
              : ledger
                  .rates()
                  .convert(
                      amount,
                      bankAccount.currency(),
                      bankAccount.book().currency(),
                      line.bookedOn());
      long cost = leaves ? -standing.valueOf(-amount) : worth;
      return new Values(new Position(amount, cost), new Position(amount, worth));
    }

    long carried() {
      return atCost.baseMinor();
    }

    long share(Part part, Account bankAccount, long placed) {
      Position whole = part.carriesOver(bankAccount) ? atCost : atWorth;
      return whole.valueOf(placed + part.amountMinor()) - whole.valueOf(placed);
    }
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
  private Booked exchange(Account bankAccount, Part part, BankLine line, Ledger ledger) {
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
    int atBank = entry.postings().get(0).account().id().equals(bankAccount.id()) ? 0 : 1;
    return new Booked(entry, atBank);
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
    if (!account.kind().isBookable()) {
      throw Refusal.ofField(
          "kept-by-core",
          "parts",
          "%s is kept by itself. Choose the category, or the account in the other book, that the money went to."
              .formatted(account.name()));
    }
  }
}
