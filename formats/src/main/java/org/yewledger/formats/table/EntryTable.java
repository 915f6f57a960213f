package org.yewledger.formats.table;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.yewledger.core.BadRows;
import org.yewledger.core.sheet.SheetRow;
import org.yewledger.formats.UnreadableFile;
import org.yewledger.formats.table.EntryTableLayout.Column;

/** Reads the rows of a person's own sheet, once a layout says what its columns mean. */
public final class EntryTable {
  private final Table table;
  private final EntryTableLayout layout;
  private final WrittenCells cells;

  private EntryTable(Table table, EntryTableLayout layout) {
    this.table = table;
    this.layout = layout;
    this.cells = new WrittenCells(table.header(), layout.dateOrder(), layout.decimalMark());
  }

  /**
   * What could be read.
   *
   * @param others rows without a date or without an amount, which are no entries
   * @param problems every row with a cell that does not fit
   */
  public record Read(List<SheetRow> rows, List<Table.Row> others, List<BadRows.Problem> problems) {}

  /**
   * @throws UnreadableFile if the layout does not fit the table or leaves something open
   */
  public static Read read(Table table, EntryTableLayout layout) {
    if (layout.meanings().size() != table.header().size()) {
      throw UnreadableFile.whole(
          "The layout has %d columns, the file has %d."
              .formatted(layout.meanings().size(), table.header().size()));
    }
    List<String> problems = layout.problems();
    if (!problems.isEmpty()) {
      throw UnreadableFile.whole(String.join(" ", problems));
    }
    return new EntryTable(table, layout).read();
  }

  private Read read() {
    var rows = new ArrayList<SheetRow>();
    var others = new ArrayList<Table.Row>();
    var problems = new ArrayList<BadRows.Problem>();
    for (Table.Row row : table.data()) {
      if (!isEntry(row)) {
        others.add(row);
        continue;
      }
      try {
        rows.add(read(row));
      } catch (UnreadableFile e) {
        problems.add(
            new BadRows.Problem(row.line(), e.field() == null ? "" : e.field(), e.reason()));
      }
    }
    return new Read(rows, others, problems);
  }

  /** What seems meant as a date is not passed over, even where it is none. */
  private boolean isEntry(Table.Row row) {
    return CellKinds.isMeantAsDate(text(row, Column.DATE))
        && Stream.of(Column.AMOUNT, Column.IN, Column.OUT)
            .anyMatch(column -> !text(row, column).isEmpty());
  }

  private SheetRow read(Table.Row row) {
    return new SheetRow(
        row.line(),
        cells.date(row, layout.indexOf(Column.DATE)),
        text(row, Column.PAYEE),
        amount(row),
        currency(row),
        text(row, Column.ACCOUNT),
        text(row, Column.CATEGORY),
        text(row, Column.TAX),
        note(row),
        tags(row));
  }

  /** In and out are money in, above zero, and money out, below. */
  private BigDecimal amount(Table.Row row) {
    if (layout.has(Column.AMOUNT)) {
      return cells.number(row, layout.indexOf(Column.AMOUNT));
    }
    boolean in = isGiven(row, Column.IN);
    if (in == isGiven(row, Column.OUT)) {
      throw UnreadableFile.at(
          row.line(),
          in
              ? "both money in and money out are given."
              : "neither money in nor money out is given.");
    }
    return in
        ? cells.number(row, layout.indexOf(Column.IN)).abs()
        : cells.number(row, layout.indexOf(Column.OUT)).abs().negate();
  }

  /** As a column of its own says, or as it stands beside the amount. */
  private String currency(Table.Row row) {
    String said = text(row, Column.CURRENCY);
    return said.isEmpty()
        ? Stream.of(Column.AMOUNT, Column.IN, Column.OUT)
            .map(column -> AmountText.of(text(row, column)).map(AmountText::currency).orElse(""))
            .filter(beside -> !beside.isEmpty())
            .findFirst()
            .orElse("")
        : said;
  }

  private boolean isGiven(Table.Row row, Column column) {
    return !text(row, column).isEmpty() && cells.number(row, layout.indexOf(column)).signum() != 0;
  }

  private String note(Table.Row row) {
    return IntStream.range(0, layout.meanings().size())
        .filter(i -> layout.meanings().get(i) == Column.NOTE)
        .mapToObj(i -> row.cells().get(i).strip())
        .filter(cell -> !cell.isEmpty())
        .collect(Collectors.joining(" "));
  }

  private List<String> tags(Table.Row row) {
    return Arrays.stream(text(row, Column.TAGS).split("[,;]"))
        .map(String::strip)
        .filter(tag -> !tag.isEmpty())
        .toList();
  }

  private String text(Table.Row row, Column column) {
    int index = layout.indexOf(column);
    return index < 0 ? "" : row.cells().get(index).strip();
  }
}
