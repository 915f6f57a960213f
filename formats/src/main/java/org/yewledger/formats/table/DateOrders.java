package org.yewledger.formats.table;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.yewledger.formats.table.TableLayout.DateOrder;

/** Settles the order of day, month and year by looking at a whole column. */
final class DateOrders {
  /** No date, and so none that could be read wrongly. */
  private static final Settled NOTHING_TO_READ = new Settled(DateOrder.DAY_MONTH_YEAR, true, "", 0);

  private DateOrders() {}

  /**
   * @param certain whether the column allows no other order
   * @param evidence the cell that settles it, empty if none does by itself
   * @param line its line; 0 if none
   */
  record Settled(DateOrder order, boolean certain, String evidence, int line) {}

  /**
   * One 23 in the first place rules the month out there. Where dates contradict each other, most of
   * them decide, and the reader names the others. Where every date fits both orders, the one in
   * which they follow each other as rows of a statement do is taken, if the other one is not so.
   *
   * @param column below zero where no column has dates
   */
  static Settled settle(List<Table.Row> rows, int column) {
    if (column < 0) {
      return NOTHING_TO_READ;
    }
    Map<DateOrder, List<Settled>> votes = new EnumMap<>(DateOrder.class);
    for (Table.Row row : rows) {
      String cell = row.cells().get(column);
      onlyOrderOf(cell)
          .ifPresent(order ->
              votes
                  .computeIfAbsent(order, o -> new ArrayList<>())
                  .add(new Settled(order, true, cell, row.line())));
    }
    return votes.values().stream()
        .max(
            Comparator.comparingInt((List<Settled> v) -> v.size())
                .thenComparing(v -> -v.getFirst().order().ordinal()))
        .map(List::getFirst)
        .orElseGet(() -> bySequence(rows, column));
  }

  private static Settled bySequence(List<Table.Row> rows, int column) {
    List<String> cells =
        rows.stream().map(r -> r.cells().get(column)).filter(c -> !c.isEmpty()).toList();
    if (cells.isEmpty()) {
      return NOTHING_TO_READ;
    }
    boolean dayFirst = runsOneWay(cells, DateOrder.DAY_MONTH_YEAR);
    boolean monthFirst = runsOneWay(cells, DateOrder.MONTH_DAY_YEAR);
    boolean settled = dayFirst != monthFirst && cells.size() > 2;
    DateOrder order = settled && monthFirst ? DateOrder.MONTH_DAY_YEAR : DateOrder.DAY_MONTH_YEAR;
    return new Settled(order, settled, "", 0);
  }

  private static boolean runsOneWay(List<String> cells, DateOrder order) {
    boolean up = true;
    boolean down = true;
    LocalDate before = null;
    for (String cell : cells) {
      LocalDate date = date(cell, order);
      if (date == null) {
        return false;
      }
      up &= before == null || !date.isBefore(before);
      down &= before == null || !date.isAfter(before);
      before = date;
    }
    return up || down;
  }

  /** The order of a date that allows only one; empty for 04/09/2026. */
  private static Optional<DateOrder> onlyOrderOf(String cell) {
    int[] parts = CellKinds.dateParts(cell);
    if (parts.length < 3) {
      return Optional.empty();
    }
    if (parts[0] > 999) {
      return Optional.of(DateOrder.YEAR_MONTH_DAY);
    }
    if (parts[0] > 12 || CellKinds.namesMonth(cell)) {
      return Optional.of(DateOrder.DAY_MONTH_YEAR);
    }
    return parts[1] > 12 ? Optional.of(DateOrder.MONTH_DAY_YEAR) : Optional.empty();
  }

  /** The day that a cell means in this order; null if the cell has no date or no such day. */
  static @Nullable LocalDate date(String cell, DateOrder order) {
    int[] parts = CellKinds.dateParts(cell);
    if (parts.length < 3) {
      return null;
    }
    try {
      return switch (CellKinds.namesMonth(cell) ? DateOrder.DAY_MONTH_YEAR : order) {
        case DAY_MONTH_YEAR -> LocalDate.of(year(parts[2]), parts[1], parts[0]);
        case MONTH_DAY_YEAR -> LocalDate.of(year(parts[2]), parts[0], parts[1]);
        case YEAR_MONTH_DAY -> LocalDate.of(year(parts[0]), parts[1], parts[2]);
      };
    } catch (DateTimeException e) {
      return null;
    }
  }

  /** Two digits mean this century: bank files are not older. */
  private static int year(int year) {
    return year < 100 ? 2000 + year : year;
  }
}
