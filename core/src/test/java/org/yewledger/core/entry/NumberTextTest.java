package org.yewledger.core.entry;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.time.DayOfWeek;
import java.util.List;
import java.util.Random;
import org.testng.annotations.Test;
import org.yewledger.core.entry.Formats.DayOrder;
import org.yewledger.core.entry.Formats.DecimalMark;
import org.yewledger.core.entry.Formats.Grouping;

public class NumberTextTest {
  private static final Formats COMMA =
      new Formats(DecimalMark.COMMA, Grouping.POINT, DayOrder.DAY_MONTH, DayOfWeek.MONDAY);

  private static Typed<BigDecimal> means(String number) {
    return new Typed.Means<>(new BigDecimal(number));
  }

  @Test
  public void aRateHasDecimals() {
    assertEquals(NumberText.read("1.083", Formats.DEFAULT), means("1.083"));
    assertEquals(NumberText.read("1,083", COMMA), means("1.083"));
    assertEquals(NumberText.read("21", COMMA), means("21"));
    assertEquals(NumberText.read("1/4", COMMA), means("0.25"));
  }

  @Test
  public void theOtherMarkIsAsked() {
    Typed<BigDecimal> read = NumberText.read("1,083", Formats.DEFAULT);
    assertEquals(
        ((Typed.Unclear<BigDecimal>) read).choices(),
        List.of(new BigDecimal("1.083"), new BigDecimal("1083")));
  }

  @Test
  public void whatIsNoNumberIsSaidToBeNone() {
    for (String typed : List.of("", "a", "1 2", "5/0", "0.12345678901", "9".repeat(70))) {
      assertTrue(
          NumberText.read(typed, Formats.DEFAULT) instanceof Typed.Unreadable<BigDecimal>, typed);
    }
  }

  @Test
  public void decimalsAreReadBack() {
    var random = new Random(31);
    for (int i = 0; i < 2_000; i++) {
      BigDecimal number = BigDecimal.valueOf(random.nextInt(9_000_000), random.nextInt(7));
      String typed = number.toPlainString().replace('.', ',');
      assertEquals(
          ((Typed.Means<BigDecimal>) NumberText.read(typed, COMMA)).value().compareTo(number),
          0,
          typed);
    }
  }
}
