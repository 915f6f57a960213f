package org.yewledger.core.plan;

import java.util.Arrays;

/**
 * What moves on an account in a month besides what is due: the median of some months, and the
 * quartiles, between which half of them were.
 *
 * @param lowMinor the lower quartile, {@code highMinor} the upper; in minor units of the account's
 *     currency
 */
public record UsualMoves(long medianMinor, long lowMinor, long highMinor) {
  /** Nothing is known of the account. */
  public static final UsualMoves NONE = new UsualMoves(0, 0, 0);

  /**
   * @param monthsMinor what moved in each month; nothing is usual without any
   */
  public static UsualMoves of(long[] monthsMinor) {
    if (monthsMinor.length == 0) {
      return NONE;
    }
    long[] sorted = monthsMinor.clone();
    Arrays.sort(sorted);
    return new UsualMoves(at(sorted, 2), at(sorted, 1), at(sorted, 3));
  }

  /** The value at so many quarters of the way, between its two neighbours. */
  private static long at(long[] sorted, int quarters) {
    double place = quarters * (sorted.length - 1) / 4.0;
    int below = (int) place;
    int above = Math.min(below + 1, sorted.length - 1);
    return Math.round(sorted[below] + (place - below) * (sorted[above] - sorted[below]));
  }
}
