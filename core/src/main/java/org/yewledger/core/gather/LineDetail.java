package org.yewledger.core.gather;

/** What banks may say of a line beside its party, text, reference and kind. */
public enum LineDetail {
  /** The number of the other party's account, an IBAN where there is one. */
  COUNTERPARTY_ACCOUNT,
  /** The other party's bank, by its BIC or its own number. */
  COUNTERPARTY_BANK,
  /** The other party's name in full, where the name itself is cut. */
  EXTENDED_NAME,
  /** The other party's address. */
  ADDRESS,
  /** On whose behalf the other party acts. */
  ULTIMATE_PARTY,
  /** The mandate of a direct debit. */
  MANDATE,
  /** Who collects by direct debit, by their identifier. */
  CREDITOR,
  /** The payer's own reference, which travels with the payment from end to end. */
  END_TO_END,
  /** The bank's reference. */
  BANK_REFERENCE,
  /** The kind of booking in the bank's words. */
  BOOKING_TEXT,
  /** What the bank adds to the line, beside the text of the payment. */
  SUPPLEMENT,
  /** The amount in the currency of the payment, where that is not the account's. */
  ORIGINAL_AMOUNT
}
