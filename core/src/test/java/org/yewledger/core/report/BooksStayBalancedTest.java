package org.yewledger.core.report;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.yewledger.core.Fixtures.CARD;
import static org.yewledger.core.Fixtures.CURRENT;
import static org.yewledger.core.Fixtures.GROCERIES;
import static org.yewledger.core.Fixtures.LEDGER;
import static org.yewledger.core.Fixtures.SCHOOL;
import static org.yewledger.core.Fixtures.eur;
import static org.yewledger.core.Fixtures.line;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.testng.annotations.Test;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.money.Amount;
import org.yewledger.core.post.Booking;
import org.yewledger.core.post.Booking.Part;
import org.yewledger.core.reconcile.Reconciliation;
import org.yewledger.core.report.TrialBalance.AccountBalance;

/** From random bank lines to the trial balance: whatever is booked, the sums of the books hold. */
public class BooksStayBalancedTest {
  private record Books(List<Entry> entries, List<BankLine> lines) {
    long balance(Account account) {
      return entries.stream()
          .flatMap(e -> e.postings().stream())
          .filter(p -> p.account().equals(account))
          .mapToLong(p -> p.amount().minor())
          .sum();
    }
  }

  private static Books books(Random random) {
    var entries = new ArrayList<Entry>();
    var lines = new ArrayList<BankLine>();
    for (int i = 0; i < 80; i++) {
      long amount = random.nextInt(1, 100_000) * (random.nextInt(4) == 0 ? 1 : -1);
      BankLine line = line("2026-09-%02d".formatted(1 + i % 30), amount, "LINE " + i);
      lines.add(line);
      entries.add(
          new Booking("x", "", parts(random, amount)).entryFor(CURRENT, line, LEDGER).entry());
    }
    return new Books(entries, lines);
  }

  private static List<Part> parts(Random random, long amount) {
    Account[] places = {GROCERIES, SCHOOL, CARD};
    if (Math.abs(amount) < 2 || random.nextBoolean()) {
      return List.of(new Part(places[random.nextInt(3)], eur(amount), ""));
    }
    long first = amount / 2;
    return List.of(new Part(GROCERIES, eur(first), ""), new Part(SCHOOL, eur(amount - first), ""));
  }

  @Test
  public void debitsEqualCredits() {
    for (int seed = 0; seed < 100; seed++) {
      Books books = books(new Random(seed));
      Map<Account, Long> balances = new HashMap<>();
      for (Account account : List.of(CURRENT, CARD, GROCERIES, SCHOOL)) {
        balances.put(account, books.balance(account));
      }
      TrialBalance trial =
          TrialBalance.of(
              CURRENT.currency(),
              balances.entrySet().stream()
                  .map(e -> new AccountBalance(e.getKey(), eur(e.getValue())))
                  .toList());
      assertTrue(trial.balances(), "seed " + seed);
    }
  }

  @Test
  public void theBankAccountsBalanceIsTheSumOfItsLinesAndReconcilesToIt() {
    for (int seed = 0; seed < 100; seed++) {
      Books books = books(new Random(seed));
      long lines = books.lines().stream().mapToLong(BankLine::amountMinor).sum();
      assertEquals(books.balance(CURRENT), lines);
      List<Amount> ticked =
          books.entries().stream().map(e -> e.postings().getFirst().amount()).toList();
      assertEquals(Reconciliation.of(eur(0), ticked, eur(lines)).difference().minor(), 0);
    }
  }

  @Test
  public void aRegisterRunsBackToWhereItBegan() {
    for (int seed = 0; seed < 100; seed++) {
      List<Amount> amounts =
          books(new Random(seed)).lines().stream().map(l -> l.amount(CURRENT.currency())).toList();
      Amount end = eur(5_000).plus(Amount.sum(CURRENT.currency(), amounts));
      List<Amount> newestFirst = RunningBalance.newestFirst(end, amounts.reversed());
      assertEquals(newestFirst.getFirst(), end);
      assertEquals(newestFirst.getLast().minus(amounts.getFirst()), eur(5_000));
    }
  }
}
