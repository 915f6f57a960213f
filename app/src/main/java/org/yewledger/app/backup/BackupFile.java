package org.yewledger.app.backup;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.Reader;
import java.io.StringReader;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.DigestOutputStream;
import java.time.DateTimeException;
import java.time.Instant;
import java.util.HexFormat;
import java.util.Properties;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import org.jspecify.annotations.Nullable;
import org.yewledger.app.platform.WholeFile;
import org.yewledger.formats.Sha256;

/**
 * A backup: a ZIP file of two entries. {@code books.dump} is the whole database in pg_dump's custom
 * format, attachments with it; {@code backup.properties} says what it is, with its SHA-256.
 */
final class BackupFile {
  /** Changed when a version reads something else. */
  static final int FORMAT = 1;

  private static final String ABOUT = "backup.properties";
  private static final String DUMP = "books.dump";
  private static final int MOST_ABOUT = 10_000;

  /**
   * What a backup says of itself.
   *
   * @param migration the newest of the schema that it holds
   * @param entries how many entries are in the books, of all households
   */
  record About(int format, Instant made, int migration, long entries, String sha256) {
    private String text() throws IOException {
      var properties = new Properties();
      properties.setProperty("format", String.valueOf(format));
      properties.setProperty("made", made.toString());
      properties.setProperty("migration", String.valueOf(migration));
      properties.setProperty("entries", String.valueOf(entries));
      properties.setProperty("sha256", sha256);
      var text = new StringWriter();
      properties.store(text, null);
      return text.toString();
    }

    private static About of(Reader text) throws IOException {
      var properties = new Properties();
      properties.load(text);
      return new About(
          Integer.parseInt(properties.getProperty("format", "")),
          Instant.parse(properties.getProperty("made", "")),
          Integer.parseInt(properties.getProperty("migration", "")),
          Long.parseLong(properties.getProperty("entries", "")),
          properties.getProperty("sha256", ""));
    }
  }

  private BackupFile() {}

  /**
   * Writes a dump into a new backup. A file under its own name is a whole one: until it is on the
   * disk it has another.
   *
   * @throws BackupRefused if the file is there already
   */
  static About write(Path file, Path dump, Instant made, int migration, long entries)
      throws BackupRefused, IOException {
    About about =
        new About(FORMAT, made, migration, entries, copied(dump, OutputStream.nullOutputStream()));
    try {
      return WholeFile.write(file, begun -> zipped(begun, about, dump), WholeFile.ONLY_THE_OWNERS);
    } catch (FileAlreadyExistsException there) {
      throw new BackupRefused("%s is there already. Choose another name.".formatted(file), there);
    }
  }

  private static About zipped(Path begun, About about, Path dump) throws IOException {
    try (var zip = new ZipOutputStream(Files.newOutputStream(begun))) {
      // What pg_dump writes is compressed already.
      zip.setLevel(0);
      zip.putNextEntry(new ZipEntry(ABOUT));
      zip.write(about.text().getBytes(StandardCharsets.UTF_8));
      zip.putNextEntry(new ZipEntry(DUMP));
      Files.copy(dump, zip);
    }
    return about;
  }

  /**
   * Reads a backup, and proves that it is whole.
   *
   * @param dump where the dump is written to; null to look only
   * @param newestMigration the newest that this version knows
   * @throws BackupRefused if it is no backup, cut short, damaged, or of a newer version
   */
  static About open(Path file, @Nullable Path dump, int newestMigration) throws BackupRefused {
    if (!Files.isRegularFile(file)) {
      throw new BackupRefused("There is no file %s.".formatted(file));
    }
    try (var zip = new ZipFile(file.toFile())) {
      ZipEntry books = zip.getEntry(DUMP);
      ZipEntry about = zip.getEntry(ABOUT);
      if (books == null || about == null) {
        throw new BackupRefused("%s is no backup of Yew Ledger.".formatted(file));
      }
      About says = about(zip, about);
      requireKnown(file, says, newestMigration);
      String sha256;
      try (InputStream in = zip.getInputStream(books);
          OutputStream out =
              dump == null ? OutputStream.nullOutputStream() : Files.newOutputStream(dump)) {
        sha256 = copied(in, out);
      }
      if (!sha256.equals(says.sha256())) {
        throw new BackupRefused("%s is damaged: its checksum is another.".formatted(file));
      }
      return says;
    } catch (IOException | NumberFormatException | DateTimeException broken) {
      throw new BackupRefused(
          "%s is no backup of Yew Ledger, or it is cut short or damaged.".formatted(file), broken);
    }
  }

  private static About about(ZipFile zip, ZipEntry entry) throws IOException {
    try (InputStream in = zip.getInputStream(entry)) {
      return About.of(
          new StringReader(new String(in.readNBytes(MOST_ABOUT), StandardCharsets.UTF_8)));
    }
  }

  private static void requireKnown(Path file, About says, int newestMigration)
      throws BackupRefused {
    if (says.format() != FORMAT || says.migration() > newestMigration) {
      throw new BackupRefused(
          "%s was made by a newer version: format %d and migration %d, where this one knows %d and %d."
              .formatted(file, says.format(), says.migration(), FORMAT, newestMigration));
    }
  }

  private static String copied(Path from, OutputStream to) throws IOException {
    try (InputStream in = Files.newInputStream(from)) {
      return copied(in, to);
    }
  }

  /** The SHA-256 of what was copied. */
  private static String copied(InputStream from, OutputStream to) throws IOException {
    try (var digesting = new DigestOutputStream(to, Sha256.digest())) {
      from.transferTo(digesting);
      return HexFormat.of().formatHex(digesting.getMessageDigest().digest());
    }
  }
}
