package org.yewledger.core.ledger;

import org.jspecify.annotations.Nullable;

/**
 * One debit or credit line of an entry.
 *
 * @param amountMinor signed minor units of the account's currency: debits positive, credits
 *     negative. Zero only where just the value changes, as in a revaluation
 * @param baseMinor the value of the amount in minor units of the book's base currency; the same
 *     where the account is in that currency
 * @param note what this line was for; empty if nothing was said
 * @param tax what it is for sales tax, null where that plays no part
 */
public record Posting(
    Account account, long amountMinor, long baseMinor, String note, @Nullable PostingTax tax) {
  public Posting {
    if (!account.isForeign() && amountMinor != baseMinor) {
      throw new IllegalArgumentException("two values of one amount on " + account.name());
    }
    if (Long.signum(amountMinor) * Long.signum(baseMinor) < 0) {
      throw new IllegalArgumentException("debit and credit at once on " + account.name());
    }
  }

  /** A posting that has no part in sales tax. */
  public Posting(Account account, long amountMinor, long baseMinor, String note) {
    this(account, amountMinor, baseMinor, note, null);
  }

  /** A posting to an account in the base currency of its book. */
  public Posting(Account account, long amountMinor, String note) {
    this(account, amountMinor, amountMinor, note);
  }

  /** A posting to an account in the base currency of its book. */
  public Posting(Account account, long amountMinor) {
    this(account, amountMinor, "");
  }

  public boolean isDebit() {
    return amountMinor > 0 || baseMinor > 0;
  }

  /** The value of a debit in the base currency, zero for a credit. */
  public long debitMinor() {
    return Math.max(baseMinor, 0);
  }

  /** The value of a credit in the base currency, as a positive amount; zero for a debit. */
  public long creditMinor() {
    return Math.max(-baseMinor, 0);
  }
}
