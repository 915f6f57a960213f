package org.yewledger.core.post;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.yewledger.core.Fixtures.BOOK;
import static org.yewledger.core.Fixtures.CURRENT;
import static org.yewledger.core.Fixtures.GROCERIES;
import static org.yewledger.core.Fixtures.SCHOOL;
import static org.yewledger.core.Fixtures.eur;
import static org.yewledger.core.post.KnownEntriesTest.waiting;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import org.testng.annotations.Test;
import org.yewledger.core.Fixtures;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.ExchangeRates;
import org.yewledger.core.post.Past.PastEntry;
import org.yewledger.core.post.Past.PastPart;
import org.yewledger.core.rules.Condition;
import org.yewledger.core.rules.Rule;
import org.yewledger.core.rules.RuleBook;

public class LastTimeTest {
  private static PastEntry to(int no, long minor, Account... accounts) {
    var parts = new ArrayList<PastPart>();
    for (Account account : accounts) {
      parts.add(new PastPart(account, eur(minor / accounts.length)));
    }
    return new PastEntry(new UUID(3, no), no, LocalDate.of(2026, 8, 28).minusDays(no), parts);
  }

  private static Proposal proposal(long minor, List<PastEntry> past, Rule... rules) {
    return Proposer.proposals(
            new Situation(
                List.of(waiting(CURRENT, "2026-09-28", minor, "TANSY & THREAD ELLERY 0928")),
                List.of(),
                Map.of(BOOK.id(), new RuleBook(List.of(rules))),
                Map.of(GROCERIES.id(), GROCERIES),
                Map.of(),
                ExchangeRates.NONE,
                Map.of("TANSY THREAD", new Past("Tansy & Thread", past))))
        .getFirst();
  }

  @Test
  public void aHabitIsProposedWithTheEntriesThatShowIt() {
    List<PastEntry> past = List.of(to(1, -4000, SCHOOL), to(2, -900, SCHOOL), to(3, -50, SCHOOL));
    Proposal proposal = proposal(-7840, past);
    assertEquals(proposal.reason(), Reason.LAST_TIME);
    assertEquals(
        proposal.booking(),
        new Booking("Tansy & Thread", "", List.of(new Booking.Part(SCHOOL, eur(-7840), ""))));
    assertEquals(proposal.evidence(), new Evidence.BookedBefore(past, true, List.of()));
    assertTrue(proposal.isSure());
    assertEquals(
        proposal.because(java.util.Objects.requireNonNull(proposal.booking())),
        new Because(Reason.LAST_TIME, null));
  }

  @Test
  public void twoOfThreeAreAHabitIfTheNewestIsOneOfThem() {
    Proposal two =
        proposal(-100, List.of(to(1, -40, SCHOOL), to(2, -9, GROCERIES), to(3, -5, SCHOOL)));
    assertEquals(two.reason(), Reason.LAST_TIME);
    assertFalse(two.isSure());
    for (List<PastEntry> none :
        List.of(
            List.<PastEntry>of(),
            List.of(to(1, -40, SCHOOL)),
            List.of(to(1, -40, SCHOOL), to(2, -9, GROCERIES)),
            List.of(to(1, -40, GROCERIES), to(2, -9, SCHOOL), to(3, -5, SCHOOL)),
            // Money that came in says nothing of money that goes out.
            List.of(to(1, 40, SCHOOL), to(2, 9, SCHOOL), to(3, 5, SCHOOL)),
            // What is further back does not count.
            List.of(
                to(1, -4, SCHOOL),
                to(2, -9, GROCERIES),
                to(3, -5, GROCERIES),
                to(4, -5, SCHOOL)))) {
      assertEquals(proposal(-100, none).reason(), Reason.OPEN_QUESTION, none.toString());
    }
  }

  @Test
  public void aSplitIsRepeatedOnlyWithTheSameAmount() {
    List<PastEntry> past =
        List.of(to(1, -4000, SCHOOL, GROCERIES), to(2, -4000, SCHOOL, GROCERIES));
    Booking same = java.util.Objects.requireNonNull(proposal(-4000, past).booking());
    assertEquals(
        same.parts(),
        List.of(
            new Booking.Part(SCHOOL, eur(-2000), ""), new Booking.Part(GROCERIES, eur(-2000), "")));
    assertEquals(proposal(-4100, past).reason(), Reason.OPEN_QUESTION);
    // Of a loan, each payment is divided anew.
    var changing =
        new PastEntry(
            new UUID(3, 9),
            9,
            LocalDate.of(2026, 7, 1),
            List.of(new PastPart(SCHOOL, eur(-1990)), new PastPart(GROCERIES, eur(-2010))));
    assertEquals(
        proposal(-4000, List.of(to(1, -4000, SCHOOL, GROCERIES), changing)).reason(),
        Reason.OPEN_QUESTION);
  }

  @Test
  public void aRuleComesFirstAndAClosedAccountIsNotProposed() {
    var rule = Fixtures.rule("TANSY", Condition.Direction.OUT, null, "Tansy & Thread", GROCERIES);
    List<PastEntry> past = List.of(to(1, -4000, SCHOOL), to(2, -900, SCHOOL));
    assertEquals(proposal(-100, past, rule).reason(), Reason.RULE);
    Account closed = SCHOOL.closedOn(LocalDate.of(2026, 9, 1));
    assertEquals(
        proposal(-100, List.of(to(1, -4, closed), to(2, -9, closed))).reason(),
        Reason.OPEN_QUESTION);
    assertEquals(
        proposal(-100, List.of(to(1, -4, CURRENT), to(2, -9, CURRENT))).reason(),
        Reason.OPEN_QUESTION);
  }

  /** Over random pasts: what is proposed makes the whole line, and is where the newest went. */
  @Test
  public void whatIsProposedMakesTheWholeLine() {
    var random = new Random(44);
    for (int round = 0; round < 500; round++) {
      var past = new ArrayList<PastEntry>();
      for (int i = random.nextInt(5); i > 0; i--) {
        Account one = random.nextBoolean() ? SCHOOL : GROCERIES;
        long minor = (random.nextBoolean() ? -2 : 2) * (1 + random.nextInt(3));
        past.add(
            random.nextInt(4) == 0 ? to(9 - i, minor, SCHOOL, GROCERIES) : to(9 - i, minor, one));
      }
      long minor = -2 * (1 + random.nextInt(3));
      Booking booking = proposal(minor, past).booking();
      if (booking != null) {
        assertEquals(booking.parts().stream().mapToLong(p -> p.amount().minor()).sum(), minor);
        PastEntry newest =
            past.stream().filter(e -> e.whole().sign() < 0).findFirst().orElseThrow();
        assertEquals(
            booking.parts().stream().map(Booking.Part::account).toList(),
            newest.parts().stream().map(PastPart::account).toList());
      }
    }
  }
}
