package org.yewledger.core.ledger;

import static java.util.stream.Collectors.groupingBy;
import static java.util.stream.Collectors.summingLong;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.yewledger.core.Refusal;
import org.yewledger.core.money.Amounts;

/**
 * A dated journal entry. Every instance keeps the invariants of double entry; there is no other way
 * to make one:
 *
 * <ul>
 *   <li>at least two postings, none of them zero;
 *   <li>debits equal credits in every book that it touches;
 *   <li>one currency, as entries between currencies need a rate;
 *   <li>no posting to a group, nor to an account before its opening date. An {@linkplain #opening
 *       opening entry} stands on the day before.
 * </ul>
 */
public record Entry(
    LocalDate date, String payee, String note, Origin origin, List<Posting> postings) {

  /** How an entry came into the books. */
  public enum Origin {
    OPENING,
    BANK_LINE
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
    requireOneCurrency(postings);
    requireBalance(postings);
  }

  /** The entry that gives an account its opening balance, dated the day before it opens. */
  public static Entry opening(Account account, long balanceMinor, Account openingEquity) {
    LocalDate opensOn = account.opensOn();
    if (opensOn == null) {
      throw new IllegalArgumentException(account.name() + " has no opening date");
    }
    return new Entry(
        opensOn.minusDays(1),
        "Opening balance",
        "",
        Origin.OPENING,
        List.of(new Posting(account, balanceMinor), new Posting(openingEquity, -balanceMinor)));
  }

  /** What the entry moves: the sum of its debits, in minor units. */
  public long totalMinor() {
    return postings.stream().mapToLong(Posting::debitMinor).sum();
  }

  private static void requirePostable(Posting posting, LocalDate date, Origin origin) {
    Account account = posting.account();
    if (posting.amountMinor() == 0) {
      throw Refusal.of("zero-posting", "The posting to %s is zero.".formatted(account.name()));
    }
    if (account.group()) {
      throw Refusal.of(
          "posting-to-group",
          "%s is a group. Choose one of the accounts in it.".formatted(account.name()));
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

  private static void requireOneCurrency(List<Posting> postings) {
    var currencies = postings.stream().map(p -> p.account().currency()).distinct().toList();
    if (currencies.size() > 1) {
      throw Refusal.of(
          "currencies-mixed",
          "The entry mixes %s and %s.".formatted(currencies.get(0), currencies.get(1)));
    }
  }

  private static void requireBalance(List<Posting> postings) {
    Map<UUID, Long> byBook =
        postings.stream()
            .collect(groupingBy(p -> p.account().bookId(), summingLong(Posting::amountMinor)));
    for (Posting posting : postings) {
      long apart = byBook.getOrDefault(posting.account().bookId(), 0L);
      if (apart != 0) {
        throw Refusal.of(
            "entry-out-of-balance",
            byBook.size() > 1
                ? "The entry touches two books and does not balance in each of them."
                : "Debits and credits are %s apart."
                    .formatted(Amounts.shown(Math.abs(apart), posting.account().currency())));
      }
    }
  }
}
