package org.yewledger.app.report;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.yewledger.app.report.MonthAgainstJson.MonthAgainstPageJson;
import org.yewledger.app.report.MonthAgainstJson.MonthTableJson;
import org.yewledger.app.report.MonthAgainstJson.SpentCategoryJson;
import org.yewledger.app.report.MonthAgainstJson.UnusualJson;
import org.yewledger.core.entry.Formats;
import org.yewledger.core.money.Amount;
import org.yewledger.formats.pdf.Paper.Column;
import org.yewledger.formats.pdf.Paper.Head;
import org.yewledger.formats.pdf.Paper.Look;
import org.yewledger.formats.pdf.Paper.Part;
import org.yewledger.formats.pdf.Paper.Row;
import org.yewledger.formats.pdf.Paper.Table;

/** A month against the month before, to be taken along: as cells of a table, and set for paper. */
final class MonthAgainstTable {
  static final List<String> COLUMNS =
      List.of("book", "category", "group", "currency", "month", "spent", "before", "change");

  private final MonthTableJson table;
  private final Formats formats;

  private MonthAgainstTable(MonthTableJson table, Formats formats) {
    this.table = table;
    this.formats = formats;
  }

  /** Each category, as {@link #COLUMNS} say. */
  static List<List<Object>> cells(MonthAgainstPageJson page) {
    var cells = new ArrayList<List<Object>>();
    for (MonthTableJson table : page.tables()) {
      for (SpentCategoryJson of : table.categories()) {
        cells.add(
            List.of(
                table.bookName(),
                of.name(),
                of.groupName(),
                table.currency(),
                table.month().toString(),
                of.spent(),
                of.before(),
                of.change()));
      }
    }
    return cells;
  }

  /** Each book begins a page: what was spent on what, and what is unusual. */
  static List<Part> paper(MonthAgainstPageJson page, Formats formats) {
    var parts = new ArrayList<Part>();
    for (MonthTableJson table : page.tables()) {
      var paper = new MonthAgainstTable(table, formats);
      parts.add(
          new Head(
              "%s, %s".formatted(formats.write(table.month()), table.bookName()),
              "against %s%s"
                  .formatted(
                      formats.write(table.monthBefore()),
                      table.over() ? "" : "; the month is not over")));
      parts.add(paper.categories());
      parts.add(paper.unusual());
    }
    return parts;
  }

  private Table categories() {
    var rows = new ArrayList<Row>();
    for (SpentCategoryJson of : table.categories()) {
      rows.add(
          Row.of(
              Look.PLAIN, of.name(), amount(of.spent()), amount(of.before()), amount(of.change())));
    }
    rows.add(
        Row.of(
            Look.TOTAL,
            "Spent",
            amount(table.spent()),
            amount(table.before()),
            amount(table.spent().subtract(table.before()))));
    return new Table(
        "",
        "",
        List.of(
            Column.text("Spent on", 4),
            Column.figures(formats.write(table.month()), 1.6f),
            Column.figures(formats.write(table.monthBefore()), 1.6f),
            Column.figures("Change", 1.4f)),
        rows);
  }

  private Table unusual() {
    return new Table(
        "Unusual",
        table.unusual().isEmpty() ? "nothing" : "",
        List.of(Column.text("What", 3), Column.text("Because", 5), Column.figures("Spent", 1.4f)),
        table.unusual().stream()
            .map(of -> Row.of(Look.PLAIN, of.name(), why(of), amount(of.amount())))
            .toList());
  }

  private String why(UnusualJson of) {
    return switch (of.kind()) {
      case BEYOND ->
          "usually %s to %s, by %d months before"
              .formatted(amount(of.low()), amount(of.high()), of.times());
      case NEW_PAYEE -> "never paid before " + day(of.on());
      case PRICE_ROSE ->
          "%s the last %d times; more on %s"
              .formatted(amount(of.before()), of.times(), day(of.on()));
    };
  }

  private String day(@Nullable LocalDate day) {
    return day == null ? "" : formats.write(day);
  }

  private String amount(@Nullable BigDecimal amount) {
    return amount == null
        ? ""
        : formats.write(Amount.of(amount, CurrencyUnit.of(table.currency())));
  }
}
