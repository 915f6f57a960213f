package org.yewledger.core.reconcile.gap;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;

/**
 * Which few of some amounts add up to a sum. Every combination of up to six is found, the smallest
 * first, unless enough are found before.
 *
 * <p>Cost for n amounts: up to three of them n², four n² pairs looked up among as many, five and
 * six a few steps for each of the n³/6 threes: these are met with pairs and with each other by
 * their remainder, so that what is looked up stays small (Schroeppel and Shamir, SIAM J. Comput.
 * 10, 1981), and nearly all of them are turned away by a filter (Bloom, CACM 13, 1970).
 */
final class SmallSums {
  static final int LARGEST = 6;

  /** Remainders of threes are shared out so; a few more than there are processors. */
  private static final int SHARES = 8;

  /**
   * @param combinations each as the places of its amounts, rising
   * @param complete whether these are all; false where it stopped looking
   */
  record Found(List<int[]> combinations, boolean complete) {}

  private final long[] amounts;
  private final long sum;
  private final int enough;
  private final List<int[]> found = new ArrayList<>();
  private final SumTable singles;
  private final SumTable pairs;
  private final int[] first;
  private final int[] second;

  private SmallSums(long[] amounts, long sum, int enough) {
    this.amounts = amounts;
    this.sum = sum;
    this.enough = enough;
    int n = amounts.length;
    singles = new SumTable(n);
    for (long amount : amounts) {
      singles.add(amount);
    }
    int many = n * (n - 1) / 2;
    pairs = new SumTable(many);
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
    // Round amounts would all leave the same few remainders.
    long unit = Arrays.stream(amounts).reduce(0, SmallSums::greatestCommonDivisor);
    if (unit > 1) {
      return sum % unit == 0
          ? of(Arrays.stream(amounts).map(a -> a / unit).toArray(), sum / unit, largest, enough)
          : new Found(List.of(), true);
    }
    var search = new SmallSums(amounts, sum, enough);
    boolean complete =
        (largest < 1 || search.ones())
            && (largest < 2 || search.twos())
            && (largest < 3 || search.threes())
            && (largest < 4 || search.fours())
            && (largest < 5 || search.fives(largest == LARGEST));
    return new Found(search.found, complete);
  }

  private static long greatestCommonDivisor(long one, long other) {
    return other == 0 ? Math.abs(one) : greatestCommonDivisor(other, one % other);
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

  /** By remainder of the threes, on as many processors as there are; always in the same order. */
  private boolean fives(boolean sixes) {
    Threes threes = Threes.of(amounts, pairs, first, second);
    List<FivesAndSixes> shares =
        IntStream.range(0, SHARES)
            .parallel()
            .mapToObj(share ->
                new FivesAndSixes(sum, enough, threes.beside(), threes.beside(), pairs)
                    .look(share, SHARES, sixes))
            .toList();
    return shares.stream().flatMap(share -> share.fives().stream()).allMatch(this::take)
        && shares.stream().flatMap(share -> share.sixes().stream()).allMatch(this::take)
        && shares.stream().allMatch(FivesAndSixes::complete);
  }
}
