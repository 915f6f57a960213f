package org.yewledger.core.reconcile.gap;

import java.util.ArrayList;
import java.util.List;

/**
 * Every three with the pairs behind it, and with the threes: those of one remainder with those of
 * the other, of which either may be the one in front. For one thread.
 */
final class FivesAndSixes {
  /** Bits of the filters: few sums that are not there pass them, and they stay in the cache. */
  private static final int FOR_THREES = 1 << 18;

  private static final int FOR_PAIRS = 1 << 16;

  private final long sum;
  private final int enough;
  private final Threes some;
  private final Threes others;
  private final SumTable pairs;
  private final SumFilter pairSums = new SumFilter(FOR_PAIRS);
  private final SumFilter threeSums = new SumFilter(FOR_THREES);
  private final SumFilter rests = new SumFilter(FOR_THREES);
  private final List<int[]> fives = new ArrayList<>();
  private final List<int[]> sixes = new ArrayList<>();
  private boolean complete = true;

  /**
   * @param enough after so many fives, and so many sixes, it looks for no more of them
   * @param some and {@code others}: the same threes, of which those of two remainders are looked at
   * @param pairs the sums of all pairs, by their second place
   */
  FivesAndSixes(long sum, int enough, Threes some, Threes others, SumTable pairs) {
    this.sum = sum;
    this.enough = enough;
    this.some = some;
    this.others = others;
    this.pairs = pairs;
  }

  /** Whether all threes were looked at. */
  boolean complete() {
    return complete;
  }

  /** The places of each, rising. */
  List<int[]> fives() {
    return fives;
  }

  /** The places of each, rising. */
  List<int[]> sixes() {
    return sixes;
  }

  /** Looks at every so many-th remainder. Cost: a few steps for each of its threes. */
  FivesAndSixes look(int share, int shares, boolean alsoSixes) {
    for (int remainder = share; remainder < Threes.PARTS; remainder += shares) {
      int other = Threes.remainder(sum - remainder);
      if (other >= remainder) {
        boolean alike = other == remainder;
        complete &= some.gather(remainder) & others.gather(other);
        withPairs(some, remainder);
        if (!alike) {
          withPairs(others, other);
        }
        if (alsoSixes) {
          withEachOther(alike);
        }
      }
    }
    return this;
  }

  private void withPairs(Threes threes, int remainder) {
    pairSums.clear();
    for (long pair : threes.pairsOf(sum - remainder)) {
      pairSums.add(pair);
    }
    for (int t = 0; t < threes.size() && fives.size() < enough; t++) {
      long rest = sum - threes.sum(t);
      if (pairSums.mayHave(rest)) {
        for (int q = pairs.firstOf(rest); q >= 0 && fives.size() < enough; q = pairs.nextOf(q)) {
          takeFive(threes.places(t), threes.pairAt(q));
        }
      }
    }
  }

  private void takeFive(int[] three, int[] pair) {
    if (three[2] < pair[0]) {
      fives.add(new int[] {three[0], three[1], three[2], pair[0], pair[1]});
    }
  }

  /**
   * @param alike whether both are the same threes, which would meet twice
   */
  private void withEachOther(boolean alike) {
    threeSums.clear();
    for (int t = 0; t < some.size(); t++) {
      threeSums.add(some.sum(t));
    }
    // Which of the others lack what some may be.
    rests.clear();
    var wanted = new SumTable(1 << 9);
    int[] by = new int[others.size()];
    for (int t = 0; t < others.size(); t++) {
      long rest = sum - others.sum(t);
      if (threeSums.mayHave(rest)) {
        rests.add(rest);
        by[wanted.add(rest)] = t;
      }
    }
    for (int t = 0; t < some.size() && sixes.size() < enough; t++) {
      if (rests.mayHave(some.sum(t))) {
        for (int w = wanted.firstOf(some.sum(t));
            w >= 0 && sixes.size() < enough;
            w = wanted.nextOf(w)) {
          takeSix(some.places(t), others.places(by[w]), alike);
        }
      }
    }
  }

  private void takeSix(int[] one, int[] other, boolean alike) {
    if (one[2] < other[0]) {
      sixes.add(six(one, other));
    } else if (!alike && other[2] < one[0]) {
      sixes.add(six(other, one));
    }
  }

  private static int[] six(int[] front, int[] back) {
    return new int[] {front[0], front[1], front[2], back[0], back[1], back[2]};
  }
}
