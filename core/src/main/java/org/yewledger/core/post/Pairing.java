package org.yewledger.core.post;

import java.util.UUID;
import org.yewledger.core.Refusal;

/**
 * A line that is said to be a posting in the books already.
 *
 * @param accountId the account that the bank gave the line for
 * @param amountMinor in minor units of the account's currency
 */
public record Pairing(UUID accountId, long amountMinor) {
  /**
   * @throws Refusal {@code not-the-same} unless both stand on one account with one amount
   */
  public void requireSame(UUID postingAccountId, long postingMinor) {
    if (!accountId.equals(postingAccountId) || amountMinor != postingMinor) {
      throw Refusal.of("not-the-same", "Account and amount of the line and of the posting differ.");
    }
  }
}
