package org.yewledger.app.report;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.yewledger.app.report.ReportJson.ReportColumnJson;
import org.yewledger.app.report.ReportJson.ReportPageJson;
import org.yewledger.app.report.ReportJson.ReportRowJson;
import org.yewledger.app.report.ReportJson.ReportTableJson;
import org.yewledger.app.report.ReportJson.RowLook;
import org.yewledger.formats.table.ReportTable;
import org.yewledger.formats.table.Workbook;

/** Reports as cells of a table: one line a row, its book and its section beside it. */
final class ReportCells {
  private ReportCells() {}

  static byte[] csv(ReportPageJson page) {
    return csv(columns(page), rows(page));
  }

  /** With plain numbers and days. */
  static byte[] csv(List<String> columns, List<List<Object>> rows) {
    return ReportTable.write(
        columns, rows.stream().map(row -> row.stream().map(ReportCells::plain).toList()).toList());
  }

  static byte[] workbook(ReportPageJson page, String sheet) {
    return Workbook.write(sheet, columns(page), rows(page));
  }

  private static List<String> columns(ReportPageJson page) {
    var columns = new ArrayList<>(List.of("book", "section", "row", "name", "currency"));
    List<ReportColumnJson> spans =
        page.tables().isEmpty() ? List.of() : page.tables().getFirst().columns();
    spans.forEach(span -> columns.add(inWords(span)));
    return columns;
  }

  private static List<List<Object>> rows(ReportPageJson page) {
    var rows = new ArrayList<List<Object>>();
    page.tables().forEach(table -> add(rows, table));
    return rows;
  }

  private static String plain(Object cell) {
    return cell instanceof BigDecimal amount ? amount.toPlainString() : cell.toString();
  }

  private static void add(List<List<Object>> rows, ReportTableJson table) {
    String section = "";
    for (ReportRowJson row : table.rows()) {
      if (row.look() == RowLook.GROUP) {
        section = row.name();
        continue;
      }
      var cells = new ArrayList<Object>();
      cells.add(table.bookName());
      cells.add(row.look() == RowLook.TOTAL ? "" : section);
      cells.add(row.look().name().toLowerCase(Locale.ROOT));
      cells.add(row.name());
      cells.add(table.currency());
      cells.addAll(row.amounts());
      rows.add(cells);
    }
  }

  private static String inWords(ReportColumnJson span) {
    return span.first().equals(span.last())
        ? span.first().toString()
        : span.first() + ".." + span.last();
  }
}
