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
import java.util.Map;
import java.util.Random;
import java.util.UUID;
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
 * its heap is 512 MB.
 */
final class ImportBench {
  private static final int LINES = 100_000;
  private static final String PASSWORD = "a hundred thousand lines";
  private static final String COLUMNS =
      "household_id, id, batch_id, account_id, booked_on, value_on, amount_minor, payee, memo, reference,"
          + " type, identity, raw, source_line, text_key, ordinal, pending";

  private ImportBench() {}

  static void run() throws Exception {
    try (var application = new RunningApplication();
        Connection database = asOwner()) {
      SignedIn owner =
          HouseholdFounding.newOwner(
              Ids.next(), "Import", Ids.next() + "@aldercott.example", Ids.next());
      application.bean(HouseholdFounding.class).found("Import", owner, PASSWORD, () -> {});
      UUID warmUp = account(database, owner.householdId(), "Warm-up");
      UUID account = account(database, owner.householdId(), "Current");
      application.signIn(owner.email(), PASSWORD);
      takeIn(application, warmUp, ofx(LINES / 2, 1));
      byte[] file = ofx(LINES, 2);
      var heap = new HeapPeak();
      double first = seconds(() -> takeIn(application, account, file));
      double peak = heap.megabytes();
      double again = seconds(() -> takeIn(application, account, file));
      double copy = copySeconds(database, account);
      Bench.figure("import-100k-ofx-lines", first, "s", ">= 0");
      Bench.figure("import-the-same-again", again, "s", ">= 0");
      Bench.figure("psql-copy-of-the-same-rows", copy, "s", ">= 0");
      Bench.figure("import-times-psql-copy", first / copy, "ratio", "<= 4");
      Bench.figure("import-again-share-of-first", again / first, "ratio", "<= 1");
      Bench.figure("import-peak-heap", peak, "MB", "<= 512");
    }
  }

  private interface Work {
    void run() throws Exception;
  }

  private static double seconds(Work work) throws Exception {
    long start = System.nanoTime();
    work.run();
    return (System.nanoTime() - start) / 1e9;
  }

  private static void takeIn(RunningApplication application, UUID account, byte[] file)
      throws Exception {
    String choices =
        "[{\"accountNumber\":\"\",\"accountId\":\"%s\",\"makeStatement\":false}]"
            .formatted(account);
    application.upload("/api/gather/batches", Map.of("choices", choices), file);
    application.get("/api/waiting-lines");
  }

  private static byte[] ofx(int count, int seed) {
    var random = new Random(seed);
    var lines = new ArrayList<BankLine>();
    for (int i = 0; i < count; i++) {
      LocalDate day = LocalDate.of(2020, 1, 1).plusDays(i / 50L);
      String shop = "SHOP " + random.nextInt(3_000) + " ELLERY HIGH STREET";
      String card = "CARD " + random.nextInt(100);
      long amount = -1 - random.nextInt(20_000);
      String reference = "R" + i;
      String identity = "id-" + seed + "-" + i;
      lines.add(new BankLine(day, null, amount, shop, card, reference, "POS", identity, "", i));
    }
    var statement = new BankStatement("NL00DEMO004417", CurrencyUnit.EUR, lines, null);
    return OfxWriter.write(statement, "DEMO", OfxWriter.AccountType.CHECKING);
  }

  private static UUID account(Connection database, UUID household, String name)
      throws SQLException {
    UUID account = Ids.next();
    try (Statement sql = database.createStatement()) {
      sql.execute(
          """
          insert into book (household_id, id, name, currency, place)
          values ('%1$s', md5('import')::uuid, 'Household', 'EUR', 0) on conflict do nothing\
          """
              .formatted(household));
      sql.execute(
          """
          insert into account (household_id, id, book_id, name, kind, currency, is_group, place, opens_on)
          values ('%1$s', '%2$s', md5('import')::uuid, '%3$s', 'CURRENT', 'EUR', false, 0, '2019-01-01')\
          """
              .formatted(household, account, name));
    }
    return account;
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

  private static Connection asOwner() throws SQLException {
    return DriverManager.getConnection(
        System.getenv("YEW_DB_URL"),
        System.getenv("YEW_DB_OWNER"),
        System.getenv("YEW_DB_OWNER_PASSWORD"));
  }
}
