package org.yewledger.formats.table;

import java.util.List;
import org.yewledger.core.chart.ChartRow;

/** A chart of accounts with its opening balances as a table. */
public final class ChartTable {
  private static final List<String> REQUIRED = List.of("name", "kind");
  private static final List<String> OPTIONAL =
      List.of(
          "group",
          "currency",
          "number",
          "ending",
          "institution",
          "opens on",
          "opening balance",
          "tax form line",
          "notes");
  private static final List<String> COLUMNS =
      List.of(
          "name",
          "kind",
          "group",
          "currency",
          "number",
          "ending",
          "institution",
          "opens on",
          "opening balance",
          "tax form line",
          "notes");

  private ChartTable() {}

  /** The rows as text; what they mean is for {@link org.yewledger.core.chart.ChartPlan} to say. */
  public static List<ChartRow> read(byte[] bytes) {
    return NamedRows.read(bytes, REQUIRED, OPTIONAL).stream()
        .map(r ->
            new ChartRow(
                r.line(),
                r.cell("name"),
                r.cell("kind"),
                r.cell("group"),
                r.cell("currency"),
                r.cell("number"),
                r.cell("ending"),
                r.cell("institution"),
                r.cell("opens on"),
                r.cell("opening balance"),
                r.cell("tax form line"),
                r.cell("notes")))
        .toList();
  }

  public static byte[] write(List<ChartRow> rows) {
    return NamedRows.write(
        COLUMNS,
        rows.stream()
            .map(r ->
                List.of(
                    r.name(),
                    r.kind(),
                    r.group(),
                    r.currency(),
                    r.number(),
                    r.ending(),
                    r.institution(),
                    r.opensOn(),
                    r.openingBalance(),
                    r.taxFormLine(),
                    r.notes()))
            .toList());
  }

  /** A small table that shows every column. */
  public static byte[] template(String currency, String opensOn) {
    return write(
        List.of(
            row("Main current", "current", "", currency, "4417", "A bank", opensOn, "1250.00"),
            row("Card", "card", "", currency, "6650", "A bank", opensOn, "-340.15"),
            row("Food", "expense group", "", currency, "", "", "", ""),
            row("Groceries", "expense", "Food", currency, "", "", "", ""),
            row("Pay", "income", "", currency, "", "", "", "")));
  }

  private static ChartRow row(
      String name,
      String kind,
      String group,
      String currency,
      String ending,
      String institution,
      String opensOn,
      String opening) {
    return new ChartRow(
        0, name, kind, group, currency, "", ending, institution, opensOn, opening, "", "");
  }
}
