package org.yewledger.core.rules;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.yewledger.core.Fixtures.CARD;
import static org.yewledger.core.Fixtures.CURRENT;
import static org.yewledger.core.Fixtures.GROCERIES;
import static org.yewledger.core.Fixtures.line;
import static org.yewledger.core.Fixtures.refusalOf;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.testng.annotations.Test;
import org.yewledger.core.Fixtures;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.rules.Condition.Direction;

public class RuleBookTest {
  private static Rule rule(String words, @Nullable Direction direction, @Nullable Account on) {
    return Fixtures.rule(words, direction, on, "Payee", GROCERIES);
  }

  private static RuleLine onCurrent(BankLine line) {
    return RuleLine.of(CURRENT, line);
  }

  private static boolean fits(Rule rule, BankLine line) {
    return rule.fits(onCurrent(line));
  }

  @Test
  public void matchesWholeWordsInAnyTextHoweverWritten() {
    Rule rule = rule("cobblers row", null, null);
    assertTrue(fits(rule, line("2026-09-01", -5, "CARD 2709 COBBLERS-ROW BKRY")));
    assertTrue(fits(rule, line("2026-09-01", -5, "C\u00f6bblers  r\u00f6w")));
    assertFalse(fits(rule, line("2026-09-01", -5, "COBBLERS ROWING CLUB")));
    assertFalse(fits(rule, line("2026-09-01", -5, "ROW COBBLERS")));
    BankLine elsewhere =
        new BankLine(
            java.time.LocalDate.of(2026, 9, 1),
            null,
            -5,
            "",
            "",
            "COBBLERS ROW 7",
            "",
            null,
            "",
            1);
    assertTrue(fits(rule, elsewhere));
  }

  @Test
  public void doesNotReadAPhraseOverTwoTexts() {
    BankLine line =
        new BankLine(
            java.time.LocalDate.of(2026, 9, 1), null, -5, "COBBLERS", "ROW", "", "", null, "", 1);
    assertFalse(fits(rule("COBBLERS ROW", null, null), line));
  }

  @Test
  public void mindsDirectionAndAccount() {
    BankLine out = line("2026-09-01", -5, "SHOP");
    assertTrue(fits(rule("SHOP", Direction.OUT, null), out));
    assertFalse(fits(rule("SHOP", Direction.IN, null), out));
    assertTrue(fits(rule("SHOP", Direction.OUT, CURRENT), out));
    assertFalse(fits(rule("SHOP", Direction.OUT, CARD), out));
  }

  @Test
  public void theFirstInOrderDecides() {
    Rule narrow = rule("GREENGAGE GARDEN", Direction.OUT, null);
    Rule wide = rule("GREENGAGE", Direction.OUT, null);
    BankLine line = line("2026-09-01", -5, "GREENGAGE GARDEN 7");
    assertEquals(
        new RuleBook(List.of(wide, narrow)).firstMatch(onCurrent(line)), Optional.of(wide));
    assertEquals(
        new RuleBook(List.of(narrow, wide)).firstMatch(onCurrent(line)), Optional.of(narrow));
  }

  /** The index finds exactly what trying rule after rule finds, whatever the conditions are. */
  @Test
  public void agreesWithTryingEveryRuleInTurn() {
    var random = new RandomRules(11);
    int found = 0;
    for (int round = 0; round < 300; round++) {
      List<Rule> rules =
          IntStream.range(0, 12).mapToObj(i -> random.rule(Fixtures.BOOK.id())).toList();
      var book = new RuleBook(rules);
      for (int i = 0; i < 10; i++) {
        RuleLine line = random.line();
        List<Rule> expected = rules.stream().filter(r -> r.fits(line)).toList();
        assertEquals(book.allMatches(line), expected);
        assertEquals(book.firstMatch(line), expected.stream().findFirst());
        found += expected.size();
      }
    }
    assertTrue(found > 1_000, "lines that fit: " + found);
  }

  @Test
  public void tellsWhichOfItsTextsStandInALine() {
    Rule rule =
        Fixtures.rule(
            new Condition.Any(
                List.of(
                    Condition.Text.of(TextPlace.ANY, TextMatch.HAS_WORDS, "Cobblers Row"),
                    Condition.Text.of(TextPlace.ANY, TextMatch.ENDS, "bkry"),
                    Condition.Text.of(TextPlace.ANY, TextMatch.IS, "bread"))),
            "",
            Division.wholeTo(GROCERIES.id()));
    assertEquals(
        rule.foundIn(onCurrent(line("2026-09-01", -5, "COBBLERS ROW BKRY"))),
        List.of("Cobblers Row", "bkry"));
  }

  @Test
  public void rulesThatAreOffOrBookToAClosedAccountAreNotTried() {
    Rule on = rule("SHOP", null, null);
    Rule off = new Rule(on.id(), on.bookId(), on.when(), on.then(), false, null);
    RuleLine line = onCurrent(line("2026-09-01", -5, "SHOP"));
    Account closed = GROCERIES.closedOn(LocalDate.of(2026, 8, 1));
    assertEquals(
        RuleBook.of(List.of(on), Map.of(GROCERIES.id(), GROCERIES)).firstMatch(line),
        Optional.of(on));
    assertEquals(RuleBook.of(List.of(off), Map.of()).firstMatch(line), Optional.empty());
    assertEquals(
        RuleBook.of(List.of(on), Map.of(GROCERIES.id(), closed)).firstMatch(line),
        Optional.empty());
  }

  @Test
  public void namesAPayeeByTheLastingWordsAndWhatSeveralLinesShare() {
    assertEquals(
        LastingWords.name(line("2026-09-01", -5, "CARD 2709 COBBLERS ROW BKRY")), "Cobblers Row");
    List<BankLine> lines =
        List.of(
            line("2026-09-01", -5, "CARD 2709 COBBLERS ROW BKRY MARRAM"),
            line("2026-09-02", -6, "CARD 2710 COBBLERS ROW BKRY SALTMARSH"));
    assertEquals(LastingWords.common(lines).toString(), "COBBLERS ROW BKRY");
    assertTrue(
        LastingWords.common(
                List.of(
                    line("2026-09-01", -5, "CARD 1 FUEL"), line("2026-09-01", -5, "CARD 2 ROW")))
            .isEmpty());
  }

  @Test
  public void needsAWord() {
    assertEquals(refusalOf(() -> rule(" - ", Direction.OUT, null)), "rule-without-words");
  }

  @Test
  public void proposesTheLastingWordsOfALine() {
    assertEquals(
        LastingWords.of(line("2026-09-01", -5, "CARD 2709 COBBLERS ROW BKRY")).toString(),
        "COBBLERS ROW");
    assertEquals(
        LastingWords.of(line("2026-09-01", -5, "GREENGAGE MKT 114")).toString(), "GREENGAGE MKT");
    assertEquals(
        LastingWords.of(line("2026-09-01", -5, "DD 7730021 LANTERN 8 ENERGY")).toString(),
        "LANTERN");
    assertEquals(LastingWords.of(line("2026-09-01", -5, "88213")).toString(), "88213");
  }

  @Test
  public void aRuleFromAnyLineFitsThatLine() {
    for (String text :
        List.of("CARD 2709 COBBLERS ROW BKRY", "TRF INKWELL AND SONS INV 2544", "ADJ 88213", "X")) {
      BankLine line = line("2026-09-01", -5, text);
      assertTrue(fits(rule(LastingWords.of(line).toString(), Direction.OUT, null), line), text);
    }
  }
}
