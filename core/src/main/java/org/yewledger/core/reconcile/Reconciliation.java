package org.yewledger.core.reconcile;

import java.util.List;
import org.joda.money.CurrencyUnit;
import org.yewledger.core.Refusal;
import org.yewledger.core.money.Amounts;

/**
 * A statement held against the ticked postings of its account. All amounts are minor units, debits
 * positive.
 *
 * @param openingMinor the closing balance of the statement before
 * @param inMinor the sum of ticked postings above zero
 * @param outMinor the sum of ticked postings below zero, as a positive amount
 * @param closingMinor what the statement says at its end
 */
public record Reconciliation(long openingMinor, long inMinor, long outMinor, long closingMinor) {

  public static Reconciliation of(long openingMinor, List<Long> tickedMinor, long closingMinor) {
    long in = 0;
    long out = 0;
    for (long amount : tickedMinor) {
      if (amount > 0) {
        in += amount;
      } else {
        out -= amount;
      }
    }
    return new Reconciliation(openingMinor, in, out, closingMinor);
  }

  /** The balance that the ticked postings make. */
  public long tickedMinor() {
    return openingMinor + inMinor - outMinor;
  }

  /** What is still missing: the statement's balance less the ticked one. */
  public long differenceMinor() {
    return closingMinor - tickedMinor();
  }

  /**
   * @throws Refusal {@code difference-not-zero}, with the difference
   */
  public void requireAgreement(CurrencyUnit currency) {
    if (differenceMinor() != 0) {
      throw Refusal.of(
          "difference-not-zero",
          "The statement and the ticked postings are still %s apart. Finish is possible at 0.00 only."
              .formatted(Amounts.shown(differenceMinor(), currency)));
    }
  }
}
