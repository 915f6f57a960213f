package org.yewledger.bench;

import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import org.yewledger.app.platform.SignedIn;

/**
 * The pages of households of two years among many such households in one database, written in bulk.
 * Baseline: the same pages in one of them while it was alone there, earlier in the same run. How
 * many they are is YEW_BENCH_HOUSEHOLDS.
 */
final class HouseholdsBench {
  private static final String MANY =
      Objects.requireNonNullElse(System.getenv("YEW_BENCH_HOUSEHOLDS"), "10000");
  private static final YearsHousehold.Size FAMILY = new YearsHousehold.Size(720, 100, 30);
  private static final int AT_ONCE = 25;

  /** So many of them are asked by turns, so that none has everything in memory. */
  private static final int ASKED = 20;

  // Long enough that the baseline, which comes first, is not the slower for it.
  private static final int WARM_UP = 200;
  private static final int ROUNDS = 81;

  /** In the order in which they refer to each other. */
  private static final List<String> TABLES =
      List.of(
          "household",
          "household_number",
          "book",
          "account",
          "payee",
          "rule",
          "batch",
          "statement",
          "entry",
          "posting",
          "agreement",
          "bank_line",
          "bank_line_state",
          "line_link",
          "account_month",
          "account_year");

  private HouseholdsBench() {}

  static void run() throws Exception {
    int households = Integer.parseInt(MANY);
    try (var application = new RunningApplication();
        Connection database = YearsBench.asOwner()) {
      SignedIn owner = YearsBench.founded(application, 2, FAMILY);
      Window alone = application.signedIn(owner.email(), YearsBench.PASSWORD);
      Map<String, Double> before = medians(List.of(alone));
      long begun = System.nanoTime();
      copy(database, owner, households - 1);
      Bench.figure("households", households, "households", ">= 10000");
      Bench.figure("households-gigabytes", gigabytes(database), "GB", ">= 0");
      Bench.figure("households-written", (System.nanoTime() - begun) / 6e10, "min", ">= 0");
      var some = new ArrayList<Window>();
      for (int n = 1; n <= Math.min(ASKED, households - 1); n++) {
        some.add(application.signedIn(email(n), YearsBench.PASSWORD));
      }
      medians(some)
          .forEach((page, millis) -> {
            double once = Objects.requireNonNull(before.get(page));
            Bench.figure("households-alone-" + page, once, "ms", ">= 0");
            Bench.figure("households-among-" + page, millis, "ms", ">= 0");
            Bench.figure("households-among-over-alone-" + page, millis / once, "ratio", "<= 2");
          });
    }
  }

  /** Each page by turns in each of the windows. */
  private static Map<String, Double> medians(List<Window> windows) throws Exception {
    for (int i = 0; i < WARM_UP; i++) {
      for (YearsBench.Page page : YearsBench.PAGES.values()) {
        windows.get(i % windows.size()).get(page.path());
      }
    }
    Map<String, Double> medians = new LinkedHashMap<>();
    for (Map.Entry<String, YearsBench.Page> page : YearsBench.PAGES.entrySet()) {
      int[] turn = {0};
      medians.put(
          page.getKey(),
          Timing.medianMillis(
              windows.size(),
              ROUNDS,
              () -> windows.get(turn[0]++ % windows.size()).get(page.getValue().path())));
    }
    return medians;
  }

  private static String email(int n) {
    return "copy-" + n + "@aldercott.example";
  }

  /** Writes the household again and again, past the walls, a few at once. */
  private static void copy(Connection database, SignedIn of, int times) throws SQLException {
    try (Statement sql = database.createStatement()) {
      for (String table : TABLES) {
        sql.execute("alter table " + table + " disable trigger user");
      }
      for (int from = 1; from <= times; from += AT_ONCE) {
        int to = Math.min(times, from + AT_ONCE - 1);
        for (String table : TABLES) {
          sql.execute(copying(database, table, of.householdId(), from, to));
        }
        if (from % 500 == 1) {
          System.err.println("written: " + to + " of " + times + " households");
        }
      }
      people(sql, of, Math.min(ASKED, times));
      for (String table : TABLES) {
        sql.execute("alter table " + table + " enable trigger user");
      }
      sql.execute("vacuum analyze");
    }
  }

  private static String copying(Connection database, String table, UUID household, int from, int to)
      throws SQLException {
    String key = table.equals("household") ? "id" : "household_id";
    var columns = new ArrayList<String>();
    try (ResultSet all = database.getMetaData().getColumns(null, "public", table, null)) {
      while (all.next()) {
        if (!all.getString("IS_GENERATEDCOLUMN").equals("YES")) {
          columns.add(all.getString("COLUMN_NAME"));
        }
      }
    }
    String values =
        String.join(", ", columns.stream().map(c -> c.equals(key) ? "h.id" : "t." + c).toList());
    return """
    insert into %1$s (%2$s)
    select %3$s from %1$s t, (select md5('household' || n)::uuid as id from generate_series(%4$d, %5$d) n) h
     where t.%6$s = '%7$s' order by h.id\
    """
        .formatted(table, String.join(", ", columns), values, from, to, key, household);
  }

  private static void people(Statement sql, SignedIn of, int some) throws SQLException {
    sql.execute(
        """
        insert into person (id, email, name, password_hash)
        select md5('person' || n)::uuid, 'copy-' || n || '@aldercott.example', p.name, p.password_hash
          from person p, generate_series(1, %d) n where p.id = '%s'\
        """
            .formatted(some, of.personId()));
    sql.execute(
        """
        insert into membership (household_id, person_id, role)
        select md5('household' || n)::uuid, md5('person' || n)::uuid, 'OWNER' from generate_series(1, %d) n\
        """
            .formatted(some));
  }

  private static double gigabytes(Connection database) throws SQLException {
    try (Statement sql = database.createStatement();
        ResultSet size = sql.executeQuery("select pg_database_size(current_database())")) {
      size.next();
      return size.getLong(1) / 1e9;
    }
  }
}
