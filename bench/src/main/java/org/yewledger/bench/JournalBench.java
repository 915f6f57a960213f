package org.yewledger.bench;

import java.io.IOException;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Map;
import org.yewledger.app.platform.SignedIn;

/**
 * The journal of a household with 1,000,000 entries: its pages, what is found in it, a register,
 * and saving an entry. Baseline: the same in a household with 20,000, turn by turn in the same run.
 */
final class JournalBench {
  /** At 20,000 entries a year. */
  private static final int YEARS = 50;

  private static final int WARM_UP = 40;
  private static final int ROUNDS = 31;

  private record Page(String path, String goal) {}

  private static final Map<String, Page> PAGES = new LinkedHashMap<>();

  static {
    String register = "/api/accounts/" + YearsBench.hash("ya3") + "/register";
    PAGES.put("first-page", new Page("/api/entries", "<= 60"));
    PAGES.put("deep-page", new Page("/api/entries?at=2026-01-15", "<= 60"));
    PAGES.put("found-by-payee", new Page(found("payee:\"payee 123\""), "<= 60"));
    PAGES.put("found-by-payee-in-part", new Page(found("payee:payee"), "<= 60"));
    PAGES.put("found-by-words", new Page(found("parcel 19950"), "<= 60"));
    PAGES.put("found-by-frequent-words", new Page(found("late"), "<= 60"));
    PAGES.put("found-by-amount", new Page(found("amount:44.37"), "<= 60"));
    PAGES.put("found-by-span-of-amounts", new Page(found("amount:>90"), "<= 60"));
    PAGES.put(
        "found-by-payee-and-category",
        new Page(found("payee:\"payee 77\" to:\"category 77\""), "<= 60"));
    PAGES.put("found-open", new Page(found("is:open"), "<= 60"));
    PAGES.put("sorted-by-amount", new Page("/api/entries?order=-amount", "<= 60"));
    PAGES.put("register", new Page(register, "<= 60"));
    PAGES.put(
        "register-found", new Page(register + "?text=" + coded("payee:\"payee 123\""), "<= 60"));
    PAGES.put("totals-of-a-month", new Page("/api/entries/totals?month=2026-08", "<= 60"));
    // What all of it comes to is shown when it is there, after the page.
    PAGES.put("totals-of-everything", new Page("/api/entries/totals", ">= 0"));
    PAGES.put(
        "query-as-typed",
        new Page("/api/entries/query?caret=9&text=" + coded("payee:pay"), "<= 30"));
  }

  private JournalBench() {}

  private static String found(String query) {
    return "/api/entries?text=" + coded(query);
  }

  private static String coded(String query) {
    return URLEncoder.encode(query, StandardCharsets.UTF_8).replace("+", "%20");
  }

  static void run() throws Exception {
    try (var application = new RunningApplication()) {
      SignedIn few = YearsBench.founded(application, 1, YearsHousehold.Size.LARGE);
      SignedIn many = YearsBench.founded(application, YEARS, YearsHousehold.Size.LARGE);
      Window ofFew = application.signedIn(few.email(), YearsBench.PASSWORD);
      Window ofMany = application.signedIn(many.email(), YearsBench.PASSWORD);
      for (Map.Entry<String, Page> page : PAGES.entrySet()) {
        String path = page.getValue().path();
        Timing.Pair both =
            Timing.medianMillis(WARM_UP, ROUNDS, () -> ofMany.get(path), () -> ofFew.get(path));
        Bench.figure("journal-1m-" + page.getKey(), both.first(), "ms", page.getValue().goal());
        Bench.figure("journal-20k-" + page.getKey(), both.second(), "ms", ">= 0");
        Bench.figure("journal-1m-over-20k-" + page.getKey(), both.ratio(), "ratio", ">= 0");
      }
      Timing.Pair saving =
          Timing.medianMillis(WARM_UP, ROUNDS, () -> save(ofMany), () -> save(ofFew));
      Bench.figure("journal-1m-saving-an-entry", saving.first(), "ms", "<= 30");
      Bench.figure("journal-20k-saving-an-entry", saving.second(), "ms", ">= 0");
      Timing.Pair reading =
          Timing.medianMillis(WARM_UP, ROUNDS, () -> read(ofMany), () -> read(ofFew));
      Bench.figure("journal-1m-reading-an-entry-as-typed", reading.first(), "ms", "<= 30");
      Bench.figure("journal-20k-reading-an-entry-as-typed", reading.second(), "ms", ">= 0");
      Bench.figure("journal-1m-server-memory", peakMegabytes(), "MB", "<= 1000");
    }
  }

  private static String save(Window window) throws Exception {
    return window.post("/api/entries", TYPED);
  }

  private static String read(Window window) throws Exception {
    return window.post("/api/entries/reading", TYPED);
  }

  private static final String TYPED =
      """
      {"day": "2026-09-20", "payee": "Payee 12", "amount": "3*4.20", "fromId": "%s", "toId": "%s"}\
      """
          .formatted(YearsBench.hash("ya3"), YearsBench.hash("yc7"));

  /**
   * The most that the process, application and measuring together, had in memory (proc(5), VmHWM).
   */
  private static double peakMegabytes() throws IOException {
    return Files.readAllLines(Path.of("/proc/self/status")).stream()
        .filter(line -> line.startsWith("VmHWM:"))
        .mapToDouble(line -> Long.parseLong(line.replaceAll("\\D", "")) / 1024.0)
        .findFirst()
        .orElse(Double.NaN);
  }
}
