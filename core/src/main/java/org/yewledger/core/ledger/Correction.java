package org.yewledger.core.ledger;

import java.time.LocalDate;
import java.util.List;
import java.util.stream.IntStream;
import org.yewledger.core.Refusal;
import org.yewledger.core.ledger.Draft.Line;
import org.yewledger.core.money.Amount;

/** An entry as a person would write it with a mistake in its amounts put right. */
public final class Correction {
  private Correction() {}

  /**
   * With another amount on one of its postings; the one across from it follows.
   *
   * @param place of the posting in the entry
   * @param should what its amount is to be, in the currency of its account
   * @throws Refusal {@code correction-split} if several postings, or one in another currency, stand
   *     across: which of them is wrong only a person can say
   */
  public static Draft of(Entry entry, int place, Amount should) {
    List<Integer> across =
        IntStream.range(0, entry.postings().size())
            .filter(i -> i != place && isBookable(entry.postings().get(i)))
            .boxed()
            .toList();
    Amount was = entry.postings().get(place).amount();
    if (across.size() != 1
        || !entry.postings().get(across.getFirst()).amount().currency().equals(was.currency())) {
      throw Refusal.of(
          "correction-split",
          "Several things stand across from it. Change the entry itself, and say which of them is another.");
    }
    Amount more = should.minus(was);
    return written(
        entry,
        i -> {
          Amount amount = entry.postings().get(i).amount();
          if (i == place) {
            return should;
          }
          return i == across.getFirst() ? amount.minus(more) : amount;
        });
  }

  /** The other way round: what came in goes out. */
  public static Draft turned(Entry entry) {
    return written(entry, i -> entry.postings().get(i).amount().negated());
  }

  /** On another day; what is worked out of the day, such as rates, is worked out anew. */
  public static Draft dated(Entry entry, LocalDate should) {
    Draft as = written(entry, i -> entry.postings().get(i).amount());
    return new Draft(should, as.payee(), as.note(), as.lines(), as.marks());
  }

  private interface AmountAt {
    Amount of(int place);
  }

  private static Draft written(Entry entry, AmountAt amounts) {
    List<Line> lines =
        IntStream.range(0, entry.postings().size())
            .filter(i -> isBookable(entry.postings().get(i)))
            .mapToObj(i -> {
              Posting posting = entry.postings().get(i);
              return new Line(posting.account(), amounts.of(i), posting.note(), posting.tax());
            })
            .toList();
    return new Draft(entry.date(), entry.payee(), entry.note(), lines, entry.marks());
  }

  /** What the core adds between books follows by itself. */
  private static boolean isBookable(Posting posting) {
    return posting.account().kind().isBookable();
  }
}
