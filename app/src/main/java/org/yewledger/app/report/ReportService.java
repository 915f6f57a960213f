package org.yewledger.app.report;

import java.time.Month;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.BookEntity;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.report.ReportAsked.Tax;
import org.yewledger.app.report.ReportJson.Besides;
import org.yewledger.app.report.ReportJson.ReportColumnJson;
import org.yewledger.app.report.ReportJson.ReportDrawnJson;
import org.yewledger.app.report.ReportJson.ReportPageJson;
import org.yewledger.app.report.ReportJson.ReportRowJson;
import org.yewledger.app.report.ReportJson.ReportTableJson;
import org.yewledger.app.worth.BeyondBooks;
import org.yewledger.core.Refusal;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.ledger.FiscalYear;
import org.yewledger.core.report.AccountTotals;
import org.yewledger.core.report.BalanceSheet;
import org.yewledger.core.report.CashFlow;
import org.yewledger.core.report.Span;
import org.yewledger.core.report.TaxForm;

/** Loads what reports are worked out from, and lays them out. */
@Service
public class ReportService {
  private final ChartService charts;
  private final PeriodTotals totals;
  private final OwnReports own;
  private final RatesUsed rates;
  private final IncomeStatements statements;
  private final BeyondBooks worths;

  ReportService(
      ChartService charts,
      PeriodTotals totals,
      OwnReports own,
      RatesUsed rates,
      IncomeStatements statements,
      BeyondBooks worths) {
    this.charts = charts;
    this.totals = totals;
    this.own = own;
    this.rates = rates;
    this.statements = statements;
    this.worths = worths;
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
   *
   * @throws Refusal {@code no-budget-beside}, {@code no-bills-to-spread}, {@code no-booked-beside},
   *     or as {@link Span} does
   */
  @Transactional(readOnly = true)
  public ReportPageJson report(Kind kind, ReportAsked asked) {
    requireFitting(kind, asked);
    Chart chart = charts.chart();
    List<ReportTableJson> tables =
        all(chart, asked).stream()
            .filter(of -> has(kind, of, chart))
            .map(of -> table(kind, chart, asked, of))
            .toList();
    Span none = asked.span(Month.JANUARY);
    return new ReportPageJson(
        tables.stream()
            .map(ReportTableJson::first)
            .min(Comparator.naturalOrder())
            .orElse(none.first()),
        tables.stream()
            .map(ReportTableJson::last)
            .max(Comparator.naturalOrder())
            .orElse(none.last()),
        tables);
  }

  private static void requireFitting(Kind kind, ReportAsked asked) {
    if (asked.isBesideBudget() && kind != Kind.INCOME_STATEMENT) {
      throw Refusal.ofField(
          "no-budget-beside",
          "beside",
          "Only the income statement is seen beside the budget. See this report beside another time.");
    }
    if (asked.spreadsBills() && kind != Kind.INCOME_STATEMENT) {
      throw Refusal.ofField(
          "no-bills-to-spread",
          "bills",
          "Only the income statement spreads bills over the months they serve.");
    }
    if (asked.isBesideBooked() && !asked.spreadsBills()) {
      throw Refusal.ofField(
          "no-booked-beside",
          "beside",
          "These are the figures as booked. Spread the bills to see both side by side.");
    }
  }

  /** A tax form is of a book whose categories say which line they belong to. */
  private static boolean has(Kind kind, Of of, Chart chart) {
    return kind != Kind.TAX_FORM
        || (!of.together() && !TaxFormReceipts.lines(of.accounts(), chart).isEmpty());
  }

  /** Its columns are those of its own fiscal year. */
  private ReportTableJson table(Kind kind, Chart chart, ReportAsked asked, Of of) {
    Span span = asked.span(of.fiscalStart());
    List<Span> columns = asked.columns(of.fiscalStart());
    List<SpreadBills.Of> spread =
        kind == Kind.INCOME_STATEMENT
            ? statements.spread(asked, of.accounts(), columns)
            : List.of();
    Laid laid = laid(kind, chart, asked, of, columns, spread);
    return new ReportTableJson(
        span.first(),
        span.last(),
        of.together() ? null : of.book().id(),
        of.together() ? "All books" : of.book().name(),
        of.currency().getCode(),
        columns(asked, columns),
        laid.rows(),
        laid.balances(),
        laid.drawn(),
        kind.flows()
            ? rates.ofEntries(of.accounts(), columns)
            : rates.ofBalances(of.accounts(), columns),
        spread.stream().map(bill -> ReportRows.of(bill, span)).toList());
  }

  /** The second is planned where that is what the first is seen beside. */
  private static List<ReportColumnJson> columns(ReportAsked asked, List<Span> columns) {
    return IntStream.range(0, columns.size())
        .mapToObj(i ->
            new ReportColumnJson(
                columns.get(i).first(), columns.get(i).last(), i == 1 ? besides(asked) : null))
        .toList();
  }

  private static @Nullable Besides besides(ReportAsked asked) {
    if (asked.isBesideBudget()) {
      return Besides.PLANNED;
    }
    return asked.isBesideBooked() ? Besides.BOOKED : null;
  }

  /**
   * @param balances whether both sides are equal, of a report that has two
   * @param drawn what a drawing shows, of a report that has one
   */
  private record Laid(
      List<ReportRowJson> rows, @Nullable Boolean balances, @Nullable ReportDrawnJson drawn) {
    static Laid of(List<ReportRowJson> rows) {
      return new Laid(rows, null, null);
    }
  }

  private Laid laid(
      Kind kind,
      Chart chart,
      ReportAsked asked,
      Of of,
      List<Span> columns,
      List<SpreadBills.Of> spread) {
    List<AccountTotals> loaded = loaded(kind, asked, columns, of);
    boolean beside = asked.isBeside();
    return switch (kind) {
      case INCOME_STATEMENT -> {
        var statement = statements.of(asked, of.currency(), columns, loaded, spread);
        yield Laid.of(ReportRows.of(statement, chart, beside));
      }
      case CASH_FLOW -> {
        var flow = CashFlow.of(of.currency(), columns, loaded);
        yield new Laid(ReportRows.of(flow, chart, beside), flow.addsUp(), null);
      }
      case TAX_FORM -> {
        Map<UUID, String> lines = TaxFormReceipts.lines(of.accounts(), chart);
        var form = TaxForm.of(of.currency(), columns, loaded, lines);
        yield Laid.of(ReportRows.of(form, chart, beside, columns.size()));
      }
      case OWN -> {
        UUID bookId = of.together() ? null : of.book().id();
        OwnReports.Laid laid = own.laid(asked, bookId, of.currency(), columns);
        yield new Laid(laid.rows(), null, laid.drawn());
      }
      case BALANCE_SHEET, NET_WORTH -> {
        List<YearMonth> ends = columns.stream().map(Span::last).toList();
        var sheet =
            BalanceSheet.of(
                of.currency(), ends, loaded, of.fiscalStart(), worths.beyond(of.accounts(), ends));
        List<ReportRowJson> rows =
            kind == Kind.NET_WORTH
                ? ReportRows.worth(sheet, chart, beside)
                : ReportRows.of(sheet, chart, beside);
        yield new Laid(rows, sheet.balances(), null);
      }
    };
  }

  /** Balances also need the fiscal year of the first column, which its result is told by. */
  private List<AccountTotals> loaded(Kind kind, ReportAsked asked, List<Span> columns, Of of) {
    YearMonth first = Span.around(columns).first();
    YearMonth last = Span.around(columns).last();
    return switch (kind) {
      case OWN -> List.of();
      case INCOME_STATEMENT -> totals.within(of.accounts(), first, last, asked.taxOrNet());
      case TAX_FORM -> totals.within(of.accounts(), first, last, Tax.NET);
      case CASH_FLOW -> totals.through(of.accounts(), first, last);
      case BALANCE_SHEET, NET_WORTH -> {
        FiscalYear year = FiscalYear.of(first.atDay(1), of.fiscalStart());
        yield totals.through(of.accounts(), YearMonth.from(year.first()), last);
      }
    };
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
