package org.yewledger.core.post;

import static org.testng.Assert.assertEquals;
import static org.yewledger.core.Fixtures.CARD;
import static org.yewledger.core.Fixtures.CURRENT;
import static org.yewledger.core.Fixtures.GROCERIES;
import static org.yewledger.core.Fixtures.PAPER;
import static org.yewledger.core.Fixtures.SCHOOL;
import static org.yewledger.core.Fixtures.line;
import static org.yewledger.core.Fixtures.refusalOf;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.UUID;
import org.testng.annotations.Test;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.post.Booking.Part;
import org.yewledger.core.rules.RuleBook;

public class BookingTest {
  private static final BankLine LINE = line("2026-09-26", -7485, "GREENGAGE MKT 114");

  @Test
  public void aSplitLineBecomesOneEntry() {
    var parts =
        List.of(new Part(GROCERIES, -6160, "weekly"), new Part(SCHOOL, -1325, "lunch boxes"));
    Entry entry = new Booking("Greengage Market", "", parts).entryFor(CURRENT, LINE);
    assertEquals(entry.postings().size(), 3);
    assertEquals(entry.postings().get(0).account(), CURRENT);
    assertEquals(entry.postings().get(0).amountMinor(), -7485);
    assertEquals(entry.postings().get(1).debitMinor(), 6160);
    assertEquals(entry.date(), LINE.bookedOn());
  }

  @Test
  public void partsMustAddUpToTheLine() {
    var parts = List.of(new Part(GROCERIES, -6000, ""), new Part(SCHOOL, -1325, ""));
    assertEquals(
        refusalOf(() -> new Booking("x", "", parts).entryFor(CURRENT, LINE)), "still-to-place");
  }

  @Test
  public void anySplitOfALineBalances() {
    var random = new Random(5);
    for (int round = 0; round < 300; round++) {
      long rest = 1 + random.nextInt(1_000_000);
      BankLine line = line("2026-09-26", random.nextBoolean() ? rest : -rest, "X");
      int sign = Long.signum(line.amountMinor());
      var parts = new ArrayList<Part>();
      while (rest > 0) {
        long part = Math.min(rest, 1 + random.nextInt(400_000));
        parts.add(new Part(random.nextBoolean() ? GROCERIES : SCHOOL, sign * part, ""));
        rest -= part;
      }
      Entry entry = new Booking("x", "", parts).entryFor(CURRENT, line);
      assertEquals(entry.totalMinor(), Math.abs(line.amountMinor()));
    }
  }

  @Test
  public void asksWhoItIsAndStaysInItsBook() {
    assertEquals(
        refusalOf(() -> Booking.plain(" ", GROCERIES, LINE).entryFor(CURRENT, LINE)),
        "payee-missing");
    assertEquals(
        refusalOf(() -> Booking.plain("x", PAPER, LINE).entryFor(CURRENT, LINE)), "other-book");
    assertEquals(
        refusalOf(() -> Booking.plain("x", CURRENT, LINE).entryFor(CURRENT, LINE)), "same-account");
  }

  @Test
  public void withoutARuleALineIsAnOpenQuestion() {
    var proposer = new Proposer(new RuleBook(List.of()));
    assertEquals(proposer.propose(CURRENT.id(), LINE).reason(), Reason.OPEN_QUESTION);
  }

  @Test
  public void findsPostingsThatTheLineMayBeNearestFirst() {
    BankLine payment = line("2026-09-20", 29618, "PAYMENT RECEIVED");
    OpenPosting near = open(CARD.id(), "2026-09-21", 29618);
    OpenPosting same = open(CARD.id(), "2026-09-20", 29618);
    OpenPosting far = open(CARD.id(), "2026-09-01", 29618);
    OpenPosting other = open(CURRENT.id(), "2026-09-20", 29618);
    OpenPosting wrong = open(CARD.id(), "2026-09-20", 29600);
    assertEquals(
        OpenPosting.thatMayBe(CARD.id(), payment, List.of(near, same, far, other, wrong)),
        List.of(same, near));
  }

  private static OpenPosting open(UUID account, String day, long amount) {
    return new OpenPosting(UUID.randomUUID(), account, LocalDate.parse(day), amount);
  }
}
