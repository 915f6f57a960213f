package org.yewledger.app.chart;

import org.yewledger.core.ledger.Account;

/** Makes the opening balances of two accounts that are merged into one. */
public interface OpeningMerge {
  /**
   * @throws org.yewledger.core.Refusal where the two cannot be added, naming what to do first
   */
  void merge(Account from, Account into);
}
