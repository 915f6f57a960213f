package org.yewledger.app.report;

import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import java.util.Locale;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.yewledger.app.paper.Papers;
import org.yewledger.app.platform.Download;
import org.yewledger.app.report.ReportJson.ReportPageJson;
import org.yewledger.app.report.ReportService.Kind;

/** Reports over spans of months: on screen, as a table, on paper. */
@RestController
@RequestMapping("/api/reports")
@Tag(name = "reports")
class ReportController {
  private final ReportService reports;
  private final Papers papers;

  ReportController(ReportService reports, Papers papers) {
    this.reports = reports;
    this.papers = papers;
  }

  /** One report of each book, or of the chosen one, and of all books as one. */
  @GetMapping
  ReportPageJson report(@RequestParam Kind kind, @Valid @ParameterObject ReportAsked asked) {
    return reports.report(kind, asked);
  }

  /** The same as comma-separated text, with plain numbers. */
  @GetMapping("/table")
  ResponseEntity<byte[]> table(@RequestParam Kind kind, @Valid @ParameterObject ReportAsked asked) {
    ReportPageJson page = reports.report(kind, asked);
    return Download.csv(fileName(kind, page), ReportCells.csv(page));
  }

  /** The same as a workbook, with real numbers. */
  @GetMapping("/workbook")
  ResponseEntity<byte[]> workbook(
      @RequestParam Kind kind, @Valid @ParameterObject ReportAsked asked) {
    ReportPageJson page = reports.report(kind, asked);
    return Download.workbook(fileName(kind, page), ReportCells.workbook(page, kind.inWords()));
  }

  /** The same on paper. */
  @GetMapping("/paper")
  ResponseEntity<byte[]> paper(@RequestParam Kind kind, @Valid @ParameterObject ReportAsked asked) {
    ReportPageJson page = reports.report(kind, asked);
    return papers.answer(
        fileName(kind, page),
        kind.inWords(),
        ReportPaper.isWide(page),
        ReportPaper.parts(kind, page, papers.formats()));
  }

  private static String fileName(Kind kind, ReportPageJson page) {
    return "%s-%s-to-%s"
        .formatted(
            kind.name().toLowerCase(Locale.ROOT).replace('_', '-'), page.first(), page.last());
  }
}
