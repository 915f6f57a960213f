package org.yewledger.bench;

import java.util.Locale;
import java.util.Map;

/** Runs one benchmark by its name, or all of them. */
public final class Bench {
  private interface Benchmark {
    void run() throws Exception;
  }

  private static final Map<String, Benchmark> ALL =
      Map.ofEntries(
          Map.entry("chart", ChartBench::run),
          Map.entry("compare", CompareBench::run),
          Map.entry("gap", GapBench::run),
          Map.entry("households", HouseholdsBench::run),
          Map.entry("import", ImportBench::run),
          Map.entry("camt", CamtBench::run),
          Map.entry("years", YearsBench::run),
          Map.entry("post", PostBench::run),
          Map.entry("journal", JournalBench::run),
          Map.entry("load", LoadBench::run),
          Map.entry("match", MatchBench::run),
          Map.entry("plan", PlanBench::run),
          Map.entry("reconcile", ReconcileBench::run),
          Map.entry("rules", RulesBench::run));

  private Bench() {}

  public static void main(String[] args) throws Exception {
    if (args.length == 0) {
      for (Benchmark benchmark : ALL.values()) {
        benchmark.run();
      }
      return;
    }
    Benchmark benchmark = ALL.get(args[0]);
    if (benchmark == null) {
      throw new IllegalArgumentException(
          "There is no benchmark " + args[0] + "; there are " + ALL.keySet());
    }
    benchmark.run();
  }

  /** Prints a figure with its goal, in the form that docs/performance.md keeps. */
  static void figure(String name, double value, String unit, String goal) {
    System.out.println(written(name, value, unit, goal));
  }

  static String written(String name, double value, String unit, String goal) {
    return String.format(Locale.ROOT, "figure %s %.2f %s goal %s", name, value, unit, goal);
  }
}
