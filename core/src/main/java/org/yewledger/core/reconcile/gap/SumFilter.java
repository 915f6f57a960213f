package org.yewledger.core.reconcile.gap;

import java.util.Arrays;

/** Says of most numbers that were not added that they were not, at the cost of one look. */
final class SumFilter {
  private final long[] words;
  private final int shift;

  /**
   * @param bits a power of two, some dozens of times what is added
   */
  SumFilter(int bits) {
    words = new long[bits / Long.SIZE];
    shift = Long.SIZE - Integer.numberOfTrailingZeros(bits);
  }

  void clear() {
    Arrays.fill(words, 0);
  }

  void add(long value) {
    int bit = bit(value);
    words[bit >>> 6] |= 1L << bit;
  }

  boolean mayHave(long value) {
    int bit = bit(value);
    return (words[bit >>> 6] & 1L << bit) != 0;
  }

  /** Multiplied by the golden ratio, the upper bits are well mixed (Knuth, TAOCP 3, §6.4). */
  private int bit(long value) {
    return (int) (value * 0x9E3779B97F4A7C15L >>> shift);
  }
}
