package org.yewledger.core.reconcile;

/** How far a posting is confirmed by the bank. */
public enum PostingState {
  /** Not seen at the bank. */
  OPEN,
  /** Seen in a bank line, or ticked. */
  CLEARED,
  /** Part of a finished reconciliation. */
  RECONCILED;

  public static PostingState of(boolean atBank, boolean ticked, boolean finished) {
    if (ticked && finished) {
      return RECONCILED;
    }
    return atBank || ticked ? CLEARED : OPEN;
  }
}
