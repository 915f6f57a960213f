package org.yewledger.core.rules;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.yewledger.core.Fixtures.CARD;
import static org.yewledger.core.Fixtures.CURRENT;
import static org.yewledger.core.Fixtures.GROCERIES;
import static org.yewledger.core.Fixtures.line;
import static org.yewledger.core.Fixtures.refusalOf;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.UUID;
import org.testng.annotations.Test;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.rules.Rule.Direction;

public class RuleBookTest {
  private static Rule rule(String words, Direction direction, UUID account) {
    return new Rule(
        UUID.randomUUID(),
        new Rule.When(Words.of(words), direction, account),
        new Rule.Then("Payee", GROCERIES.id()));
  }

  private static boolean fits(Rule rule, BankLine line) {
    return rule.fits(CURRENT.id(), line);
  }

  @Test
  public void matchesWholeWordsInAnyTextHoweverWritten() {
    Rule rule = rule("cobblers row", Direction.EITHER, null);
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
    assertFalse(fits(rule("COBBLERS ROW", Direction.EITHER, null), line));
  }

  @Test
  public void mindsDirectionAndAccount() {
    BankLine out = line("2026-09-01", -5, "SHOP");
    assertTrue(fits(rule("SHOP", Direction.OUT, null), out));
    assertFalse(fits(rule("SHOP", Direction.IN, null), out));
    assertTrue(fits(rule("SHOP", Direction.OUT, CURRENT.id()), out));
    assertFalse(fits(rule("SHOP", Direction.OUT, CARD.id()), out));
  }

  @Test
  public void theFirstInOrderDecides() {
    Rule narrow = rule("GREENGAGE GARDEN", Direction.OUT, null);
    Rule wide = rule("GREENGAGE", Direction.OUT, null);
    BankLine line = line("2026-09-01", -5, "GREENGAGE GARDEN 7");
    assertEquals(
        new RuleBook(List.of(wide, narrow)).firstMatch(CURRENT.id(), line), Optional.of(wide));
    assertEquals(
        new RuleBook(List.of(narrow, wide)).firstMatch(CURRENT.id(), line), Optional.of(narrow));
  }

  /** The index finds exactly what trying rule after rule finds. */
  @Test
  public void agreesWithTryingEveryRuleInTurn() {
    var random = new Random(11);
    String[] words = {"GREENGAGE", "MARKET", "FUEL", "ROW", "BUS", "A", "7"};
    for (int round = 0; round < 300; round++) {
      var rules = new ArrayList<Rule>();
      for (int i = 0; i < 12; i++) {
        rules.add(
            rule(
                phrase(words, random, 1 + random.nextInt(2)),
                Direction.values()[random.nextInt(3)],
                random.nextInt(3) == 0 ? CARD.id() : null));
      }
      BankLine line = line("2026-09-01", random.nextBoolean() ? 9 : -9, phrase(words, random, 4));
      Optional<Rule> expected = rules.stream().filter(r -> fits(r, line)).findFirst();
      assertEquals(new RuleBook(rules).firstMatch(CURRENT.id(), line), expected);
    }
  }

  private static String phrase(String[] words, Random random, int length) {
    var list = new ArrayList<String>();
    for (int i = 0; i < length; i++) {
      list.add(words[random.nextInt(words.length)]);
    }
    return String.join(" ", list);
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
