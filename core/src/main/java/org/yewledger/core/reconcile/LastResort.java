package org.yewledger.core.reconcile;

import java.time.LocalDate;
import java.util.List;
import org.yewledger.core.Refusal;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.ledger.Draft;
import org.yewledger.core.ledger.Marks;
import org.yewledger.core.money.Amount;

/** What nothing explains, booked as such: over or short for cash, a difference at a bank. */
public final class LastResort {
  private LastResort() {}

  /** The kind of account that it is booked to. */
  public static AccountKind kindFor(Account account) {
    return account.kind().isCounted() ? AccountKind.OVER_SHORT : AccountKind.DIFFERENCE;
  }

  /**
   * @param difference the statement or the count, less what is ticked
   * @param to an account of {@link #kindFor}
   * @throws Refusal {@code nothing-apart}; {@code difference-abroad} on an account in another
   *     currency, where what it is worth does not follow
   */
  public static Draft of(Account account, LocalDate on, Amount difference, Account to) {
    if (difference.isZero()) {
      throw Refusal.of("nothing-apart", "Nothing is apart: there is nothing to book.");
    }
    if (account.isForeign()) {
      throw Refusal.of(
          "difference-abroad",
          "%s is in another currency. Enter what is apart in the journal."
              .formatted(account.name()));
    }
    return new Draft(
        on,
        name(account, difference),
        "",
        List.of(
            new Draft.Line(account, difference, ""), new Draft.Line(to, difference.negated(), "")),
        Marks.NONE);
  }

  private static String name(Account account, Amount difference) {
    if (!account.kind().isCounted()) {
      return "Reconciliation difference";
    }
    return difference.minor() > 0 ? "Cash over" : "Cash short";
  }
}
