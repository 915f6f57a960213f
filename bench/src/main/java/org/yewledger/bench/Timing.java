package org.yewledger.bench;

import java.util.Arrays;
import java.util.concurrent.Callable;

/** Medians of repeated runs. */
final class Timing {
  private Timing() {}

  /** The median of the runs in milliseconds, after as many again to warm up. */
  static double medianMillis(int runs, Callable<?> work) throws Exception {
    return medianMillis(runs, runs, work);
  }

  /** The median of the runs in milliseconds; a server that runs for days is warm. */
  static double medianMillis(int warmUp, int runs, Callable<?> work) throws Exception {
    for (int i = 0; i < warmUp; i++) {
      work.call();
    }
    double[] millis = new double[runs];
    for (int i = 0; i < runs; i++) {
      millis[i] = millis(work);
    }
    return median(millis);
  }

  /** The medians of two kinds of work, in milliseconds. */
  record Pair(double first, double second) {
    double ratio() {
      return first / second;
    }
  }

  /** Two kinds of work in turns: what else the machine does meets both alike. */
  static Pair medianMillis(int warmUp, int runs, Callable<?> first, Callable<?> second)
      throws Exception {
    for (int i = 0; i < warmUp; i++) {
      first.call();
      second.call();
    }
    double[] ofFirst = new double[runs];
    double[] ofSecond = new double[runs];
    for (int i = 0; i < runs; i++) {
      ofFirst[i] = millis(first);
      ofSecond[i] = millis(second);
    }
    return new Pair(median(ofFirst), median(ofSecond));
  }

  private static double millis(Callable<?> work) throws Exception {
    long start = System.nanoTime();
    work.call();
    return (System.nanoTime() - start) / 1e6;
  }

  private static double median(double[] millis) {
    Arrays.sort(millis);
    return millis[millis.length / 2];
  }
}
