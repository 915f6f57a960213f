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
      long start = System.nanoTime();
      work.call();
      millis[i] = (System.nanoTime() - start) / 1e6;
    }
    Arrays.sort(millis);
    return millis[runs / 2];
  }
}
