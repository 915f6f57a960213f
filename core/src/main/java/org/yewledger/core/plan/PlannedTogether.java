package org.yewledger.core.plan;

import java.time.YearMonth;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import org.yewledger.core.ledger.Account;

/**
 * Which plan what is spent on a category counts against: its own, else that of the nearest group
 * around it that has one for the month. So each amount counts once, whatever is planned where.
 */
public final class PlannedTogether {
  private final Map<UUID, Budget> budgets = new HashMap<>();
  private final Function<Account, List<Account>> groupsAround;

  /**
   * @param groupsAround of a category, the nearest first
   */
  public PlannedTogether(List<Budget> budgets, Function<Account, List<Account>> groupsAround) {
    budgets.forEach(budget -> this.budgets.put(budget.of().id(), budget));
    this.groupsAround = groupsAround;
  }

  /** The group that a category is planned with in a month; empty where it is planned alone. */
  public Optional<Account> groupOf(Account category, YearMonth month) {
    if (isPlanned(category, month)) {
      return Optional.empty();
    }
    return groupsAround.apply(category).stream()
        .filter(group -> isPlanned(group, month))
        .findFirst();
  }

  /** Whether a category is planned with a group in a month. */
  boolean holds(Account group, Account category, YearMonth month) {
    return groupOf(category, month).map(of -> of.id().equals(group.id())).orElse(false);
  }

  private boolean isPlanned(Account account, YearMonth month) {
    Budget budget = budgets.get(account.id());
    return budget != null && budget.spanOf(month).isPresent();
  }
}
