package org.yewledger.app.tax;

import java.math.BigDecimal;
import java.time.Clock;
import java.time.YearMonth;
import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.chart.AccountLocks;
import org.yewledger.app.chart.BookEntity;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.chart.KeptAccounts;
import org.yewledger.app.journal.ClosedMonths;
import org.yewledger.app.journal.EntryStore;
import org.yewledger.app.journal.LedgerService;
import org.yewledger.app.platform.Conflict;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.platform.HouseholdDays;
import org.yewledger.app.platform.NotFound;
import org.yewledger.app.tax.SalesTaxJson.TaxPaymentJson;
import org.yewledger.app.tax.SalesTaxService.Worked;
import org.yewledger.core.Refusal;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.Draft;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.money.Amount;
import org.yewledger.core.report.Span;
import org.yewledger.core.report.TaxPayment;
import org.yewledger.core.report.TaxReturn;
import org.yewledger.core.report.TaxReturn.Line;

/** Records that sales tax was returned, and books its payment. */
@Service
@ForBookkeepers
public class TaxReturning {
  private final ChartService charts;
  private final SalesTaxService tax;
  private final TaxReturns returns;
  private final AccountLocks locks;
  private final KeptAccounts keptAccounts;
  private final LedgerService ledgers;
  private final EntryStore entries;
  private final ClosedMonths closed;
  private final HouseholdDays days;
  private final Acts acts;
  private final Clock clock;

  TaxReturning(
      ChartService charts,
      SalesTaxService tax,
      TaxReturns returns,
      AccountLocks locks,
      KeptAccounts keptAccounts,
      LedgerService ledgers,
      EntryStore entries,
      ClosedMonths closed,
      HouseholdDays days,
      Acts acts,
      Clock clock) {
    this.charts = charts;
    this.tax = tax;
    this.returns = returns;
    this.locks = locks;
    this.keptAccounts = keptAccounts;
    this.ledgers = ledgers;
    this.entries = entries;
    this.closed = closed;
    this.days = days;
    this.acts = acts;
    this.clock = clock;
  }

  /**
   * Keeps what the books say of a period, and of corrections of earlier ones, as its return.
   *
   * @param month any of the period
   * @throws Refusal {@code period-not-over}, {@code returned-already}
   */
  @Transactional
  public void record(UUID bookId, YearMonth month) {
    keep(workedAlone(bookId, month));
  }

  /**
   * The same, if it is what the person saw.
   *
   * @throws Conflict {@code tax-changed} if the due is another by now
   */
  @Transactional
  public void record(UUID bookId, YearMonth month, BigDecimal seen) {
    Worked worked = workedAlone(bookId, month);
    TaxReturn.requireNew(worked.span(), worked.asSent());
    if (worked.report().due().decimal().compareTo(seen) != 0) {
      throw new Conflict(
          "tax-changed",
          "What is due is %s by now. Look at it again, then record it."
              .formatted(worked.report().due().shown()));
    }
    keep(worked);
  }

  /** Nobody posts in the book meanwhile. */
  private Worked workedAlone(UUID bookId, YearMonth month) {
    Chart chart = charts.chart();
    locks.exclusive(chart.accountsOf(bookId).map(Account::id).toList());
    return tax.worked(chart.book(bookId), month, chart);
  }

  private void keep(Worked worked) {
    Span span = worked.span();
    TaxReturn.requireOver(span, days.today());
    TaxReturn.requireNew(span, worked.asSent());
    acts.begin(
        ActKind.RETURN_TAX,
        "Returned the sales tax of %s, %s to %s"
            .formatted(worked.book().name(), span.first(), span.last()));
    List<Line> lines =
        Stream.concat(worked.report().lines().stream(), worked.report().corrections().stream())
            .toList();
    returns.keep(worked.book().id(), span, lines, clock.instant());
  }

  /**
   * Takes the last return of a book back.
   *
   * @throws Refusal {@code later-return}, {@code return-closed}
   */
  @Transactional
  void takeBack(UUID id) {
    Chart chart = charts.chart();
    for (BookEntity book : chart.books().toList()) {
      List<TaxReturn> all =
          returns.of(book.id(), book.toBook().currency()).stream()
              .map(TaxReturns.Kept::is)
              .toList();
      for (TaxReturn one : all) {
        if (one.id().equals(id)) {
          one.requireLastOf(all);
          one.requireOpen(closed.through(book.id()).orElse(null));
          takeBack(book, one);
          return;
        }
      }
    }
    throw new NotFound("tax return");
  }

  private void takeBack(BookEntity book, TaxReturn one) {
    acts.begin(
        ActKind.TAKE_TAX_RETURN_BACK,
        "Took the return of sales tax of %s, %s to %s, back"
            .formatted(book.name(), one.span().first(), one.span().last()));
    returns.forget(one.id());
  }

  /** Books a payment, as {@link TaxPayment#of} says. */
  @Transactional
  void pay(TaxPaymentJson payment) {
    Chart chart = charts.chart();
    BookEntity book = chart.book(payment.bookId());
    Account from = chart.account(payment.accountId());
    acts.begin(ActKind.ENTER, "Entered a payment of sales tax from " + from.name());
    Account salesTax = keptAccounts.salesTax(book.toBook(), chart, KeptAccounts.Missing.IS_MADE);
    locks.shared(List.of(from.id(), salesTax.id()));
    Draft draft =
        TaxPayment.of(
            from,
            salesTax,
            payment.date(),
            Amount.of(payment.amount(), book.toBook().currency()),
            payment.payee(),
            book.taxPeriod().of(payment.month()));
    Entry entry = draft.entry(Entry.Origin.BY_HAND, List.of(), ledgers.ledger(chart));
    entries.add(List.of(entry));
  }
}
