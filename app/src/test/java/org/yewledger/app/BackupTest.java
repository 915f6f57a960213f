package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.flywaydb.core.Flyway;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import org.yewledger.app.backup.BackupCommands;

/** What is written into a backup comes back, and nothing else is taken for one. */
public class BackupTest extends AppTest {
  private static final String RESTORED = "yew_restore_test";

  private final Map<String, String> settings = new HashMap<>(System.getenv());
  private Path folder;
  private Path backup;
  private String said = "";

  private static Connection owner(String database) throws SQLException {
    return DriverManager.getConnection(
        urlOf(database), System.getenv("YEW_DB_OWNER"), System.getenv("YEW_DB_OWNER_PASSWORD"));
  }

  private static String urlOf(String database) {
    return System.getenv("YEW_DB_URL").replaceAll("/[a-z_0-9]+$", "/" + database);
  }

  private static String tool(String name) {
    return Path.of(System.getenv("YEW_PSQL")).resolveSibling(name).toString();
  }

  private static void makeDatabase() throws SQLException {
    try (Connection postgres = owner("postgres");
        Statement sql = postgres.createStatement()) {
      sql.execute("drop database if exists " + RESTORED + " with (force)");
      sql.execute("create database " + RESTORED);
    }
  }

  private int run(Map<String, String> with, String... args) {
    var out = new ByteArrayOutputStream();
    int code = BackupCommands.run(args, with, new PrintStream(out, true, StandardCharsets.UTF_8));
    said = out.toString(StandardCharsets.UTF_8);
    return code;
  }

  private int open(Path file) {
    return run(settings, "open-backup", file.toString(), folder.resolve("open.dump").toString());
  }

  @BeforeClass(dependsOnMethods = "springTestContextPrepareTestInstance")
  void makeOne() throws IOException {
    folder = Files.createTempDirectory("yew-backup-test");
    backup = folder.resolve("books.backup");
    settings.put("YEW_PG_DUMP", tool("pg_dump"));
    Household h = found("backup");
    assertEquals(h.api().get("/api/accounts").status(), 200);
    assertEquals(run(settings, "backup", backup.toString()), 0, said);
    assertTrue(said.contains("holds the books"), said);
  }

  @AfterClass(alwaysRun = true)
  void clear() throws SQLException {
    try (Connection postgres = owner("postgres");
        Statement sql = postgres.createStatement()) {
      sql.execute("drop database if exists " + RESTORED + " with (force)");
    }
  }

  private static void restore(Path dump) throws IOException, InterruptedException {
    var command =
        new ProcessBuilder(
            tool("pg_restore"),
            "-d",
            urlOf(RESTORED)
                .replace("jdbc:", "")
                .replace("//", "//" + System.getenv("YEW_DB_OWNER") + "@"),
            "--no-owner",
            "--exit-on-error",
            dump.toString());
    command.environment().put("PGPASSWORD", System.getenv("YEW_DB_OWNER_PASSWORD"));
    Process process = command.redirectErrorStream(true).start();
    String words = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    assertEquals(process.waitFor(), 0, words);
  }

  /** How many rows each table has. */
  private static Map<String, Long> rows(Connection database) throws SQLException {
    Map<String, Long> rows = new HashMap<>();
    try (Statement tables = database.createStatement();
        Statement count = database.createStatement();
        ResultSet table =
            tables.executeQuery(
                "select relname from pg_class where relkind = 'r' and relnamespace = 'public'::regnamespace")) {
      while (table.next()) {
        try (ResultSet row = count.executeQuery("select count(*) from " + table.getString(1))) {
          row.next();
          rows.put(table.getString(1), row.getLong(1));
        }
      }
    }
    // These change while nobody does anything.
    rows.keySet()
        .removeAll(
            List.of(
                "scheduled_tasks", "spring_session", "spring_session_attributes", "rate_limit"));
    return rows;
  }

  @Test
  public void everythingComesBack() throws Exception {
    assertEquals(open(backup), 0, said);
    makeDatabase();
    restore(folder.resolve("open.dump"));
    var restored = new HashMap<>(settings);
    restored.put("YEW_DB_URL", urlOf(RESTORED));
    assertEquals(run(restored, "migrate"), 0, said);
    try (Connection before = owner(System.getenv("YEW_DB_NAME"));
        Connection after = owner(RESTORED)) {
      Map<String, Long> rows = rows(before);
      assertTrue(rows.getOrDefault("entry", 0L) > 0);
      assertEquals(rows(after), rows);
    }
    try (Connection app =
            DriverManager.getConnection(
                urlOf(RESTORED), System.getenv("YEW_DB_USER"), System.getenv("YEW_DB_PASSWORD"));
        Statement sql = app.createStatement();
        ResultSet row = sql.executeQuery("select count(*) from entry")) {
      row.next();
      assertEquals(row.getLong(1), 0, "whoever has not signed in sees the books of nobody");
    }
  }

  /** The walls of its time come with it, and those of today are built on them. */
  @Test
  public void anOldBackupIsBroughtUpToDate() throws Exception {
    makeDatabase();
    Flyway.configure()
        .dataSource(
            urlOf(RESTORED), System.getenv("YEW_DB_OWNER"), System.getenv("YEW_DB_OWNER_PASSWORD"))
        .target("30")
        .repeatableSqlMigrationPrefix("none")
        .load()
        .migrate();
    var old = new HashMap<>(settings);
    old.put("YEW_DB_URL", urlOf(RESTORED));
    Path file = folder.resolve("old.backup");
    assertEquals(run(old, "backup", file.toString()), 0, said);
    assertEquals(open(file), 0, said);
    makeDatabase();
    restore(folder.resolve("open.dump"));
    assertEquals(run(old, "migrate"), 0, said);
    try (Connection now = owner(System.getenv("YEW_DB_NAME"));
        Connection after = owner(RESTORED)) {
      assertEquals(rows(after).keySet(), rows(now).keySet());
    }
  }

  @Test
  public void whatIsCutShortDamagedNewerOrNoneIsRefused() throws IOException {
    byte[] whole = Files.readAllBytes(backup);
    Path file = folder.resolve("bad.backup");
    Files.write(file, Arrays.copyOf(whole, whole.length * 2 / 3));
    assertEquals(open(file), 1);
    assertTrue(said.contains("cut short or damaged"), said);
    byte[] damaged = whole.clone();
    damaged[whole.length / 2] ^= 1;
    Files.write(file, damaged);
    assertEquals(open(file), 1);
    assertTrue(said.contains("damaged"), said);
    String text = new String(whole, StandardCharsets.ISO_8859_1);
    byte[] newer =
        text.replaceFirst("migration=\\d", "migration=9").getBytes(StandardCharsets.ISO_8859_1);
    Files.write(file, newer);
    assertEquals(open(file), 1);
    Files.writeString(file, "no backup at all");
    assertEquals(open(file), 1);
    assertTrue(said.contains("is no backup of Yew Ledger"), said);
    assertEquals(open(folder.resolve("missing.backup")), 1);
    assertTrue(said.contains("There is no file"), said);
  }

  @Test
  public void whatCannotBeWrittenIsRefusedAndNothingIsLeft() throws IOException {
    assertEquals(run(settings, "backup", backup.toString()), 1);
    assertTrue(said.contains("is there already"), said);
    Path nowhere = folder.resolve("nowhere").resolve("books.backup");
    assertEquals(run(settings, "backup", nowhere.toString()), 1);
    assertTrue(said.contains("no folder that can be written to"), said);
    var wrong = new HashMap<>(settings);
    wrong.put("YEW_DB_OWNER_PASSWORD", "another");
    assertEquals(run(wrong, "backup", folder.resolve("other.backup").toString()), 1);
    wrong.put("YEW_DB_OWNER_PASSWORD", System.getenv("YEW_DB_OWNER_PASSWORD"));
    wrong.put("YEW_PG_DUMP", folder.resolve("no-pg_dump").toString());
    assertEquals(run(wrong, "backup", folder.resolve("other.backup").toString()), 1);
    assertEquals(run(settings, "backup"), 1);
    assertTrue(said.contains("not understood"), said);
    try (var files = Files.list(folder)) {
      assertEquals(
          files
              .map(file -> file.getFileName().toString())
              .filter(name -> name.startsWith("other") || name.startsWith("yew-"))
              .toList(),
          List.of());
    }
  }
}
