package org.yewledger.core.ledger;

import static org.testng.Assert.assertEquals;
import static org.yewledger.core.Fixtures.BOOK;
import static org.yewledger.core.Fixtures.CARD;
import static org.yewledger.core.Fixtures.CURRENT;
import static org.yewledger.core.Fixtures.GROCERIES;
import static org.yewledger.core.Fixtures.KESTREL;
import static org.yewledger.core.Fixtures.LEDGER;
import static org.yewledger.core.Fixtures.PAPER;
import static org.yewledger.core.Fixtures.SALES;
import static org.yewledger.core.Fixtures.eur;
import static org.yewledger.core.Fixtures.posting;
import static org.yewledger.core.Fixtures.refusalOf;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.testng.annotations.Test;
import org.yewledger.core.report.TrialBalance;
import org.yewledger.core.report.TrialBalance.AccountBalance;

public class BetweenBooksTest {
  private static final List<Account> PLACES =
      List.of(CURRENT, CARD, GROCERIES, KESTREL, PAPER, SALES);

  /** Postings over both books that add up to zero in all. */
  private static List<Posting> random(Random random) {
    var postings = new ArrayList<Posting>();
    long sum = 0;
    for (int i = 1 + random.nextInt(4); i > 0; i--) {
      long amount = random.nextInt(1, 90_000) * (random.nextBoolean() ? 1 : -1);
      postings.add(posting(PLACES.get(random.nextInt(PLACES.size())), amount));
      sum += amount;
    }
    if (sum == 0) {
      sum = 1;
      postings.add(posting(GROCERIES, 1));
    }
    postings.add(posting(PLACES.get(random.nextInt(PLACES.size())), -sum));
    return postings;
  }

  @Test
  public void whateverIsBookedEachBookBalancesAndTogetherNothingIsLeftBetweenThem() {
    for (int seed = 0; seed < 500; seed++) {
      List<Posting> postings = BetweenBooks.balanced(random(new Random(seed)), LEDGER::drawings);
      Entry entry = new Entry(LocalDate.of(2026, 9, 1), "x", "", Entry.Origin.BY_HAND, postings);
      Map<Account, Long> balances = new HashMap<>();
      entry.postings().forEach(p -> balances.merge(p.account(), p.value().minor(), Long::sum));
      for (Book book : entry.postings().stream().map(p -> p.account().book()).distinct().toList()) {
        assertEquals(
            balances.entrySet().stream()
                .filter(e -> e.getKey().book().equals(book))
                .mapToLong(Map.Entry::getValue)
                .sum(),
            0);
      }
      var together =
          TrialBalance.together(
              BOOK.currency(),
              balances.entrySet().stream()
                  .map(e -> new AccountBalance(e.getKey(), eur(e.getValue())))
                  .toList());
      assertEquals(together.debit().minor(), together.credit().minor(), "seed " + seed);
    }
  }

  @Test
  public void oneBookIsLeftAsItIs() {
    List<Posting> postings = List.of(posting(CURRENT, -5), posting(GROCERIES, 5));
    assertEquals(BetweenBooks.balanced(postings, LEDGER::drawings), postings);
    assertEquals(BetweenBooks.inWords(postings), "");
  }

  @Test
  public void whatDoesNotAddUpOverAllBooksIsRefused() {
    List<Posting> postings = List.of(posting(CURRENT, -5), posting(PAPER, 6));
    assertEquals(
        refusalOf(() -> BetweenBooks.balanced(postings, LEDGER::drawings)), "entry-out-of-balance");
  }
}
