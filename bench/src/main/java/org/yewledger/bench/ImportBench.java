package org.yewledger.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import java.util.function.ToDoubleFunction;
import org.joda.money.CurrencyUnit;
import org.yewledger.app.household.HouseholdFounding;
import org.yewledger.app.platform.Ids;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.gather.BankStatement;
import org.yewledger.formats.ofx.OfxWriter;

/**
 * 100,000 lines from one OFX file: parsed, compared with what is here, committed, and proposals for
 * them ready, over HTTP. Baseline: {@code psql \copy} of the same rows into a table with the same
 * indexes. The application has imported half as many lines before, as one that has run for a while;
 * its heap is 480 MB. Of several rounds, each in a household of its own, the best time counts on
 * both sides: what else the machine does only ever makes a time longer.
 */
final class ImportBench {
  private static final int LINES = 100_000;
  private static final int ROUNDS = 5;
  private static final int RULES = 300;
  static final String PASSWORD = "a hundred thousand lines";
  private static final String COLUMNS =
      "household_id, id, batch_id, account_id, booked_on, value_on, amount_minor, payee, memo, reference,"
          + " type, identity, raw, source_line, text_key, ordinal, pending";

  private ImportBench() {}

  /** What one round took, in seconds. */
  private record Round(double first, double again, double copy) {}

  static void run() throws Exception {
    try (var application = new RunningApplication();
        Connection database = asOwner()) {
      takeIn(keeper(application, database, "Warm-up"), ofx(LINES / 2, 1));
      var heap = new HeapPeak();
      var rounds = new ArrayList<Round>();
      for (int i = 0; i < ROUNDS; i++) {
        rounds.add(round(application, database));
      }
      double peak = heap.megabytes();
      double first = best(rounds, Round::first);
      double again = best(rounds, Round::again);
      double copy = best(rounds, Round::copy);
      Bench.figure("import-100k-ofx-lines", first, "s", ">= 0");
      Bench.figure("import-the-same-again", again, "s", ">= 0");
      Bench.figure("psql-copy-of-the-same-rows", copy, "s", ">= 0");
      Bench.figure("import-times-psql-copy", first / copy, "ratio", "<= 4");
      Bench.figure("import-again-share-of-first", again / first, "ratio", "<= 1");
      Bench.figure("import-peak-heap", peak, "MB", "<= 512");
    }
  }

  private static double best(List<Round> rounds, ToDoubleFunction<Round> time) {
    return rounds.stream().mapToDouble(time).min().orElseThrow();
  }

  private static Round round(RunningApplication application, Connection database) throws Exception {
    Keeper keeper = keeper(application, database, "Import");
    byte[] file = ofx(LINES, 2);
    double first = seconds(() -> takeIn(keeper, file));
    double again = seconds(() -> takeIn(keeper, file));
    return new Round(first, again, copySeconds(database, keeper.account()));
  }

  /** Who keeps a household, in their window, with its account at a bank. */
  record Keeper(Window window, String email, UUID account) {}

  private interface Work {
    void run() throws Exception;
  }

  private static double seconds(Work work) throws Exception {
    long start = System.nanoTime();
    work.run();
    return (System.nanoTime() - start) / 1e9;
  }

  static void takeIn(Keeper keeper, byte[] file) throws Exception {
    String choices =
        "[{\"accountNumber\":\"\",\"accountId\":\"%s\",\"makeStatement\":false}]"
            .formatted(keeper.account());
    keeper.window().upload("/api/gather/batches", Map.of("choices", choices), file);
    keeper.window().get("/api/waiting-lines");
  }

  static byte[] ofx(int count, int seed) {
    var random = new Random(seed);
    var lines = new ArrayList<BankLine>();
    for (int i = 0; i < count; i++) {
      LocalDate day = LocalDate.of(2020, 1, 1).plusDays(i / 50L);
      String shop = "SHOP" + random.nextInt(3_000) + " ELLERY HIGH STREET";
      String card = "CARD " + random.nextInt(100);
      long amount = -1 - random.nextInt(20_000);
      String reference = "R" + i;
      String identity = "id-" + seed + "-" + i;
      lines.add(new BankLine(day, null, amount, shop, card, reference, "POS", identity, "", i));
    }
    var statement = new BankStatement("NL00DEMO004417", CurrencyUnit.EUR, lines, null);
    return OfxWriter.write(statement, "DEMO", OfxWriter.AccountType.CHECKING);
  }

  /**
   * A household with one account at a bank and some hundred rules, which fit a tenth of the lines.
   */
  static Keeper keeper(RunningApplication application, Connection database, String name)
      throws Exception {
    SignedIn owner =
        HouseholdFounding.newOwner(Ids.next(), name, Ids.next() + "@aldercott.example", Ids.next());
    application.bean(HouseholdFounding.class).found(name, "Etc/UTC", owner, PASSWORD, () -> {});
    UUID account = Ids.next();
    try (Statement sql = database.createStatement()) {
      sql.execute(
          """
          insert into book (household_id, id, name, currency, place)
          values ('%1$s', '%5$s', 'Household', 'EUR', 0);
          insert into account (household_id, id, book_id, name, kind, currency, is_group, place, opens_on)
          values ('%1$s', '%2$s', '%5$s', 'Current', 'CURRENT', 'EUR', false, 0, '2019-01-01'),
                 ('%1$s', '%3$s', '%5$s', 'Groceries', 'EXPENSE', 'EUR', false, 1, '2019-01-01');
          insert into rule (household_id, id, place, book_id, conditions, payee, shares)
          select '%1$s', gen_random_uuid(), n, '%5$s',
                 jsonb_build_object('kind', 'ALL', 'parts', jsonb_build_array(
                   jsonb_build_object('kind', 'TEXT', 'place', 'ANY', 'match', 'HAS_WORDS', 'text', 'SHOP' || n * 5),
                   jsonb_build_object('kind', 'WAY', 'direction', 'OUT'))),
                 '', jsonb_build_array(jsonb_build_object('accountId', '%3$s'))
          from generate_series(1, %4$d) n\
          """
              .formatted(owner.householdId(), account, Ids.next(), RULES, Ids.next()));
    }
    return new Keeper(application.signedIn(owner.email(), PASSWORD), owner.email(), account);
  }

  /** Writes the account's rows to a file, and times reading them into a table that is alike. */
  private static double copySeconds(Connection database, UUID account) throws Exception {
    Path rows = Files.createTempFile("bank-lines", ".csv");
    try (Statement sql = database.createStatement()) {
      sql.execute("drop table if exists copied_line");
      sql.execute("create table copied_line (like bank_line including all)");
    }
    psql(
        "\\copy (select %s from bank_line where account_id = '%s') to '%s' csv"
            .formatted(COLUMNS, account, rows));
    double seconds =
        seconds(() -> psql("\\copy copied_line (%s) from '%s' csv".formatted(COLUMNS, rows)));
    try (Statement sql = database.createStatement();
        var count = sql.executeQuery("select count(*) from copied_line")) {
      count.next();
      if (count.getInt(1) != LINES) {
        throw new IllegalStateException("not all lines came in: " + count.getInt(1));
      }
    }
    Files.delete(rows);
    return seconds;
  }

  private static void psql(String command) throws IOException, InterruptedException {
    String url = System.getenv("YEW_DB_URL").replace("jdbc:", "");
    var process =
        new ProcessBuilder(System.getenv("YEW_PSQL"), "-X", "-q", "-c", command, url)
            .redirectErrorStream(true);
    process.environment().put("PGUSER", System.getenv("YEW_DB_OWNER"));
    process.environment().put("PGPASSWORD", System.getenv("YEW_DB_OWNER_PASSWORD"));
    Process running = process.start();
    String said = new String(running.getInputStream().readAllBytes());
    if (running.waitFor() != 0) {
      throw new IllegalStateException(said);
    }
  }

  static Connection asOwner() throws SQLException {
    return DriverManager.getConnection(
        System.getenv("YEW_DB_URL"),
        System.getenv("YEW_DB_OWNER"),
        System.getenv("YEW_DB_OWNER_PASSWORD"));
  }
}
