package org.yewledger.core.ledger;

import static org.testng.Assert.assertEquals;

import java.time.LocalDate;
import java.time.Month;
import java.util.Random;
import org.testng.annotations.Test;

public class FiscalYearTest {
  @Test
  public void endsWhereTheNextBegins() {
    assertEquals(FiscalYear.of(LocalDate.of(2026, 9, 30), Month.OCTOBER).label(), "2025/26");
    assertEquals(
        FiscalYear.of(LocalDate.of(2026, 10, 1), Month.OCTOBER).first(), LocalDate.of(2026, 10, 1));
    assertEquals(FiscalYear.of(LocalDate.of(2026, 5, 5), Month.JANUARY).label(), "2026");
    var random = new Random(4);
    for (int i = 0; i < 500; i++) {
      LocalDate day = LocalDate.of(2000, 1, 1).plusDays(random.nextInt(20_000));
      Month month = Month.of(1 + random.nextInt(12));
      FiscalYear year = FiscalYear.of(day, month);
      assertEquals(FiscalYear.of(year.last().plusDays(1), month).first(), year.last().plusDays(1));
      assertEquals(day.isBefore(year.first()) || day.isAfter(year.last()), false);
    }
  }
}
