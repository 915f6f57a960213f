package org.yewledger.core.ledger;

/** The five classes of accounts. */
public enum AccountClass {
  ASSET("an asset", "assets"),
  LIABILITY("a liability", "liabilities"),
  EQUITY("equity", "equity"),
  INCOME("income", "income"),
  EXPENSE("an expense", "expenses");

  private final String singular;
  private final String plural;

  AccountClass(String singular, String plural) {
    this.singular = singular;
    this.plural = plural;
  }

  /** Whether a person picks accounts of this class as a category. */
  public boolean isCategory() {
    return this == INCOME || this == EXPENSE;
  }

  /** For a sentence, with its article. */
  public String singular() {
    return singular;
  }

  public String plural() {
    return plural;
  }
}
