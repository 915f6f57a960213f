package org.yewledger.formats.table;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import org.dhatim.fastexcel.Worksheet;

/**
 * A table as a workbook of one sheet (Office Open XML, ISO/IEC 29500): numbers are numbers, days
 * are days, and a text is a text whatever it begins with.
 */
public final class Workbook {
  private static final String AMOUNT = "#,##0.00";
  private static final String DAY = "yyyy-mm-dd";

  private Workbook() {}

  /**
   * @param rows each cell a {@link BigDecimal}, a {@link LocalDate} or a {@link String}
   */
  public static byte[] write(String sheet, List<String> columns, List<List<Object>> rows) {
    var out = new ByteArrayOutputStream();
    try (var workbook = new org.dhatim.fastexcel.Workbook(out, "Yew Ledger", "1.0")) {
      Worksheet page = workbook.newWorksheet(sheet);
      for (int column = 0; column < columns.size(); column++) {
        page.value(0, column, columns.get(column));
        page.style(0, column).bold().set();
      }
      page.freezePane(0, 1);
      for (int row = 0; row < rows.size(); row++) {
        List<Object> cells = rows.get(row);
        for (int column = 0; column < cells.size(); column++) {
          set(page, row + 1, column, cells.get(column));
        }
      }
      page.finish();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return out.toByteArray();
  }

  private static void set(Worksheet page, int row, int column, Object cell) {
    switch (cell) {
      case BigDecimal number -> {
        page.value(row, column, number);
        page.style(row, column).format(AMOUNT).set();
      }
      case LocalDate day -> {
        page.value(row, column, day);
        page.style(row, column).format(DAY).set();
      }
      case String text -> page.value(row, column, text);
      default -> throw new IllegalArgumentException("no cell: " + cell.getClass());
    }
  }
}
