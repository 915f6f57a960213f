package org.yewledger.core.ledger;

/** The five classes of accounts. */
public enum AccountClass {
  ASSET,
  LIABILITY,
  EQUITY,
  INCOME,
  EXPENSE;

  /** Whether a person picks accounts of this class as a category. */
  public boolean isCategory() {
    return this == INCOME || this == EXPENSE;
  }
}
