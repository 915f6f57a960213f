package org.yewledger.app.chart;

import java.util.UUID;

/** Something that refers to accounts, and follows when one is merged or deleted. */
public interface AccountFollower {
  /**
   * All that was of {@code from} is of {@code into} now; {@code from} goes in this transaction.
   *
   * @return how many postings moved; 0 for whatever is none
   */
  long merged(UUID from, UUID into);

  /** An account that was never used goes in this transaction. */
  void deleted(UUID account);
}
