package org.yewledger.formats.table;

import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.CsvRecord;
import java.nio.charset.Charset;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.yewledger.core.gather.LineSource;
import org.yewledger.formats.TextDecoding;
import org.yewledger.formats.UnreadableFile;
import org.yewledger.formats.table.Table.Row;

/** Cuts delimited text (CSV, TSV and their kin) into cells. */
final class DelimitedCells {
  private static final char[] SEPARATORS = {';', ',', '\t', '|'};
  private static final int ROWS_TO_JUDGE_BY = 200;
  private static final int MOST_COLUMNS = 100;
  private static final int MOST_ROWS = 200_000;
  private static final int LONGEST_CELL = 10_000;

  private DelimitedCells() {}

  static Table parse(byte[] bytes, TableReading reading) {
    Charset charset =
        Objects.requireNonNullElseGet(reading.charset(), () -> TextDecoding.guess(bytes));
    String text =
        TextDecoding.strictly(
            bytes,
            charset,
            reading.charset() == null ? "the file seems to be written in" : "was chosen");
    text = text.startsWith("\ufeff") ? text.substring(1) : text;
    char separator = reading.separator() == null ? separator(text) : reading.separator();
    List<Row> rows = rows(text, separator, Integer.MAX_VALUE);
    return Table.of(LineSource.CSV, charset, separator, rows, reading.headerLine());
  }

  /** The separator that cuts the most rows into the same number of cells, at least two. */
  private static char separator(String text) {
    char best = 0;
    long bestScore = 0;
    for (char candidate : SEPARATORS) {
      long score = score(text, candidate);
      if (score > bestScore) {
        best = candidate;
        bestScore = score;
      }
    }
    if (best == 0) {
      throw UnreadableFile.whole(
          "No columns can be found: the rows hold no commas, semicolons, tabs or bars.");
    }
    return best;
  }

  private static long score(String text, char candidate) {
    try {
      List<Row> rows = rows(text, candidate, ROWS_TO_JUDGE_BY);
      int width = TableHeader.usualWidth(rows);
      return width < 2
          ? 0
          : width + 100 * rows.stream().filter(r -> r.cells().size() == width).count();
    } catch (UnreadableFile e) {
      // A quote left open under every separator is found again, and told, when the rows are read.
      return text.indexOf(candidate) >= 0 ? 1 : 0;
    }
  }

  private static List<Row> rows(String text, char separator, int atMost) {
    var rows = new ArrayList<Row>();
    try (CsvReader<CsvRecord> reader =
        CsvReader.builder()
            .fieldSeparator(separator)
            .skipEmptyLines(true)
            .allowExtraFields(true)
            .allowMissingFields(true)
            .ofCsvRecord(text)) {
      for (CsvRecord csv : reader) {
        if (rows.size() >= atMost) {
          break;
        }
        if (rows.size() >= MOST_ROWS) {
          throw UnreadableFile.at(
              (int) csv.getStartingLineNumber(),
              "the table has more than 200,000 rows. Export a shorter period.");
        }
        List<String> cells = cells(csv);
        if (cells.stream().anyMatch(cell -> !cell.isEmpty())) {
          rows.add(new Row((int) csv.getStartingLineNumber(), cells));
        }
      }
    } catch (CsvParseException e) {
      int line = rows.isEmpty() ? 1 : rows.getLast().line() + 1;
      throw UnreadableFile.at(line, "the row cannot be read: " + rootMessage(e));
    } catch (java.io.IOException e) {
      throw new java.io.UncheckedIOException(e); // text in memory does not fail
    }
    return rows;
  }

  private static List<String> cells(CsvRecord csv) {
    int line = (int) csv.getStartingLineNumber();
    if (csv.getFieldCount() > MOST_COLUMNS) {
      throw UnreadableFile.at(line, "the row has more than 100 columns.");
    }
    if (csv.getFields().stream().anyMatch(cell -> cell.length() > LONGEST_CELL)) {
      throw UnreadableFile.at(line, "a cell is longer than 10,000 characters.");
    }
    return csv.getFields().stream().map(String::strip).toList();
  }

  private static String rootMessage(Throwable e) {
    Throwable root = e.getCause() == null ? e : e.getCause();
    return String.valueOf(root.getMessage());
  }
}
