package org.yewledger.app.report;

import java.time.Month;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Stream;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.BookEntity;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.report.ReportAsked.Tax;
import org.yewledger.app.report.ReportJson.ReportColumnJson;
import org.yewledger.app.report.ReportJson.ReportPageJson;
import org.yewledger.app.report.ReportJson.ReportRowJson;
import org.yewledger.app.report.ReportJson.ReportTableJson;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.ledger.FiscalYear;
import org.yewledger.core.report.AccountTotals;
import org.yewledger.core.report.BalanceSheet;
import org.yewledger.core.report.CashFlow;
import org.yewledger.core.report.IncomeStatement;
import org.yewledger.core.report.Span;
import org.yewledger.core.report.TaxForm;

/** Loads what reports are worked out from, and lays them out. */
@Service
public class ReportService {
  private final ChartService charts;
  private final PeriodTotals totals;
  private final OwnReports own;

  ReportService(ChartService charts, PeriodTotals totals, OwnReports own) {
    this.charts = charts;
    this.totals = totals;
    this.own = own;
  }

  /** The reports that are laid out in columns of spans. */
  public enum Kind {
    INCOME_STATEMENT("Income statement", true),
    BALANCE_SHEET("Balance sheet", false),
    CASH_FLOW("Cash flow", true),
    NET_WORTH("Net worth", false),
    TAX_FORM("Tax form", true),
    /** What a person puts together. */
    OWN("Own report", true);

    private final String inWords;
    private final boolean flows;

    Kind(String inWords, boolean flows) {
      this.inWords = inWords;
      this.flows = flows;
    }

    public String inWords() {
      return inWords;
    }

    /** Whether its columns are about spans; otherwise about the days at their ends. */
    boolean flows() {
      return flows;
    }
  }

  /** What a report is of: a book, or all books as one. */
  private record Of(BookEntity book, boolean together, Month fiscalStart, List<Account> accounts) {
    CurrencyUnit currency() {
      return book.toBook().currency();
    }
  }

  /**
   * A report of each book, or of the chosen one, and of all books as one where they have one
   * currency. Cost: one query over the kept totals.
   */
  @Transactional(readOnly = true)
  public ReportPageJson report(Kind kind, ReportAsked asked) {
    Chart chart = charts.chart();
    List<Of> all = all(chart, asked).stream().filter(of -> has(kind, of, chart)).toList();
    // All tables have the same columns, also where the books' years begin in different months.
    Month start = all.isEmpty() ? Month.JANUARY : all.getFirst().fiscalStart();
    Span span = asked.span(start);
    List<Span> columns = asked.columns(start);
    return new ReportPageJson(
        span.first(),
        span.last(),
        all.stream().map(of -> table(kind, chart, asked, of, columns)).toList());
  }

  /** A tax form is of a book whose categories say which line they belong to. */
  private static boolean has(Kind kind, Of of, Chart chart) {
    return kind != Kind.TAX_FORM || (!of.together() && !lines(of, chart).isEmpty());
  }

  private ReportTableJson table(
      Kind kind, Chart chart, ReportAsked asked, Of of, List<Span> columns) {
    List<AccountTotals> loaded = kind == Kind.OWN ? List.of() : loaded(kind, asked, columns, of);
    boolean beside = asked.isBeside();
    return switch (kind) {
      case INCOME_STATEMENT ->
          json(
              of,
              columns,
              ReportRows.of(IncomeStatement.of(of.currency(), columns, loaded), chart, beside),
              null);
      case CASH_FLOW -> {
        var flow = CashFlow.of(of.currency(), columns, loaded);
        yield json(of, columns, ReportRows.of(flow, chart, beside), flow.addsUp());
      }
      case TAX_FORM -> {
        var form = TaxForm.of(of.currency(), columns, loaded, lines(of, chart));
        yield json(of, columns, ReportRows.of(form, chart, beside, columns.size()), null);
      }
      case OWN -> {
        UUID bookId = of.together() ? null : of.book().id();
        yield json(of, columns, own.rows(asked, bookId, of.currency(), columns), null);
      }
      case BALANCE_SHEET, NET_WORTH -> {
        var sheet =
            BalanceSheet.of(
                of.currency(), columns.stream().map(Span::last).toList(), loaded, of.fiscalStart());
        yield json(
            of,
            columns,
            kind == Kind.NET_WORTH
                ? ReportRows.worth(sheet, chart, beside)
                : ReportRows.of(sheet, chart, beside),
            sheet.balances());
      }
    };
  }

  private static Map<UUID, String> lines(Of of, Chart chart) {
    Map<UUID, String> lines = new HashMap<>();
    for (Account account : of.accounts()) {
      String line = chart.facts(account.id()).taxFormLine();
      if (!line.isEmpty()) {
        lines.put(account.id(), line);
      }
    }
    return lines;
  }

  /** From the beginning of the fiscal year of the first column on, which results are told by. */
  private List<AccountTotals> loaded(Kind kind, ReportAsked asked, List<Span> columns, Of of) {
    YearMonth first =
        columns.stream().map(Span::first).min(Comparator.naturalOrder()).orElseThrow();
    YearMonth last = columns.stream().map(Span::last).max(Comparator.naturalOrder()).orElseThrow();
    FiscalYear year = FiscalYear.of(first.atDay(1), of.fiscalStart());
    Tax tax = kind == Kind.INCOME_STATEMENT ? asked.taxOrNet() : Tax.NET;
    return totals.of(of.accounts(), YearMonth.from(year.first()), last, tax);
  }

  private static ReportTableJson json(
      Of of, List<Span> columns, List<ReportRowJson> rows, @Nullable Boolean balances) {
    return new ReportTableJson(
        of.together() ? null : of.book().id(),
        of.together() ? "All books" : of.book().name(),
        of.currency().getCode(),
        columns.stream().map(span -> new ReportColumnJson(span.first(), span.last())).toList(),
        rows,
        balances);
  }

  private static List<Of> all(Chart chart, ReportAsked asked) {
    List<BookEntity> books = chart.books(asked.book()).toList();
    var all =
        new ArrayList<>(
            books.stream()
                .map(book ->
                    new Of(
                        book,
                        false,
                        book.fiscalYearStartsIn(),
                        leaves(chart.accountsOf(book.id())).toList()))
                .toList());
    long currencies = books.stream().map(b -> b.toBook().currency()).distinct().count();
    if (books.size() > 1 && currencies == 1) {
      all.add(new Of(books.getFirst(), true, fiscalStart(books), together(chart)));
    }
    return all;
  }

  /** What moved between books is left out, since its two sides cancel. */
  private static List<Account> together(Chart chart) {
    return leaves(chart.accounts()).filter(a -> a.kind() != AccountKind.DRAWINGS).toList();
  }

  private static Stream<Account> leaves(Stream<Account> accounts) {
    return accounts.filter(account -> !account.group());
  }

  /** That of all books, or the calendar's where they differ. */
  private static Month fiscalStart(List<BookEntity> books) {
    List<Month> starts = books.stream().map(BookEntity::fiscalYearStartsIn).distinct().toList();
    return starts.size() == 1 ? starts.getFirst() : Month.JANUARY;
  }
}
