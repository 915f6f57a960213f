package org.yewledger.core.report;

import java.util.List;
import java.util.Optional;

/**
 * Between which amounts something usually is, worked out from how it was before: the median, give
 * or take three times what the amounts usually stray from it (the median absolute deviation, scaled
 * by 1.4826 as of a normal distribution; Hampel, J. Am. Stat. Assoc. 69, 1974), at least a sixth of
 * the median. One great bill does not move it.
 *
 * @param low in minor units
 * @param high in minor units
 * @param months of how many it was worked out
 */
public record UsualBand(long low, long high, int months) {
  /** Of fewer months nothing is usual. */
  private static final int LEAST_MONTHS = 6;

  private static final double STRAYS = 3 * 1.4826;

  /**
   * Empty where there are too few months, or where most of them have nothing: what comes once a
   * year is not unusual when it comes.
   *
   * @param before minor units, one for each month
   */
  public static Optional<UsualBand> of(List<Long> before) {
    long some = before.stream().filter(minor -> minor != 0).count();
    if (before.size() < LEAST_MONTHS || 2 * some <= before.size()) {
      return Optional.empty();
    }
    long median = median(before);
    long strays = median(before.stream().map(minor -> Math.abs(minor - median)).toList());
    long width = Math.max(Math.round(STRAYS * strays), Math.abs(median) / 6);
    // What never was below zero is not expected there.
    long least = before.stream().allMatch(minor -> minor >= 0) ? 0 : Long.MIN_VALUE;
    return Optional.of(
        new UsualBand(Math.max(least, median - width), median + width, before.size()));
  }

  /** The middle one; of two the mean, towards zero. */
  private static long median(List<Long> of) {
    List<Long> sorted = of.stream().sorted().toList();
    int middle = sorted.size() / 2;
    return sorted.size() % 2 == 1
        ? sorted.get(middle)
        : (sorted.get(middle - 1) + sorted.get(middle)) / 2;
  }
}
