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
  private TableHeader() {}

  /**
   * The row on the wanted line, or the first full row that is words only, with data below; a
   * preamble is narrower or has figures.
   */
  static int find(List<Row> rows, @Nullable Integer wantedLine) {
    int width = usualWidth(rows);
    for (int i = 0; i < rows.size() - 1; i++) {
      Row row = rows.get(i);
      boolean isHeader = wantedLine != null ? row.line() == wantedLine : namesColumns(row, width);
      if (isHeader) {
        return i;
      }
    }
    throw UnreadableFile.whole("No row names the columns, or no row stands below it.");
  }

  private static boolean namesColumns(Row row, int width) {
    return row.cells().size() == width
        && row.cells().stream().noneMatch(CellKinds::isDateOrAmount)
        && row.cells().stream().filter(c -> !c.isEmpty()).count() >= 2;
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

  /** The rows with empty cells at the end filled up or cut; a row that says more is refused. */
  static List<Row> evenRows(List<Row> rows, int header) {
    int width = rows.get(header).cells().size();
    var even = new ArrayList<>(rows.subList(0, header + 1));
    for (Row row : rows.subList(header + 1, rows.size())) {
      int size = row.cells().size();
      boolean emptyBehind =
          size > width && row.cells().subList(width, size).stream().allMatch(String::isEmpty);
      if (size != width && !emptyBehind) {
        throw UnreadableFile.at(
            row.line(),
            "the row has %d columns, the header has %d. Mend or remove the row."
                .formatted(size, width));
      }
      even.add(emptyBehind ? new Row(row.line(), row.cells().subList(0, width)) : row);
    }
    return even;
  }
}
