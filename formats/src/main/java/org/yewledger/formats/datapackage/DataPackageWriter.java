package org.yewledger.formats.datapackage;

import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.FilterOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.yewledger.formats.Sha256;
import tools.jackson.databind.json.JsonMapper;

/** Writes a data package, one resource after the other; rows go straight to the file. */
public final class DataPackageWriter implements AutoCloseable {
  /** Takes the rows of a table. */
  public interface Rows {
    /**
     * @param cells in the order of the fields; empty for what is not there
     */
    void row(List<String> cells) throws IOException;
  }

  /** Hands out the rows of a table. */
  public interface Source {
    void writeTo(Rows rows) throws IOException;
  }

  private final ZipOutputStream zip;
  private final List<Map<String, Object>> resources = new ArrayList<>();

  public DataPackageWriter(OutputStream to) {
    this.zip = new ZipOutputStream(to);
  }

  /** Writes a table into {@code data/NAME.csv}. */
  public void table(String name, String title, TableSchema schema, Source source)
      throws IOException {
    Map<String, Object> resource = begin(name, "data/%s.csv".formatted(name));
    resource.put("title", title);
    resource.put("profile", "tabular-data-resource");
    resource.put("format", "csv");
    resource.put("mediatype", "text/csv");
    resource.put("encoding", "utf-8");
    resource.put("schema", json(schema));
    var measured = new Measured(zip);
    // A writer of its own for each, which must not close the whole file.
    var text = new OutputStreamWriter(measured, StandardCharsets.UTF_8);
    CsvWriter csv = CsvWriter.builder().build(text);
    csv.writeRecord(schema.fields().stream().map(TableSchema.Field::name).toList());
    source.writeTo(csv::writeRecord);
    csv.flush();
    text.flush();
    end(resource, measured);
  }

  /** Writes a file of any kind. */
  public void file(String name, String path, String mediatype, byte[] content) throws IOException {
    Map<String, Object> resource = begin(name, path);
    resource.put("mediatype", mediatype);
    var measured = new Measured(zip);
    measured.write(content);
    end(resource, measured);
  }

  /**
   * Writes what the package says of itself; nothing more goes in after that.
   *
   * @param own further properties, by names of the maker
   */
  public void about(String name, String title, String created, Map<String, Object> own)
      throws IOException {
    Map<String, Object> about = new LinkedHashMap<>();
    about.put("profile", "data-package");
    about.put("name", name);
    about.put("title", title);
    about.put("created", created);
    about.putAll(own);
    about.put("resources", resources);
    zip.putNextEntry(new ZipEntry(DataPackageFile.ABOUT));
    zip.write(
        JsonMapper.builder().build().writerWithDefaultPrettyPrinter().writeValueAsBytes(about));
    zip.closeEntry();
  }

  private Map<String, Object> begin(String name, String path) throws IOException {
    Map<String, Object> resource = new LinkedHashMap<>();
    resource.put("name", name);
    resource.put("path", path);
    zip.putNextEntry(new ZipEntry(path));
    return resource;
  }

  private void end(Map<String, Object> resource, Measured measured) throws IOException {
    zip.closeEntry();
    resource.put("bytes", measured.bytes);
    resource.put("hash", "sha256:" + HexFormat.of().formatHex(measured.digest.digest()));
    resources.add(resource);
  }

  private static Map<String, Object> json(TableSchema schema) {
    Map<String, Object> json = new LinkedHashMap<>();
    json.put("fields", schema.fields().stream().map(DataPackageWriter::json).toList());
    json.put("missingValues", List.of(""));
    if (!schema.primaryKey().isEmpty()) {
      json.put("primaryKey", schema.primaryKey());
    }
    if (!schema.foreignKeys().isEmpty()) {
      json.put(
          "foreignKeys",
          schema.foreignKeys().stream()
              .map(key ->
                  Map.of(
                      "fields",
                      key.fields(),
                      "reference",
                      Map.of("resource", key.table(), "fields", key.itsFields())))
              .toList());
    }
    return json;
  }

  private static Map<String, Object> json(TableSchema.Field field) {
    Map<String, Object> json = new LinkedHashMap<>();
    json.put("name", field.name());
    json.put("type", field.type().type());
    json.put("format", field.type().format());
    if (!field.description().isEmpty()) {
      json.put("description", field.description());
    }
    return json;
  }

  @Override
  public void close() throws IOException {
    zip.close();
  }

  private static final class Measured extends FilterOutputStream {
    private final MessageDigest digest = Sha256.digest();
    private long bytes;

    Measured(OutputStream to) {
      super(to);
    }

    @Override
    public void write(int one) throws IOException {
      write(new byte[] {(byte) one}, 0, 1);
    }

    @Override
    public void write(byte[] some, int from, int length) throws IOException {
      out.write(some, from, length);
      digest.update(some, from, length);
      bytes += length;
    }
  }
}
