package org.yewledger.app.report;

import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.yewledger.app.paper.Papers;
import org.yewledger.app.platform.Download;
import org.yewledger.app.report.GeneralLedgerJson.LedgerPageJson;
import org.yewledger.core.report.Span;
import org.yewledger.formats.table.ReportTable;
import org.yewledger.formats.table.Workbook;

/** The general ledger: accounts with what moved on them on screen, posting by posting in files. */
@RestController
@RequestMapping("/api/general-ledger")
@Tag(name = "reports")
class GeneralLedgerController {
  private final GeneralLedgerService ledgers;
  private final Papers papers;

  GeneralLedgerController(GeneralLedgerService ledgers, Papers papers) {
    this.ledgers = ledgers;
    this.papers = papers;
  }

  /** The postings of accounts over some months, each with its running balance. */
  @GetMapping
  LedgerPageJson ledger(@Valid @ParameterObject ReportAsked asked) {
    return ledgers.page(asked);
  }

  /** Every posting as comma-separated text, with plain numbers. */
  @GetMapping("/table")
  ResponseEntity<byte[]> table(@Valid @ParameterObject ReportAsked asked) {
    return Download.csv(
        fileName(asked), ReportTable.write(GeneralLedgerService.COLUMNS, ledgers.cells(asked)));
  }

  /** The same as a workbook, with real numbers and days. */
  @GetMapping("/workbook")
  ResponseEntity<byte[]> workbook(@Valid @ParameterObject ReportAsked asked) {
    return Download.workbook(
        fileName(asked),
        Workbook.write("General ledger", GeneralLedgerService.COLUMNS, ledgers.cells(asked)));
  }

  /** The same on paper. */
  @GetMapping("/paper")
  ResponseEntity<byte[]> paper(@Valid @ParameterObject ReportAsked asked) {
    return papers.answer(fileName(asked), "General ledger", false, ledgers.paper(asked));
  }

  private String fileName(ReportAsked asked) {
    Span span = ledgers.span(asked);
    return "general-ledger-%s-to-%s".formatted(span.first(), span.last());
  }
}
