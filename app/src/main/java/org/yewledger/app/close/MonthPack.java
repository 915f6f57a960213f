package org.yewledger.app.close;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.close.CloseJson.BookToCloseJson;
import org.yewledger.app.close.CloseJson.CloseAccountJson;
import org.yewledger.app.close.CloseJson.CloseCheckJson;
import org.yewledger.app.paper.Papers;
import org.yewledger.app.platform.Download;
import org.yewledger.app.reconcile.AgreementPapers;
import org.yewledger.app.reconcile.StatementEntity;
import org.yewledger.app.reconcile.StatementService;
import org.yewledger.app.report.ReportAsked;
import org.yewledger.app.report.ReportPaper;
import org.yewledger.app.report.ReportService;
import org.yewledger.app.report.ReportService.Kind;
import org.yewledger.core.entry.Formats;
import org.yewledger.core.report.Span;
import org.yewledger.core.report.Span.Beside;
import org.yewledger.core.report.Span.Every;
import org.yewledger.formats.pdf.Paper.Column;
import org.yewledger.formats.pdf.Paper.Head;
import org.yewledger.formats.pdf.Paper.Look;
import org.yewledger.formats.pdf.Paper.Part;
import org.yewledger.formats.pdf.Paper.Row;
import org.yewledger.formats.pdf.Paper.Table;

/**
 * A month of a book on paper, to be kept: its checklist, its income statement and balance sheet,
 * and the report of each reconciliation that closes in it.
 */
@Service
class MonthPack {
  private final CloseService closing;
  private final ReportService reports;
  private final StatementService statements;
  private final AgreementPapers agreements;
  private final ChartService charts;
  private final Papers papers;

  MonthPack(
      CloseService closing,
      ReportService reports,
      StatementService statements,
      AgreementPapers agreements,
      ChartService charts,
      Papers papers) {
    this.closing = closing;
    this.reports = reports;
    this.statements = statements;
    this.agreements = agreements;
    this.charts = charts;
    this.papers = papers;
  }

  /**
   * @param title of the document
   */
  record Pack(String fileName, String title, List<Part> parts) {}

  @Transactional(readOnly = true)
  Pack of(UUID bookId, YearMonth month) {
    Formats formats = papers.formats();
    BookToCloseJson book = closing.books(month, bookId).getFirst();
    var parts = new ArrayList<Part>();
    checklist(parts, book, formats);
    ReportAsked asked = ReportAsked.of(bookId, new Span(month, month), Every.WHOLE, Beside.BEFORE);
    for (Kind kind : List.of(Kind.INCOME_STATEMENT, Kind.BALANCE_SHEET)) {
      parts.addAll(ReportPaper.parts(kind, reports.report(kind, asked), formats));
    }
    agreedIn(bookId, month).map(agreements::of).forEach(paper -> parts.addAll(paper.parts()));
    String name = Download.named(book.bookName());
    return new Pack(
        "%s-%s".formatted(name, month),
        "%s, %s".formatted(book.bookName(), formats.write(month)),
        parts);
  }

  private static void checklist(List<Part> parts, BookToCloseJson book, Formats formats) {
    parts.add(
        new Head(
            "%s, %s".formatted(book.bookName(), formats.write(book.month())),
            book.closed() ? "closed: nothing in it changes" : "not closed yet"));
    parts.add(
        new Table(
            "What the books must show",
            "",
            List.of(Column.text("Check", 3), Column.text("What is left", 5)),
            book.checks().stream().map(MonthPack::check).toList()));
    parts.add(
        new Table(
            "Accounts",
            "that statements come for, or that are counted",
            List.of(Column.text("Account", 3), Column.text("Agreed through", 5)),
            book.accounts().stream().map(account -> account(account, formats)).toList()));
  }

  private static Row check(CloseCheckJson check) {
    return Row.of(Look.PLAIN, check.name(), check.met() ? "nothing to do" : check.open());
  }

  private static Row account(CloseAccountJson account, Formats formats) {
    LocalDate through = account.agreedThrough();
    return Row.of(
        Look.PLAIN, account.name(), through == null ? "not agreed yet" : formats.write(through));
  }

  private Stream<UUID> agreedIn(UUID bookId, YearMonth month) {
    Chart chart = charts.chart();
    return chart
        .reconciledAccounts(bookId)
        .flatMap(account -> statements.of(account).stream())
        .filter(s -> s.isFinished() && YearMonth.from(s.closesOn()).equals(month))
        .map(StatementEntity::id);
  }
}
