package org.yewledger.core.money;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.testng.annotations.Test;

public class DecimalsTest {
  @Test
  public void numbersOfAnySizeThatIsMeantAreRead() {
    assertEquals(Decimals.read("-1086.40"), Optional.of(new BigDecimal("-1086.40")));
    assertEquals(Decimals.read("1E+3"), Optional.of(new BigDecimal("1000")));
    assertEquals(
        Decimals.read("0.1000000000000000055"),
        Optional.of(new BigDecimal("0.1000000000000000055")));
  }

  @Test
  public void whatCannotBeANumberOfABookIsNone() {
    for (String text :
        List.of(
            "1E+100000000",
            "-1E+100000000",
            "1E-100000000",
            "1E+2147483647",
            "0E+2000000000",
            "1E+19",
            "",
            "abc",
            "1,5",
            "NaN",
            "Infinity",
            "9".repeat(41),
            "1e",
            "--1")) {
      assertTrue(Decimals.read(text).isEmpty(), text);
    }
  }

  @Test
  public void whatIsReadCanBeWrittenOutAtOnce() {
    var random = new Random(3);
    for (int i = 0; i < 5_000; i++) {
      String text = (random.nextInt(2_000_000) - 1_000_000) + "E" + (random.nextInt(200) - 100);
      Decimals.read(text).ifPresent(n -> assertTrue(n.toPlainString().length() < 60, text));
    }
  }
}
