package org.yewledger.core.ledger;

/** How something was paid. A cheque's number is the entry's reference. */
public enum Method {
  CARD,
  CHEQUE,
  CASH,
  TRANSFER,
  DIRECT_DEBIT
}
