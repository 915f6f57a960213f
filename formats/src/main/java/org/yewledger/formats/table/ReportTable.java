package org.yewledger.formats.table;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;

/** A report as a table: what each row is, and its figures. */
public final class ReportTable {
  private ReportTable() {}

  /**
   * As CSV (RFC 4180), in UTF-8: numbers with a decimal point, days as ISO 8601 writes them. What a
   * spreadsheet would take for a formula is made harmless.
   *
   * @param rows each cell a {@link BigDecimal}, a {@link LocalDate} or a {@link String}; one for
   *     each column
   */
  public static byte[] write(List<String> columns, List<List<Object>> rows) {
    return NamedRows.write(
        columns, rows.stream().map(row -> row.stream().map(ReportTable::plain).toList()).toList());
  }

  private static String plain(Object cell) {
    return cell instanceof BigDecimal number ? number.toPlainString() : cell.toString();
  }
}
