package org.yewledger.core.report;

import java.util.List;

/** The balance after each posting of an account's register. */
public final class RunningBalance {
  private RunningBalance() {}

  /**
   * Balances for a page of the register, newest posting first.
   *
   * @param afterNewestMinor the balance after the first posting of the page
   * @param amountsMinor the postings of the page, newest first
   * @return for each posting the balance right after it, in the same order
   */
  public static List<Long> newestFirst(long afterNewestMinor, List<Long> amountsMinor) {
    var balances = new java.util.ArrayList<Long>(amountsMinor.size());
    long balance = afterNewestMinor;
    for (long amount : amountsMinor) {
      balances.add(balance);
      balance -= amount;
    }
    return balances;
  }
}
