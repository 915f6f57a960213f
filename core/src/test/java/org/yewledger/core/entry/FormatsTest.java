package org.yewledger.core.entry;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.expectThrows;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.YearMonth;
import org.joda.money.CurrencyUnit;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yewledger.core.Refusal;
import org.yewledger.core.entry.Formats.DayOrder;
import org.yewledger.core.entry.Formats.DecimalMark;
import org.yewledger.core.entry.Formats.Grouping;
import org.yewledger.core.money.Amount;

public class FormatsTest {
  private static Formats formats(DecimalMark mark, Grouping grouping) {
    return new Formats(mark, grouping, DayOrder.DAY_MONTH, DayOfWeek.MONDAY);
  }

  @DataProvider
  public Object[][] written() {
    return new Object[][] {
      {DecimalMark.POINT, Grouping.COMMA, "EUR", -108_640L, "\u22121,086.40"},
      {DecimalMark.COMMA, Grouping.POINT, "EUR", 108_640L, "1.086,40"},
      {DecimalMark.COMMA, Grouping.SPACE, "EUR", 123_456_789L, "1\u202f234\u202f567,89"},
      {DecimalMark.POINT, Grouping.APOSTROPHE, "EUR", 100_000L, "1\u2019000.00"},
      {DecimalMark.POINT, Grouping.NONE, "EUR", 123_456L, "1234.56"},
      {DecimalMark.POINT, Grouping.COMMA, "EUR", -5L, "\u22120.05"},
      {DecimalMark.POINT, Grouping.COMMA, "JPY", 1_250L, "1,250"},
      {DecimalMark.COMMA, Grouping.POINT, "BHD", 1_234_567L, "1.234,567"},
      {DecimalMark.POINT, Grouping.COMMA, "EUR", 0L, "0.00"},
      {DecimalMark.POINT, Grouping.COMMA, "EUR", 99_999L, "999.99"},
    };
  }

  @Test
  public void aDayIsWrittenInItsOrder() {
    Formats other =
        new Formats(DecimalMark.POINT, Grouping.COMMA, DayOrder.MONTH_DAY, DayOfWeek.SUNDAY);
    LocalDate day = LocalDate.of(2026, 9, 3);
    assertEquals(Formats.DEFAULT.write(day), "3 September 2026");
    assertEquals(other.write(day), "September 3, 2026");
    assertEquals(Formats.DEFAULT.writeShort(day), "3 Sep 2026");
    assertEquals(other.writeShort(day), "Sep 3, 2026");
    assertEquals(other.write(YearMonth.of(2026, 9)), "September 2026");
  }

  @Test(dataProvider = "written")
  public void anAmountIsWrittenWithItsMarks(
      DecimalMark mark, Grouping grouping, String currency, long minor, String written) {
    assertEquals(
        formats(mark, grouping).write(Amount.ofMinor(minor, CurrencyUnit.of(currency))), written);
  }

  @Test
  public void thousandsAndDecimalsCannotLookAlike() {
    for (DecimalMark mark : DecimalMark.values()) {
      Grouping alike = mark == DecimalMark.POINT ? Grouping.POINT : Grouping.COMMA;
      Refusal refusal = expectThrows(Refusal.class, () -> formats(mark, alike));
      assertEquals(refusal.code(), "marks-alike");
      assertEquals(refusal.field(), "grouping");
    }
  }
}
