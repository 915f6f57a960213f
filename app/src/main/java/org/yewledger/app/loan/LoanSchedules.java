package org.yewledger.app.loan;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.stereotype.Component;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.schedule.VaryingSchedules;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.loan.Loan;
import org.yewledger.core.loan.LoanTable;
import org.yewledger.core.schedule.DueItem;
import org.yewledger.core.schedule.Schedule;

/** Splits each payment of a loan into interest and what it repays. */
@Component
class LoanSchedules implements VaryingSchedules {
  private final Loans loans;
  private final LoanBooks books;

  LoanSchedules(Loans loans, LoanBooks books) {
    this.loans = loans;
    this.books = books;
  }

  @Override
  public Map<UUID, Varying> all(Chart chart) {
    Map<UUID, Varying> all = new HashMap<>();
    loans.all(chart).forEach(kept -> all.put(kept.payments().schedule().id(), of(kept.loan())));
    return all;
  }

  private Varying of(Loan loan) {
    return new Varying() {
      @Override
      public Account dependsOn() {
        return loan.account();
      }

      @Override
      public Schedule usual(LocalDate nominal) {
        return loan.payments(nominal);
      }

      @Override
      public List<DueItem> split(List<DueItem> items, List<DueItem> others) {
        return LoanTable.of(loan, books.of(loan), items, LoanTable.planned(loan, others)).items();
      }
    };
  }
}
