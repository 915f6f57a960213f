package org.yewledger.formats.table;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.yewledger.core.money.Decimals;
import org.yewledger.formats.Excerpt;
import org.yewledger.formats.UnreadableFile;
import org.yewledger.formats.table.TableLayout.DateOrder;
import org.yewledger.formats.table.TableLayout.DecimalMark;

/**
 * The dates and amounts in the cells of a table, once it is settled how they are written.
 *
 * @param header the names of the columns, for messages
 */
record WrittenCells(List<String> header, DateOrder dateOrder, DecimalMark decimalMark) {

  /**
   * @throws UnreadableFile with the line and the column, if no amount stands there
   */
  BigDecimal number(Table.Row row, int column) {
    String cell = row.cells().get(column);
    Optional<BigDecimal> number =
        AmountText.of(cell)
            .map(a -> a.plain(decimalMark))
            .flatMap(Decimals::read)
            .map(AmountCells::withoutNoise);
    return number.orElseThrow(
        () -> UnreadableFile.at(row.line(), header.get(column), whyNoAmount(cell)));
  }

  private String whyNoAmount(String cell) {
    if (cell.isEmpty()) {
      return "the amount is missing.";
    }
    if (CellKinds.isError(cell)) {
      return error(cell);
    }
    return "%s is not an amount with a decimal %s."
        .formatted(Excerpt.of(cell), decimalMark == DecimalMark.COMMA ? "comma" : "point");
  }

  /**
   * @throws UnreadableFile with the line and the column, if no day of the calendar stands there
   */
  LocalDate date(Table.Row row, int column) {
    String cell = row.cells().get(column);
    LocalDate date = DateOrders.date(cell, dateOrder);
    if (date == null) {
      throw UnreadableFile.at(row.line(), header.get(column), whyNoDate(cell));
    }
    return date;
  }

  private String whyNoDate(String cell) {
    if (cell.isEmpty()) {
      return "the date is missing.";
    }
    if (CellKinds.isError(cell)) {
      return error(cell);
    }
    if (!CellKinds.isDate(cell)) {
      return Excerpt.of(cell) + " is not a date.";
    }
    return "%s is not a day of the calendar in the order %s."
        .formatted(Excerpt.of(cell), dateOrder.name().toLowerCase(Locale.ROOT).replace('_', ' '));
  }

  private static String error(String cell) {
    return "the spreadsheet shows the error %s here. Mend the cell there and save the file again."
        .formatted(Excerpt.of(cell));
  }
}
