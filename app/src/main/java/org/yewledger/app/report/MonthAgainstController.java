package org.yewledger.app.report;

import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.YearMonth;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.yewledger.app.paper.Papers;
import org.yewledger.app.platform.Download;
import org.yewledger.app.report.MonthAgainstJson.MonthAgainstPageJson;
import org.yewledger.formats.table.ReportTable;
import org.yewledger.formats.table.Workbook;

/** The spending of a month against that of the month before, of each book or of one. */
@RestController
@RequestMapping("/api/reports/month")
@Tag(name = "reports")
class MonthAgainstController {
  private final MonthAgainstService months;
  private final Papers papers;

  MonthAgainstController(MonthAgainstService months, Papers papers) {
    this.months = months;
    this.papers = papers;
  }

  /** A month against the one before: top spending, and what was spent day by day. */
  @GetMapping
  MonthAgainstPageJson month(@RequestParam YearMonth month, @RequestParam @Nullable UUID book) {
    return months.page(month, book);
  }

  /** What was spent on each category as comma-separated text, with plain numbers. */
  @GetMapping("/table")
  ResponseEntity<byte[]> monthTable(
      @RequestParam YearMonth month, @RequestParam @Nullable UUID book) {
    return Download.csv(
        "spent-in-" + month,
        ReportTable.write(
            MonthAgainstTable.COLUMNS, MonthAgainstTable.cells(months.page(month, book))));
  }

  /** The same as a workbook, with real numbers. */
  @GetMapping("/workbook")
  ResponseEntity<byte[]> monthWorkbook(
      @RequestParam YearMonth month, @RequestParam @Nullable UUID book) {
    return Download.workbook(
        "spent-in-" + month,
        Workbook.write(
            "Month", MonthAgainstTable.COLUMNS, MonthAgainstTable.cells(months.page(month, book))));
  }

  /** The same on paper, with what is unusual. */
  @GetMapping("/paper")
  ResponseEntity<byte[]> monthPaper(
      @RequestParam YearMonth month, @RequestParam @Nullable UUID book) {
    return papers.answer(
        "spent-in-" + month,
        "Month against month",
        false,
        MonthAgainstTable.paper(months.page(month, book), papers.formats()));
  }
}
