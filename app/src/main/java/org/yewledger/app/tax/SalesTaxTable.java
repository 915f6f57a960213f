package org.yewledger.app.tax;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.yewledger.app.tax.SalesTaxJson.SalesTaxPageJson;
import org.yewledger.app.tax.SalesTaxJson.SalesTaxTableJson;
import org.yewledger.app.tax.SalesTaxJson.TaxLineJson;
import org.yewledger.core.entry.Formats;
import org.yewledger.core.money.Amount;
import org.yewledger.formats.pdf.Paper.Column;
import org.yewledger.formats.pdf.Paper.Head;
import org.yewledger.formats.pdf.Paper.Look;
import org.yewledger.formats.pdf.Paper.Part;
import org.yewledger.formats.pdf.Paper.Row;
import org.yewledger.formats.pdf.Paper.Table;

/** Sales tax to be taken along: as cells of a table, and set for paper. */
final class SalesTaxTable {
  static final List<String> COLUMNS =
      List.of(
          "book",
          "number",
          "row",
          "first",
          "last",
          "rate",
          "percent",
          "currency",
          "sales",
          "collected",
          "purchases",
          "paid",
          "due");

  private SalesTaxTable() {}

  /** As {@link #COLUMNS} say: each rate, their sum, each correction, and what is due of all. */
  static List<List<Object>> cells(SalesTaxPageJson page) {
    var cells = new ArrayList<List<Object>>();
    for (SalesTaxTableJson table : page.tables()) {
      table.lines().forEach(line -> cells.add(cells(table, "rate", line)));
      table.corrections().forEach(line -> cells.add(cells(table, "correction", line)));
      cells.add(
          List.of(
              table.bookName(),
              table.number(),
              "due",
              table.first().toString(),
              table.last().toString(),
              "",
              "",
              table.currency(),
              "",
              "",
              "",
              "",
              table.due()));
    }
    return cells;
  }

  private static List<Object> cells(SalesTaxTableJson table, String row, TaxLineJson line) {
    BigDecimal percent = line.percent();
    return List.of(
        table.bookName(),
        table.number(),
        row,
        line.first().toString(),
        line.last().toString(),
        line.rateName(),
        percent == null ? "" : percent,
        table.currency(),
        line.sales(),
        line.collected(),
        line.purchases(),
        line.paid(),
        line.due());
  }

  /** Each book begins a page. */
  static List<Part> paper(SalesTaxPageJson page, Formats formats) {
    var parts = new ArrayList<Part>();
    for (SalesTaxTableJson table : page.tables()) {
      parts.add(new Head("Sales tax, " + table.bookName(), about(table, formats)));
      parts.add(table(table, formats));
      parts.add(account(table, formats));
    }
    return parts;
  }

  private static String about(SalesTaxTableJson table, Formats formats) {
    String about = formats.write(table.first(), table.last());
    if (!table.number().isEmpty()) {
      about += ", number " + table.number();
    }
    return table.returned() == null ? about + ", not returned yet" : about + ", returned";
  }

  private static Table table(SalesTaxTableJson table, Formats formats) {
    var figures = new Figures(table.currency(), formats);
    var rows = new ArrayList<Row>();
    table.lines().forEach(line -> rows.add(figures.row(Look.PLAIN, named(line, formats), line)));
    rows.add(
        figures.row(
            Look.SUM,
            formats.write(table.first(), table.last()),
            table.sum().sales(),
            table.sum().collected(),
            table.sum().purchases(),
            table.sum().paid(),
            table.sum().due()));
    if (!table.corrections().isEmpty()) {
      rows.add(Row.of(Look.GROUP, "Changed since it was returned", "", "", "", "", ""));
      for (TaxLineJson line : table.corrections()) {
        String about = formats.write(line.first(), line.last());
        rows.add(figures.row(Look.WITHIN, named(line, formats) + ", " + about, line));
      }
    }
    rows.add(Row.of(Look.TOTAL, "Due to the tax office", "", "", "", "", figures.of(table.due())));
    return new Table(
        "",
        "",
        List.of(
            Column.text(table.currency(), 3),
            Column.figures("Sales", 1.3f),
            Column.figures("Collected", 1.3f),
            Column.figures("Purchases", 1.3f),
            Column.figures("Paid", 1.3f),
            Column.figures("Due", 1.3f)),
        rows);
  }

  private static String named(TaxLineJson line, Formats formats) {
    BigDecimal percent = line.percent();
    return percent == null
        ? line.rateName()
        : "%s %s".formatted(line.rateName(), formats.writePercent(percent));
  }

  private static Table account(SalesTaxTableJson table, Formats formats) {
    var figures = new Figures(table.currency(), formats);
    var account = table.account();
    return new Table(
        account.names(),
        "",
        60,
        List.of(Column.text("", 3), Column.figures(table.currency(), 1.3f)),
        List.of(
            Row.of(Look.PLAIN, "Owed before", figures.of(account.before())),
            Row.of(Look.PLAIN, "Arose", figures.of(account.arose())),
            Row.of(Look.PLAIN, "Settled", figures.of(account.settled().negate())),
            Row.of(Look.TOTAL, "Owed after", figures.of(account.owed()))));
  }

  /** Writes amounts of a book. */
  private record Figures(String currency, Formats formats) {
    String of(BigDecimal amount) {
      return formats.write(Amount.of(amount, CurrencyUnit.of(currency)));
    }

    Row row(Look look, String name, TaxLineJson line) {
      return row(
          look, name, line.sales(), line.collected(), line.purchases(), line.paid(), line.due());
    }

    Row row(Look look, String name, BigDecimal... amounts) {
      var cells = new ArrayList<String>();
      cells.add(name);
      for (BigDecimal amount : amounts) {
        cells.add(of(amount));
      }
      return new Row(look, cells);
    }
  }
}
