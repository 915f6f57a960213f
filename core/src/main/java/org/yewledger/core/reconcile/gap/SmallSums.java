package org.yewledger.core.reconcile.gap;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Which few of some amounts add up to a sum. Every combination of up to six is found, the smallest
 * first, unless enough are found before.
 *
 * <p>Cost for n amounts: up to three of them n², four n² pairs looked up among as many, five n³/6
 * lookups, six twice n³/6: threes are met with threes by their remainder, so that the tables stay
 * small (Schroeppel and Shamir, SIAM J. Comput. 10, 1981).
 */
final class SmallSums {
  static final int LARGEST = 6;

  /** Threes are parted by their remainder; a table of each part fits into a processor's cache. */
  private static final int PARTS = 4096;

  /**
   * @param combinations each as the places of its amounts, rising
   * @param complete whether these are all; false where it stopped looking
   */
  record Found(List<int[]> combinations, boolean complete) {}

  private final long[] amounts;
  private final long sum;
  private final int enough;
  private final List<int[]> found = new ArrayList<>();
  private final Table singles;
  private final Table pairs;
  private final int[] first;
  private final int[] second;

  private SmallSums(long[] amounts, long sum, int enough) {
    this.amounts = amounts;
    this.sum = sum;
    this.enough = enough;
    int n = amounts.length;
    singles = new Table(n);
    for (long amount : amounts) {
      singles.add(amount);
    }
    int many = n * (n - 1) / 2;
    pairs = new Table(many);
    first = new int[many];
    second = new int[many];
    // By the second place, so that all pairs before a place stand before it.
    for (int j = 1; j < n; j++) {
      for (int i = 0; i < j; i++) {
        int pair = pairs.add(amounts[i] + amounts[j]);
        first[pair] = i;
        second[pair] = j;
      }
    }
  }

  /**
   * @param largest how many amounts a combination has at most, up to {@link #LARGEST}
   * @param enough after so many it stops looking
   */
  static Found of(long[] amounts, long sum, int largest, int enough) {
    var search = new SmallSums(amounts, sum, enough);
    for (int size = 1; size <= largest; size++) {
      if (!search.look(size)) {
        return new Found(search.found, false);
      }
    }
    return new Found(search.found, true);
  }

  /** Whether all of that size were looked at. */
  private boolean look(int size) {
    return switch (size) {
      case 1 -> ones();
      case 2 -> twos();
      case 3 -> threes();
      case 4 -> fours();
      case 5 -> fives();
      default -> sixes();
    };
  }

  private boolean take(int... places) {
    found.add(places);
    return found.size() < enough;
  }

  private boolean ones() {
    for (int i = singles.firstOf(sum); i >= 0; i = singles.nextOf(i)) {
      if (!take(i)) {
        return false;
      }
    }
    return true;
  }

  private boolean twos() {
    for (int p = pairs.firstOf(sum); p >= 0; p = pairs.nextOf(p)) {
      if (!take(first[p], second[p])) {
        return false;
      }
    }
    return true;
  }

  private boolean threes() {
    for (int p = 0; p < pairs.size(); p++) {
      for (int k = singles.firstOf(sum - pairs.valueOf(p)); k >= 0; k = singles.nextOf(k)) {
        if (k > second[p] && !take(first[p], second[p], k)) {
          return false;
        }
      }
    }
    return true;
  }

  private boolean fours() {
    for (int p = 0; p < pairs.size(); p++) {
      for (int q = pairs.firstOf(sum - pairs.valueOf(p)); q >= 0; q = pairs.nextOf(q)) {
        if (first[q] > second[p] && !take(first[p], second[p], first[q], second[q])) {
          return false;
        }
      }
    }
    return true;
  }

  private boolean fives() {
    for (int m = 2; m < amounts.length - 2; m++) {
      long rest = sum - amounts[m];
      for (int p = 0; p < pairs.size() && second[p] < m; p++) {
        for (int q = pairs.firstOf(rest - pairs.valueOf(p)); q >= 0; q = pairs.nextOf(q)) {
          if (first[q] > m && !take(first[p], second[p], m, first[q], second[q])) {
            return false;
          }
        }
      }
    }
    return true;
  }

  /**
   * Pairs whose sums leave the same remainder, by their second place, one after the other in
   * memory.
   */
  private record Part(long[] sums, int[] firsts, int[] seconds) {}

  private boolean sixes() {
    Part[] parts = pairsByRemainder();
    var threes = new Table(1 << 12);
    int[] places = new int[3 << 12];
    for (int remainder = 0; remainder < PARTS; remainder++) {
      threes.clear();
      for (int k = 2; k < amounts.length; k++) {
        Part part = parts[remainder(remainder - amounts[k])];
        for (int p = 0; p < part.seconds.length && part.seconds[p] < k; p++) {
          int three = threes.add(part.sums[p] + amounts[k]);
          if (3 * three + 2 >= places.length) {
            places = Arrays.copyOf(places, 2 * places.length);
          }
          places[3 * three] = part.firsts[p];
          places[3 * three + 1] = part.seconds[p];
          places[3 * three + 2] = k;
        }
      }
      if (threes.size() > 0 && !meet(remainder, parts, threes, places)) {
        return false;
      }
    }
    return true;
  }

  /** Threes whose sum leaves the other remainder are looked up among those of the first. */
  private boolean meet(int remainder, Part[] parts, Table threes, int[] places) {
    for (int k = 5; k < amounts.length; k++) {
      Part part = parts[remainder(sum - remainder - amounts[k])];
      for (int p = 0; p < part.seconds.length && part.seconds[p] < k; p++) {
        // The three smaller places are of the one, the three greater of the other.
        int least = part.firsts[p];
        long rest = sum - part.sums[p] - amounts[k];
        for (int t = threes.firstOf(rest); t >= 0; t = threes.nextOf(t)) {
          int greatest = places[3 * t + 2];
          if (greatest < least
              && !take(places[3 * t], places[3 * t + 1], greatest, least, part.seconds[p], k)) {
            return false;
          }
        }
      }
    }
    return true;
  }

  private static int remainder(long value) {
    return (int) Math.floorMod(value, (long) PARTS);
  }

  private Part[] pairsByRemainder() {
    int[] counts = new int[PARTS];
    for (int p = 0; p < pairs.size(); p++) {
      counts[remainder(pairs.valueOf(p))]++;
    }
    Part[] parts = new Part[PARTS];
    for (int r = 0; r < PARTS; r++) {
      parts[r] = new Part(new long[counts[r]], new int[counts[r]], new int[counts[r]]);
    }
    int[] filled = new int[PARTS];
    for (int p = 0; p < pairs.size(); p++) {
      int r = remainder(pairs.valueOf(p));
      Part part = parts[r];
      int at = filled[r]++;
      part.sums[at] = pairs.valueOf(p);
      part.firsts[at] = first[p];
      part.seconds[at] = second[p];
    }
    return parts;
  }

  /** Numbers in the order in which they were added, found by their value. */
  private static final class Table {
    private long[] values;
    private int[] next;
    private int[] heads;
    private int size;

    Table(int expected) {
      int room = Math.max(16, expected);
      values = new long[room];
      next = new int[room];
      heads = new int[Integer.highestOneBit(2 * room - 1)];
      Arrays.fill(heads, -1);
    }

    int size() {
      return size;
    }

    long valueOf(int at) {
      return values[at];
    }

    int add(long value) {
      if (size == values.length) {
        grow();
      }
      int slot = slot(value);
      values[size] = value;
      next[size] = heads[slot];
      heads[slot] = size;
      return size++;
    }

    private void grow() {
      values = Arrays.copyOf(values, 2 * size);
      next = new int[2 * size];
      heads = new int[2 * heads.length];
      Arrays.fill(heads, -1);
      for (int at = 0; at < size; at++) {
        int slot = slot(values[at]);
        next[at] = heads[slot];
        heads[slot] = at;
      }
    }

    void clear() {
      for (int at = 0; at < size; at++) {
        heads[slot(values[at])] = -1;
      }
      size = 0;
    }

    int firstOf(long value) {
      return sameFrom(heads[slot(value)], value);
    }

    int nextOf(int at) {
      return sameFrom(next[at], values[at]);
    }

    private int sameFrom(int from, long value) {
      int at = from;
      while (at >= 0 && values[at] != value) {
        at = next[at];
      }
      return at;
    }

    /** Multiplied by the golden ratio, the upper bits are well mixed (Knuth, TAOCP 3, §6.4). */
    private int slot(long value) {
      return (int) ((value * 0x9E3779B97F4A7C15L) >>> 40) & (heads.length - 1);
    }
  }
}
