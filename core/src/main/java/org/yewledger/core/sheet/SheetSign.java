package org.yewledger.core.sheet;

import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountClass;
import org.yewledger.core.money.Amount;

/** How a sheet tells money out from money in. */
public enum SheetSign {
  /** Money out has a minus. */
  OUT_IS_NEGATIVE,
  /** Money out has none, money in has. */
  OUT_IS_POSITIVE,
  /** The category tells: income comes in, all else goes out; a minus means that it came back. */
  BY_CATEGORY;

  /** What the account paid, below zero, or received. */
  Amount signed(Amount written, Account category) {
    return switch (this) {
      case OUT_IS_NEGATIVE -> written;
      case OUT_IS_POSITIVE -> written.negated();
      case BY_CATEGORY ->
          category.accountClass() == AccountClass.INCOME ? written : written.negated();
    };
  }
}
