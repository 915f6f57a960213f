package org.yewledger.app.backup;

import java.io.PrintStream;
import java.nio.file.Path;
import java.time.Instant;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.flywaydb.core.Flyway;
import org.yewledger.app.platform.Migrations;

/**
 * What the application does from the command line besides serving: {@code backup FILE}, {@code
 * open-backup FILE DUMP}, {@code migrate}. Settings are those of the environment.
 */
public final class BackupCommands {
  private static final Set<String> ALL = Set.of("backup", "open-backup", "migrate");

  private final Map<String, String> settings;
  private final PrintStream out;

  private BackupCommands(Map<String, String> settings, PrintStream out) {
    this.settings = Map.copyOf(settings);
    this.out = out;
  }

  /** Whether arguments name one of these, instead of settings of the application. */
  public static boolean isOne(String[] args) {
    return args.length > 0 && ALL.contains(args[0]);
  }

  /**
   * Does it and says what came of it.
   *
   * @return 0 if it is done, 1 if not
   */
  public static int run(String[] args, Map<String, String> settings, PrintStream out) {
    try {
      new BackupCommands(settings, out).run(args);
      return 0;
    } catch (BackupRefused refused) {
      out.println(refused.getMessage());
    } catch (InterruptedException ended) {
      Thread.currentThread().interrupt();
      out.println("It was ended before it was done.");
    }
    return 1;
  }

  private void run(String[] args) throws BackupRefused, InterruptedException {
    int wanted = args[0].equals("open-backup") ? 3 : args[0].equals("backup") ? 2 : 1;
    if (args.length != wanted) {
      throw new BackupRefused(
          "That is not understood: %s. There are: backup FILE, open-backup FILE DUMP, migrate."
              .formatted(String.join(" ", args)));
    }
    switch (args[0]) {
      case "backup" -> backup(Path.of(args[1]));
      case "open-backup" -> open(Path.of(args[1]), Path.of(args[2]));
      default -> migrate();
    }
  }

  private void backup(Path file) throws BackupRefused, InterruptedException {
    var backups = new Backups(database(), settings.getOrDefault("YEW_PG_DUMP", "pg_dump"));
    BackupFile.About made = backups.make(file, Instant.now());
    out.printf("%s holds the books with %d entries.%n", file, made.entries());
  }

  /** Says how many entries it holds, and of when it is. */
  private void open(Path file, Path dump) throws BackupRefused {
    BackupFile.About says = BackupFile.open(file, dump, Migrations.newest());
    out.printf("%d %s%n", says.entries(), says.made());
  }

  private void migrate() {
    Database database = database();
    Flyway.configure()
        .dataSource(database.url(), database.owner(), database.password())
        .load()
        .migrate();
  }

  private Database database() {
    return new Database(
        Objects.requireNonNull(settings.get("YEW_DB_URL"), "YEW_DB_URL is not set"),
        settings.getOrDefault("YEW_DB_OWNER", "yew_owner"),
        settings.getOrDefault("YEW_DB_OWNER_PASSWORD", ""));
  }
}
