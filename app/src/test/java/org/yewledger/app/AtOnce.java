package org.yewledger.app;

import java.util.ArrayList;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;

/** Does several things at one moment, as several windows would. */
final class AtOnce {
  private AtOnce() {}

  /** Begins all of them together and waits for all; an error of one is an error. */
  static void run(Runnable... all) {
    var start = new CountDownLatch(1);
    var running = new ArrayList<Future<?>>();
    try (var threads = Executors.newFixedThreadPool(all.length)) {
      for (Runnable one : all) {
        running.add(
            threads.submit(() -> {
              start.await();
              one.run();
              return null;
            }));
      }
      start.countDown();
      for (Future<?> future : running) {
        future.get();
      }
    } catch (InterruptedException | ExecutionException e) {
      throw new AssertionError(e);
    }
  }
}
