package org.yewledger.core.post;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.yewledger.core.Fixtures.BOOK;
import static org.yewledger.core.Fixtures.CARD;
import static org.yewledger.core.Fixtures.CURRENT;
import static org.yewledger.core.Fixtures.GROCERIES;
import static org.yewledger.core.Fixtures.line;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import org.testng.annotations.Test;
import org.yewledger.core.Fixtures;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.ExchangeRates;
import org.yewledger.core.rules.Condition;
import org.yewledger.core.rules.RuleBook;

public class KnownEntriesTest {
  private static int count;

  static WaitingLine waiting(Account account, String day, long minor, String text) {
    return new WaitingLine(new UUID(7, ++count), account, line(day, minor, text));
  }

  static OpenPosting typed(Account account, String day, long minor, String text) {
    return new OpenPosting(
        new UUID(8, ++count), account.id(), LocalDate.parse(day), minor, text, false);
  }

  private static List<Proposal> proposals(List<WaitingLine> lines, List<OpenPosting> open) {
    var rule =
        Fixtures.rule("GREENGAGE", Condition.Direction.OUT, null, "Greengage Market", GROCERIES);
    return Proposer.proposals(
        new Situation(
            lines,
            open,
            Map.of(BOOK.id(), new RuleBook(List.of(rule))),
            Map.of(GROCERIES.id(), GROCERIES),
            Map.of(),
            new ExchangeRates(List.of()),
            Map.of()));
  }

  private static Evidence.StandsInTheBooks known(Proposal proposal) {
    assertEquals(proposal.reason(), Reason.KNOWN_ENTRY);
    return (Evidence.StandsInTheBooks) proposal.evidence();
  }

  @Test
  public void whatStandsInTheBooksIsNotBookedAgainByARule() {
    OpenPosting entry = typed(CURRENT, "2026-09-24", -7485, "Greengage Market");
    Proposal proposal =
        proposals(
                List.of(waiting(CURRENT, "2026-09-26", -7485, "GREENGAGE MKT 114")), List.of(entry))
            .getFirst();
    assertEquals(
        known(proposal), new Evidence.StandsInTheBooks(entry, 2, List.of("GREENGAGE"), false));
    assertTrue(proposal.isSure());
  }

  @Test
  public void withoutAWordInCommonAWeekendIsAllowedAndItIsNotSure() {
    OpenPosting entry = typed(CURRENT, "2026-09-24", -7485, "Harvest supper");
    assertFalse(
        known(
                    proposals(
                            List.of(waiting(CURRENT, "2026-09-27", -7485, "H M VANCE")),
                            List.of(entry))
                        .getFirst())
                .sharedWords()
                .size()
            > 0);
    Proposal late =
        proposals(List.of(waiting(CURRENT, "2026-09-28", -7485, "H M VANCE")), List.of(entry))
            .getFirst();
    assertEquals(late.reason(), Reason.OPEN_QUESTION);
    assertEquals(late.alternatives(), List.of(entry));
  }

  @Test
  public void ofAnotherAccountAmountOrWeekNothingIsKnown() {
    WaitingLine line = waiting(CURRENT, "2026-09-15", -500, "KIOSK");
    for (OpenPosting other :
        List.of(
            typed(CARD, "2026-09-15", -500, "Kiosk"),
            typed(CURRENT, "2026-09-15", 500, "Kiosk"),
            typed(CURRENT, "2026-09-15", -501, "Kiosk"),
            typed(CURRENT, "2026-09-23", -500, "Kiosk"))) {
      assertEquals(
          proposals(List.of(line), List.of(other)).getFirst().reason(), Reason.OPEN_QUESTION);
    }
  }

  @Test
  public void theBestOverallIsFoundAndRivalsAreSaid() {
    OpenPosting early = typed(CURRENT, "2026-09-10", -500, "Kiosk");
    OpenPosting late = typed(CURRENT, "2026-09-12", -500, "Kiosk");
    // Line by line, the first would take the entry that the second needs.
    List<Proposal> both =
        proposals(
            List.of(
                waiting(CURRENT, "2026-09-12", -500, "KIOSK"),
                waiting(CURRENT, "2026-09-18", -500, "KIOSK")),
            List.of(early, late));
    assertEquals(known(both.get(0)).posting(), early);
    assertEquals(known(both.get(1)).posting(), late);
    // Two lines and one entry: which of them it is, nobody can tell.
    List<Proposal> one =
        proposals(
            List.of(
                waiting(CURRENT, "2026-09-10", -500, "KIOSK"),
                waiting(CURRENT, "2026-09-10", -500, "KIOSK")),
            List.of(early));
    List<Proposal> found = one.stream().filter(p -> p.reason() == Reason.KNOWN_ENTRY).toList();
    assertEquals(found.size(), 1);
    assertTrue(known(found.getFirst()).rivalled());
    assertFalse(found.getFirst().isSure());
  }

  /**
   * Over random situations: an entry is never proposed twice, what is proposed is of the same
   * account and amount, and neither the order of lines nor that of entries changes how many are
   * known or what they cost in days.
   */
  @Test
  public void everyEntryIsProposedOnceWhateverTheOrder() {
    var random = new Random(42);
    for (int round = 0; round < 300; round++) {
      var lines = new ArrayList<WaitingLine>();
      var open = new ArrayList<OpenPosting>();
      for (int i = 0; i < 12; i++) {
        Account account = random.nextBoolean() ? CURRENT : CARD;
        lines.add(waiting(account, day(random), -1 - random.nextInt(3), word(random) + " " + i));
        open.add(
            typed(
                random.nextBoolean() ? CURRENT : CARD,
                day(random),
                -1 - random.nextInt(3),
                word(random)));
      }
      long[] first = checked(lines, open);
      Collections.shuffle(lines, random);
      Collections.shuffle(open, random);
      assertEquals(checked(lines, open), first);
    }
  }

  private static long[] checked(List<WaitingLine> lines, List<OpenPosting> open) {
    var taken = new HashSet<UUID>();
    long cost = 0;
    List<Proposal> proposals = proposals(lines, open);
    for (int i = 0; i < lines.size(); i++) {
      if (proposals.get(i).evidence() instanceof Evidence.StandsInTheBooks known) {
        OpenPosting posting = known.posting();
        assertTrue(taken.add(posting.id()), "proposed twice");
        assertEquals(posting.accountId(), lines.get(i).account().id());
        assertEquals(posting.amountMinor(), lines.get(i).line().amountMinor());
        cost +=
            known.daysApart() * (known.daysApart() + 3) + (known.sharedWords().isEmpty() ? 14 : 0);
      }
    }
    return new long[] {taken.size(), cost};
  }

  private static String day(Random random) {
    return LocalDate.of(2026, 9, 1).plusDays(random.nextInt(12)).toString();
  }

  private static String word(Random random) {
    return List.of("KIOSK", "BAKERY", "FERRY").get(random.nextInt(3));
  }
}
