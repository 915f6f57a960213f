package org.yewledger.core.rules;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.yewledger.core.Fixtures.CARD;
import static org.yewledger.core.Fixtures.CURRENT;
import static org.yewledger.core.Fixtures.line;
import static org.yewledger.core.Fixtures.refusalOf;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yewledger.core.gather.BankLine;

public class ConditionTest {
  private static boolean fits(Condition when, String day, long amount, String text) {
    return when.fits(RuleLine.of(CURRENT, line(day, amount, text)));
  }

  private static Condition text(TextMatch match, String what) {
    return Condition.Text.of(TextPlace.ANY, match, what);
  }

  @DataProvider
  public Object[][] texts() {
    return new Object[][] {
      {TextMatch.HAS_WORDS, "cobblers row", true},
      {TextMatch.HAS_WORDS, "cobbler", false},
      {TextMatch.CONTAINS, "obblers-r", false},
      {TextMatch.CONTAINS, "obblers r", true},
      {TextMatch.STARTS, "card  2709", true},
      {TextMatch.STARTS, "cobblers", false},
      {TextMatch.ENDS, "BÄCKEREI", true},
      {TextMatch.ENDS, "row", false},
      {TextMatch.IS, "card 2709 cobblers row backerei", true},
      {TextMatch.IS, "cobblers row", false},
      {TextMatch.LIKE, "card \\d+ cobb.*", true},
      {TextMatch.LIKE, "card [a-z]+ cobb", false},
    };
  }

  @Test(dataProvider = "texts")
  public void comparesTextsWithoutMindingCaseAccentsAndSpaces(
      TextMatch match, String what, boolean expected) {
    assertEquals(
        fits(text(match, what), "2026-09-01", -5, "CARD  2709 Cobblers Row Bäckerei"), expected);
  }

  @Test
  public void looksOnlyAtThePlaceItNames() {
    BankLine line =
        new BankLine(
            java.time.LocalDate.of(2026, 9, 1),
            null,
            -5,
            "GREENGAGE",
            "Card 7",
            "R-1",
            "POS",
            null,
            "",
            1);
    RuleLine ready = RuleLine.of(CURRENT, line);
    assertTrue(Condition.Text.of(TextPlace.PAYEE, TextMatch.IS, "greengage").fits(ready));
    assertFalse(Condition.Text.of(TextPlace.MEMO, TextMatch.HAS_WORDS, "greengage").fits(ready));
    assertTrue(Condition.Text.of(TextPlace.REFERENCE, TextMatch.HAS_WORDS, "r 1").fits(ready));
    assertTrue(Condition.Text.of(TextPlace.TYPE, TextMatch.IS, "pos").fits(ready));
  }

  @Test
  public void comparesAmountsWithoutTheirSign() {
    var range = new Condition.AmountIs(new BigDecimal("40"), new BigDecimal("180.00"));
    assertTrue(fits(range, "2026-09-01", -4_000, "X"));
    assertTrue(fits(range, "2026-09-01", 18_000, "X"));
    assertFalse(fits(range, "2026-09-01", -18_001, "X"));
    assertFalse(fits(range, "2026-09-01", -3_999, "X"));
  }

  @Test
  public void knowsDaysOverTheTurnOfAMonthAndInShortOnes() {
    var turn = new Condition.Days(28, 3);
    assertTrue(fits(turn, "2026-09-30", -5, "X"));
    assertTrue(fits(turn, "2026-09-03", -5, "X"));
    assertFalse(fits(turn, "2026-09-04", -5, "X"));
    assertFalse(fits(turn, "2026-09-27", -5, "X"));
    assertTrue(fits(new Condition.Days(31, 31), "2026-02-28", -5, "X"));
    assertFalse(fits(new Condition.Days(31, 31), "2026-02-27", -5, "X"));
  }

  @Test
  public void nests() {
    Condition when =
        new Condition.All(
            List.of(
                text(TextMatch.HAS_WORDS, "GREENGAGE"),
                new Condition.Any(
                    List.of(
                        new Condition.Way(Condition.Direction.IN),
                        new Condition.AmountIs(new BigDecimal(50), null)))));
    assertTrue(fits(when, "2026-09-01", 5, "GREENGAGE"));
    assertTrue(fits(when, "2026-09-01", -5_000, "GREENGAGE"));
    assertFalse(fits(when, "2026-09-01", -5, "GREENGAGE"));
  }

  @Test
  public void refusesWhatCannotBeMeant() {
    assertEquals(refusalOf(() -> text(TextMatch.CONTAINS, "  ")), "text-missing");
    assertEquals(refusalOf(() -> text(TextMatch.CONTAINS, "x".repeat(201))), "text-too-long");
    assertEquals(refusalOf(() -> text(TextMatch.HAS_WORDS, "--")), "rule-without-words");
    assertEquals(refusalOf(() -> text(TextMatch.LIKE, "(unclosed")), "pattern-unreadable");
    assertEquals(refusalOf(() -> new Condition.Days(0, 5)), "day-out-of-range");
    assertEquals(refusalOf(() -> new Condition.AmountIs(null, null)), "amount-missing");
    assertEquals(
        refusalOf(() -> new Condition.AmountIs(BigDecimal.TEN, BigDecimal.ONE)), "amounts-turned");
    assertEquals(
        refusalOf(() -> new Condition.AmountIs(new BigDecimal("1E+100000000"), null)),
        "amount-out-of-range");
    assertEquals(refusalOf(() -> new Condition.All(List.of())), "rule-without-conditions");
  }

  /** Each of these takes for ever, or all memory there is, where it is not bounded. */
  @Test(timeOut = 20_000)
  public void noPatternCanHang() {
    String text = "a".repeat(5_000) + "!";
    assertFalse(fits(text(TextMatch.LIKE, "(a+)+$"), "2026-09-01", -5, text));
    assertFalse(fits(text(TextMatch.LIKE, "(a|aa)+$"), "2026-09-01", -5, text));
    assertFalse(fits(text(TextMatch.LIKE, "^(([a-z])+.)+[A-Z]([a-z])+$"), "2026-09-01", -5, text));
    for (String vast : List.of("((a{100}){100}){100}", "a{1001}", "a{2,99999999999}")) {
      assertEquals(refusalOf(() -> text(TextMatch.LIKE, vast)), "pattern-unreadable", vast);
    }
  }

  private static String name(UUID account) {
    return account.equals(CURRENT.id()) ? "Harbour \"old\" Current" : "Quillon Card";
  }

  private static Optional<UUID> named(String name) {
    return List.of(CURRENT.id(), CARD.id()).stream()
        .filter(id -> name(id).equals(name))
        .findFirst();
  }

  @Test
  public void areReadBackFromWhatIsWritten() {
    var random = new RandomRules(5);
    for (int i = 0; i < 2_000; i++) {
      Condition when = random.condition(3);
      String text = ConditionText.of(when, ConditionTest::name);
      Condition read = ConditionReader.read(text, ConditionTest::named);
      assertEquals(ConditionText.of(read, ConditionTest::name), text);
      RuleLine line = random.line();
      assertEquals(read.fits(line), when.fits(line), text);
    }
  }

  @DataProvider
  public Object[][] unreadable() {
    return new Object[][] {
      {"", "end where a condition"},
      {"any text has the words", "what to look for between quotation marks"},
      {"any text has the words \"X", "quotation mark is not closed"},
      {"paid sideways", "Expected in or out, not sideways"},
      {"amount 12,50", "Expected and, or, or the end"},
      {"amount much", "Expected an amount such as 40 or 12.50, not much"},
      {"on \"Nowhere\"", "There is no account Nowhere."},
      {"(paid in or paid out", "a closing bracket"},
      {"paid in paid out", "Expected and, or, or the end, not paid"},
      {"(".repeat(9) + "paid in", "at most 5 deep"},
    };
  }

  @Test(dataProvider = "unreadable")
  public void sayWhereTheyCannotBeRead(String text, String says) {
    try {
      ConditionReader.read(text, ConditionTest::named);
    } catch (org.yewledger.core.Refusal e) {
      assertTrue(e.getMessage().contains(says), e.getMessage());
      return;
    }
    throw new AssertionError("read: " + text);
  }

  /** What is proved of two conditions holds of every line. */
  @Test
  public void whatImpliesAnotherFitsNoLineThatTheOtherDoesNot() {
    var random = new RandomRules(7);
    List<RuleLine> lines = java.util.stream.Stream.generate(random::line).limit(300).toList();
    int proved = 0;
    for (int i = 0; i < 60_000; i++) {
      Condition narrow = random.condition(1);
      Condition wide = random.condition(1);
      if (Implication.proves(narrow, wide)) {
        proved++;
        for (RuleLine line : lines) {
          assertTrue(
              !narrow.fits(line) || wide.fits(line),
              ConditionText.of(narrow, ConditionTest::name)
                  + " => "
                  + ConditionText.of(wide, ConditionTest::name));
        }
      }
    }
    assertTrue(proved > 300, "proved: " + proved);
  }

  @Test
  public void provesWhatAPersonWouldSee() {
    Condition greengage = text(TextMatch.HAS_WORDS, "GREENGAGE");
    Condition garden = text(TextMatch.HAS_WORDS, "GREENGAGE GARDEN");
    Condition out = new Condition.Way(Condition.Direction.OUT);
    assertTrue(Implication.proves(garden, greengage));
    assertFalse(Implication.proves(greengage, garden));
    assertTrue(Implication.proves(new Condition.All(List.of(garden, out)), greengage));
    assertFalse(Implication.proves(garden, new Condition.All(List.of(greengage, out))));
    assertTrue(
        Implication.proves(
            new Condition.AmountIs(new BigDecimal(5), new BigDecimal(9)),
            new Condition.AmountIs(null, new BigDecimal(9))));
  }
}
