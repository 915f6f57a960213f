package org.yewledger.core.reconcile.gap;

import java.util.Arrays;

/** All threes of some amounts whose sums leave the same remainder, at one time those of one. */
final class Threes {
  /** A power of two; the threes of one part stay in a processor's cache. */
  static final int PARTS = 1024;

  /** Fifty times what evenly spread sums of four hundred amounts leave in a part. */
  static final int MOST = 1 << 19;

  /**
   * Pairs whose sums leave the same remainder, by their second place.
   *
   * @param before for each place how many of them stand before it
   */
  private record Part(long[] sums, int[] pairs, int[] before) {}

  private final long[] amounts;
  private final int[] first;
  private final int[] second;
  private final Part[] parts;
  private long[] sums = new long[1 << 14];
  private int size;
  private int turnedTo;

  /** For each amount the first of the threes of which it is the last. */
  private final int[] from;

  private Threes(long[] amounts, int[] first, int[] second, Part[] parts) {
    this.amounts = amounts;
    this.first = first;
    this.second = second;
    this.parts = parts;
    from = new int[amounts.length];
  }

  /**
   * @param pairs the sums of all pairs, by their second place
   * @param first the first place of each pair, {@code second} its second
   */
  static Threes of(long[] amounts, SumTable pairs, int[] first, int[] second) {
    int[] counts = new int[PARTS];
    for (int p = 0; p < pairs.size(); p++) {
      counts[remainder(pairs.valueOf(p))]++;
    }
    Part[] parts = new Part[PARTS];
    for (int r = 0; r < PARTS; r++) {
      parts[r] = new Part(new long[counts[r]], new int[counts[r]], new int[amounts.length]);
    }
    int[] filled = new int[PARTS];
    int p = 0;
    for (int k = 0; k < amounts.length; k++) {
      for (int r = 0; r < PARTS; r++) {
        parts[r].before[k] = filled[r];
      }
      for (; p < pairs.size() && second[p] == k; p++) {
        int r = remainder(pairs.valueOf(p));
        parts[r].sums[filled[r]] = pairs.valueOf(p);
        parts[r].pairs[filled[r]++] = p;
      }
    }
    return new Threes(amounts, first, second, parts);
  }

  /** The same threes, to look at those of another remainder beside. */
  Threes beside() {
    return new Threes(amounts, first, second, parts);
  }

  static int remainder(long value) {
    return (int) value & (PARTS - 1);
  }

  /** The sums of the pairs that leave the same remainder as a sum. */
  long[] pairsOf(long value) {
    return parts[remainder(value)].sums;
  }

  /**
   * Turns to the threes that leave a remainder. Cost: their number, and that of the amounts.
   *
   * @return whether these are all of them: of amounts that are nearly all the same only so many as
   *     memory has room for
   */
  boolean gather(int remainder) {
    turnedTo = remainder;
    size = 0;
    for (int k = 0; k < amounts.length; k++) {
      from[k] = size;
      Part part = part(k);
      int many = Math.min(part.before[k], MOST - size);
      if (size + many > sums.length) {
        sums = Arrays.copyOf(sums, Math.max(size + many, 2 * sums.length));
      }
      add(part.sums, many, amounts[k]);
    }
    return size < MOST;
  }

  private void add(long[] pairSums, int many, long amount) {
    for (int p = 0; p < many; p++) {
      sums[size + p] = pairSums[p] + amount;
    }
    size += many;
  }

  /** The pairs that are a three of the remainder with an amount. */
  private Part part(int k) {
    return parts[remainder(turnedTo - amounts[k])];
  }

  int size() {
    return size;
  }

  long sum(int three) {
    return sums[three];
  }

  int[] pairAt(int pair) {
    return new int[] {first[pair], second[pair]};
  }

  /** The three places, rising. Cost: the logarithm of the amounts; few are asked for. */
  int[] places(int three) {
    int k = Arrays.binarySearch(from, three);
    if (k < 0) {
      k = -k - 2;
    }
    // Amounts without a three begin where the next one does.
    while (k + 1 < from.length && from[k + 1] == three) {
      k++;
    }
    int[] pair = pairAt(part(k).pairs[three - from[k]]);
    return new int[] {pair[0], pair[1], k};
  }
}
