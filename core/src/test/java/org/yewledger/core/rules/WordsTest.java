package org.yewledger.core.rules;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Locale;
import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yewledger.core.Fixtures;

public class WordsTest {
  @DataProvider
  Object[][] texts() {
    return new Object[][] {
      {"CARD 2709 Cobblers-Row/Bkry.", List.of("CARD", "2709", "COBBLERS", "ROW", "BKRY")},
      {"Caf\u00e9 \u00c5ngstr\u00f6m", List.of("CAFE", "ANGSTROM")},
      {"  ", List.of()},
      {"+++", List.of()},
      {"Thistle & Quire", List.of("THISTLE", "QUIRE")},
      {"\u4e2d\u6587 42", List.of("\u4e2d\u6587", "42")},
    };
  }

  @Test(dataProvider = "texts")
  public void areCutAtWhatIsNoLetterOrDigit(String text, List<String> words) {
    assertEquals(Words.of(text).list(), words);
  }

  @Test
  public void theCaseAndTheLocaleMakeNoDifference() {
    Locale before = Locale.getDefault();
    try {
      Locale.setDefault(Locale.forLanguageTag("tr")); // where i does not become I
      assertEquals(Words.of("little alders"), Words.of("LITTLE ALDERS"));
    } finally {
      Locale.setDefault(before);
    }
  }

  @Test
  public void cuttingTwiceChangesNothing() {
    var random = new Random(8);
    for (int round = 0; round < 500; round++) {
      var text = new StringBuilder();
      for (int i = 0; i < 30; i++) {
        text.append((char) (32 + random.nextInt(400)));
      }
      Words once = Words.of(text.toString());
      assertEquals(Words.of(once.toString()), once);
    }
  }

  /** Whatever a bank writes, the proposed words stand in the line that they were proposed from. */
  @Test
  public void lastingWordsAlwaysFitTheirOwnLine() {
    var random = new Random(6);
    String[] pieces = {
      "CARD", "2709", "GREENGAGE", "MKT", "114", "DD", "TO", "A", "ROW", "-", "REF:", "caf\u00e9"
    };
    for (int round = 0; round < 500; round++) {
      var text = new StringBuilder("X1 ");
      for (int i = 0; i <= random.nextInt(7); i++) {
        text.append(pieces[random.nextInt(pieces.length)]).append(' ');
      }
      var line = Fixtures.line("2026-09-01", -5, text.toString());
      Words proposed = LastingWords.of(line);
      assertTrue(
          Condition.Text.of(TextPlace.ANY, TextMatch.HAS_WORDS, proposed.toString())
              .fits(RuleLine.of(Fixtures.CURRENT, line)),
          text + " -> " + proposed);
    }
  }
}
