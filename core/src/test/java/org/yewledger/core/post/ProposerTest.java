package org.yewledger.core.post;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNull;
import static org.yewledger.core.Fixtures.BOOK;
import static org.yewledger.core.Fixtures.CARD;
import static org.yewledger.core.Fixtures.CURRENT;
import static org.yewledger.core.Fixtures.GROCERIES;
import static org.yewledger.core.Fixtures.SCHOOL;
import static org.yewledger.core.Fixtures.line;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import org.testng.annotations.Test;
import org.yewledger.core.Fixtures;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.ExchangeRates;
import org.yewledger.core.rules.Condition;
import org.yewledger.core.rules.Rule;
import org.yewledger.core.rules.RuleBook;

public class ProposerTest {
  private static final Rule GREENGAGE =
      Fixtures.rule("GREENGAGE", Condition.Direction.OUT, null, "Greengage Market", GROCERIES);
  private static final BankLine LINE = line("2026-09-26", -7485, "GREENGAGE MKT 114");

  private static WaitingLine waiting(Account account, BankLine line) {
    return new WaitingLine(UUID.randomUUID(), account, line);
  }

  private static Situation situation(List<WaitingLine> lines, List<OpenPosting> open) {
    return new Situation(
        lines,
        open,
        Map.of(BOOK.id(), new RuleBook(List.of(GREENGAGE))),
        Map.of(GROCERIES.id(), GROCERIES, SCHOOL.id(), SCHOOL),
        Map.of(),
        new ExchangeRates(List.of()),
        Map.of());
  }

  private static Proposal proposal(BankLine line) {
    return Proposer.proposals(situation(List.of(waiting(CURRENT, line)), List.of())).getFirst();
  }

  @Test
  public void aRuleThatFitsGivesTheBookingAndIsTheEvidence() {
    Proposal proposal = proposal(LINE);
    assertEquals(proposal.reason(), Reason.RULE);
    assertEquals(proposal.booking(), Booking.plain("Greengage Market", GROCERIES, LINE, CURRENT));
    assertEquals(proposal.evidence(), new Evidence.RuleFits(GREENGAGE, null, false));
  }

  @Test
  public void withoutARuleALineIsAnOpenQuestion() {
    Proposal proposal = proposal(line("2026-09-26", -310, "KIOSK"));
    assertEquals(proposal.reason(), Reason.OPEN_QUESTION);
    assertNull(proposal.booking());
    Situation nothing =
        new Situation(
            List.of(waiting(CURRENT, LINE)),
            List.of(),
            Map.of(),
            Map.of(),
            Map.of(),
            new ExchangeRates(List.of()),
            Map.of());
    assertEquals(Proposer.proposals(nothing).getFirst().reason(), Reason.OPEN_QUESTION);
  }

  @Test
  public void whatAPersonChangesIsTheirAnswerAndNotTheRules() {
    Proposal proposal = proposal(LINE);
    assertEquals(
        proposal.because(Booking.plain("Greengage Market", GROCERIES, LINE, CURRENT)),
        new Because(Reason.RULE, GREENGAGE.id()));
    var noted =
        new Booking(
            "Greengage Market", "a note", Booking.plain("", GROCERIES, LINE, CURRENT).parts());
    assertEquals(proposal.because(noted), new Because(Reason.RULE, GREENGAGE.id()));
    assertEquals(
        proposal.because(Booking.plain("Greengage Market", SCHOOL, LINE, CURRENT)),
        Because.OF_AN_ANSWER);
    assertEquals(
        proposal.because(Booking.plain("Other", GROCERIES, LINE, CURRENT)), Because.OF_AN_ANSWER);
    assertEquals(
        proposal(line("2026-09-26", -310, "KIOSK"))
            .because(Booking.plain("Kiosk", GROCERIES, LINE, CURRENT)),
        Because.OF_AN_ANSWER);
  }

  /** Over random situations: as if each line were held against each posting in turn. */
  @Test
  public void alternativesAreThoseOfTheSameAccountAndAmountWithinDays() {
    var random = new Random(11);
    for (int round = 0; round < 100; round++) {
      var lines = new ArrayList<WaitingLine>();
      var open = new ArrayList<OpenPosting>();
      for (int i = 0; i < 20; i++) {
        Account account = random.nextBoolean() ? CURRENT : CARD;
        LocalDate day = LocalDate.of(2026, 9, 1).plusDays(random.nextInt(30));
        lines.add(waiting(account, line(day.toString(), 1 + random.nextInt(4), "x" + i)));
        open.add(
            new OpenPosting(
                new UUID(9, i),
                random.nextBoolean() ? CURRENT.id() : CARD.id(),
                LocalDate.of(2026, 9, 1).plusDays(random.nextInt(30)),
                1 + random.nextInt(4),
                "",
                false));
      }
      List<Proposal> proposals = Proposer.proposals(situation(lines, open));
      for (int i = 0; i < lines.size(); i++) {
        WaitingLine waiting = lines.get(i);
        assertEquals(proposals.get(i).lineId(), waiting.id());
        assertEquals(
            proposals.get(i).alternatives(),
            OpenPosting.thatMayBe(waiting.account().id(), waiting.line(), open));
      }
    }
  }
}
