package org.yewledger.formats.table;

import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.CsvRecord;
import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.yewledger.core.export.ExportPlan.Written;
import org.yewledger.formats.TextDecoding;
import org.yewledger.formats.UnreadableFile;
import tools.jackson.databind.json.JsonMapper;

/**
 * A table that leaves, in the form that a person wants. Each cell is a {@link BigDecimal}, a {@link
 * LocalDate} or a {@link String}, one for each column.
 */
public final class ExportTable {
  private static final JsonMapper JSON = JsonMapper.builder().build();

  private final List<String> columns;
  private final List<List<Object>> rows;

  public ExportTable(List<String> columns, List<List<Object>> rows) {
    this.columns = List.copyOf(columns);
    this.rows = List.copyOf(rows);
  }

  public int size() {
    return rows.size();
  }

  /**
   * As CSV (RFC 4180) in UTF-8, with semicolons where amounts have commas. What a spreadsheet would
   * take for a formula is made harmless.
   */
  public byte[] csv(Written written) {
    var text = new StringWriter();
    write(text, written, rows, true);
    return text.toString().getBytes(StandardCharsets.UTF_8);
  }

  /** A file after rows were added to it, and how many they are. */
  public record Appended(byte[] content, int added) {}

  /**
   * Adds the rows that are not in a file yet, told apart by one column.
   *
   * @param there what the file holds; what it holds stays as it is
   * @throws UnreadableFile if the file has other columns, or is no such table
   */
  public Appended appendedTo(byte[] there, Written written, int identity) {
    if (there.length == 0) {
      return new Appended(csv(written), rows.size());
    }
    Set<String> known = identities(there, written, identity);
    List<List<Object>> coming =
        rows.stream().filter(row -> !known.contains(cell(row.get(identity), written))).toList();
    var text = new StringWriter();
    if (there.length > 0 && there[there.length - 1] != '\n') {
      text.write("\r\n");
    }
    write(text, written, coming, false);
    byte[] more = text.toString().getBytes(StandardCharsets.UTF_8);
    if (coming.isEmpty()) {
      return new Appended(there, 0);
    }
    byte[] all = new byte[there.length + more.length];
    System.arraycopy(there, 0, all, 0, there.length);
    System.arraycopy(more, 0, all, there.length, more.length);
    return new Appended(all, coming.size());
  }

  private Set<String> identities(byte[] there, Written written, int identity) {
    String text = TextDecoding.strictly(there, StandardCharsets.UTF_8, "exports are written in");
    Set<String> known = new HashSet<>();
    boolean isHeader = true;
    try (var reader =
        CsvReader.builder()
            .fieldSeparator(separator(written))
            .skipEmptyLines(true)
            .ofCsvRecord(text.startsWith("\ufeff") ? text.substring(1) : text)) {
      for (CsvRecord record : reader) {
        if (isHeader) {
          requireColumns(record.getFields());
          isHeader = false;
        } else if (record.getFieldCount() > identity) {
          known.add(record.getField(identity));
        }
      }
    } catch (CsvParseException e) {
      throw UnreadableFile.whole("The file that is there is no table any more.");
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return known;
  }

  private void requireColumns(List<String> there) {
    List<String> wanted = columns.stream().map(HarmlessCell::of).toList();
    if (!there.equals(wanted)) {
      throw UnreadableFile.at(
          1,
          "the file that is there has other columns. Give the export another file, or replace what is there.");
    }
  }

  private void write(
      StringWriter text, Written written, List<List<Object>> which, boolean withHeader) {
    try (var writer = CsvWriter.builder().fieldSeparator(separator(written)).build(text)) {
      if (withHeader) {
        writer.writeRecord(columns.stream().map(HarmlessCell::of).toList());
      }
      which.forEach(
          row -> writer.writeRecord(row.stream().map(value -> cell(value, written)).toList()));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static char separator(Written written) {
    return written.decimalComma() ? ';' : ',';
  }

  private static String cell(Object value, Written written) {
    return switch (value) {
      case BigDecimal number -> {
        String plain = number.toPlainString();
        yield written.decimalComma() ? plain.replace('.', ',') : plain;
      }
      case LocalDate day ->
          DateTimeFormatter.ofPattern(written.days().pattern(), Locale.ROOT).format(day);
      default -> HarmlessCell.of(value.toString());
    };
  }

  /** As a workbook, in which numbers are numbers and days are days. */
  public byte[] workbook() {
    return Workbook.write("Export", columns, rows);
  }

  /** As a list of objects: numbers with all their decimals, days as ISO 8601 writes them. */
  public byte[] json() {
    List<Map<String, Object>> objects = rows.stream().map(this::object).toList();
    return JSON.writeValueAsBytes(objects);
  }

  private Map<String, Object> object(List<Object> row) {
    Map<String, Object> object = new LinkedHashMap<>();
    for (int i = 0; i < columns.size(); i++) {
      Object value = row.get(i);
      object.put(columns.get(i), value instanceof LocalDate day ? day.toString() : value);
    }
    return object;
  }
}
