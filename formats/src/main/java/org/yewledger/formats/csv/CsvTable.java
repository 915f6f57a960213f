package org.yewledger.formats.csv;

import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.CsvRecord;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.yewledger.formats.TextDecoding;
import org.yewledger.formats.UnreadableFile;

/**
 * The cells of a delimited text file, before anybody knows what they mean.
 *
 * @param charset how the bytes were read
 * @param separator the character between cells
 * @param headerIndex which of {@code rows} names the columns; what stands above is preamble
 * @param rows all rows that are not blank
 */
public record CsvTable(Charset charset, char separator, int headerIndex, List<Row> rows) {
  private static final char[] SEPARATORS = {';', ',', '\t', '|'};
  private static final int ROWS_TO_JUDGE_BY = 200;
  private static final int MOST_COLUMNS = 100;

  /** One row; {@code line} is the line of the file on which it begins, from 1. */
  public record Row(int line, List<String> cells) {}

  /** Reads the table, finding encoding, separator and header by itself. */
  public static CsvTable parse(byte[] bytes) {
    Charset charset = TextDecoding.guess(bytes);
    String text = TextDecoding.strictly(bytes, charset, "the file seems to be written in");
    text = text.startsWith("\ufeff") ? text.substring(1) : text;
    char separator = separator(text);
    List<Row> rows = rows(text, separator, Integer.MAX_VALUE);
    int header = header(rows);
    requireEvenRows(rows, header);
    return new CsvTable(charset, separator, header, rows);
  }

  /** The names of the columns. */
  public List<String> header() {
    return rows.get(headerIndex).cells();
  }

  /** The rows below the header. */
  public List<Row> data() {
    return rows.subList(headerIndex + 1, rows.size());
  }

  /** The cells of one column below the header. */
  public List<String> column(int index) {
    return data().stream().map(row -> row.cells().get(index)).toList();
  }

  /** The separator that cuts the most rows into the same number of cells, at least two. */
  private static char separator(String text) {
    char best = 0;
    long bestScore = 0;
    for (char candidate : SEPARATORS) {
      long score;
      try {
        List<Row> rows = rows(text, candidate, ROWS_TO_JUDGE_BY);
        int width = usualWidth(rows);
        score =
            width < 2
                ? 0
                : width + 100 * rows.stream().filter(r -> r.cells().size() == width).count();
      } catch (UnreadableFile e) {
        // A quote left open under every separator is found again, and told, when the rows are read.
        score = text.indexOf(candidate) >= 0 ? 1 : 0;
      }
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
        if (csv.getFieldCount() > MOST_COLUMNS) {
          throw UnreadableFile.at(
              (int) csv.getStartingLineNumber(), "the row has more than 100 columns.");
        }
        List<String> cells = csv.getFields().stream().map(String::strip).toList();
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

  private static String rootMessage(Throwable e) {
    Throwable root = e.getCause() == null ? e : e.getCause();
    return String.valueOf(root.getMessage());
  }

  private static int usualWidth(List<Row> rows) {
    return rows.stream()
        .collect(
            java.util.stream.Collectors.groupingBy(
                r -> r.cells().size(), java.util.stream.Collectors.counting()))
        .entrySet()
        .stream()
        .max(
            Comparator.comparing(java.util.Map.Entry<Integer, Long>::getValue)
                .thenComparing(java.util.Map.Entry::getKey))
        .map(java.util.Map.Entry::getKey)
        .orElse(0);
  }

  /**
   * The first full row that is words only, with data below; a preamble is narrower or has figures.
   */
  private static int header(List<Row> rows) {
    int width = usualWidth(rows);
    for (int i = 0; i < rows.size() - 1; i++) {
      Row row = rows.get(i);
      boolean named = row.cells().stream().noneMatch(CellKinds::isDateOrAmount);
      if (row.cells().size() == width
          && named
          && row.cells().stream().filter(c -> !c.isEmpty()).count() >= 2) {
        return i;
      }
    }
    throw UnreadableFile.whole("No row names the columns, or no row stands below it.");
  }

  private static void requireEvenRows(List<Row> rows, int header) {
    int width = rows.get(header).cells().size();
    for (Row row : rows.subList(header + 1, rows.size())) {
      if (row.cells().size() != width) {
        throw UnreadableFile.at(
            row.line(),
            "the row has %d columns, the header has %d. Mend or remove the row."
                .formatted(row.cells().size(), width));
      }
    }
  }

  /** The name of the encoding for people. */
  public String encodingName() {
    return charset.equals(StandardCharsets.UTF_8)
        ? "UTF-8"
        : charset.displayName(java.util.Locale.ROOT);
  }
}
