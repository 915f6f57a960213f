package org.yewledger.core.entry;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.time.LocalDate;
import java.time.format.TextStyle;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yewledger.core.entry.Formats.DayOrder;

public class DayTextTest {
  /** A Wednesday. */
  private static final LocalDate TODAY = LocalDate.of(2026, 11, 25);

  private static Typed<LocalDate> read(String typed) {
    return DayText.read(typed, TODAY, DayOrder.DAY_MONTH);
  }

  private static Typed<LocalDate> means(String day) {
    return new Typed.Means<>(LocalDate.parse(day));
  }

  @DataProvider
  public Object[][] typed() {
    return new Object[][] {
      {"9", "2026-11-09"},
      {"28", "2026-10-28"},
      {"25", "2026-11-25"},
      {"31", "2026-10-31"},
      {"5 6", "2026-06-05"},
      {"5.6.", "2026-06-05"},
      {"05/06", "2026-06-05"},
      {"0506", "2026-06-05"},
      {"5 12", "2025-12-05"},
      {"29 2", "2024-02-29"},
      {"5 jun", "2026-06-05"},
      {"jun 5", "2026-06-05"},
      {"5th of june", null},
      {"5th june 24", "2024-06-05"},
      {"1 sept", "2026-09-01"},
      {"5.6.26", "2026-06-05"},
      {"5-6-1958", "1958-06-05"},
      {"050626", "2026-06-05"},
      {"05062026", "2026-06-05"},
      {"20260605", "2026-06-05"},
      {"2026-6-5", "2026-06-05"},
      {"2026/06/05", "2026-06-05"},
      {"5 6 47", "1947-06-05"},
      {"5 6 46", "2046-06-05"},
      {"today", "2026-11-25"},
      {"yesterday", "2026-11-24"},
      {"yes", "2026-11-24"},
      {"Tomorrow", "2026-11-26"},
      {"mon", "2026-11-23"},
      {"wed", "2026-11-25"},
      {"Thursday", "2026-11-19"},
      {"-3", "2026-11-22"},
      {"\u22123", "2026-11-22"},
      {"+10", "2026-12-05"},
      {"30 2", null},
      {"0", null},
      {"32", null},
      {"5 6 7", null},
      {"5 6 2300", null},
      {"", null},
      {"soon", null},
      {"1 2 3 4", null},
      {"99999999999999999999", null},
    };
  }

  @Test(dataProvider = "typed")
  public void aDayIsReadAsPeopleTypeIt(String typed, String day) {
    if (day == null) {
      assertTrue(read(typed) instanceof Typed.Unreadable<LocalDate>, typed + ": " + read(typed));
    } else {
      assertEquals(read(typed), means(day), typed);
    }
  }

  @Test
  public void thePersonsOrderDecides() {
    assertEquals(DayText.read("5 6", TODAY, DayOrder.MONTH_DAY), means("2026-05-06"));
    assertEquals(DayText.read("0506", TODAY, DayOrder.MONTH_DAY), means("2026-05-06"));
    assertEquals(DayText.read("05062026", TODAY, DayOrder.MONTH_DAY), means("2026-05-06"));
    assertEquals(DayText.read("2026-06-05", TODAY, DayOrder.MONTH_DAY), means("2026-06-05"));
  }

  @Test
  public void theOtherOrderIsAskedAndNeverGuessed() {
    Typed<LocalDate> read = read("5 13");
    assertTrue(read instanceof Typed.Unclear<LocalDate>, "" + read);
    assertEquals(((Typed.Unclear<LocalDate>) read).choices(), List.of(LocalDate.of(2026, 5, 13)));
  }

  @Test
  public void everyDayIsReadBackFromEveryWayOfWritingIt() {
    var random = new Random(12);
    for (int i = 0; i < 2_000; i++) {
      LocalDate day = LocalDate.of(1900, 1, 1).plusDays(random.nextInt(109_000));
      DayOrder order = DayOrder.values()[random.nextInt(2)];
      String month = day.getMonth().getDisplayName(TextStyle.SHORT, Locale.ENGLISH);
      int first = order == DayOrder.DAY_MONTH ? day.getDayOfMonth() : day.getMonthValue();
      int second = order == DayOrder.DAY_MONTH ? day.getMonthValue() : day.getDayOfMonth();
      for (String typed :
          List.of(
              day.toString(),
              "%d.%d.%d".formatted(first, second, day.getYear()),
              "%02d%02d%04d".formatted(first, second, day.getYear()),
              "%04d%02d%02d".formatted(day.getYear(), day.getMonthValue(), day.getDayOfMonth()),
              "%d %s %d".formatted(day.getDayOfMonth(), month, day.getYear()),
              "%s %d, %d".formatted(month, day.getDayOfMonth(), day.getYear()))) {
        assertEquals(
            DayText.read(typed, TODAY, order), new Typed.Means<>(day), typed + " " + order);
      }
    }
  }

  @Test
  public void withoutAYearItIsTheLatestThatIsNotToCome() {
    var random = new Random(13);
    for (int i = 0; i < 2_000; i++) {
      LocalDate today = LocalDate.of(1990, 1, 1).plusDays(random.nextInt(30_000));
      LocalDate day = today.minusDays(random.nextInt(365));
      String typed = day.getDayOfMonth() + " " + day.getMonthValue();
      assertEquals(
          DayText.read(typed, today, DayOrder.DAY_MONTH),
          new Typed.Means<>(day),
          typed + " " + today);
      if (DayText.read("" + day.getDayOfMonth(), today, DayOrder.DAY_MONTH)
          instanceof Typed.Means<LocalDate>(LocalDate found)) {
        assertEquals(found.getDayOfMonth(), day.getDayOfMonth());
        assertFalse(found.isAfter(today));
        assertFalse(found.isBefore(today.minusDays(62)), found + " of " + today);
      }
    }
  }

  @Test
  public void whateverIsTypedIsAnswered() {
    var random = new Random(14);
    String letters = "0123456789 ./-+,\u2212abcdejmnorstuy\u00e9";
    for (int i = 0; i < 20_000; i++) {
      var typed = new StringBuilder();
      int length = random.nextInt(12);
      for (int j = 0; j < length; j++) {
        typed.append(letters.charAt(random.nextInt(letters.length())));
      }
      if (read(typed.toString()) instanceof Typed.Means<LocalDate>(LocalDate day)) {
        assertTrue(day.getYear() >= 1900 && day.getYear() <= 2199, typed + " " + day);
      }
    }
  }
}
