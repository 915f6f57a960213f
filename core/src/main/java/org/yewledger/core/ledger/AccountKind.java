package org.yewledger.core.ledger;

/** What an account is in daily life; each kind belongs to one class. */
public enum AccountKind {
  CURRENT(AccountClass.ASSET, true),
  SAVINGS(AccountClass.ASSET, true),
  CARD(AccountClass.LIABILITY, true),
  LOAN(AccountClass.LIABILITY, true),
  OPENING_EQUITY(AccountClass.EQUITY, false),
  OWNER_EQUITY(AccountClass.EQUITY, false),
  INCOME(AccountClass.INCOME, false),
  EXPENSE(AccountClass.EXPENSE, false);

  private final AccountClass accountClass;
  private final boolean statements;

  AccountKind(AccountClass accountClass, boolean statements) {
    this.accountClass = accountClass;
    this.statements = statements;
  }

  public AccountClass accountClass() {
    return accountClass;
  }

  /**
   * Whether somebody outside sends statements for such accounts, so that they can be reconciled.
   */
  public boolean hasStatements() {
    return statements;
  }
}
