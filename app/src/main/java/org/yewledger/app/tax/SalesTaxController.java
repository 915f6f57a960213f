package org.yewledger.app.tax;

import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import java.time.YearMonth;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.yewledger.app.paper.Papers;
import org.yewledger.app.platform.Download;
import org.yewledger.app.tax.SalesTaxJson.NewTaxReturnJson;
import org.yewledger.app.tax.SalesTaxJson.SalesTaxPageJson;
import org.yewledger.app.tax.SalesTaxJson.TaxPaymentJson;
import org.yewledger.formats.table.ReportTable;
import org.yewledger.formats.table.Workbook;

/** Sales tax by periods: what is owed, what was returned, what was paid. */
@RestController
@RequestMapping("/api/sales-tax")
@Tag(name = "sales-tax")
class SalesTaxController {
  private final SalesTaxService tax;
  private final TaxReturning returning;
  private final Papers papers;

  SalesTaxController(SalesTaxService tax, TaxReturning returning, Papers papers) {
    this.tax = tax;
    this.returning = returning;
    this.papers = papers;
  }

  /** The period that a month is in, of each registered book or of the chosen one. */
  @GetMapping
  SalesTaxPageJson salesTax(@RequestParam YearMonth month, @RequestParam @Nullable UUID book) {
    return tax.page(month, book);
  }

  /** The same as comma-separated text, with plain numbers. */
  @GetMapping("/table")
  ResponseEntity<byte[]> table(@RequestParam YearMonth month, @RequestParam @Nullable UUID book) {
    return Download.csv(
        "sales-tax-" + month,
        ReportTable.write(SalesTaxTable.COLUMNS, SalesTaxTable.cells(tax.page(month, book))));
  }

  /** The same as a workbook, with real numbers. */
  @GetMapping("/workbook")
  ResponseEntity<byte[]> workbook(
      @RequestParam YearMonth month, @RequestParam @Nullable UUID book) {
    return Download.workbook(
        "sales-tax-" + month,
        Workbook.write(
            "Sales tax", SalesTaxTable.COLUMNS, SalesTaxTable.cells(tax.page(month, book))));
  }

  /** The same on paper. */
  @GetMapping("/paper")
  ResponseEntity<byte[]> paper(@RequestParam YearMonth month, @RequestParam @Nullable UUID book) {
    return papers.answer(
        "sales-tax-" + month,
        "Sales tax",
        false,
        SalesTaxTable.paper(tax.page(month, book), papers.formats()));
  }

  /** Keeps what the books say of a period as its return. */
  @PostMapping("/returns")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void record(@Valid @RequestBody NewTaxReturnJson draft) {
    returning.record(draft.bookId(), draft.month(), draft.due());
  }

  /** Takes the last return of a book back: it was not sent. */
  @DeleteMapping("/returns/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void takeBack(@PathVariable UUID id) {
    returning.takeBack(id);
  }

  /** Books a payment to the tax office, or what it paid back. */
  @PostMapping("/payments")
  @ResponseStatus(HttpStatus.CREATED)
  void pay(@Valid @RequestBody TaxPaymentJson payment) {
    returning.pay(payment);
  }
}
