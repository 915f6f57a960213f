package org.yewledger.core.reconcile;

import static org.testng.Assert.assertEquals;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;
import org.yewledger.core.reconcile.AccountMonth.Progress;
import org.yewledger.core.reconcile.AccountMonth.State;
import org.yewledger.core.reconcile.MonthsOfAccounts.OneAccount;

public class MonthsOfAccountsTest {
  private static final YearMonth JULY = YearMonth.of(2026, 7);
  private static final YearMonth AUGUST = YearMonth.of(2026, 8);
  private static final YearMonth SEPTEMBER = YearMonth.of(2026, 9);

  private static Progress finished(YearMonth month) {
    return new Progress(month.atEndOfMonth(), true, 0, 0);
  }

  private static OneAccount account(YearMonth opens, Progress... statements) {
    return new OneAccount(opens.atDay(1), List.of(statements), null);
  }

  private static OneAccount closed(YearMonth opens, YearMonth through, Progress... statements) {
    return new OneAccount(opens.atDay(1), List.of(statements), through);
  }

  @Test
  public void aClosedMonthIsClosedAndAgrees() {
    OneAccount first = closed(JULY, JULY, finished(JULY), finished(AUGUST));
    OneAccount second = closed(AUGUST, JULY, finished(AUGUST));
    assertEquals(first.in(JULY), new AccountMonth(State.CLOSED, 100));
    assertEquals(first.in(AUGUST).state(), State.AGREED);
    assertEquals(second.in(JULY).state(), State.NOT_OPEN);
    var months = new MonthsOfAccounts(List.of(first, second));
    assertEquals(months.over(JULY).state(), State.CLOSED);
    assertEquals(months.over(AUGUST).state(), State.AGREED);
    assertEquals(months.firstNotAgreed(YearMonth.of(2026, 11)), SEPTEMBER);
    assertEquals(months.agreedThrough(YearMonth.of(2026, 11)), Optional.of(AUGUST));
  }

  @Test
  public void aMonthOfOneClosedAndOneOpenBookAgrees() {
    var months =
        new MonthsOfAccounts(
            List.of(closed(JULY, JULY, finished(JULY)), account(JULY, finished(JULY))));
    assertEquals(months.over(JULY).state(), State.AGREED);
  }

  @Test
  public void theLastMonthThatAgreesIsToBeClosedOnceItIsOver() {
    var months =
        new MonthsOfAccounts(List.of(closed(JULY, JULY, finished(JULY), finished(AUGUST))));
    assertEquals(months.toClose(LocalDate.of(2026, 8, 31)), Optional.empty());
    assertEquals(months.toClose(LocalDate.of(2026, 9, 1)), Optional.of(AUGUST));
    assertEquals(months.toClose(LocalDate.of(2026, 11, 27)), Optional.of(AUGUST));
    var done = new MonthsOfAccounts(List.of(closed(JULY, AUGUST, finished(AUGUST))));
    assertEquals(done.toClose(LocalDate.of(2026, 11, 27)), Optional.empty());
  }

  @Test
  public void saysHowFarEachMonthIs() {
    OneAccount account =
        account(AUGUST, finished(AUGUST), new Progress(SEPTEMBER.atEndOfMonth(), false, 41, 3));
    assertEquals(account.in(JULY).state(), State.NOT_OPEN);
    assertEquals(account.in(AUGUST), new AccountMonth(State.AGREED, 100));
    assertEquals(account.in(SEPTEMBER), new AccountMonth(State.IN_PROGRESS, 93));
    assertEquals(account.in(SEPTEMBER.plusMonths(1)).state(), State.NO_STATEMENT);
  }

  @Test
  public void aQuarterlyStatementAgreesItsThreeMonths() {
    OneAccount loan = account(JULY, finished(SEPTEMBER));
    for (YearMonth month : List.of(JULY, AUGUST, SEPTEMBER)) {
      assertEquals(loan.in(month).state(), State.AGREED);
    }
  }

  @Test
  public void onlyAWholeRingReadsAHundred() {
    OneAccount account = account(AUGUST, new Progress(LocalDate.of(2026, 8, 31), false, 999, 1));
    assertEquals(account.in(AUGUST).agreedShare(), 99);
  }

  @Test
  public void togetherTheyAgreeOnlyIfEachDoes() {
    var months =
        new MonthsOfAccounts(
            List.of(
                account(JULY, finished(JULY), finished(AUGUST)),
                account(AUGUST, finished(AUGUST))));
    assertEquals(months.over(JULY).state(), State.AGREED);
    assertEquals(months.over(AUGUST).state(), State.AGREED);
    assertEquals(months.over(SEPTEMBER).state(), State.NO_STATEMENT);
    assertEquals(months.firstNotAgreed(YearMonth.of(2026, 11)), SEPTEMBER);
    assertEquals(months.firstNotAgreed(AUGUST), AUGUST);
    assertEquals(months.agreedThrough(YearMonth.of(2026, 11)), Optional.of(AUGUST));
  }

  @Test
  public void aBookWithoutAccountsHasTheLastMonthToWorkOn() {
    assertEquals(new MonthsOfAccounts(List.of()).firstNotAgreed(SEPTEMBER), SEPTEMBER);
  }

  @Test
  public void aMonthAgreesOnlyOnceItsLastDayDoes() {
    LocalDate opens = LocalDate.of(2026, 7, 1);
    var half = List.of(new Progress(LocalDate.of(2026, 9, 15), true, 0, 0));
    assertEquals(AccountMonth.of(AUGUST, null, opens, half).state(), AccountMonth.State.AGREED);
    AccountMonth september = AccountMonth.of(SEPTEMBER, null, opens, half);
    assertEquals(september.state(), AccountMonth.State.IN_PROGRESS);
    assertEquals(september.agreedShare(), 50);
    var whole = List.of(half.getFirst(), new Progress(LocalDate.of(2026, 10, 15), true, 0, 0));
    assertEquals(AccountMonth.of(SEPTEMBER, null, opens, whole).state(), AccountMonth.State.AGREED);
  }
}
