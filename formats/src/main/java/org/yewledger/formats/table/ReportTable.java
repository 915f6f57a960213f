package org.yewledger.formats.table;

import java.util.List;

/** A report as a table: what each row is, and one amount for each column. */
public final class ReportTable {
  private ReportTable() {}

  /**
   * As CSV (RFC 4180), in UTF-8. What a spreadsheet would take for a formula is made harmless.
   *
   * @param rows amounts with a decimal point; one cell for each column
   */
  public static byte[] write(List<String> columns, List<List<String>> rows) {
    return NamedRows.write(columns, rows);
  }
}
