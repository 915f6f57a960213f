package org.yewledger.core.ledger;

/**
 * One debit or credit line of an entry.
 *
 * @param amountMinor signed minor units of the account's currency: debits positive, credits
 *     negative; never zero
 * @param note what this line was for; empty if nothing was said
 */
public record Posting(Account account, long amountMinor, String note) {
  public Posting(Account account, long amountMinor) {
    this(account, amountMinor, "");
  }

  public long debitMinor() {
    return Math.max(amountMinor, 0);
  }

  public long creditMinor() {
    return Math.max(-amountMinor, 0);
  }
}
