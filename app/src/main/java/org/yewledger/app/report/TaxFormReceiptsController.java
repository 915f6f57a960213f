package org.yewledger.app.report;

import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Size;
import java.util.ArrayList;
import java.util.List;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.yewledger.app.attachment.AttachmentPrints;
import org.yewledger.app.paper.Papers;
import org.yewledger.app.platform.Download;
import org.yewledger.app.platform.NotFound;
import org.yewledger.app.platform.Texts;
import org.yewledger.app.report.TaxFormReceipts.Receipts;
import org.yewledger.app.report.TaxFormReceiptsJson.LineReceiptsJson;
import org.yewledger.core.ledger.AccountClass;
import org.yewledger.formats.pdf.Paper.Part;

/** The receipts behind the lines of a tax form: counted, and as one document for each line. */
@RestController
@RequestMapping("/api/tax-form-receipts")
@Tag(name = "reports")
class TaxFormReceiptsController {
  private final TaxFormReceipts receipts;
  private final AttachmentPrints prints;
  private final Papers papers;

  TaxFormReceiptsController(TaxFormReceipts receipts, AttachmentPrints prints, Papers papers) {
    this.receipts = receipts;
    this.prints = prints;
    this.papers = papers;
  }

  /** How many entries of each line have a receipt. */
  @GetMapping
  List<LineReceiptsJson> counts(@Valid @ParameterObject ReportAsked asked) {
    return receipts.counts(asked);
  }

  /** A line's entries as a list, then their receipts, page by page. */
  @GetMapping("/paper")
  ResponseEntity<byte[]> paper(
      @RequestParam AccountClass of,
      @RequestParam @Size(max = Texts.SHORT) String line,
      @Valid @ParameterObject ReportAsked asked) {
    var parts = new ArrayList<Part>();
    for (Receipts one : receipts.receipts(asked, of, line)) {
      parts.addAll(one.list());
      // No transaction is open while pages are drawn.
      parts.addAll(prints.of(one.files()));
    }
    if (parts.isEmpty()) {
      throw new NotFound("line");
    }
    String name = Download.named(line);
    return papers.answer("receipts-" + name, "Receipts of " + line, false, parts);
  }
}
