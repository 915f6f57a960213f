package org.yewledger.core.report;

import org.yewledger.core.money.Amount;

/** The part of something in a whole. */
final class Share {
  private Share() {}

  /** In tenths of a percent, rounded down; 0 without a whole, or where the part is below zero. */
  static int inTenths(Amount part, Amount whole) {
    return whole.minor() <= 0 || part.minor() <= 0
        ? 0
        : (int) Math.floorDiv(Math.multiplyExact(1000L, part.minor()), whole.minor());
  }
}
