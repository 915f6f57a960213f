package org.yewledger.core.sheet;

import java.util.Collection;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.Refusal;
import org.yewledger.core.ledger.Account;

/**
 * What the names in a sheet mean: what a person says, else what was said of an earlier sheet, else
 * the account that is called so.
 */
public final class SheetNames {
  private final List<Account> accounts;
  private final Map<SheetName, Account> said;
  private final Map<SheetName, Account> kept;

  /**
   * @param accounts those of the book that the sheet is for
   * @param said what a person has chosen for names
   * @param kept what was chosen for them in earlier sheets; what cannot stand there any more counts
   *     for nothing
   * @throws Refusal {@code not-of-the-sheet} if an account cannot stand where it was chosen
   */
  public SheetNames(
      Collection<Account> accounts, Map<SheetName, Account> said, Map<SheetName, Account> kept) {
    said.forEach((name, account) -> {
      if (!name.side().takes(account)) {
        throw Refusal.ofField(
            "not-of-the-sheet",
            "names",
            "%s cannot stand for %s: %s"
                .formatted(
                    account.name(),
                    name.text().isEmpty() ? "rows without a name" : name.text(),
                    name.side() == SheetName.Side.ACCOUNT
                        ? "choose an account of your own."
                        : "choose a category or an account."));
      }
    });
    this.accounts = List.copyOf(accounts);
    this.said = Map.copyOf(said);
    this.kept = Map.copyOf(kept);
  }

  /** Whether it is what was chosen in an earlier sheet, and nothing else is said. */
  public boolean isAsBefore(SheetName name) {
    return !said.containsKey(name) && before(name) != null;
  }

  private @Nullable Account before(SheetName name) {
    Account account = kept.get(name);
    return account != null && name.side().takes(account) ? account : null;
  }

  /** Null where nothing is called so, or more than one thing is, and nobody has said which. */
  public @Nullable Account of(SheetName name) {
    Account chosen = said.containsKey(name) ? said.get(name) : before(name);
    if (chosen != null) {
      return chosen;
    }
    List<Account> called =
        accounts.stream()
            .filter(a -> name.side().takes(a))
            .filter(a -> SheetName.of(name.side(), a.name()).equals(name))
            .toList();
    return called.size() == 1 ? called.getFirst() : null;
  }
}
