package org.yewledger.app.opening;

import io.swagger.v3.oas.annotations.tags.Tag;
import java.io.IOException;
import java.time.LocalDate;
import java.util.UUID;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.opening.ChartTableService.Brought;
import org.yewledger.app.platform.Download;
import org.yewledger.app.platform.HouseholdDays;
import org.yewledger.formats.table.ChartTable;

/** A book's chart and opening balances as a table. */
@RestController
@RequestMapping("/api/books/{id}/chart-table")
@Tag(name = "books")
class ChartTableController {
  /** What a table brings, or would bring. */
  record BroughtJson(int added, int openings, int known) {
    static BroughtJson of(Brought b) {
      return new BroughtJson(b.added(), b.openings(), b.known());
    }
  }

  private final ChartService charts;
  private final ChartTableService tables;
  private final HouseholdDays days;

  ChartTableController(ChartService charts, ChartTableService tables, HouseholdDays days) {
    this.charts = charts;
    this.tables = tables;
    this.days = days;
  }

  /** The chart of a book with its opening balances, as CSV. */
  @GetMapping
  ResponseEntity<byte[]> export(@PathVariable UUID id) {
    return Download.csv("chart", ChartTable.write(tables.rows(id)));
  }

  /** An example of a chart as CSV, with all its columns. */
  @GetMapping("/template")
  ResponseEntity<byte[]> template(@PathVariable UUID id) {
    String currency = charts.chart().book(id).currency();
    LocalDate day = days.today().withDayOfMonth(1);
    return Download.csv("chart-template", ChartTable.template(currency, day.toString()));
  }

  /** Says what a table would bring, with every bad row. */
  @PostMapping(path = "/check", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  BroughtJson check(@PathVariable UUID id, @RequestPart MultipartFile file) throws IOException {
    charts.chart().book(id);
    return BroughtJson.of(tables.check(id, ChartTable.read(file.getBytes())));
  }

  /** Takes a table in, all of it or nothing. */
  @PostMapping(consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  BroughtJson takeIn(@PathVariable UUID id, @RequestPart MultipartFile file) throws IOException {
    charts.chart().book(id);
    return BroughtJson.of(tables.takeIn(id, ChartTable.read(file.getBytes())));
  }
}
