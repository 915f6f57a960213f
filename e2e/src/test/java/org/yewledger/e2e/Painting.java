package org.yewledger.e2e;

import com.microsoft.playwright.Page;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.testng.annotations.Test;

/**
 * How soon a report is there when its address is opened; run by {@code ./yew bench paint}, not as a
 * test. Baseline: the page of a person's own settings, which shows next to nothing. Medians over
 * pages in turns, with scripts and styles in the browser's memory, as after the first visit.
 */
public class Painting extends BrowserTest {
  private static final int ROUNDS = 15;
  private static final Map<String, String> PAGES =
      Map.of(
          "own-settings", "/you?month=2026-08",
          "income-statement", "/reports/income?month=2026-08",
          "balance-sheet", "/reports/balance?month=2026-08",
          "own-report", "/reports/own?month=2026-08&by=PAYEE");

  /** Since the address was opened, in milliseconds: to the first paint, and to the table. */
  private static final String WHEN =
      """
      async () => {
        const there = () => document.querySelector('main table, main form')
        while (!there()) await new Promise(requestAnimationFrame)
        const table = performance.now()
        // A paint is told of a moment after it.
        const paint = () => performance.getEntriesByName('first-contentful-paint')[0]
        while (!paint()) await new Promise(requestAnimationFrame)
        return [paint().startTime, table]
      }
      """;

  @Test
  public void ofReports() {
    Page page = signedInAt("/you");
    Map<String, double[]> paints = new TreeMap<>();
    Map<String, double[]> tables = new TreeMap<>();
    for (int round = -2; round < ROUNDS; round++) {
      for (Map.Entry<String, String> one : PAGES.entrySet()) {
        open(page, one.getValue());
        List<?> when = (List<?>) page.evaluate(WHEN);
        if (round >= 0) {
          keep(paints, one.getKey(), round, when.get(0));
          keep(tables, one.getKey(), round, when.get(1));
        }
      }
    }
    paints.forEach((name, all) -> figure("paint-" + name + "-first", median(all), "<= 300"));
    tables.forEach((name, all) -> figure("paint-" + name + "-there", median(all), ">= 0"));
    System.out.printf(
        "figure paint-income-statement-over-own-settings %.2f ratio goal <= 2%n",
        median(tables.get("income-statement")) / median(tables.get("own-settings")));
  }

  private static void keep(Map<String, double[]> of, String name, int round, Object millis) {
    of.computeIfAbsent(name, n -> new double[ROUNDS])[round] = ((Number) millis).doubleValue();
  }

  private static double median(double[] all) {
    double[] sorted = all.clone();
    Arrays.sort(sorted);
    return sorted[sorted.length / 2];
  }

  private static void figure(String name, double millis, String goal) {
    System.out.printf("figure %s %.2f ms goal %s%n", name, millis, goal);
  }
}
