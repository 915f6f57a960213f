package org.yewledger.app.backup;

import java.io.IOException;
import java.io.InputStream;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.Comparator;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/** Makes backups of a database, and keeps some of them in a folder. */
final class Backups {
  private static final DateTimeFormatter STAMP =
      DateTimeFormatter.ofPattern("yyyyMMdd-HHmmss").withZone(ZoneOffset.UTC);
  private static final Pattern KEPT = Pattern.compile("yew-\\d{8}-\\d{6}\\.backup");
  private static final long LONGEST_HOURS = 6;
  private static final int MOST_WORDS = 2_000;

  private final Database database;
  private final String pgDump;

  /**
   * @param pgDump the command of that name, at least of the server's version
   */
  Backups(Database database, String pgDump) {
    this.database = database;
    this.pgDump = pgDump;
  }

  /**
   * Writes everything into a new file. What is committed meanwhile may be in it or not; the rest is
   * as it was at one moment.
   *
   * @throws BackupRefused if the file cannot be written, or the books cannot be read
   */
  BackupFile.About make(Path file, Instant now) throws BackupRefused, InterruptedException {
    Path folder = file.toAbsolutePath().getParent();
    if (folder == null || !Files.isDirectory(folder) || !Files.isWritable(folder)) {
      throw new BackupRefused("%s is no folder that can be written to.".formatted(folder));
    }
    if (Files.exists(file)) {
      throw new BackupRefused("%s is there already. Choose another name.".formatted(file));
    }
    try (Connection connection = database.connect()) {
      long entries = Database.number(connection, "select count(*) from entry");
      long migration =
          Database.number(
              connection,
              "select max(version::int) from flyway_schema_history where success and version is not null");
      Path dump = Files.createTempFile(folder, "yew-", ".dump");
      try {
        dump(dump);
        return BackupFile.write(file, dump, now, Math.toIntExact(migration), entries);
      } finally {
        Files.deleteIfExists(dump);
      }
    } catch (SQLException | IOException failed) {
      throw new BackupRefused(
          "%s could not be written: %s".formatted(file, failed.getMessage()), failed);
    }
  }

  private void dump(Path dump) throws BackupRefused, IOException, InterruptedException {
    URI place = database.place();
    var command =
        new ProcessBuilder(
            pgDump,
            "--host=" + place.getHost(),
            "--port=" + (place.getPort() < 0 ? 5432 : place.getPort()),
            "--username=" + database.owner(),
            "--no-password",
            "--format=custom",
            "--file=" + dump,
            place.getPath().substring(1));
    command.environment().put("PGPASSWORD", database.password());
    Path words = Files.createTempFile("yew-", ".words");
    try {
      Process process = command.redirectErrorStream(true).redirectOutput(words.toFile()).start();
      if (!process.waitFor(LONGEST_HOURS, TimeUnit.HOURS)) {
        process.destroyForcibly();
        throw new BackupRefused("Reading the books took more than six hours.");
      }
      if (process.exitValue() != 0) {
        throw new BackupRefused("The books could not be read: " + beginning(words));
      }
    } finally {
      Files.deleteIfExists(words);
    }
  }

  private static String beginning(Path words) throws IOException {
    try (InputStream in = Files.newInputStream(words)) {
      return new String(in.readNBytes(MOST_WORDS), StandardCharsets.UTF_8).strip();
    }
  }

  /**
   * Makes the backup of the day in a folder, and lets the oldest go beyond so many. One that cannot
   * be read back counts as none, and lets nothing go.
   */
  Path makeIn(Path folder, int keep, Instant now) throws BackupRefused, InterruptedException {
    Path file = folder.resolve("yew-%s.backup".formatted(STAMP.format(now)));
    try {
      Files.createDirectories(folder);
    } catch (IOException failed) {
      throw new BackupRefused("%s is no folder that can be written to.".formatted(folder), failed);
    }
    BackupFile.About made = make(file, now);
    BackupFile.open(file, null, made.migration());
    try {
      List<Path> all = kept(folder);
      for (Path old : all.subList(0, Math.max(0, all.size() - keep))) {
        Files.delete(old);
      }
    } catch (IOException failed) {
      throw new BackupRefused("Old backups could not be taken away.", failed);
    }
    return file;
  }

  /** The backups of a folder, the oldest first; other files are none of ours. */
  static List<Path> kept(Path folder) throws IOException {
    try (Stream<Path> files = Files.list(folder)) {
      return files
          .filter(file -> KEPT.matcher(file.getFileName().toString()).matches())
          .sorted(Comparator.comparing(Path::getFileName))
          .toList();
    }
  }
}
