package org.yewledger.bench;

import java.lang.management.ManagementFactory;

/**
 * The most heap that was in use at any moment since it was made, looked at every few milliseconds.
 */
final class HeapPeak {
  private static final long MILLIS = 10;

  private final Thread watching;
  private volatile long peak;

  HeapPeak() {
    System.gc();
    watching = Thread.ofPlatform().daemon().start(this::watch);
  }

  private void watch() {
    while (!Thread.currentThread().isInterrupted()) {
      peak = Math.max(peak, ManagementFactory.getMemoryMXBean().getHeapMemoryUsage().getUsed());
      try {
        Thread.sleep(MILLIS);
      } catch (InterruptedException e) {
        return;
      }
    }
  }

  /** Ends watching. */
  double megabytes() {
    watching.interrupt();
    return peak / 1e6;
  }
}
