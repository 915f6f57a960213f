package org.yewledger.app.report;

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
    return ReportTable.write(columns(page), rows(page));
  }

  static byte[] workbook(ReportPageJson page, String sheet) {
    return Workbook.write(sheet, columns(page), rows(page));
  }

  private static List<String> columns(ReportPageJson page) {
    var columns = new ArrayList<>(List.of("book", "section", "row", "name", "currency"));
    if (!page.tables().isEmpty()) {
      List<ReportColumnJson> spans = page.tables().getFirst().columns();
      boolean alike = alike(page);
      for (int i = 0; i < spans.size(); i++) {
        columns.add(alike ? inWords(spans.get(i)) : Integer.toString(i + 1));
      }
    }
    return columns;
  }

  /** Not where the books' years begin in different months; then each book says its own columns. */
  private static boolean alike(ReportPageJson page) {
    return page.tables().stream().map(ReportTableJson::columns).distinct().count() < 2;
  }

  private static List<List<Object>> rows(ReportPageJson page) {
    boolean alike = alike(page);
    var rows = new ArrayList<List<Object>>();
    for (ReportTableJson table : page.tables()) {
      if (!alike) {
        var cells =
            new ArrayList<Object>(List.of(table.bookName(), "", "columns", "", table.currency()));
        table.columns().forEach(span -> cells.add(inWords(span)));
        rows.add(cells);
      }
      add(rows, table);
    }
    return rows;
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
    String months =
        span.first().equals(span.last())
            ? span.first().toString()
            : span.first() + ".." + span.last();
    return span.inWords() == null ? months : months + " " + span.inWords();
  }
}
