package org.yewledger.formats.table;

import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.CsvRecord;
import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.yewledger.formats.TextDecoding;
import org.yewledger.formats.UnreadableFile;

/**
 * Tables of our own: comma-separated (RFC 4180) in UTF-8, with named columns in any order. A
 * semicolon is taken for a comma where the header has no comma, as spreadsheets write it in some
 * countries.
 */
final class NamedRows {
  private static final int MOST_ROWS = 20_000;

  /** A row with its cells by column name; {@code line} is the line of the file, from 1. */
  record Row(int line, Map<String, String> cells) {
    String cell(String column) {
      String text = cells.getOrDefault(column, "").strip();
      // As written by harmless(), below.
      return text.matches("(?s)'[=+@-].*") ? text.substring(1) : text;
    }
  }

  private NamedRows() {}

  /**
   * @param required columns that the header must name
   * @param optional columns that it may name
   */
  static List<Row> read(byte[] bytes, List<String> required, List<String> optional) {
    String text =
        TextDecoding.strictly(bytes, StandardCharsets.UTF_8, "the table has to be written in");
    text = text.startsWith("\ufeff") ? text.substring(1) : text;
    List<CsvRecord> records = records(text);
    if (records.isEmpty()) {
      throw UnreadableFile.whole("The table is empty.");
    }
    List<String> header =
        records.getFirst().getFields().stream()
            .map(name -> name.strip().toLowerCase(Locale.ROOT))
            .toList();
    for (String column : required) {
      if (!header.contains(column)) {
        throw UnreadableFile.at(
            1, column, "this column is missing. The template shows all of them.");
      }
    }
    for (String column : header) {
      if (!column.isEmpty() && !required.contains(column) && !optional.contains(column)) {
        throw UnreadableFile.at(1, column, "there is no such column. The template shows all.");
      }
    }
    var rows = new ArrayList<Row>();
    for (CsvRecord record : records.subList(1, records.size())) {
      Map<String, String> cells = new HashMap<>();
      for (int i = 0; i < Math.min(header.size(), record.getFieldCount()); i++) {
        cells.put(header.get(i), record.getField(i));
      }
      rows.add(new Row((int) record.getStartingLineNumber(), cells));
    }
    return rows;
  }

  private static List<CsvRecord> records(String text) {
    String first = text.lines().findFirst().orElse("");
    char separator = first.contains(",") || !first.contains(";") ? ',' : ';';
    var records = new ArrayList<CsvRecord>();
    try (var reader =
        CsvReader.builder().fieldSeparator(separator).skipEmptyLines(true).ofCsvRecord(text)) {
      for (CsvRecord record : reader) {
        records.add(record);
        if (records.size() > MOST_ROWS) {
          throw UnreadableFile.whole("The table has more than %,d rows.".formatted(MOST_ROWS));
        }
      }
    } catch (CsvParseException e) {
      throw UnreadableFile.at(records.size() + 1, "a quote is not closed.");
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return records;
  }

  /** Cells that a spreadsheet would take for a formula get an apostrophe in front. */
  static byte[] write(List<String> header, List<List<String>> rows) {
    var text = new StringWriter();
    try (var writer = CsvWriter.builder().build(text)) {
      writer.writeRecord(header);
      rows.forEach(row -> writer.writeRecord(row.stream().map(HarmlessCell::of).toList()));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return text.toString().getBytes(StandardCharsets.UTF_8);
  }
}
