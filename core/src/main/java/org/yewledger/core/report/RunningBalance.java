package org.yewledger.core.report;

import java.util.ArrayList;
import java.util.List;
import org.yewledger.core.money.Amount;

/** The balance after each posting of an account's register. */
public final class RunningBalance {
  private RunningBalance() {}

  /**
   * Balances for a page of the register, newest posting first.
   *
   * @param afterNewest the balance after the first posting of the page
   * @param amounts the postings of the page, newest first
   * @return for each posting the balance right after it, in the same order
   */
  public static List<Amount> newestFirst(Amount afterNewest, List<Amount> amounts) {
    var balances = new ArrayList<Amount>(amounts.size());
    Amount balance = afterNewest;
    for (Amount amount : amounts) {
      balances.add(balance);
      balance = balance.minus(amount);
    }
    return balances;
  }
}
