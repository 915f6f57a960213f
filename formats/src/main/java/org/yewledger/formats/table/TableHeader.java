package org.yewledger.formats.table;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.yewledger.formats.UnreadableFile;
import org.yewledger.formats.table.Table.Row;

/** Finds the row that names the columns. */
final class TableHeader {
  private static final int ROWS_LOOKED_AT = 100;

  private TableHeader() {}

  /**
   * The row on the wanted line; else, of the rows of words, the one that looks most like names of
   * columns: many cells, known names, data right below. A preamble has fewer of each.
   */
  static int find(List<Row> rows, @Nullable Integer wantedLine) {
    int width = usualWidth(rows);
    int best = -1;
    int bestScore = 0;
    for (int i = 0; i < rows.size(); i++) {
      Row row = rows.get(i);
      if (wantedLine != null) {
        if (row.line() == wantedLine) {
          return i;
        }
      } else if (i < ROWS_LOOKED_AT && namesColumns(row)) {
        int score = score(rows, i, width);
        if (score > bestScore) {
          best = i;
          bestScore = score;
        }
      }
    }
    if (best < 0) {
      throw UnreadableFile.whole(
          "No row names the columns. A table needs a row with the names of its columns above its lines.");
    }
    return best;
  }

  private static boolean namesColumns(Row row) {
    return row.cells().stream().noneMatch(CellKinds::isDateOrAmount)
        && row.cells().stream().filter(c -> !c.isEmpty()).count() >= 2;
  }

  private static int score(List<Row> rows, int index, int width) {
    Row row = rows.get(index);
    int filled = (int) row.cells().stream().filter(c -> !c.isEmpty()).count();
    int known = (int) row.cells().stream().filter(ColumnMeanings::isKnownName).count();
    boolean aboveLines = index + 1 < rows.size() && rows.get(index + 1).looksLikeLine();
    return filled + 3 * known + (row.cells().size() == width ? 4 : 0) + (aboveLines ? 8 : 0);
  }

  static int usualWidth(List<Row> rows) {
    return rows.stream()
        .collect(Collectors.groupingBy(r -> r.cells().size(), Collectors.counting()))
        .entrySet()
        .stream()
        .max(
            Comparator.comparing(Map.Entry<Integer, Long>::getValue)
                .thenComparing(Map.Entry::getKey))
        .map(Map.Entry::getKey)
        .orElse(0);
  }

  /**
   * The rows with empty cells at the end filled up or cut. A row with a date that has more cells or
   * fewer is refused; one without a date is no line and is kept to be shown.
   */
  static List<Row> evenRows(List<Row> rows, int header) {
    int width = rows.get(header).cells().size();
    var even = new ArrayList<>(rows.subList(0, header + 1));
    for (Row row : rows.subList(header + 1, rows.size())) {
      even.add(even(row, width));
    }
    return even;
  }

  private static Row even(Row row, int width) {
    int size = row.cells().size();
    if (size == width) {
      return row;
    }
    boolean emptyBehind =
        size > width && row.cells().subList(width, size).stream().allMatch(String::isEmpty);
    if (!emptyBehind && row.cells().stream().anyMatch(CellKinds::isMeantAsDate)) {
      throw UnreadableFile.at(
          row.line(),
          "the row has %d columns, the header has %d. Mend or remove the row."
              .formatted(size, width));
    }
    var cells = new ArrayList<>(row.cells().subList(0, Math.min(size, width)));
    while (cells.size() < width) {
      cells.add("");
    }
    if (size > width && !emptyBehind) {
      cells.set(width - 1, String.join(" ", row.cells().subList(width - 1, size)));
    }
    return new Row(row.line(), cells);
  }
}
