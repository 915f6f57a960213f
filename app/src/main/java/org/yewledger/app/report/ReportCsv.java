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

/** Reports as comma-separated text: one line a row, its book and its section beside it. */
final class ReportCsv {
  private ReportCsv() {}

  static byte[] write(ReportPageJson page) {
    var columns = new ArrayList<>(List.of("book", "section", "row", "name", "currency"));
    List<ReportColumnJson> spans =
        page.tables().isEmpty() ? List.of() : page.tables().getFirst().columns();
    spans.forEach(span -> columns.add(inWords(span)));
    var rows = new ArrayList<List<String>>();
    page.tables().forEach(table -> add(rows, table));
    return ReportTable.write(columns, rows);
  }

  private static void add(List<List<String>> rows, ReportTableJson table) {
    String section = "";
    for (ReportRowJson row : table.rows()) {
      if (row.look() == RowLook.GROUP) {
        section = row.name();
        continue;
      }
      var cells = new ArrayList<String>();
      cells.add(table.bookName());
      cells.add(row.look() == RowLook.TOTAL ? "" : section);
      cells.add(row.look().name().toLowerCase(Locale.ROOT));
      cells.add(row.name());
      cells.add(table.currency());
      row.amounts().stream().map(BigDecimal::toPlainString).forEach(cells::add);
      rows.add(cells);
    }
  }

  private static String inWords(ReportColumnJson span) {
    return span.first().equals(span.last())
        ? span.first().toString()
        : span.first() + ".." + span.last();
  }
}
