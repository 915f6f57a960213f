package org.yewledger.app.report;

import java.util.List;
import org.joda.money.CurrencyUnit;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountClass;
import org.yewledger.core.report.AccountTotals;
import org.yewledger.core.report.IncomeStatement;
import org.yewledger.core.report.Span;

/** Income statements as booked or with bills spread, alone or beside what was planned or booked. */
@Component
@Transactional(propagation = Propagation.MANDATORY)
class IncomeStatements {
  private final PlannedTotals planned;
  private final SpreadBills bills;

  IncomeStatements(PlannedTotals planned, SpreadBills bills) {
    this.planned = planned;
    this.bills = bills;
  }

  /** The bills that a statement spreads, which are none where it tells what was booked. */
  List<SpreadBills.Of> spread(ReportAsked asked, List<Account> accounts, List<Span> columns) {
    return asked.spreadsBills()
        ? bills.touching(categories(accounts), Span.around(columns), asked.taxOrNet())
        : List.of();
  }

  /**
   * @param booked the totals of all accounts, as they stand in the books
   * @param spread the bills to be spread
   */
  IncomeStatement of(
      ReportAsked asked,
      CurrencyUnit base,
      List<Span> columns,
      List<AccountTotals> booked,
      List<SpreadBills.Of> spread) {
    List<AccountTotals> told = SpreadBills.spread(booked, Span.around(columns), spread);
    List<Span> whole = List.of(columns.getFirst());
    if (asked.isBesideBudget()) {
      return IncomeStatement.of(base, whole, told)
          .beside(IncomeStatement.of(base, whole, plan(booked, whole.getFirst())));
    }
    if (asked.isBesideBooked()) {
      return IncomeStatement.of(base, whole, told).beside(IncomeStatement.of(base, whole, booked));
    }
    return IncomeStatement.of(base, columns, told);
  }

  private static List<Account> categories(List<Account> accounts) {
    return accounts.stream()
        .filter(a ->
            a.accountClass() == AccountClass.INCOME || a.accountClass() == AccountClass.EXPENSE)
        .toList();
  }

  private List<AccountTotals> plan(List<AccountTotals> of, Span months) {
    return planned.planned(
        of.stream()
            .map(AccountTotals::account)
            .filter(a -> a.accountClass() == AccountClass.EXPENSE)
            .toList(),
        months);
  }
}
