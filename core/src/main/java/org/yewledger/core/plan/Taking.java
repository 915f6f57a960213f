package org.yewledger.core.plan;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.Refusal;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.money.Amount;

/**
 * What an account spent on what its purposes pay for, and is still to be taken out of them. A
 * taking remembers which spending it covered; the rest is worked out from the books each time, so
 * that what is changed, voided or taken back later is made up for with the next.
 */
public record Taking(SetAsides of, List<Item> items) {
  public Taking {
    items = List.copyOf(items);
  }

  /**
   * What an entry spent on a category, and what takings covered of it.
   *
   * @param day of the entry
   * @param spent what stands in the books now, voids taken off; below zero if it came back
   * @param taken what was taken out for it so far
   * @param from the purpose that it was taken from last; null if none was
   */
  public record Spending(
      UUID entryId,
      UUID categoryId,
      LocalDate day,
      Amount spent,
      Amount taken,
      @Nullable UUID from) {
    private Amount open() {
      return spent.minus(taken);
    }
  }

  /**
   * What one purpose has to give for an entry's spending on a category.
   *
   * @param open below zero what is to be put back
   */
  public record Item(UUID entryId, UUID categoryId, UUID purposeId, Amount open) {}

  /**
   * Which purpose gives what. What was covered once is settled by the purpose that covered it,
   * whatever pays for the category since; other spending by the one that pays for its category,
   * from its first day on.
   *
   * @param pays what purposes pay for; those of other accounts play no part
   */
  public static Taking of(SetAsides of, Collection<Pays> pays, List<Spending> spendings) {
    List<Item> items = new ArrayList<>();
    for (Spending spending : spendings) {
      UUID purpose = spending.from() != null ? spending.from() : payer(pays, spending);
      if (purpose != null && of.purpose(purpose).isPresent() && !spending.open().isZero()) {
        items.add(new Item(spending.entryId(), spending.categoryId(), purpose, spending.open()));
      }
    }
    return new Taking(of, items);
  }

  private static @Nullable UUID payer(Collection<Pays> pays, Spending spending) {
    return pays.stream()
        .filter(one -> !spending.day().isBefore(one.since()))
        .filter(
            one -> one.categories().stream().anyMatch(c -> c.id().equals(spending.categoryId())))
        .map(one -> one.purpose().id())
        .findFirst()
        .orElse(null);
  }

  /**
   * What entries spend that are about to be booked, as far as it is taken out while lines are
   * posted.
   *
   * @param booked by a key that the items name them by
   */
  public static Taking asPosted(SetAsides of, Collection<Pays> pays, Map<UUID, Entry> booked) {
    Amount none = Amount.zero(of.account().currency());
    List<Spending> spendings = new ArrayList<>();
    booked.forEach((key, entry) -> {
      if (entry.postings().stream().anyMatch(p -> p.account().equals(of.account()))) {
        Map<UUID, Amount> spent = new LinkedHashMap<>();
        entry.postings().forEach(p -> spent.merge(p.account().id(), p.value(), Amount::plus));
        spent.forEach((category, amount) ->
            spendings.add(new Spending(key, category, entry.date(), amount, none, null)));
      }
    });
    return of(of, pays.stream().filter(Pays::asPosted).toList(), spendings);
  }

  /**
   * What a purpose pays for.
   *
   * @param categories of expenses, in the account's currency
   * @param since the first day on which what is spent counts
   * @param asPosted whether it is taken out while lines are posted, without being asked
   */
  public record Pays(Account purpose, List<Account> categories, LocalDate since, boolean asPosted) {
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

  public boolean isAnything() {
    return of.purposes().stream().anyMatch(purpose -> !open(purpose.account().id()).isZero());
  }

  /** Zero if all was taken out; below zero what is to be put back. */
  public Amount open(UUID purpose) {
    return Amount.sum(
        of.account().currency(),
        items.stream().filter(i -> i.purposeId().equals(purpose)).map(Item::open).toList());
  }

  public Amount open() {
    return Amount.sum(of.account().currency(), items.stream().map(Item::open).toList());
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
