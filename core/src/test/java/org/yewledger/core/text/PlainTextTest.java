package org.yewledger.core.text;

import static org.testng.Assert.assertEquals;

import java.text.Normalizer;
import java.util.Random;
import org.testng.annotations.Test;

public class PlainTextTest {
  @Test
  public void capitalsAndAccentsMakeNoDifference() {
    assertEquals(PlainText.of("Caf\u00e9 Stra\u00dfe 4"), "CAFE STRASSE 4");
    assertEquals(PlainText.of("Cafe\u0301"), "CAFE");
    assertEquals(PlainText.of(""), "");
  }

  /**
   * However a text is composed, and whether or not ASCII is all of it, it is plain the same way.
   */
  @Test
  public void composedAndDecomposedAreTheSame() {
    var random = new Random(17);
    for (int round = 0; round < 500; round++) {
      var text = new StringBuilder();
      for (int i = 0; i < 20; i++) {
        text.append((char) (32 + random.nextInt(round % 2 == 0 ? 90 : 350)));
      }
      String composed = Normalizer.normalize(text, Normalizer.Form.NFC);
      String decomposed = Normalizer.normalize(text, Normalizer.Form.NFD);
      assertEquals(PlainText.of(composed), PlainText.of(decomposed), composed);
      assertEquals(PlainText.of(composed + "\u00e9"), PlainText.of(composed) + "E", composed);
    }
  }
}
