package org.yewledger.formats.datapackage;

import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.CsvRecord;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipFile;
import org.yewledger.formats.Sha256;
import org.yewledger.formats.UnreadableFile;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * A data package in a ZIP file, proved whole before anything of it is read: every resource is
 * there, as long as it says, and with the checksum that it says.
 */
public final class DataPackageFile implements AutoCloseable {
  static final String ABOUT = "datapackage.json";

  private static final int MOST_ABOUT = 32 << 20;
  private static final long MOST_BYTES = 8L << 30;
  private static final int MOST_FILE = 100 << 20;

  /** Takes the rows of a table, with the line where each begins. */
  public interface Rows {
    void row(long line, List<String> cells);
  }

  private final ZipFile zip;
  private final JsonNode about;
  private final Map<String, ZipEntry> resources = new HashMap<>();

  private DataPackageFile(ZipFile zip, JsonNode about) {
    this.zip = zip;
    this.about = about;
  }

  /**
   * Cost: reads all of the file once.
   *
   * @throws UnreadableFile if it is no data package, or something is missing or damaged
   */
  public static DataPackageFile open(Path file) throws IOException {
    ZipFile zip;
    try {
      zip = new ZipFile(file.toFile());
    } catch (ZipException e) {
      throw UnreadableFile.whole("This is no ZIP file, or it is cut short.");
    }
    try {
      var opened = new DataPackageFile(zip, aboutOf(zip));
      opened.prove();
      return opened;
    } catch (ZipException e) {
      zip.close();
      throw UnreadableFile.whole("The ZIP file is damaged.");
    } catch (IOException | RuntimeException e) {
      zip.close();
      throw e;
    }
  }

  private static JsonNode aboutOf(ZipFile zip) throws IOException {
    ZipEntry entry = zip.getEntry(ABOUT);
    if (entry == null) {
      throw UnreadableFile.whole("There is no %s in it: it is no data package.".formatted(ABOUT));
    }
    try (InputStream in = zip.getInputStream(entry)) {
      byte[] text = in.readNBytes(MOST_ABOUT + 1);
      if (text.length > MOST_ABOUT) {
        throw UnreadableFile.whole("%s is too long.".formatted(ABOUT));
      }
      return JsonMapper.builder().build().readTree(text);
    } catch (JacksonException e) {
      throw UnreadableFile.whole("%s cannot be read as JSON.".formatted(ABOUT));
    }
  }

  private void prove() throws IOException {
    long all = 0;
    for (JsonNode resource : about.path("resources")) {
      String name = resource.path("name").asString("");
      String path = resource.path("path").asString("");
      long bytes = resource.path("bytes").asLong(-1);
      String hash = resource.path("hash").asString("");
      ZipEntry entry = zip.getEntry(path);
      if (entry == null) {
        throw UnreadableFile.whole("The file %s is missing in it.".formatted(path));
      }
      all += Math.max(bytes, 0);
      if (bytes < 0 || all > MOST_BYTES) {
        throw UnreadableFile.whole("%s does not say how long %s is.".formatted(ABOUT, path));
      }
      if (!hash.equals("sha256:" + hashOf(entry, bytes))) {
        throw UnreadableFile.whole(
            "%s is damaged: it is not as long, or its checksum is not, what %s says."
                .formatted(path, ABOUT));
      }
      resources.put(name, entry);
    }
  }

  /** Of at most one byte more than it should have: what is longer has another checksum. */
  private String hashOf(ZipEntry entry, long most) throws IOException {
    MessageDigest digest = Sha256.digest();
    byte[] some = new byte[1 << 16];
    long left = most + 1;
    try (InputStream in = zip.getInputStream(entry)) {
      while (left > 0) {
        int read = in.read(some, 0, (int) Math.min(some.length, left));
        if (read < 0) {
          break;
        }
        digest.update(some, 0, read);
        left -= read;
      }
    }
    return HexFormat.of().formatHex(digest.digest());
  }

  /** A property of the package by the maker's own name; missing where there is none. */
  public JsonNode property(String name) {
    return about.path(name);
  }

  public Set<String> resources() {
    return Set.copyOf(resources.keySet());
  }

  /**
   * Reads a table: first its header, as a row of its own.
   *
   * @throws UnreadableFile if the package has no such table, or it is no CSV in UTF-8
   */
  public void rows(String table, Rows rows) throws IOException {
    try (InputStream in = zip.getInputStream(entry(table));
        var text = new InputStreamReader(in, StandardCharsets.UTF_8);
        CsvReader<CsvRecord> csv = CsvReader.builder().ofCsvRecord(text)) {
      for (CsvRecord record : csv) {
        rows.row(record.getStartingLineNumber(), record.getFields());
      }
    } catch (CsvParseException e) {
      throw UnreadableFile.whole(
          "data/%s.csv cannot be read: a quote is not closed.".formatted(table));
    }
  }

  /**
   * The content of a file.
   *
   * @throws UnreadableFile if the package has no such file, or it is over 100 MB
   */
  public byte[] file(String name) throws IOException {
    try (InputStream in = zip.getInputStream(entry(name))) {
      byte[] content = in.readNBytes(MOST_FILE + 1);
      if (content.length > MOST_FILE) {
        throw UnreadableFile.whole("The file %s is over 100 MB.".formatted(name));
      }
      return content;
    }
  }

  private ZipEntry entry(String name) {
    ZipEntry entry = resources.get(name);
    if (entry == null) {
      throw UnreadableFile.whole("The resource %s is missing in it.".formatted(name));
    }
    return entry;
  }

  @Override
  public void close() throws IOException {
    zip.close();
  }
}
