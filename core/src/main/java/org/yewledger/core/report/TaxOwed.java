package org.yewledger.core.report;

import org.yewledger.core.money.Amount;

/**
 * What is owed to the tax office over a period; below zero what it owes.
 *
 * @param before when the period began
 * @param arose what its entries added
 * @param owed when it ended
 */
public record TaxOwed(Amount before, Amount arose, Amount owed) {
  /** What else moved it: payments to the tax office, less what it paid back. */
  public Amount settled() {
    return before.plus(arose).minus(owed);
  }
}
