package org.yewledger.core.post;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.Refusal;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.BetweenBooks;
import org.yewledger.core.ledger.CurrencyTransfer;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.ledger.Ledger;
import org.yewledger.core.ledger.Marks;
import org.yewledger.core.ledger.Position;
import org.yewledger.core.ledger.Posting;
import org.yewledger.core.ledger.PostingTax;
import org.yewledger.core.money.Amount;
import org.yewledger.core.money.ExchangeRates;
import org.yewledger.core.tax.TaxChoice;
import org.yewledger.core.tax.TaxOnDay;

/**
 * How what an account paid or received is booked: a waiting bank line, or what a person types.
 *
 * @param payee who it is
 * @param note what it was for, empty if nothing is said
 * @param parts where the amount goes; one for a plain line, more for a split
 * @param restToSuspense whether what the parts leave of the line's amount stands in suspense until
 *     it is placed; otherwise the parts have to add up
 * @param marks what the entry is marked with
 */
public record Booking(
    String payee, String note, List<Part> parts, boolean restToSuspense, Marks marks) {

  /** A booking without marks. */
  public Booking(String payee, String note, List<Part> parts, boolean restToSuspense) {
    this(payee, note, parts, restToSuspense, Marks.NONE);
  }

  /** A booking whose parts have to add up to the line. */
  public Booking(String payee, String note, List<Part> parts) {
    this(payee, note, parts, false);
  }

  /**
   * A part of a line's amount.
   *
   * @param account a category, or another account of one's own, of this book or another
   * @param amount in the currency of the bank line, with its sign: −12.00 is 12.00 spent
   * @param other where the account is of one's own and in another currency: what arrives or leaves
   *     there, in that currency, above zero; null otherwise
   * @param tax which sales tax the amount, which is gross, contains
   */
  public record Part(
      Account account, Amount amount, String note, @Nullable Amount other, TaxChoice tax) {
    /** A part that contains the tax that its category has. */
    public Part(Account account, Amount amount, String note, @Nullable Amount other) {
      this(account, amount, note, other, TaxChoice.AS_USUAL);
    }

    public Part(Account account, Amount amount, String note) {
      this(account, amount, note, null);
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
    return booked(
        bankAccount,
        new Moved(line.bookedOn(), line.amount(bankAccount.currency()), Entry.Origin.BANK_LINE),
        ledger);
  }

  /**
   * The entry that is typed by hand for an account, worked out as that of a line.
   *
   * @param amount with the sign of the account: −12.00 is 12.00 paid from it
   * @throws Refusal as {@link #entryFor}
   */
  public Entry entryByHand(Account account, LocalDate day, Amount amount, Ledger ledger) {
    return booked(account, new Moved(day, amount, Entry.Origin.BY_HAND), ledger).entry();
  }

  /** What an account paid, below zero, or received, on a day. */
  private record Moved(LocalDate day, Amount amount, Entry.Origin origin) {}

  private Booked booked(Account bankAccount, Moved line, Ledger ledger) {
    if (payee.isBlank()) {
      throw Refusal.ofField("payee-missing", "payee", "Say who this is.");
    }
    Amount whole = line.amount();
    if (whole.isZero()) {
      throw Refusal.of(
          "nothing-moved",
          "The amount is %s: it moves nothing, so there is nothing to book."
              .formatted(whole.shown()));
    }
    Amount rest = whole.minus(placed(bankAccount));
    if (restToSuspense && !rest.isZero()) {
      return withRest(ledger.suspense(bankAccount.book()), rest).booked(bankAccount, line, ledger);
    }
    requirePlaced(bankAccount, whole, rest);
    for (Part part : parts) {
      if (part.isExchange(bankAccount)) {
        return exchange(bankAccount, part, line, ledger);
      }
    }
    var values = Values.of(bankAccount, line, this, ledger);
    var postings = new ArrayList<Posting>();
    postings.add(new Posting(bankAccount, whole, values.carried(), ""));
    Amount placed = Amount.zero(bankAccount.currency());
    Amount placedValue = Amount.zero(bankAccount.book().currency());
    for (Part part : parts) {
      Amount share = values.share(part, bankAccount, placed);
      placed = placed.plus(part.amount());
      placedValue = placedValue.plus(share);
      postings.addAll(postings(part, bankAccount, share, line, ledger));
    }
    Amount gain = placedValue.minus(values.carried());
    if (!gain.isZero()) {
      postings.add(new Posting(ledger.exchangeDifferences(bankAccount.book()), gain));
    }
    return new Booked(
        new Entry(
            line.day(),
            payee,
            note,
            line.origin(),
            BetweenBooks.balanced(postings, ledger::drawings),
            marks),
        0);
  }

  private Booking withRest(Account suspense, Amount rest) {
    var all = new ArrayList<>(parts);
    all.add(new Part(suspense, rest, ""));
    return new Booking(payee, note, all, false, marks);
  }

  /**
   * What the line is valued at in its book's currency: what the books carry it at, and what it is
   * worth on its day. Each part takes the step between two rounded sums, so that the steps make
   * exactly the whole.
   */
  private record Values(Position atCost, Position atWorth) {
    static Values of(Account bankAccount, Moved line, Booking booking, Ledger ledger) {
      Amount amount = line.amount();
      if (!bankAccount.isForeign()) {
        var plain = new Position(amount, amount);
        return new Values(plain, plain);
      }
      Position standing = ledger.position(bankAccount, line.day());
      boolean leaves = standing.covers(amount.negated());
      boolean carriedOver = booking.parts.stream().allMatch(p -> p.carriesOver(bankAccount));
      CurrencyUnit base = bankAccount.book().currency();
      Amount worth =
          leaves && carriedOver
              ? Amount.zero(base)
              : ledger.rates().convert(amount, base, line.day());
      Amount cost = leaves ? standing.valueOf(amount.negated()).negated() : worth;
      return new Values(new Position(amount, cost), new Position(amount, worth));
    }

    Amount carried() {
      return atCost.value();
    }

    Amount share(Part part, Account bankAccount, Amount placed) {
      Position whole = part.carriesOver(bankAccount) ? atCost : atWorth;
      return whole.valueOf(placed.plus(part.amount())).minus(whole.valueOf(placed));
    }
  }

  private Amount placed(Account bankAccount) {
    return Amount.sum(bankAccount.currency(), parts.stream().map(Part::amount).toList());
  }

  private void requirePlaced(Account bankAccount, Amount whole, Amount rest) {
    parts.forEach(part -> requirePlace(bankAccount, part.account()));
    if (!rest.isZero()) {
      throw Refusal.ofField(
          "still-to-place",
          "parts",
          "%s still to place: the parts have to add up to %s."
              .formatted(rest.shown(), whole.shown()));
    }
  }

  /**
   * A part's postings, its sales tax apart; {@code share} is its part of the line's value in the
   * bank account's book.
   */
  private static List<Posting> postings(
      Part part, Account bankAccount, Amount share, Moved line, Ledger ledger) {
    Account account = part.account();
    ExchangeRates rates = ledger.rates();
    Amount value = rates.convert(share, account.book().currency(), line.day());
    Amount amount =
        account.isForeign() ? rates.convert(part.amount(), account.currency(), line.day()) : value;
    Optional<TaxOnDay> tax = ledger.tax(account, part.tax(), line.day());
    return tax.isEmpty() || account.isForeign()
        ? List.of(new Posting(account, amount.negated(), value.negated(), part.note()))
        : taxed(account, amount.negated(), part.note(), tax.get(), ledger);
  }

  /** A gross amount as net and tax; the two add up to it. */
  private static List<Posting> taxed(
      Account account, Amount gross, String note, TaxOnDay rate, Ledger ledger) {
    Amount tax = rate.taxIn(gross);
    Amount net = gross.minus(tax);
    var netPosting =
        new Posting(account, net, net, note, new PostingTax(rate.rateId(), PostingTax.Role.NET));
    return tax.isZero()
        ? List.of(netPosting)
        : List.of(
            netPosting,
            new Posting(
                ledger.salesTax(account.book()),
                tax,
                tax,
                "",
                new PostingTax(rate.rateId(), PostingTax.Role.TAX)));
  }

  /** All of a line moved to, or come from, an account of one's own in another currency. */
  private Booked exchange(Account bankAccount, Part part, Moved line, Ledger ledger) {
    if (parts.size() > 1) {
      throw Refusal.ofField(
          "exchange-in-split",
          "parts",
          "A transfer to %s in %s takes the whole line. Book the other parts as entries of their own."
              .formatted(part.account().name(), part.account().currency()));
    }
    Amount other = part.other();
    if (other == null) {
      throw Refusal.ofField(
          "other-amount-missing",
          "parts",
          "%s is in %s. Say the amount there as well."
              .formatted(part.account().name(), part.account().currency()));
    }
    Amount amount = line.amount().size();
    var transfer =
        line.amount().sign() < 0
            ? new CurrencyTransfer(line.day(), bankAccount, amount, part.account(), other, note)
            : new CurrencyTransfer(line.day(), part.account(), other, bankAccount, amount, note);
    Entry entry = transfer.booked(ledger, payee, line.origin()).entry().marked(marks);
    int atBank = entry.postings().get(0).account().id().equals(bankAccount.id()) ? 0 : 1;
    return new Booked(entry, atBank);
  }

  /** All of a line on {@code bankAccount} to one account. */
  public static Booking plain(String payee, Account account, BankLine line, Account bankAccount) {
    return new Booking(
        payee, "", List.of(new Part(account, line.amount(bankAccount.currency()), "")));
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
