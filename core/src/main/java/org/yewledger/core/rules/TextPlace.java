package org.yewledger.core.rules;

/** Which of a bank line's texts a condition looks at. */
public enum TextPlace {
  /** Each of them, and whatever else the bank says. */
  ANY("any text"),
  PAYEE("payee"),
  MEMO("memo"),
  REFERENCE("reference"),
  TYPE("type"),
  /** The number of the other party's account; spaces and marks in it play no part. */
  COUNTERPARTY_ACCOUNT("counterparty account");

  private final String words;

  TextPlace(String words) {
    this.words = words;
  }

  /** As it is written in a rule. */
  public String words() {
    return words;
  }
}
