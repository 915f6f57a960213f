package org.yewledger.bench;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.UUID;
import org.yewledger.core.reconcile.gap.Gap;
import org.yewledger.core.reconcile.gap.GapFinder;
import org.yewledger.core.reconcile.gap.GapReasons;

/**
 * Why a statement is apart by what no one to six of 400 open postings add up to, so that all of
 * them are looked at. Baseline: half as many postings.
 */
final class GapBench {
  private static final int POSTINGS = 400;
  private static final int WARM_UP = 15;
  private static final int RUNS = 15;

  private GapBench() {}

  static void run() throws Exception {
    Gap all = apart(POSTINGS);
    Gap half = apart(POSTINGS / 2);
    Timing.Pair both = Timing.medianMillis(WARM_UP, RUNS, () -> reasons(all), () -> reasons(half));
    Bench.figure("gap-six-among-%d".formatted(POSTINGS), both.first(), "ms", "<= 100");
    Bench.figure("gap-six-among-%d".formatted(POSTINGS / 2), both.second(), "ms", ">= 0");
    Bench.figure("gap-six-times-half", both.ratio(), "ratio", ">= 0");
  }

  private static GapReasons reasons(Gap gap) {
    GapReasons found = GapFinder.of(gap);
    if (!found.complete()) {
      throw new IllegalStateException("It stopped looking before all were looked at.");
    }
    return found;
  }

  /** Amounts so far apart that hardly any six of them add up to the same. */
  private static Gap apart(int postings) {
    var random = new Random(30);
    List<Gap.Item> open = new ArrayList<>();
    for (int i = 0; i < postings; i++) {
      open.add(
          new Gap.Item(
              new UUID(30, i),
              LocalDate.of(2026, 9, 1).plusDays(i % 30),
              "Payee " + i,
              random.nextLong(-1_000_000_000_000_000L, 300_000_000_000_000L)));
    }
    return new Gap(123_457, 0, List.of(), open, List.of());
  }
}
