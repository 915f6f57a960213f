package org.yewledger.bench;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.concurrent.atomic.AtomicInteger;
import org.testng.annotations.Test;

public class BenchTest {
  @Test
  public void aMedianIsTakenAfterAsManyRunsToWarmUp() throws Exception {
    var calls = new AtomicInteger();
    assertTrue(Timing.medianMillis(7, calls::incrementAndGet) >= 0);
    assertEquals(calls.get(), 14);
  }

  @Test
  public void aFigureIsWrittenWithItsGoal() {
    assertEquals(Bench.written("chart", 41.044, "ms", "<= 50"), "figure chart 41.04 ms goal <= 50");
  }

  @Test
  public void anUnknownNameIsToldWithThoseThatAreThere() {
    var e = expectThrows(IllegalArgumentException.class, () -> Bench.main(new String[] {"x"}));
    assertTrue(String.valueOf(e.getMessage()).contains("chart"));
  }
}
