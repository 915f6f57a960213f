package org.yewledger.bench;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.UUID;
import org.yewledger.app.household.HouseholdFounding;
import org.yewledger.app.platform.Ids;
import org.yewledger.app.platform.SignedIn;

/**
 * Every page that a person opens, in a household that has kept its books for ten years. Baseline:
 * the same pages in one of a single year, turn by turn in the same run.
 */
final class YearsBench {
  static final String PASSWORD = "ten years of books";
  private static final int WARM_UP = 60;
  private static final int ROUNDS = 41;

  record Page(String path, String goal) {}

  static final Map<String, Page> PAGES = new LinkedHashMap<>();

  static {
    String account = hash("ya3");
    String open = hash("yz3");
    PAGES.put("almanac", new Page("/api/almanac?month=2026-09", "<= 40"));
    PAGES.put("gather", new Page("/api/gather?month=2026-09", "<= 60"));
    PAGES.put("post", new Page("/api/waiting-lines", "<= 100"));
    PAGES.put("statements", new Page("/api/statements", "<= 60"));
    PAGES.put("sheet", new Page("/api/statements/" + open, "<= 60"));
    PAGES.put("journal", new Page("/api/entries?month=2026-08", "<= 60"));
    PAGES.put("journal-every-month", new Page("/api/entries", "<= 60"));
    PAGES.put("journal-find", new Page("/api/entries?text=payee%20123", "<= 60"));
    PAGES.put("journal-find-account", new Page("/api/entries?text=category%2077", "<= 60"));
    PAGES.put("account", new Page("/api/accounts/" + account + "?on=2026-09-30", "<= 60"));
    PAGES.put("register", new Page("/api/accounts/" + account + "/register", "<= 60"));
    PAGES.put("rules", new Page("/api/rules", "<= 60"));
    PAGES.put("chart", new Page("/api/chart?on=2026-09-30", "<= 60"));
    PAGES.put("trial-balance", new Page("/api/trial-balance?on=2026-09-30", "<= 60"));
    PAGES.put("acts-next", new Page("/api/acts/next", "<= 60"));
  }

  private YearsBench() {}

  static void run() throws Exception {
    try (var application = new RunningApplication()) {
      SignedIn one = founded(application, 1, YearsHousehold.Size.LARGE);
      SignedIn ten = founded(application, 10, YearsHousehold.Size.LARGE);
      Window ofOne = application.signedIn(one.email(), PASSWORD);
      Window ofTen = application.signedIn(ten.email(), PASSWORD);
      // What the pages share is warm for the first of them as for the last.
      for (int i = 0; i < WARM_UP; i++) {
        for (Page page : PAGES.values()) {
          ofTen.get(page.path());
          ofOne.get(page.path());
        }
      }
      for (Map.Entry<String, Page> page : PAGES.entrySet()) {
        String path = page.getValue().path();
        Timing.Pair both =
            Timing.medianMillis(ROUNDS / 4, ROUNDS, () -> ofTen.get(path), () -> ofOne.get(path));
        String name = page.getKey();
        Bench.figure("years-ten-" + name, both.first(), "ms", page.getValue().goal());
        Bench.figure("years-one-" + name, both.second(), "ms", ">= 0");
        Bench.figure("years-ten-over-one-" + name, both.ratio(), "ratio", "<= 1.5");
      }
    }
  }

  static SignedIn founded(RunningApplication application, int years, YearsHousehold.Size size)
      throws Exception {
    SignedIn owner =
        HouseholdFounding.newOwner(
            Ids.next(), "Years " + years, Ids.next() + "@aldercott.example", Ids.next());
    application.bean(HouseholdFounding.class).found("Years", "Etc/UTC", owner, PASSWORD, () -> {});
    try (Connection database = asOwner()) {
      new YearsHousehold(owner.householdId(), years, size).fill(database);
    }
    return owner;
  }

  /** As the owner of the tables. */
  static Connection asOwner() throws SQLException {
    return DriverManager.getConnection(
        System.getenv("YEW_DB_URL"),
        System.getenv("YEW_DB_OWNER"),
        System.getenv("YEW_DB_OWNER_PASSWORD"));
  }

  /** As PostgreSQL makes an identity of a text: {@code md5(text)::uuid}. */
  static String hash(String text) {
    try {
      byte[] md5 =
          java.security.MessageDigest.getInstance("MD5")
              .digest(text.getBytes(java.nio.charset.StandardCharsets.UTF_8));
      var bytes = java.nio.ByteBuffer.wrap(md5);
      return new UUID(bytes.getLong(), bytes.getLong()).toString();
    } catch (java.security.NoSuchAlgorithmException e) {
      throw new IllegalStateException(e);
    }
  }
}
