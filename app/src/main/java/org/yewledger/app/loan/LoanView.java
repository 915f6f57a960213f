package org.yewledger.app.loan;

import java.time.LocalDate;
import java.util.List;
import org.yewledger.app.loan.LenderYears.KeptYear;
import org.yewledger.app.loan.LoanJson.ExtraPaymentJson;
import org.yewledger.app.loan.LoanJson.LenderYearJson;
import org.yewledger.app.loan.LoanJson.LoanLeftJson;
import org.yewledger.app.loan.LoanJson.LoanListedJson;
import org.yewledger.app.loan.LoanJson.LoanPageJson;
import org.yewledger.app.loan.LoanJson.LoanRowJson;
import org.yewledger.app.loan.LoanJson.LoanSumJson;
import org.yewledger.app.loan.LoanJson.LoanTableJson;
import org.yewledger.app.loan.LoanJson.LoanTermsJson;
import org.yewledger.app.loan.LoanJson.LoanYearJson;
import org.yewledger.app.loan.LoanJson.WhatIfComparedJson;
import org.yewledger.app.loan.LoanJson.WhatIfJson;
import org.yewledger.app.loan.LoanJson.YearFiguresJson;
import org.yewledger.app.loan.Loans.KeptLoan;
import org.yewledger.core.loan.ExtraPayment;
import org.yewledger.core.loan.LenderYear;
import org.yewledger.core.loan.Loan;
import org.yewledger.core.loan.LoanRow;
import org.yewledger.core.loan.LoanSum;
import org.yewledger.core.loan.LoanTable;
import org.yewledger.core.loan.WhatIf;
import org.yewledger.core.schedule.DueItem;
import org.yewledger.core.schedule.Rhythm;
import org.yewledger.core.schedule.Schedule;

/** Lays loans out for the API. */
final class LoanView {
  private LoanView() {}

  static LoanListedJson listed(LoanTable table, LocalDate today) {
    Loan loan = table.loan();
    Loan.Terms now = loan.on(today);
    return new LoanListedJson(
        loan.id(),
        loan.account().id(),
        loan.account().name(),
        loan.account().currency().getCode(),
        table.book().owed(today).decimal(),
        now.rate(),
        now.payment().decimal(),
        table.due().stream().findFirst().map(LoanRow::day).orElse(null),
        left(table));
  }

  static LoanPageJson page(KeptLoan kept, LoanTable table, List<KeptYear> years, LocalDate today) {
    Loan loan = kept.loan();
    Schedule payments = loan.payments();
    Rhythm rhythm = payments.when().rhythm().orElse(Rhythm.ONCE);
    return new LoanPageJson(
        loan.id(),
        kept.version(),
        payments.id(),
        payments.payee(),
        loan.account().bookId(),
        loan.account().id(),
        loan.account().name(),
        loan.account().currency().getCode(),
        payments.account().id(),
        payments.account().name(),
        loan.interest().id(),
        rhythm.interval(),
        rhythm.on() == Rhythm.On.LAST_DAY,
        payments.when().first(),
        payments.shift(),
        loan.count(),
        loan.terms().stream().map(LoanView::terms).toList(),
        terms(loan.on(today)),
        loan.fixedUntil(),
        payments.trusted(),
        payments.inWords(),
        today,
        table.book().owed(today).decimal(),
        left(table),
        table(table),
        years.stream().map(year -> year(year, table)).toList());
  }

  private static LoanTermsJson terms(Loan.Terms one) {
    return new LoanTermsJson(one.from(), one.rate(), one.payment().decimal());
  }

  private static LoanLeftJson left(LoanTable table) {
    LoanTable.Left left = table.left();
    return new LoanLeftJson(left.last().orElse(null), left.payments(), left.interest().decimal());
  }

  private static LoanTableJson table(LoanTable table) {
    List<LoanRow> all = table.rows();
    return new LoanTableJson(
        LoanSum.byYear(all).entrySet().stream()
            .map(year ->
                new LoanYearJson(
                    year.getKey(), sum(LoanSum.of(year.getValue())), rows(year.getValue())))
            .toList(),
        all.isEmpty() ? null : sum(LoanSum.of(all)));
  }

  private static LoanSumJson sum(LoanSum sum) {
    return new LoanSumJson(
        sum.payments(),
        sum.payment().decimal(),
        sum.interest().decimal(),
        sum.repaid().decimal(),
        sum.extra().decimal(),
        sum.owed().decimal());
  }

  private static List<LoanRowJson> rows(List<LoanRow> rows) {
    return rows.stream().map(LoanView::row).toList();
  }

  private static LoanRowJson row(LoanRow row) {
    DueItem item = row.item();
    return new LoanRowJson(
        row.day(),
        row.kind(),
        item != null && item.state() == DueItem.State.OVERDUE,
        row.payment().decimal(),
        row.interest().decimal(),
        row.repaid().decimal(),
        row.owed().decimal(),
        row.interestApart().decimal(),
        row.besides().decimal(),
        row.booked() == null ? null : row.booked().entryId(),
        row.booked() == null ? null : row.booked().no());
  }

  private static LenderYearJson year(KeptYear kept, LoanTable table) {
    LenderYear lender = kept.year();
    LenderYear books = lender.booked(table.book());
    return new LenderYearJson(
        lender.after(),
        lender.through(),
        kept.note(),
        figures(lender),
        figures(books),
        figures(books.less(lender)),
        lender.entries(table.book()),
        lender.agrees(table.book()),
        rows(lender.parting(table)));
  }

  private static YearFiguresJson figures(LenderYear year) {
    return new YearFiguresJson(
        year.owedBefore().decimal(),
        year.paid().decimal(),
        year.interest().decimal(),
        year.repaid().decimal(),
        year.owedAfter().decimal());
  }

  static WhatIfJson whatIf(WhatIf whatIf, List<WhatIf> others) {
    return new WhatIfJson(
        compared(whatIf), table(whatIf.with()), others.stream().map(LoanView::compared).toList());
  }

  private static WhatIfComparedJson compared(WhatIf whatIf) {
    ExtraPayment extra = whatIf.extra();
    return new WhatIfComparedJson(
        new ExtraPaymentJson(extra.amount().decimal(), extra.often(), extra.from(), extra.keep()),
        whatIf.payment().decimal(),
        left(whatIf.with()),
        whatIf.saved().decimal());
  }
}
