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
    if (!accountId.equals(postingAccountId) || !amount.equals(postingAmount)) {
      throw Refusal.of("not-the-same", "Account and amount of the line and of the posting differ.");
    }
  }
}
