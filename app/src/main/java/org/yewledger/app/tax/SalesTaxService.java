package org.yewledger.app.tax;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.AccountBalances;
import org.yewledger.app.chart.BookEntity;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.chart.TaxRateService;
import org.yewledger.app.journal.ClosedMonths;
import org.yewledger.app.platform.HouseholdDays;
import org.yewledger.app.tax.SalesTaxJson.SalesTaxPageJson;
import org.yewledger.app.tax.SalesTaxJson.SalesTaxTableJson;
import org.yewledger.app.tax.SalesTaxJson.TaxAccountJson;
import org.yewledger.app.tax.SalesTaxJson.TaxLineJson;
import org.yewledger.app.tax.SalesTaxJson.TaxReturnJson;
import org.yewledger.app.tax.SalesTaxJson.TaxSumJson;
import org.yewledger.core.journal.QueryField;
import org.yewledger.core.journal.QueryText;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountClass;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.ledger.Position;
import org.yewledger.core.money.Amount;
import org.yewledger.core.report.SalesTaxReport;
import org.yewledger.core.report.Span;
import org.yewledger.core.report.TaxOwed;
import org.yewledger.core.report.TaxReturn;
import org.yewledger.core.report.TaxReturn.Line;
import org.yewledger.core.report.TaxedTotals;

/** Loads what sales tax is worked out from, and lays it out. */
@Service
class SalesTaxService {
  private final ChartService charts;
  private final TaxRateService rates;
  private final TaxTotals totals;
  private final TaxReturns returns;
  private final AccountBalances balances;
  private final ClosedMonths closed;
  private final HouseholdDays days;

  SalesTaxService(
      ChartService charts,
      TaxRateService rates,
      TaxTotals totals,
      TaxReturns returns,
      AccountBalances balances,
      ClosedMonths closed,
      HouseholdDays days) {
    this.charts = charts;
    this.rates = rates;
    this.totals = totals;
    this.returns = returns;
    this.balances = balances;
    this.closed = closed;
    this.days = days;
  }

  /** A book's tax of a period, with what it follows from. */
  record Worked(
      BookEntity book,
      Span span,
      List<TaxReturns.Kept> returns,
      Map<Span, List<TaxedTotals>> now,
      SalesTaxReport report) {
    CurrencyUnit base() {
      return book.toBook().currency();
    }

    List<TaxReturn> asSent() {
      return returns.stream().map(TaxReturns.Kept::is).toList();
    }
  }

  /** Of the period that a month is in. Cost: the kept totals of all periods that were returned. */
  @Transactional(readOnly = true)
  Worked worked(BookEntity book, YearMonth month, Chart chart) {
    CurrencyUnit base = book.toBook().currency();
    Span span = book.taxPeriod().of(month);
    List<TaxReturns.Kept> kept = returns.of(book.id(), base);
    List<TaxReturn> sent = kept.stream().map(TaxReturns.Kept::is).toList();
    List<Span> spans =
        Stream.concat(Stream.of(span), sent.stream().map(TaxReturn::span)).distinct().toList();
    Map<Span, List<TaxedTotals>> now = totals.of(book.id(), spans, chart);
    return new Worked(book, span, kept, now, SalesTaxReport.of(base, span, now, sent));
  }

  @Transactional(readOnly = true)
  SalesTaxPageJson page(YearMonth month, @Nullable UUID bookId) {
    Chart chart = charts.chart();
    Map<UUID, TaxRateService.Kept> byId =
        rates.all().stream().collect(Collectors.toMap(TaxRateService.Kept::id, rate -> rate));
    return new SalesTaxPageJson(
        chart
            .books(bookId)
            .filter(book -> book.taxedFrom() != null)
            .map(book -> table(worked(book, month, chart), chart, byId))
            .toList());
  }

  private SalesTaxTableJson table(
      Worked worked, Chart chart, Map<UUID, TaxRateService.Kept> rates) {
    BookEntity book = worked.book();
    SalesTaxReport report = worked.report();
    List<TaxReturnJson> sent =
        worked.returns().stream()
            .map(kept -> json(kept, worked))
            .sorted(Comparator.comparing(TaxReturnJson::first).reversed())
            .toList();
    TaxReturnJson returned =
        sent.stream()
            .filter(one -> new Span(one.first(), one.last()).equals(worked.span()))
            .findFirst()
            .orElse(null);
    TaxSumJson sum = sum(report.lines(), worked.base());
    return new SalesTaxTableJson(
        book.id(),
        book.name(),
        worked.base().getCode(),
        book.taxNumber(),
        book.taxPeriod(),
        worked.span().first(),
        worked.span().last(),
        days.today().isAfter(worked.span().lastDay()),
        report.lines().stream().map(line -> json(line, worked, rates)).toList(),
        sum,
        report.corrections().stream().map(line -> json(line, worked, rates)).toList(),
        sum(report.corrections(), worked.base()).due(),
        report.due().decimal(),
        account(worked, chart),
        returned,
        worked.asSent().stream()
            .anyMatch(one -> one.span().equals(worked.span()) && mayTakeBack(one, worked)),
        sent);
  }

  private boolean mayTakeBack(TaxReturn one, Worked worked) {
    return one.isLastOf(worked.asSent())
        && one.isOpen(closed.through(worked.book().id()).orElse(null));
  }

  private static TaxReturnJson json(TaxReturns.Kept kept, Worked worked) {
    TaxReturn is = kept.is();
    List<Line> since =
        SalesTaxReport.sinceReturned(
            worked.base(),
            is.span(),
            worked.now().getOrDefault(is.span(), List.of()),
            worked.asSent());
    return new TaxReturnJson(
        is.id(),
        is.span().first(),
        is.span().last(),
        kept.at(),
        kept.who(),
        is.due(worked.base()).decimal(),
        sum(since, worked.base()).due());
  }

  private static TaxLineJson json(Line line, Worked worked, Map<UUID, TaxRateService.Kept> rates) {
    TaxRateService.Kept rate = rates.get(line.rateId());
    String name = rate == null ? "" : rate.rate().name();
    return new TaxLineJson(
        line.about().first(),
        line.about().last(),
        line.rateId(),
        name,
        rate == null ? null : rate.rate().percentOn(line.about().lastDay()).orElse(null),
        line.sales().decimal(),
        line.collected().decimal(),
        query(line, worked, name, AccountClass.INCOME),
        line.purchases().decimal(),
        line.paid().decimal(),
        query(line, worked, name, AccountClass.EXPENSE),
        line.due().decimal());
  }

  /** What finds the entries behind one side of a line in the journal. */
  private static String query(Line line, Worked worked, String rateName, AccountClass of) {
    List<String> categories =
        worked.now().getOrDefault(line.about(), List.of()).stream()
            .filter(one -> one.rateId().equals(line.rateId()))
            .map(TaxedTotals::category)
            .filter(category -> category.accountClass() == of)
            .map(Account::name)
            .sorted()
            .toList();
    return categories.isEmpty()
        ? ""
        : "%s %s date:%s..%s"
            .formatted(
                QueryText.term(QueryField.RATE, rateName),
                QueryText.term(QueryField.CATEGORY, categories),
                line.about().first(),
                line.about().last());
  }

  private static TaxSumJson sum(List<Line> lines, CurrencyUnit base) {
    return new TaxSumJson(
        sum(lines, base, Line::sales),
        sum(lines, base, Line::collected),
        sum(lines, base, Line::purchases),
        sum(lines, base, Line::paid),
        sum(lines, base, Line::due));
  }

  private static BigDecimal sum(
      List<Line> lines, CurrencyUnit base, Function<Line, Amount> figure) {
    return Amount.sum(base, lines.stream().map(figure).toList()).decimal();
  }

  private TaxAccountJson account(Worked worked, Chart chart) {
    List<Account> accounts =
        chart
            .accountsOf(worked.book().id())
            .filter(a -> a.kind() == AccountKind.SALES_TAX && !a.group())
            .toList();
    Span span = worked.span();
    CurrencyUnit base = worked.base();
    var owed =
        new TaxOwed(
            owed(accounts, span.firstDay().minusDays(1), base),
            Amount.sum(base, worked.report().lines().stream().map(Line::due).toList()),
            owed(accounts, span.lastDay(), base));
    return new TaxAccountJson(
        accounts.stream().map(Account::name).collect(Collectors.joining(", ")),
        owed.before().decimal(),
        owed.arose().decimal(),
        owed.settled().decimal(),
        owed.owed().decimal(),
        owed(accounts, days.today(), base).decimal());
  }

  private Amount owed(List<Account> accounts, LocalDate day, CurrencyUnit base) {
    Map<UUID, Position> positions = balances.at(day, accounts);
    return Amount.sum(
        base,
        accounts.stream()
            .map(a -> positions.getOrDefault(a.id(), Position.empty(a)).value().negated())
            .toList());
  }
}
