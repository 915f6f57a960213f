package org.yewledger.core.reconcile;

import java.util.List;
import org.yewledger.core.Refusal;
import org.yewledger.core.money.Amount;

/**
 * A statement held against the ticked postings of its account, in the account's currency; debits
 * are above zero.
 *
 * @param opening the closing balance of the statement before
 * @param in the sum of ticked postings above zero
 * @param out the sum of ticked postings below zero, as an amount above zero
 * @param closing what the statement says at its end
 */
public record Reconciliation(Amount opening, Amount in, Amount out, Amount closing) {

  public static Reconciliation of(Amount opening, List<Amount> ticked, Amount closing) {
    return new Reconciliation(
        opening,
        Amount.sum(opening.currency(), ticked.stream().map(Amount::ifAbove).toList()),
        Amount.sum(opening.currency(), ticked.stream().map(Amount::ifBelow).toList()),
        closing);
  }

  /** That of a finished statement whose parts do not matter any more: it agrees. */
  public static Reconciliation agreed(Amount closing) {
    Amount zero = Amount.zero(closing.currency());
    return new Reconciliation(closing, zero, zero, closing);
  }

  /** The balance that the ticked postings make. */
  public Amount ticked() {
    return opening.plus(in).minus(out);
  }

  /** What is still missing: the statement's balance less the ticked one. */
  public Amount difference() {
    return closing.minus(ticked());
  }

  /**
   * @throws Refusal {@code difference-not-zero}, with the difference
   */
  public void requireAgreement() {
    if (!difference().isZero()) {
      throw Refusal.of(
          "difference-not-zero",
          "The statement and the ticked postings are still %s apart. They agree when nothing is apart."
              .formatted(difference().shown()));
    }
  }
}
