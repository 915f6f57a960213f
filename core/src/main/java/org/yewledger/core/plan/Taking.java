package org.yewledger.core.plan;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.yewledger.core.Refusal;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.money.Amount;

/**
 * What an account spent on what its purposes pay for, and is still to be taken out of them. It is
 * worked out from the books each time, so that what is changed, voided or taken back later is made
 * up for with the next.
 *
 * @param spent by purpose, since the day that it pays from; below zero if more came back
 * @param taken by purpose, what was taken out of it since that day
 */
public record Taking(SetAsides of, Map<UUID, Amount> spent, Map<UUID, Amount> taken) {
  public Taking {
    spent = Map.copyOf(spent);
    taken = Map.copyOf(taken);
  }

  /**
   * What a purpose pays for.
   *
   * @param categories of expenses, in the account's currency
   * @param since the first day on which what is spent counts
   */
  public record Pays(Account purpose, List<Account> categories, LocalDate since) {
    public Pays {
      categories = List.copyOf(categories);
    }

    /**
     * @param others what other purposes pay for
     * @throws Refusal {@code pays-no-expense}, {@code pays-foreign}, {@code pays-already}
     */
    public Pays require(List<Pays> others) {
      for (Account category : categories) {
        if (!Budget.isExpense(category) || !category.bookId().equals(purpose.bookId())) {
          throw Refusal.ofField(
              "pays-no-expense",
              "categories",
              "%s is no category of expenses in %s."
                  .formatted(category.name(), purpose.book().name()));
        }
        if (!purpose.currency().equals(purpose.book().currency())) {
          throw Refusal.ofField(
              "pays-foreign",
              "categories",
              "%s is in %s. Only what is in the book's currency pays by itself."
                  .formatted(purpose.name(), purpose.currency()));
        }
        for (Pays other : others) {
          if (other.categories.contains(category)) {
            throw Refusal.ofField(
                "pays-already",
                "categories",
                "%s is paid from %s already.".formatted(category.name(), other.purpose.name()));
          }
        }
      }
      return this;
    }
  }

  /** Zero if all was taken out; below zero what is to be put back. */
  public Amount open(UUID purpose) {
    Amount zero = Amount.zero(of.account().currency());
    return spent.getOrDefault(purpose, zero).minus(taken.getOrDefault(purpose, zero));
  }

  public Amount open() {
    return Amount.sum(
        of.account().currency(),
        of.purposes().stream().map(purpose -> open(purpose.account().id())).toList());
  }

  /**
   * The one entry that takes it out; the bank's balance stays as it is.
   *
   * @throws Refusal {@code nothing-to-take}
   */
  public Entry entry(LocalDate day) {
    Map<UUID, Amount> placed = new HashMap<>();
    for (SetAsides.Purpose purpose : of.purposes()) {
      Amount open = open(purpose.account().id());
      if (!open.isZero()) {
        placed.put(purpose.account().id(), open.negated());
      }
    }
    if (placed.isEmpty()) {
      throw Refusal.of(
          "nothing-to-take", "All that was spent is taken out of the purposes already.");
    }
    return Division.moved("Spent from what is set aside", of, placed, day);
  }
}
