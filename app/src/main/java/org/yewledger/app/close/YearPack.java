package org.yewledger.app.close;

import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.BookEntity;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.close.MonthPack.Pack;
import org.yewledger.app.journal.ClosedMonths;
import org.yewledger.app.paper.Papers;
import org.yewledger.app.platform.Download;
import org.yewledger.app.report.ReportAsked;
import org.yewledger.app.report.ReportPaper;
import org.yewledger.app.report.ReportService;
import org.yewledger.app.report.ReportService.Kind;
import org.yewledger.app.tax.SalesTaxPapers;
import org.yewledger.core.entry.Formats;
import org.yewledger.core.ledger.FiscalYear;
import org.yewledger.core.report.Span;
import org.yewledger.core.report.Span.Beside;
import org.yewledger.core.report.Span.Every;
import org.yewledger.formats.pdf.Paper.Head;
import org.yewledger.formats.pdf.Paper.Note;
import org.yewledger.formats.pdf.Paper.Part;

/**
 * A fiscal year of a book on paper, to be kept or handed on: how far it is closed, its reports by
 * quarters and beside the year before, its tax form, and its sales tax period by period.
 */
@Service
class YearPack {
  private final ChartService charts;
  private final ClosedMonths closed;
  private final ReportService reports;
  private final SalesTaxPapers tax;
  private final Papers papers;

  YearPack(
      ChartService charts,
      ClosedMonths closed,
      ReportService reports,
      SalesTaxPapers tax,
      Papers papers) {
    this.charts = charts;
    this.closed = closed;
    this.reports = reports;
    this.tax = tax;
    this.papers = papers;
  }

  /**
   * @param month any of the year
   */
  @Transactional(readOnly = true)
  Pack of(UUID bookId, YearMonth month) {
    BookEntity book = charts.chart().book(bookId);
    FiscalYear year = FiscalYear.of(month.atDay(1), book.fiscalYearStartsIn());
    Span span = new Span(YearMonth.from(year.first()), YearMonth.from(year.last()));
    Formats formats = papers.formats();
    String title = "%s, fiscal year %s".formatted(book.name(), year.label());
    var parts = new ArrayList<Part>();
    parts.add(
        new Head(
            title, "%s to %s".formatted(formats.write(year.first()), formats.write(year.last()))));
    parts.add(new Note(howFarClosed(book, span, formats)));
    add(parts, Kind.INCOME_STATEMENT, ReportAsked.of(bookId, span, Every.QUARTER, Beside.NOTHING));
    add(parts, Kind.BALANCE_SHEET, ReportAsked.of(bookId, span, Every.WHOLE, Beside.YEAR_BEFORE));
    add(parts, Kind.CASH_FLOW, ReportAsked.of(bookId, span, Every.QUARTER, Beside.NOTHING));
    add(parts, Kind.TAX_FORM, ReportAsked.of(bookId, span, Every.WHOLE, Beside.YEAR_BEFORE));
    parts.addAll(tax.of(bookId, span));
    String name = Download.named(title);
    return new Pack(name, title, parts);
  }

  private void add(List<Part> parts, Kind kind, ReportAsked asked) {
    parts.addAll(ReportPaper.parts(kind, reports.report(kind, asked), papers.formats()));
  }

  private String howFarClosed(BookEntity book, Span year, Formats formats) {
    YearMonth through = closed.through(book.id()).orElse(null);
    if (through == null || through.isBefore(year.first())) {
      return "No month of it is closed yet: what these pages say may still change.";
    }
    return through.isBefore(year.last())
        ? "It is closed through %s: what these pages say of the months after it may still change."
            .formatted(formats.write(through))
        : "All of it is closed: nothing in it changes.";
  }
}
