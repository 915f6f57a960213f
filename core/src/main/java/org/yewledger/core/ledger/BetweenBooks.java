package org.yewledger.core.ledger;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import org.joda.money.CurrencyUnit;
import org.yewledger.core.Refusal;
import org.yewledger.core.money.Amount;

/**
 * Lets one entry touch several books. Each book stays balanced by a posting to its account of
 * drawings and contributions; the person never writes these. Seen together, in one currency, they
 * add up to zero, so a report over all books leaves that kind of account out.
 */
public final class BetweenBooks {
  private BetweenBooks() {}

  /**
   * The postings with what each book lacks added at the end, in the order of the books.
   *
   * @param drawings the account of drawings and contributions of a book
   * @throws Refusal {@code entry-out-of-balance} if the books share a currency and the postings do
   *     not add up to zero over all of them
   */
  public static List<Posting> balanced(List<Posting> postings, Function<Book, Account> drawings) {
    Map<Book, Amount> apart = apartByBook(postings);
    if (apart.size() < 2) {
      return postings;
    }
    requireBalanceOver(apart);
    var all = new ArrayList<>(postings);
    apart.forEach((book, rest) -> {
      if (!rest.isZero()) {
        all.add(new Posting(drawings.apply(book), rest.negated()));
      }
    });
    return all;
  }

  /** In plain words what stands between the books in an entry; empty where one book is touched. */
  public static String inWords(List<Posting> postings) {
    List<Posting> legs =
        postings.stream().filter(p -> p.account().kind() == AccountKind.DRAWINGS).toList();
    if (legs.size() != 2) {
      return "";
    }
    Posting giver = legs.get(0).isDebit() ? legs.get(0) : legs.get(1);
    Posting taker = legs.get(0).isDebit() ? legs.get(1) : legs.get(0);
    Book from = giver.account().book();
    Book to = taker.account().book();
    return "%s gives %s %s to %s. So that each book balances by itself, these are added: %s in %s and %s in %s."
        .formatted(
            from.name(),
            giver.debit().shown(),
            from.currency(),
            to.name(),
            giver.account().name(),
            from.name(),
            taker.account().name(),
            to.name());
  }

  private static Map<Book, Amount> apartByBook(List<Posting> postings) {
    Map<Book, Amount> apart = new LinkedHashMap<>();
    postings.forEach(p -> apart.merge(p.account().book(), p.value(), Amount::plus));
    return apart;
  }

  private static void requireBalanceOver(Map<Book, Amount> apart) {
    List<CurrencyUnit> currencies = apart.keySet().stream().map(Book::currency).distinct().toList();
    if (currencies.size() > 1) {
      return;
    }
    Amount sum = Amount.sum(currencies.getFirst(), apart.values());
    if (!sum.isZero()) {
      throw Refusal.of(
          "entry-out-of-balance", "Debits and credits are %s apart.".formatted(sum.size().shown()));
    }
  }
}
