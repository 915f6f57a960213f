package org.yewledger.core.rules;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.Refusal;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.Marks;

/**
 * When a bank line looks like this, then book it so.
 *
 * @param bookId the book whose lines it is for
 * @param isOn whether it is tried at all
 * @param trustedUpTo up to which amount of a line, in the book's currency, it posts by itself; null
 *     if it waits for the person
 */
public record Rule(
    UUID id,
    UUID bookId,
    Condition when,
    Then then,
    boolean isOn,
    @Nullable BigDecimal trustedUpTo) {

  /**
   * @param payee who it is; empty to keep the name that is known, or what the bank says
   * @param tags what the entry is marked with
   * @param note what it is for, empty if nothing is to be said
   */
  public record Then(String payee, Division division, List<String> tags, String note) {
    public Then {
      payee = payee.strip();
      note = note.strip();
      tags = Marks.of("", null, tags).tags();
    }
  }

  /**
   * @throws Refusal {@code trust-out-of-range}
   */
  public Rule {
    if (trustedUpTo != null
        && (trustedUpTo.signum() <= 0 || trustedUpTo.precision() - trustedUpTo.scale() > 12)) {
      throw Refusal.ofField(
          "trust-out-of-range",
          "trustedUpTo",
          "Say up to which amount it may post by itself; it is above zero.");
    }
  }

  /**
   * Checks what a person may write. A rule that was sound may become one that is not, when two of
   * its accounts are merged; then it fits nothing, and is kept all the same.
   *
   * @throws Refusal {@code too-many-conditions}, {@code account-twice}, {@code transfer-to-itself}
   *     or {@code fixed-over-line}
   */
  public void requireSound() {
    Condition.requireBounded(when);
    if (then.division().accounts().size() < then.division().shares().size()) {
      throw Refusal.ofField(
          "account-twice",
          "shares",
          "The same account stands there twice. Put its parts together.");
    }
    requireOtherAccounts(when, then.division());
    requireFixedWithin(when, then.division());
  }

  /** What it tries lines for has to leave an account that is not booked to. */
  private static void requireOtherAccounts(Condition when, Division division) {
    for (Condition part : alwaysSo(when)) {
      if (part instanceof Condition.On(Set<UUID> accounts)
          && division.accounts().containsAll(accounts)) {
        throw Refusal.ofField(
            "transfer-to-itself",
            "shares",
            "The rule is for the account that it books to. Choose another one of the two.");
      }
    }
  }

  private static void requireFixedWithin(Condition when, Division division) {
    for (Condition part : alwaysSo(when)) {
      if (part instanceof Condition.AmountIs(var from, var to)
          && to != null
          && division.fixed().compareTo(to) > 0) {
        throw Refusal.ofField(
            "fixed-over-line",
            "shares",
            "The fixed parts come to %s, but the lines are at most %s."
                .formatted(division.fixed().toPlainString(), to.toPlainString()));
      }
    }
  }

  /** What holds of every line that fits. */
  private static List<Condition> alwaysSo(Condition when) {
    return when instanceof Condition.All(var parts) ? parts : List.of(when);
  }

  /** Whether the line fits. Cost: linear in the line's texts. */
  public boolean fits(RuleLine line) {
    return when.fits(line) && !then.division.accounts().contains(line.accountId());
  }

  /** Of the texts that it looks for those that stand in the line, as the person wrote them. */
  public List<String> foundIn(RuleLine line) {
    var found = new ArrayList<String>();
    collectFound(when, line, found);
    return found;
  }

  private static void collectFound(Condition when, RuleLine line, List<String> into) {
    if (when instanceof Condition.Text text && text.fits(line)) {
      into.add(text.what());
    }
    Condition.parts(when).forEach(part -> collectFound(part, line, into));
  }

  /** All accounts that it names, in its conditions or in what it books to. */
  public Set<UUID> accounts() {
    var named = new HashSet<>(then.division.accounts());
    collect(when, named);
    return named;
  }

  private static void collect(Condition when, Set<UUID> into) {
    if (when instanceof Condition.On(Set<UUID> accounts)) {
      into.addAll(accounts);
    }
    Condition.parts(when).forEach(part -> collect(part, into));
  }

  /**
   * The closed account that keeps the rule quiet: one that it books to. A closed account among its
   * conditions brings no more lines by itself.
   */
  public Optional<Account> quietSince(Map<UUID, Account> accounts) {
    return then.division.accounts().stream()
        .map(accounts::get)
        .filter(account -> account != null && account.closedOn() != null)
        .findFirst();
  }
}
