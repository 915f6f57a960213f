package org.yewledger.core.post;

import java.util.UUID;
import org.yewledger.core.Refusal;
import org.yewledger.core.money.Amount;

/**
 * A line that is said to be a posting in the books already.
 *
 * @param accountId the account that the bank gave the line for
 * @param amount what it brings, or takes
 */
public record Pairing(UUID accountId, Amount amount) {
  /**
   * @throws Refusal {@code not-the-same} unless both stand on one account with one amount
   */
  public void requireSame(UUID postingAccountId, Amount postingAmount) {
    requireOn(accountId, postingAccountId);
    if (!amount.equals(postingAmount)) {
      throw Refusal.of(
          "not-the-same",
          "The bank says %s, the books say %s: they are not the same."
              .formatted(amount.shown(), postingAmount.shown()));
    }
  }

  /**
   * @throws Refusal {@code not-the-same} if what is said to be one stands on two accounts
   */
  public static void requireOn(UUID accountId, UUID postingAccountId) {
    if (!accountId.equals(postingAccountId)) {
      throw Refusal.of("not-the-same", "The line and the posting stand on different accounts.");
    }
  }
}
