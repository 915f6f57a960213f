package org.yewledger.core.rules;

import static org.testng.Assert.assertEquals;
import static org.yewledger.core.Fixtures.CARD;
import static org.yewledger.core.Fixtures.CURRENT;
import static org.yewledger.core.Fixtures.GROCERIES;
import static org.yewledger.core.Fixtures.SCHOOL;
import static org.yewledger.core.Fixtures.line;
import static org.yewledger.core.Fixtures.rule;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import org.testng.annotations.Test;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.rules.Condition.Direction;

public class RuleReviewTest {
  private static final Map<UUID, Account> ACCOUNTS =
      Map.of(
          GROCERIES.id(), GROCERIES,
          SCHOOL.id(), SCHOOL,
          CURRENT.id(), CURRENT,
          CARD.id(), CARD);
  private static final Rule GREENGAGE = rule("GREENGAGE", Direction.OUT, null, "", GROCERIES);

  private static RuleReview.Line booked(long amount, String text, Account... to) {
    return new RuleReview.Line(
        RuleLine.of(CURRENT, line("2026-08-01", amount, text)),
        Stream.of(to).map(Account::id).collect(java.util.stream.Collectors.toSet()));
  }

  private static RuleReview.Result review(Rule rule, List<Rule> all, RuleReview.Line... lines) {
    return RuleReview.of(all, ACCOUNTS, List.of(lines)).get(rule.id());
  }

  @Test
  public void provesThatAnEarlierRuleTakesAll() {
    Rule garden = rule("GREENGAGE GARDEN", Direction.OUT, null, "", SCHOOL);
    assertEquals(
        review(garden, List.of(GREENGAGE, garden)).warnings(),
        List.of(new Warning.NeverFires(GREENGAGE.id(), 0, true)));
    assertEquals(
        review(garden, List.of(garden, GREENGAGE), booked(-5, "GREENGAGE GARDEN")).warnings(),
        List.of());
  }

  /** Its own lines are what a rule that books to an account does not take. */
  @Test
  public void whatAnEarlierRuleCannotTakeIsNotLost() {
    Rule toCard = rule("QUILLON", null, null, "", CARD);
    Rule charges = rule("QUILLON CHARGE", null, null, "", GROCERIES);
    assertEquals(review(charges, List.of(toCard, charges)).warnings(), List.of(new Warning.Idle()));
  }

  @Test
  public void seesByTheLinesThatAnEarlierRuleTakesAll() {
    Rule market = rule("MARKET", Direction.OUT, null, "", SCHOOL);
    RuleReview.Result result =
        review(
            market,
            List.of(GREENGAGE, market),
            booked(-5, "GREENGAGE MARKET", GROCERIES),
            booked(-6, "MARKET GREENGAGE", GROCERIES));
    assertEquals(result.fits(), 2);
    assertEquals(result.decides(), 0);
    assertEquals(result.warnings(), List.of(new Warning.NeverFires(GREENGAGE.id(), 2, false)));
  }

  @Test
  public void saysWhatWasBookedElsewhere() {
    RuleReview.Line there = booked(-5, "GREENGAGE", SCHOOL);
    assertEquals(
        review(
                GREENGAGE,
                List.of(GREENGAGE),
                there,
                there,
                there,
                booked(-5, "GREENGAGE", GROCERIES))
            .warnings(),
        List.of(new Warning.BookedElsewhere(3, 4)));
    assertEquals(
        review(GREENGAGE, List.of(GREENGAGE), there, there, booked(-5, "GREENGAGE")).warnings(),
        List.of());
  }

  @Test
  public void saysThatItTakesBothWaysUnlessToldTo() {
    Rule either = rule("GREENGAGE", null, null, "", GROCERIES);
    assertEquals(
        review(either, List.of(either), booked(-5, "GREENGAGE"), booked(5, "GREENGAGE")).warnings(),
        List.of(new Warning.BothWays(1, 1)));
    assertEquals(
        review(GREENGAGE, List.of(GREENGAGE), booked(-5, "GREENGAGE"), booked(5, "GREENGAGE"))
            .warnings(),
        List.of());
  }

  @Test
  public void aRuleToAClosedAccountIsQuiet() {
    var accounts = new java.util.HashMap<>(ACCOUNTS);
    accounts.put(GROCERIES.id(), GROCERIES.closedOn(LocalDate.of(2026, 8, 1)));
    assertEquals(
        RuleReview.of(List.of(GREENGAGE), accounts, List.of()).get(GREENGAGE.id()).warnings(),
        List.of(new Warning.Quiet(GROCERIES.id())));
  }

  @Test
  public void suggestsRulesFromLinesThatAllWentOneWay() {
    List<Suggestion.Line> lines =
        Stream.of(
                "1 COBBLERS ROW",
                "2 COBBLERS ROW",
                "3 COBBLERS ROW",
                "4 GREENGAGE",
                "5 GREENGAGE",
                "6 GREENGAGE",
                "TANSY",
                "TANSY",
                "TANSY",
                "88",
                "88",
                "88")
            .map(text ->
                new Suggestion.Line(
                    RuleLine.of(CURRENT, line("2026-08-0" + (1 + text.length() % 9), -5, text)),
                    Set.of(
                        text.startsWith("T") && text.length() == 5 ? SCHOOL.id() : GROCERIES.id()),
                    "Somebody"))
            .collect(java.util.stream.Collectors.toCollection(java.util.ArrayList::new));
    lines.set(8, new Suggestion.Line(lines.get(8).line(), Set.of(GROCERIES.id()), "Somebody"));
    List<Suggestion> suggested = Suggestion.of(lines, new RuleBook(List.of(GREENGAGE)));
    assertEquals(
        suggested,
        List.of(
            new Suggestion(
                Words.of("COBBLERS ROW"),
                Direction.OUT,
                GROCERIES.id(),
                "Somebody",
                List.of(0, 1, 2))));
  }

  @Test
  public void aTrialCountsWhatEarlierRulesTake() {
    Rule all = rule("MARKET", null, null, "", SCHOOL);
    List<RuleLine> lines =
        Stream.of("GREENGAGE MARKET", "MARKET HALL", "FUEL")
            .map(text -> RuleLine.of(CURRENT, line("2026-08-01", -5, text)))
            .toList();
    assertEquals(Trial.of(all, new RuleBook(List.of(GREENGAGE)), lines), new Trial(List.of(1), 1));
    assertEquals(Trial.standing(all, Set.of(SCHOOL.id())), Trial.Standing.AGREES);
    assertEquals(Trial.standing(all, Set.of(GROCERIES.id())), Trial.Standing.DIFFERS);
    assertEquals(Trial.standing(all, Set.of()), Trial.Standing.WAITS);
  }
}
