package org.yewledger.core.plan;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;

/**
 * What is set aside in an account for purposes: these and what is free make the account as its bank
 * sees it.
 *
 * @param free what stands on the account itself
 * @param purposes its set-asides, in the order of the chart
 */
public record SetAsides(Account account, Amount free, List<Purpose> purposes) {
  /**
   * What an account is kept for.
   *
   * @param stands what is set aside; below zero if more was spent
   */
  public record Purpose(Account account, Amount stands) {}

  public SetAsides {
    purposes = List.copyOf(purposes);
  }

  public Amount setAside() {
    return Amount.sum(account.currency(), purposes.stream().map(Purpose::stands).toList());
  }

  /** What the bank sees. */
  public Amount whole() {
    return free.plus(setAside());
  }

  Optional<Account> purpose(UUID id) {
    return purposes.stream().map(Purpose::account).filter(a -> a.id().equals(id)).findFirst();
  }
}
