package org.yewledger.core.export;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yewledger.core.Refusal;
import org.yewledger.core.export.ExportPlan.Column;
import org.yewledger.core.export.ExportPlan.DayForm;
import org.yewledger.core.export.ExportPlan.Delivery;
import org.yewledger.core.export.ExportPlan.Format;
import org.yewledger.core.export.ExportPlan.Mode;
import org.yewledger.core.export.ExportPlan.Written;
import org.yewledger.core.export.ExportSchedule.Every;

public class ExportPlanTest {
  private static final ZoneId BERLIN = ZoneId.of("Europe/Berlin");
  private static final ExportSchedule DAILY =
      new ExportSchedule(Every.DAY, 0, LocalTime.of(6, 0), BERLIN);
  private static final UUID ACCOUNT = new UUID(0, 1);
  private static final List<Column> ID_AND_DATE =
      List.of(column(ExportColumn.ID, "Id"), column(ExportColumn.DATE, "Day"));

  private static Column column(ExportColumn column, String title) {
    return new Column(column, title);
  }

  private static ExportPlan plan(
      ExportOf of,
      @Nullable UUID account,
      List<Column> columns,
      Format format,
      @Nullable Delivery delivery) {
    return new ExportPlan(
        " For the tax adviser ",
        of,
        null,
        account,
        "",
        ExportDays.THIS_YEAR,
        columns,
        format,
        new Written(DayForm.ISO, false),
        delivery);
  }

  private static Delivery to(String file, Mode mode) {
    return new Delivery(file, mode, DAILY);
  }

  @Test
  public void aPlanKeepsItsColumnsAsTheyAreCalled() {
    ExportPlan plan =
        plan(ExportOf.ENTRIES, null, ID_AND_DATE, Format.CSV, to("taxes/all.csv", Mode.APPEND));
    assertEquals(plan.name(), "For the tax adviser");
    assertEquals(plan.titles(), List.of("Id", "Day"));
  }

  @Test
  public void eachWritesIntoAFileOfItsOwn() {
    ExportPlan all =
        plan(ExportOf.ENTRIES, null, ID_AND_DATE, Format.CSV, to("a.csv", Mode.APPEND));
    ExportPlan fetched = plan(ExportOf.ENTRIES, null, ID_AND_DATE, Format.CSV, null);
    ExportPlan below =
        plan(ExportOf.ENTRIES, null, ID_AND_DATE, Format.CSV, to("b/a.csv", Mode.APPEND));
    all.requireOwnFile(List.of(fetched, below));
    fetched.requireOwnFile(List.of(all, fetched));
    ExportPlan loud =
        plan(ExportOf.ENTRIES, null, ID_AND_DATE, Format.CSV, to("A.CSV", Mode.REPLACE));
    Refusal refusal =
        expectThrows(Refusal.class, () -> loud.requireOwnFile(List.of(below, fetched, all)));
    assertEquals(refusal.code(), "export-file-shared");
  }

  @DataProvider
  public Object[][] refused() {
    var date = List.of(column(ExportColumn.DATE, "Day"));
    return new Object[][] {
      {ExportOf.ENTRIES, null, List.of(), Format.CSV, null, "columns"},
      {ExportOf.ENTRIES, ACCOUNT, date, Format.CSV, null, "accountId"},
      {
        ExportOf.ENTRIES,
        null,
        List.of(column(ExportColumn.TEXT, "Text")),
        Format.CSV,
        null,
        "columns"
      },
      {
        ExportOf.LINES,
        null,
        List.of(column(ExportColumn.DATE, "Day"), column(ExportColumn.DATE, "Again")),
        Format.CSV,
        null,
        "columns"
      },
      {
        ExportOf.LINES,
        null,
        List.of(column(ExportColumn.DATE, "Day"), column(ExportColumn.TEXT, " DAY ")),
        Format.CSV,
        null,
        "columns"
      },
      {ExportOf.LINES, null, List.of(column(ExportColumn.DATE, " ")), Format.CSV, null, "columns"},
      {ExportOf.LINES, null, List.of(), Format.OFX, null, "format"},
      {ExportOf.POSTINGS, null, List.of(), Format.CAMT, null, "format"},
      {ExportOf.LINES, ACCOUNT, date, Format.CAMT, null, "columns"},
      {ExportOf.ENTRIES, null, date, Format.CSV, to("a.csv", Mode.APPEND), "columns"},
      {ExportOf.ENTRIES, null, ID_AND_DATE, Format.XLSX, to("a.xlsx", Mode.APPEND), "mode"},
      {ExportOf.ENTRIES, null, date, Format.CSV, to("../a.csv", Mode.REPLACE), "file"},
      {ExportOf.ENTRIES, null, date, Format.CSV, to("/a.csv", Mode.REPLACE), "file"},
      {ExportOf.ENTRIES, null, date, Format.CSV, to("a/../b.csv", Mode.REPLACE), "file"},
      {ExportOf.ENTRIES, null, date, Format.CSV, to("a//b.csv", Mode.REPLACE), "file"},
      {ExportOf.ENTRIES, null, date, Format.CSV, to(".hidden", Mode.REPLACE), "file"},
      {ExportOf.ENTRIES, null, date, Format.CSV, to("a\u0000b", Mode.REPLACE), "file"},
      {ExportOf.ENTRIES, null, date, Format.CSV, to("", Mode.REPLACE), "file"},
    };
  }

  @Test(dataProvider = "refused")
  public void whatCannotBeMadeIsRefusedAtItsField(
      ExportOf of,
      @Nullable UUID account,
      List<Column> columns,
      Format format,
      @Nullable Delivery delivery,
      String field) {
    Refusal refusal =
        expectThrows(Refusal.class, () -> plan(of, account, columns, format, delivery));
    assertEquals(refusal.field(), field);
  }

  @Test
  public void everyKindOfRowHasAnIdentity() {
    for (ExportOf of : ExportOf.values()) {
      assertEquals(ExportColumn.all(of).getFirst(), ExportColumn.ID);
    }
  }

  @Test
  public void daysAreSeenFromToday() {
    LocalDate today = LocalDate.of(2026, 1, 31);
    assertEquals(ExportDays.EVERYTHING.asOf(today), Optional.empty());
    assertEquals(range(ExportDays.THIS_MONTH, today), "2026-01-01 2026-01-31");
    assertEquals(range(ExportDays.LAST_MONTH, today), "2025-12-01 2025-12-31");
    assertEquals(range(ExportDays.LAST_90_DAYS, today), "2025-11-02 2026-01-31");
    assertEquals(range(ExportDays.THIS_YEAR, today), "2026-01-01 2026-12-31");
    assertEquals(range(ExportDays.LAST_YEAR, today), "2025-01-01 2025-12-31");
  }

  private static String range(ExportDays days, LocalDate today) {
    return days.asOf(today).map(r -> r.first() + " " + r.last()).orElseThrow();
  }

  @Test
  public void itIsMadeAtItsTimeInItsZone() {
    var monthly = new ExportSchedule(Every.MONTH, 31, LocalTime.of(6, 0), BERLIN);
    assertEquals(
        monthly.next(Instant.parse("2026-02-01T00:00:00Z")), Instant.parse("2026-02-28T05:00:00Z"));
    assertEquals(
        monthly.next(Instant.parse("2026-02-28T05:00:00Z")), Instant.parse("2026-03-31T04:00:00Z"));
    var mondays = new ExportSchedule(Every.WEEK, 1, LocalTime.of(6, 0), BERLIN);
    assertEquals(
        mondays.next(Instant.parse("2026-10-05T04:00:00Z")), Instant.parse("2026-10-12T04:00:00Z"));
    // The clocks are put forward from 2 to 3 that night.
    var skipped = new ExportSchedule(Every.DAY, 0, LocalTime.of(2, 30), BERLIN);
    assertEquals(
        skipped.next(Instant.parse("2026-03-28T12:00:00Z")), Instant.parse("2026-03-29T01:30:00Z"));
  }

  @Test
  public void theNextTimeIsTheFirstOneAfterNow() {
    var random = new Random(31);
    for (int run = 0; run < 500; run++) {
      Every every = Every.values()[random.nextInt(3)];
      var schedule =
          new ExportSchedule(
              every,
              1 + random.nextInt(every == Every.MONTH ? 31 : 7),
              LocalTime.of(random.nextInt(24), random.nextInt(60)),
              random.nextBoolean() ? BERLIN : ZoneId.of("America/Halifax"));
      Instant now = Instant.ofEpochSecond(1_700_000_000L + random.nextInt(200_000_000));
      Instant next = schedule.next(now);
      assertTrue(next.isAfter(now));
      assertTrue(Duration.between(now, next).toDays() <= 31);
      // Just before it, it is still the next.
      assertEquals(schedule.next(next.minusMillis(1)), next);
      ZonedDateTime there = next.atZone(schedule.zone());
      assertTrue(every != Every.WEEK || there.getDayOfWeek().getValue() == schedule.on());
    }
  }

  @Test
  public void thereIsNoEighthDayOfTheWeek() {
    assertEquals(
        expectThrows(Refusal.class, () -> new ExportSchedule(Every.WEEK, 8, LocalTime.NOON, BERLIN))
            .code(),
        "export-schedule");
  }
}
