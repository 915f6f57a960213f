package org.yewledger.app.loan;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.loan.LoanJson.ExtraPaymentJson;
import org.yewledger.app.loan.LoanJson.KeepYearJson;
import org.yewledger.app.loan.LoanJson.LoanDraftJson;
import org.yewledger.app.loan.LoanJson.LoanListedJson;
import org.yewledger.app.loan.LoanJson.LoanPageJson;
import org.yewledger.app.loan.LoanJson.PlanExtraJson;
import org.yewledger.app.loan.LoanJson.WhatIfJson;
import org.yewledger.app.loan.Loans.KeptLoan;
import org.yewledger.app.payee.Payees;
import org.yewledger.app.platform.Conflict;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.platform.HouseholdDays;
import org.yewledger.app.platform.Ids;
import org.yewledger.app.platform.NotFound;
import org.yewledger.app.schedule.DueService;
import org.yewledger.app.schedule.Schedules;
import org.yewledger.core.Refusal;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.loan.ExtraPayment;
import org.yewledger.core.loan.ExtraPayment.Keep;
import org.yewledger.core.loan.LenderYear;
import org.yewledger.core.loan.Loan;
import org.yewledger.core.loan.LoanTable;
import org.yewledger.core.loan.WhatIf;
import org.yewledger.core.money.Amount;
import org.yewledger.core.schedule.Schedule;

/**
 * Tells loans, keeps their terms, tries extra payments out, and holds lenders' years against the
 * books.
 */
@Service
public class LoanService {
  /** No loan is worked out further ahead. */
  private static final int YEARS_AHEAD = 60;

  private final ChartService charts;
  private final Loans loans;
  private final LenderYears years;
  private final LoanBooks books;
  private final Schedules schedules;
  private final DueService due;
  private final Payees payees;
  private final HouseholdDays days;
  private final Acts acts;

  LoanService(
      ChartService charts,
      Loans loans,
      LenderYears years,
      LoanBooks books,
      Schedules schedules,
      DueService due,
      Payees payees,
      HouseholdDays days,
      Acts acts) {
    this.charts = charts;
    this.loans = loans;
    this.years = years;
    this.books = books;
    this.schedules = schedules;
    this.due = due;
    this.payees = payees;
    this.days = days;
    this.acts = acts;
  }

  /** Of a book, or of all. */
  @Transactional(readOnly = true)
  List<LoanListedJson> all(@Nullable UUID bookId) {
    Chart chart = charts.chart();
    LocalDate today = days.today();
    return loans.all(chart).stream()
        .map(KeptLoan::loan)
        .filter(loan -> bookId == null || loan.account().bookId().equals(bookId))
        .map(loan -> LoanView.listed(table(loan, chart), today))
        .toList();
  }

  /**
   * @throws NotFound if the household has no such loan
   */
  @Transactional(readOnly = true)
  LoanPageJson page(UUID id) {
    Chart chart = charts.chart();
    KeptLoan kept = loans.find(id, chart);
    return LoanView.page(kept, table(kept.loan(), chart), years.of(kept.loan()), days.today());
  }

  private LoanTable table(Loan loan, Chart chart) {
    LocalDate through = days.today().plusYears(YEARS_AHEAD);
    return LoanTable.of(
        loan,
        books.of(loan),
        due.sinceFirst(loan.payments(), loan::payments, through),
        LoanTable.planned(loan, due.expectedOn(chart, loan.account(), through)));
  }

  /**
   * @return the identity of the new one
   * @throws Conflict {@code loan-twice} if the account is one already
   * @throws Refusal as {@link Loan#require} and {@link LoanTable#requireRepaid} do
   */
  @Transactional
  @ForBookkeepers
  UUID add(LoanDraftJson draft) {
    Chart chart = charts.chart();
    Loan loan = LoanDrafts.loan(draft, Ids.next(), Ids.next(), chart);
    add(loan);
    requireRepaid(loan, draft, chart, 0);
    return loan.id();
  }

  @Transactional
  @ForBookkeepers
  public void add(Loan loan) {
    acts.begin(ActKind.LOANS, "Told the terms of %s".formatted(loan.account().name()));
    schedules.add(loan.payments(), payee(loan));
    loans.add(loan);
  }

  /**
   * @throws Conflict {@code changed-meanwhile}
   * @throws NotFound if the household has no such loan
   * @throws Refusal as {@link Loan#require} and {@link LoanTable#requireRepaid} do
   */
  @Transactional
  @ForBookkeepers
  void change(UUID id, LoanDraftJson draft) {
    KeptLoan kept = hold(id);
    Chart chart = charts.chart();
    Loan loan = LoanDrafts.loan(draft, id, kept.loan().payments().id(), chart);
    acts.begin(ActKind.LOANS, "Changed the terms of %s".formatted(loan.account().name()));
    change(kept, loan, draft.version());
    requireRepaid(loan, draft, chart, draft.version() + 1);
  }

  private KeptLoan hold(UUID id) {
    schedules.hold(loans.find(id, charts.chart()).payments().schedule().id());
    return loans.find(id, charts.chart());
  }

  private void change(KeptLoan kept, Loan loan, int version) {
    // Its schedule's version changes too, so that whoever looks at due items sees that they did.
    schedules.change(loan.payments(), payee(loan), kept.payments().version());
    loans.change(loan, version);
  }

  private UUID payee(Loan loan) {
    String name = loan.payments().payee();
    return payees.named(List.of(name)).of(name).id();
  }

  /** Works the payment out where an end is agreed, and sees that the loan is repaid one day. */
  private void requireRepaid(Loan loan, LoanDraftJson draft, Chart chart, int version) {
    LoanTable table = table(loan, chart);
    if (draft.lastOn() == null) {
      table.requireRepaid();
    } else {
      loans.change(table.endingOn(draft.lastOn()), version);
    }
  }

  /** Takes the terms out, and with them what is due; entries stay. */
  @Transactional
  @ForBookkeepers
  void remove(UUID id, int version) {
    KeptLoan kept = hold(id);
    acts.begin(ActKind.LOANS, "Took the terms of %s out".formatted(kept.loan().account().name()));
    loans.remove(id, version);
    schedules.remove(kept.payments().schedule().id(), kept.payments().version());
  }

  /**
   * A loan with an extra payment, which is not booked by it.
   *
   * @throws NotFound if the household has no such loan
   * @throws Refusal as {@link WhatIf#of} does
   */
  @Transactional(readOnly = true)
  WhatIfJson whatIf(UUID id, ExtraPaymentJson wanted) {
    Chart chart = charts.chart();
    Loan loan = loans.find(id, chart).loan();
    WhatIf whatIf = WhatIf.of(table(loan, chart), extra(wanted, loan), days.today());
    return LoanView.whatIf(whatIf, whatIf.others(days.today()));
  }

  private static ExtraPayment extra(ExtraPaymentJson wanted, Loan loan) {
    return new ExtraPayment(
        Amount.of(wanted.amount(), loan.account().currency()),
        wanted.often(),
        wanted.from(),
        wanted.keep());
  }

  /**
   * Expects an extra payment, and changes the terms if the end is kept with smaller payments.
   *
   * @throws NotFound if the household has no such loan
   * @throws Refusal as {@link WhatIf#of} and {@link Schedule#require} do
   */
  @Transactional
  @ForBookkeepers
  void plan(UUID id, PlanExtraJson wanted) {
    KeptLoan kept = hold(id);
    Chart chart = charts.chart();
    Loan loan = kept.loan();
    WhatIf whatIf = WhatIf.of(table(loan, chart), extra(wanted.extra(), loan), days.today());
    Schedule schedule = whatIf.schedule(Ids.next(), chart.account(wanted.fromId()));
    acts.begin(
        ActKind.LOANS,
        "Put %s more for %s in the plan"
            .formatted(whatIf.extra().amount().shown(), loan.account().name()));
    schedules.add(schedule, payee(loan));
    if (whatIf.extra().keep() == Keep.END) {
      change(kept, whatIf.with().loan(), kept.version());
    }
  }

  /**
   * @throws NotFound if the household has no such loan
   * @throws Refusal as {@link LenderYear#require} does
   */
  @Transactional
  @ForBookkeepers
  void keepYear(UUID id, KeepYearJson wanted) {
    Loan loan = hold(id).loan();
    keepYear(
        loan, LoanDrafts.year(wanted, loan), wanted.note() == null ? "" : wanted.note().strip());
  }

  @Transactional
  @ForBookkeepers
  public void keepYear(Loan loan, LenderYear year, String note) {
    acts.begin(
        ActKind.LOANS,
        "Kept what the lender says of %s until %s"
            .formatted(loan.account().name(), year.through()));
    years.keep(loan, year, note);
  }

  @Transactional
  @ForBookkeepers
  void removeYear(UUID id, LocalDate through) {
    Loan loan = hold(id).loan();
    acts.begin(
        ActKind.LOANS,
        "Took out what the lender says of %s until %s".formatted(loan.account().name(), through));
    years.remove(id, through);
  }
}
