package org.yewledger.core.ledger;

import org.jspecify.annotations.Nullable;
import org.yewledger.core.money.Amount;

/**
 * One debit or credit line of an entry.
 *
 * @param amount in the account's currency: debits above zero, credits below. Zero only where just
 *     the value changes, as in a revaluation
 * @param value what the amount is worth in the base currency of the book; the same where the
 *     account is in that currency
 * @param note what this line was for; empty if nothing was said
 * @param tax what it is for sales tax, null where that plays no part
 */
public record Posting(
    Account account, Amount amount, Amount value, String note, @Nullable PostingTax tax) {
  public Posting {
    if (!amount.currency().equals(account.currency())
        || !value.currency().equals(account.book().currency())) {
      throw new IllegalArgumentException("an amount in another currency than " + account.name());
    }
    if (!account.isForeign() && !amount.equals(value)) {
      throw new IllegalArgumentException("two values of one amount on " + account.name());
    }
    if (amount.sign() * value.sign() < 0) {
      throw new IllegalArgumentException("debit and credit at once on " + account.name());
    }
  }

  /** A posting that has no part in sales tax. */
  public Posting(Account account, Amount amount, Amount value, String note) {
    this(account, amount, value, note, null);
  }

  /** A posting to an account in the base currency of its book. */
  public Posting(Account account, Amount amount, String note) {
    this(account, amount, amount, note);
  }

  /** A posting to an account in the base currency of its book. */
  public Posting(Account account, Amount amount) {
    this(account, amount, "");
  }

  public boolean isDebit() {
    return amount.sign() > 0 || value.sign() > 0;
  }

  /** The value of a debit, zero for a credit. */
  public Amount debit() {
    return value.ifAbove();
  }

  /** The value of a credit, as an amount above zero; zero for a debit. */
  public Amount credit() {
    return value.ifBelow();
  }
}
