package org.yewledger.core.ledger;

/** What an account is in daily life; each kind belongs to one class. */
public enum AccountKind {
  CURRENT(AccountClass.ASSET, Use.AT_BANK),
  SAVINGS(AccountClass.ASSET, Use.AT_BANK),
  /** Part of an account at a bank, put aside for a purpose: it stands below that account. */
  SET_ASIDE(AccountClass.ASSET, Use.PART),
  CASH(AccountClass.ASSET, Use.OWN),
  /** What a shop or a payment service owes until it pays out. */
  PAYOUT(AccountClass.ASSET, Use.AT_BANK),
  INVESTMENT(AccountClass.ASSET, Use.AT_BANK),
  PROPERTY(AccountClass.ASSET, Use.OWN),
  RECEIVABLE(AccountClass.ASSET, Use.OWN),
  CARD(AccountClass.LIABILITY, Use.AT_BANK),
  LOAN(AccountClass.LIABILITY, Use.AT_BANK),
  PAYABLE(AccountClass.LIABILITY, Use.OWN),
  SALES_TAX(AccountClass.LIABILITY, Use.OWN),
  /** What opening balances are posted against. */
  OPENING_EQUITY(AccountClass.EQUITY, Use.BY_THE_CORE),
  OWNER_EQUITY(AccountClass.EQUITY, Use.OTHER),
  /** Drawings and contributions: what moved between this book and the others. */
  DRAWINGS(AccountClass.EQUITY, Use.BY_THE_CORE),
  /** Where the part of an entry stands that is not placed yet. */
  SUSPENSE(AccountClass.ASSET, Use.BY_THE_CORE),
  INCOME(AccountClass.INCOME, Use.OTHER),
  /** Exchange gains, and losses as the other side of them. */
  EXCHANGE(AccountClass.INCOME, Use.BY_THE_CORE),
  /** What a count of cash had too much, and too little as the other side of it. */
  OVER_SHORT(AccountClass.EXPENSE, Use.BY_THE_CORE),
  /** What a statement and the books were apart and nothing explains, until somebody finds out. */
  DIFFERENCE(AccountClass.EXPENSE, Use.BY_THE_CORE),
  EXPENSE(AccountClass.EXPENSE, Use.OTHER);

  private enum Use {
    AT_BANK,
    OWN,
    PART,
    OTHER,
    BY_THE_CORE
  }

  private final AccountClass accountClass;
  private final Use use;

  AccountKind(AccountClass accountClass, Use use) {
    this.accountClass = accountClass;
    this.use = use;
  }

  public AccountClass accountClass() {
    return accountClass;
  }

  /**
   * Whether somebody outside sends statements for such accounts, so that they can be reconciled.
   */
  public boolean hasStatements() {
    return use == Use.AT_BANK;
  }

  /** Whether what it holds is counted: nobody sends statements of it. */
  public boolean isCounted() {
    return this == CASH;
  }

  /** Whether such accounts are reconciled, with a statement or with a count. */
  public boolean isReconciled() {
    return hasStatements() || isCounted();
  }

  /** Whether such accounts hold something of one's own: they begin with an opening balance. */
  public boolean hasOpeningBalance() {
    return use == Use.AT_BANK || use == Use.OWN;
  }

  /** Whether it is money at hand, or what one pays with. */
  public boolean isMoney() {
    return switch (this) {
      case CURRENT, SAVINGS, SET_ASIDE, CASH, PAYOUT, CARD -> true;
      default -> false;
    };
  }

  /** Whether it is a part of the account above it, whose bank knows nothing of it. */
  public boolean isPart() {
    return use == Use.PART;
  }

  /** Whether the core makes and keeps it, one account of the kind in each book. */
  public boolean isKeptByCore() {
    return use == Use.BY_THE_CORE;
  }

  /** Whether a person books there: to anything but what the core works out by itself. */
  public boolean isBookable() {
    return !isKeptByCore() || this == SUSPENSE || this == OVER_SHORT || this == DIFFERENCE;
  }
}
