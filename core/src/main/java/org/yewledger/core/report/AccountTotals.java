package org.yewledger.core.report;

import java.time.YearMonth;
import java.time.temporal.ChronoUnit;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;

/**
 * What was posted to an account, by months, in its book's currency; debits are above zero. All
 * reports are worked out from these. Cost of each answer: the same however many months there are.
 */
public final class AccountTotals {
  private final Account account;
  private final YearMonth first;

  /** What stood on it before the first month, and at the end of each from there on. */
  private final long[] runningMinor;

  /**
   * @param beforeMinor what was posted before the first month
   * @param first the first month that is told apart
   * @param monthsMinor what was posted in it and in each after it
   */
  public AccountTotals(Account account, long beforeMinor, YearMonth first, long[] monthsMinor) {
    this.account = account;
    this.first = first;
    runningMinor = new long[monthsMinor.length + 1];
    runningMinor[0] = beforeMinor;
    for (int i = 0; i < monthsMinor.length; i++) {
      runningMinor[i + 1] = Math.addExact(runningMinor[i], monthsMinor[i]);
    }
  }

  public Account account() {
    return account;
  }

  /** What was posted within a span, as far as its months are told apart. */
  public Amount within(Span span) {
    return Amount.ofMinor(minor(span.last()) - minor(span.first().minusMonths(1)), currency());
  }

  /** What stands on it at the end of a month, all before it included. */
  public Amount through(YearMonth month) {
    return Amount.ofMinor(minor(month), currency());
  }

  /**
   * The same with bills in the months that they serve, not in those that they were booked in.
   *
   * @param months all that are told apart
   * @param bills of the account; those that touch none of the months change nothing
   */
  public AccountTotals spread(Span months, List<SpreadBill> bills) {
    long[] minor = new long[months.months()];
    for (int i = 0; i < minor.length; i++) {
      YearMonth month = months.first().plusMonths(i);
      Amount all = within(new Span(month, month));
      for (SpreadBill bill : bills) {
        all = all.plus(bill.moves(month));
      }
      minor[i] = all.minor();
    }
    return new AccountTotals(account, runningMinor[0], months.first(), minor);
  }

  private CurrencyUnit currency() {
    return account.book().currency();
  }

  private long minor(YearMonth month) {
    long at = ChronoUnit.MONTHS.between(first, month) + 1;
    return runningMinor[Math.clamp(at, 0, runningMinor.length - 1)];
  }
}
