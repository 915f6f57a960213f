package org.yewledger.core.ledger;

import static java.util.stream.Collectors.groupingBy;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.yewledger.core.Refusal;
import org.yewledger.core.money.Amount;
import org.yewledger.core.money.ExchangeRates;

/**
 * A dated journal entry. Every instance keeps the invariants of double entry; there is no other way
 * to make one:
 *
 * <ul>
 *   <li>at least two postings, none of them without an amount and without a value;
 *   <li>the values add up to zero in every book that it touches, in that book's base currency;
 *   <li>so do the amounts, where a book's postings are all in one currency;
 *   <li>no posting to a group, to a closed account, nor to an account before its opening date. An
 *       {@linkplain #opening opening entry} stands on the day before.
 * </ul>
 */
public record Entry(
    LocalDate date, String payee, String note, Origin origin, List<Posting> postings, Marks marks) {

  /** How an entry came into the books. */
  public enum Origin {
    OPENING,
    BANK_LINE,
    BY_HAND,
    REVALUATION
  }

  /** An entry without marks. */
  public Entry(LocalDate date, String payee, String note, Origin origin, List<Posting> postings) {
    this(date, payee, note, origin, postings, Marks.NONE);
  }

  /** The same entry with these marks. */
  public Entry marked(Marks as) {
    return new Entry(date, payee, note, origin, postings, as);
  }

  /**
   * @throws Refusal if an invariant does not hold, naming the account or the amount at fault
   */
  public Entry {
    postings = List.copyOf(postings);
    if (postings.size() < 2) {
      throw Refusal.of("too-few-postings", "An entry needs at least two postings.");
    }
    for (Posting posting : postings) {
      requirePostable(posting, date, origin);
    }
    postings.stream().collect(groupingBy(p -> p.account().book())).forEach(Entry::requireBalance);
  }

  /**
   * The entry that gives an account its opening balance, dated the day before it opens.
   *
   * @param rates values a balance in another currency than the book's on that day
   */
  public static Entry opening(
      Account account, Amount balance, Account openingEquity, ExchangeRates rates) {
    LocalDate opensOn = account.opensOn();
    if (opensOn == null) {
      throw new IllegalArgumentException(account.name() + " has no opening date");
    }
    LocalDate day = opensOn.minusDays(1);
    Amount value = rates.convert(balance, account.book().currency(), day);
    return new Entry(
        day,
        "Opening balance",
        "",
        Origin.OPENING,
        List.of(
            new Posting(account, balance, value, ""), new Posting(openingEquity, value.negated())));
  }

  /**
   * The category whose sales tax a posting is: that of the net amount at its rate that stands last
   * before it. Empty for all that is no tax, and for tax that stands by itself.
   *
   * @param place of the posting, counted from 0
   */
  public Optional<Account> taxedAt(int place) {
    PostingTax tax = postings.get(place).tax();
    if (tax == null || tax.role() != PostingTax.Role.TAX) {
      return Optional.empty();
    }
    var net = new PostingTax(tax.rateId(), PostingTax.Role.NET);
    return postings.subList(0, place).reversed().stream()
        .filter(before -> net.equals(before.tax()))
        .map(Posting::account)
        .findFirst();
  }

  private static void requirePostable(Posting posting, LocalDate date, Origin origin) {
    Account account = posting.account();
    if (posting.amount().isZero() && posting.value().isZero()) {
      throw Refusal.of("zero-posting", "The posting to %s is zero.".formatted(account.name()));
    }
    if (account.group()) {
      throw Refusal.of(
          "posting-to-group",
          "%s is a group. Choose one of the accounts in it.".formatted(account.name()));
    }
    if (account.closedOn() != null) {
      throw Refusal.of(
          "account-closed",
          "%s was closed on %s. Reopen it in the Chart first, or choose another account."
              .formatted(account.name(), account.closedOn()));
    }
    LocalDate firstDay = account.opensOn();
    if (origin == Origin.OPENING && firstDay != null) {
      firstDay = firstDay.minusDays(1);
    }
    if (firstDay != null && date.isBefore(firstDay)) {
      throw Refusal.ofField(
          "before-opening",
          "date",
          "%s is before %s opened on %s.".formatted(date, account.name(), account.opensOn()));
    }
  }

  private static void requireBalance(Book book, List<Posting> postings) {
    requireZero(Amount.sum(book.currency(), postings.stream().map(Posting::value).toList()));
    List<CurrencyUnit> currencies =
        postings.stream().map(p -> p.account().currency()).distinct().toList();
    if (currencies.size() == 1) {
      requireZero(
          Amount.sum(currencies.getFirst(), postings.stream().map(Posting::amount).toList()));
    }
  }

  private static void requireZero(Amount apart) {
    if (!apart.isZero()) {
      throw Refusal.of(
          "entry-out-of-balance",
          "Debits and credits are %s apart.".formatted(apart.size().shown()));
    }
  }
}
