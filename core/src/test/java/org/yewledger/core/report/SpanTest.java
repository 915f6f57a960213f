package org.yewledger.core.report;

import static org.testng.Assert.assertEquals;
import static org.yewledger.core.Fixtures.refusalOf;

import java.time.Month;
import java.time.YearMonth;
import java.util.List;
import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yewledger.core.report.Span.Beside;
import org.yewledger.core.report.Span.Every;
import org.yewledger.core.report.Span.Named;

public class SpanTest {
  private static Span span(String first, String last) {
    return new Span(YearMonth.parse(first), YearMonth.parse(last));
  }

  @DataProvider
  public Object[][] named() {
    return new Object[][] {
      {Named.MONTH, "2026-08", "2026-08"},
      {Named.QUARTER, "2026-07", "2026-09"},
      {Named.TWELVE_MONTHS, "2025-09", "2026-08"},
      {Named.YEAR_TO_DATE, "2026-01", "2026-08"},
      {Named.FISCAL_YEAR_TO_DATE, "2026-04", "2026-08"},
      {Named.YEAR, "2026-01", "2026-12"},
      {Named.FISCAL_YEAR, "2026-04", "2027-03"},
    };
  }

  @Test(dataProvider = "named")
  public void aNameStandsForMonths(Named named, String first, String last) {
    assertEquals(Span.of(named, YearMonth.of(2026, 8), Month.APRIL), span(first, last));
  }

  @Test
  public void itIsDividedAtTheEndsOfTheCalendar() {
    Span span = span("2025-11", "2026-05");
    assertEquals(
        span.divided(Every.QUARTER),
        List.of(
            span("2025-11", "2025-12"), span("2026-01", "2026-03"), span("2026-04", "2026-05")));
    assertEquals(
        span.divided(Every.YEAR), List.of(span("2025-11", "2025-12"), span("2026-01", "2026-05")));
    assertEquals(span.divided(Every.WHOLE), List.of(span));
    assertEquals(span.divided(Every.MONTH).size(), 7);
  }

  @Test
  public void theColumnsAlwaysMakeTheSpan() {
    var random = new Random(16);
    for (int round = 0; round < 200; round++) {
      YearMonth first = YearMonth.of(2000 + random.nextInt(50), 1 + random.nextInt(12));
      Span span = new Span(first, first.plusMonths(random.nextInt(60)));
      for (Every every : Every.values()) {
        List<Span> columns = span.divided(every);
        assertEquals(columns.getFirst().first(), span.first());
        assertEquals(columns.getLast().last(), span.last());
        assertEquals(columns.stream().mapToInt(Span::months).sum(), span.months());
        for (int i = 1; i < columns.size(); i++) {
          assertEquals(columns.get(i).first(), columns.get(i - 1).last().plusMonths(1));
        }
      }
    }
  }

  @Test
  public void itIsSeenBesideAnother() {
    Span span = span("2026-07", "2026-09");
    assertEquals(span.beside(Beside.BEFORE), span("2026-04", "2026-06"));
    assertEquals(span.beside(Beside.YEAR_BEFORE), span("2025-07", "2025-09"));
    assertEquals(span.beside(Beside.NOTHING), span);
  }

  @Test
  public void whatIsNoSpanIsRefused() {
    assertEquals(refusalOf(() -> span("2026-09", "2026-08")), "span-backwards");
    assertEquals(refusalOf(() -> span("1900-01", "2026-08")), "span-too-long");
    assertEquals(
        refusalOf(() -> span("2020-01", "2026-08").divided(Every.MONTH)), "too-many-columns");
  }
}
