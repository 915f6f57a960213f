package org.yewledger.bench;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import org.yewledger.app.household.HouseholdFounding;
import org.yewledger.app.platform.Ids;
import org.yewledger.app.platform.SignedIn;

/**
 * The chart of 500 accounts, and reports, over a million postings of ten years, over HTTP, with
 * balances from the kept monthly totals. Baseline: PostgreSQL summing the same postings by account,
 * over JDBC.
 */
final class ChartBench {
  private static final int ACCOUNTS = 500;
  private static final int POSTINGS = 1_000_000;
  private static final int WARM_UP = 3_000;
  private static final List<String> REPORTS =
      List.of("INCOME_STATEMENT", "BALANCE_SHEET", "NET_WORTH");
  private static final String PASSWORD = "a million postings";

  private ChartBench() {}

  static void run() throws Exception {
    try (var application = new RunningApplication()) {
      SignedIn owner =
          HouseholdFounding.newOwner(
              Ids.next(), "Bench", Ids.next() + "@aldercott.example", Ids.next());
      application
          .bean(HouseholdFounding.class)
          .found("Bench", "Etc/UTC", owner, PASSWORD, () -> {});
      try (Connection database = asOwner()) {
        fill(database, owner.householdId(), ACCOUNTS);
        Window window = application.signedIn(owner.email(), PASSWORD);
        String chart = window.get("/api/chart?on=2026-09-30");
        if (chart.split("\"depth\"", -1).length - 1 < ACCOUNTS) {
          throw new IllegalStateException("the chart is not whole");
        }
        double fromTotals = Timing.medianMillis(100, () -> window.get("/api/chart?on=2026-09-30"));
        double midMonth = Timing.medianMillis(100, () -> window.get("/api/chart?on=2026-09-15"));
        double summing = Timing.medianMillis(10, () -> sumPostings(database, owner.householdId()));
        Bench.figure("chart-500-accounts-1m-postings", fromTotals, "ms", "<= 50");
        Bench.figure("chart-in-the-middle-of-a-month", midMonth, "ms", "<= 50");
        Bench.figure("summing-the-postings-by-sql", summing, "ms", ">= 0");
        Bench.figure("chart-share-of-summing", fromTotals / summing, "ratio", "<= 0.5");
        reports(window, database, owner.householdId());
      }
    }
  }

  /** Twelve months by columns, from the kept totals of the same million postings. */
  private static void reports(Window window, Connection database, UUID household) throws Exception {
    for (String kind : REPORTS) {
      String path =
          "/api/reports?kind=%s&span=TWELVE_MONTHS&month=2026-09&every=MONTH&beside=NOTHING"
              .formatted(kind);
      if (!window.get(path).contains("\"columns\"")) {
        throw new IllegalStateException("no report " + kind);
      }
      // The compiler needs so many to be done with it.
      Timing.medianMillis(WARM_UP, 1, () -> window.get(path));
      Timing.Pair pair =
          Timing.medianMillis(
              10, 41, () -> window.get(path), () -> sumPostings(database, household));
      String name = "report-" + kind.toLowerCase(Locale.ROOT).replace('_', '-');
      Bench.figure(name, pair.first(), "ms", "<= 50");
      Bench.figure(name + "-share-of-summing", pair.ratio(), "ratio", "<= 0.05");
    }
    String pack = "/api/closed-months/year-pack?month=2026-09&book=" + bookId(database);
    Bench.figure(
        "report-year-pack-as-pdf",
        Timing.medianMillis(10, () -> window.get(pack)),
        "ms",
        "<= 3000");
  }

  static String bookId(Connection database) throws SQLException {
    try (Statement sql = database.createStatement();
        ResultSet row = sql.executeQuery("select md5('book')::uuid")) {
      row.next();
      return row.getString(1);
    }
  }

  static Connection asOwner() throws SQLException {
    return DriverManager.getConnection(
        System.getenv("YEW_DB_URL"),
        System.getenv("YEW_DB_OWNER"),
        System.getenv("YEW_DB_OWNER_PASSWORD"));
  }

  static long sumPostings(Connection database, UUID household) throws SQLException {
    try (PreparedStatement query =
        database.prepareStatement(
            """
            select account_id, sum(amount_minor), sum(base_minor) from posting
             where household_id = ? and date <= date '2026-09-30' group by account_id\
            """)) {
      query.setObject(1, household);
      long accounts = 0;
      try (ResultSet rows = query.executeQuery()) {
        while (rows.next()) {
          accounts++;
        }
      }
      return accounts;
    }
  }

  /**
   * Writes the rows directly, with the triggers off, and the kept totals from what was written.
   *
   * @param accounts in all; 20 are at banks, 25 are groups
   */
  static void fill(Connection database, UUID household, int accounts) throws SQLException {
    String id = "'" + household + "'";
    try (Statement sql = database.createStatement()) {
      sql.execute("alter table posting disable trigger user");
      sql.execute(
          """
          insert into book (household_id, id, name, currency, place)
          values (%1$s, md5('book')::uuid, 'Household', 'EUR', 0)\
          """
              .formatted(id));
      sql.execute(
          """
          insert into account (household_id, id, book_id, parent_id, name, kind, currency, is_group, place)
          select %1$s, md5('g' || n)::uuid, md5('book')::uuid, null, 'Group ' || n, 'EXPENSE', 'EUR', true, n
            from generate_series(0, 24) n\
          """
              .formatted(id));
      sql.execute(
          """
          insert into account (household_id, id, book_id, parent_id, name, kind, currency, is_group, place)
          select %1$s, md5('a' || n)::uuid, md5('book')::uuid, case when n >= 20 then md5('g' || n %% 25)::uuid end,
                 'Account ' || n, case when n < 20 then 'CURRENT' else 'EXPENSE' end, 'EUR', false, n
            from generate_series(0, %2$d) n\
          """
              .formatted(id, accounts - 26));
      sql.execute(
          """
          insert into payee (household_id, id, name)
          select %1$s, md5('w' || n)::uuid, 'Payee ' || n from generate_series(0, 399) n\
          """
              .formatted(id));
      sql.execute(
          """
          insert into entry (household_id, id, no, date, payee_id, note, origin, made_at, made_by)
          select %1$s, md5('e' || n)::uuid, n, date '2016-10-01' + (n %% 3652), md5('w' || n %% 400)::uuid, '', 'BY_HAND', now(), %1$s
            from generate_series(1, %2$d) n\
          """
              .formatted(id, POSTINGS / 2));
      sql.execute(
          """
          insert into posting (household_id, id, entry_id, place, account_id, book_id, date, amount_minor, base_minor)
          select %1$s, md5('p' || n || '/' || side)::uuid, md5('e' || n)::uuid, side,
                 md5('a' || case side when 0 then n %% 20 else 20 + (n * 7) %% %3$d end)::uuid, md5('book')::uuid,
                 date '2016-10-01' + (n %% 3652), amount, amount
            from generate_series(1, %2$d) n, generate_series(0, 1) side,
                 lateral (select (100 + n * 37 %% 90000) * case side when 0 then -1 else 1 end as amount) a\
          """
              .formatted(id, POSTINGS / 2, accounts - 45));
      sql.execute(
          """
          insert into account_month (household_id, account_id, month, debit_minor, credit_minor, debit_base_minor, credit_base_minor)
          select household_id, account_id, date_trunc('month', date)::date, sum(greatest(amount_minor, 0)),
                 sum(greatest(-amount_minor, 0)), sum(greatest(base_minor, 0)), sum(greatest(-base_minor, 0))
            from posting where household_id = %1$s group by 1, 2, 3\
          """
              .formatted(id));
      sql.execute("alter table posting enable trigger user");
      sql.execute("analyze");
    }
  }
}
