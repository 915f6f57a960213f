package org.yewledger.app.report;

import java.time.Month;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.BookEntity;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.paper.Papers;
import org.yewledger.app.report.GeneralLedgerJson.LedgerPageJson;
import org.yewledger.app.report.GeneralLedgerJson.LedgerRowJson;
import org.yewledger.app.report.GeneralLedgerJson.LedgerTableJson;
import org.yewledger.app.report.LedgerPostings.Line;
import org.yewledger.core.entry.Formats;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;
import org.yewledger.core.report.GeneralLedger;
import org.yewledger.core.report.Span;
import org.yewledger.formats.pdf.Paper.Column;
import org.yewledger.formats.pdf.Paper.Head;
import org.yewledger.formats.pdf.Paper.Look;
import org.yewledger.formats.pdf.Paper.Part;
import org.yewledger.formats.pdf.Paper.Row;
import org.yewledger.formats.pdf.Paper.Table;

/** The general ledger of each book: its accounts with what moved on them, posting by posting. */
@Service
class GeneralLedgerService {
  static final List<String> COLUMNS =
      List.of(
          "book",
          "account",
          "date",
          "entry",
          "payee",
          "note",
          "debit",
          "credit",
          "balance",
          "currency");

  private final ChartService charts;
  private final LedgerPostings postings;
  private final Papers papers;

  GeneralLedgerService(ChartService charts, LedgerPostings postings, Papers papers) {
    this.charts = charts;
    this.postings = postings;
    this.papers = papers;
  }

  /** Of a book, within a span of its own fiscal year. */
  private record BookLedger(BookEntity book, Span span, GeneralLedger ledger) {
    List<Account> accounts() {
      return ledger.rows().stream().map(GeneralLedger.Row::account).toList();
    }
  }

  /** That of all books together. */
  @Transactional(readOnly = true)
  Span span(ReportAsked asked) {
    List<Span> spans =
        charts
            .chart()
            .books(asked.book())
            .map(book -> asked.span(book.fiscalYearStartsIn()))
            .toList();
    Span none = asked.span(Month.JANUARY);
    return new Span(
        spans.stream().map(Span::first).min(Comparator.naturalOrder()).orElse(none.first()),
        spans.stream().map(Span::last).max(Comparator.naturalOrder()).orElse(none.last()));
  }

  private List<BookLedger> ledgers(ReportAsked asked) {
    Chart chart = charts.chart();
    return chart
        .books(asked.book())
        .map(book -> {
          List<Account> leaves =
              chart.accountsOf(book.id()).filter(account -> !account.group()).toList();
          Span span = asked.span(book.fiscalYearStartsIn());
          return new BookLedger(
              book,
              span,
              GeneralLedger.of(book.toBook().currency(), postings.totals(leaves, span)));
        })
        .toList();
  }

  @Transactional(readOnly = true)
  LedgerPageJson page(ReportAsked asked) {
    Span span = span(asked);
    Chart chart = charts.chart();
    return new LedgerPageJson(
        span.first(), span.last(), ledgers(asked).stream().map(one -> table(one, chart)).toList());
  }

  private static LedgerTableJson table(BookLedger one, Chart chart) {
    GeneralLedger ledger = one.ledger();
    return new LedgerTableJson(
        one.book().id(),
        one.book().name(),
        one.book().currency(),
        ledger.rows().stream()
            .map(row ->
                new LedgerRowJson(
                    row.account().id(),
                    row.account().name(),
                    chart.groupName(row.account().id()),
                    row.account().accountClass(),
                    row.before().decimal(),
                    row.debit().decimal(),
                    row.credit().decimal(),
                    row.after().decimal()))
            .toList(),
        ledger.debit().decimal(),
        ledger.credit().decimal(),
        ledger.balances());
  }

  /** Each posting with the balance after it, as the cells of {@link #COLUMNS}. */
  @Transactional(readOnly = true)
  List<List<Object>> cells(ReportAsked asked) {
    var cells = new ArrayList<List<Object>>();
    for (BookLedger one : ledgers(asked)) {
      Map<UUID, List<Line>> lines = postings.postings(one.accounts(), one.span());
      for (GeneralLedger.Row row : one.ledger().rows()) {
        Amount balance = row.before();
        for (Line line : lines.getOrDefault(row.account().id(), List.of())) {
          Amount amount = Amount.ofMinor(line.minor(), balance.currency());
          balance = balance.plus(amount);
          cells.add(
              List.of(
                  one.book().name(),
                  row.account().name(),
                  line.date(),
                  Long.toString(line.entryNo()),
                  line.payee(),
                  line.note(),
                  amount.ifAbove().decimal(),
                  amount.ifBelow().decimal(),
                  balance.decimal(),
                  one.book().currency()));
        }
      }
    }
    return cells;
  }

  /** Each book begins a page; each account is a table with its balance before and after. */
  @Transactional(readOnly = true)
  List<Part> paper(ReportAsked asked) {
    Formats formats = papers.formats();
    var parts = new ArrayList<Part>();
    for (BookLedger one : ledgers(asked)) {
      parts.add(
          new Head(
              "General ledger, " + one.book().name(),
              "%s to %s"
                  .formatted(
                      formats.write(one.span().firstDay()), formats.write(one.span().lastDay()))));
      Map<UUID, List<Line>> lines = postings.postings(one.accounts(), one.span());
      one.ledger()
          .rows()
          .forEach(row ->
              parts.add(table(row, lines.getOrDefault(row.account().id(), List.of()), formats)));
    }
    return parts;
  }

  private static Table table(GeneralLedger.Row row, List<Line> lines, Formats formats) {
    var rows = new ArrayList<Row>();
    Amount balance = row.before();
    rows.add(Row.of(Look.PLAIN, "", "", "Before", "", "", formats.write(balance)));
    for (Line line : lines) {
      Amount amount = Amount.ofMinor(line.minor(), balance.currency());
      balance = balance.plus(amount);
      rows.add(
          Row.of(
              Look.PLAIN,
              formats.writeShort(line.date()),
              Long.toString(line.entryNo()),
              line.note().isEmpty() ? line.payee() : line.payee() + ", " + line.note(),
              amount.sign() > 0 ? formats.write(amount) : "",
              amount.sign() < 0 ? formats.write(amount.negated()) : "",
              formats.write(balance)));
    }
    rows.add(
        Row.of(
            Look.SUM,
            "",
            "",
            "After",
            formats.write(row.debit()),
            formats.write(row.credit()),
            formats.write(row.after())));
    return new Table(
        row.account().name(),
        row.account().book().currency().getCode(),
        List.of(
            Column.text("Day", 1.1f),
            Column.text("No.", 0.7f),
            Column.text("With", 4),
            Column.figures("Debit", 1.3f),
            Column.figures("Credit", 1.3f),
            Column.figures("Balance", 1.4f)),
        rows);
  }
}
