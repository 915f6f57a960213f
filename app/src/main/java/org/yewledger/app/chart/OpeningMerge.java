package org.yewledger.app.chart;

import org.yewledger.core.ledger.Account;

/** The opening balances of accounts, as far as the chart has to do with them. */
public interface OpeningMerge {
  /**
   * @throws org.yewledger.core.Refusal where the two cannot be added, naming what to do first
   */
  void merge(Account from, Account into);

  /** Whether an account has an opening balance. */
  boolean isThere(Account account);
}
