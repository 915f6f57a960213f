package org.yewledger.core.post;

/**
 * Why a line is proposed to be booked as it is, in the order in which they are tried: a later
 * reason never hides an earlier one.
 */
public enum Reason {
  /** It stands in the books already. */
  KNOWN_ENTRY,
  /** It is one half of a transfer between accounts of one's own whose other half waits too. */
  OWN_TRANSFER,
  RULE,
  /** It was expected, by a schedule. */
  DUE,
  /** The payee was booked so before. */
  LAST_TIME,
  OPEN_QUESTION
}
