package org.yewledger.app.report;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.yewledger.app.report.ReportJson.Besides;
import org.yewledger.app.report.ReportJson.ReportColumnJson;
import org.yewledger.app.report.ReportJson.ReportPageJson;
import org.yewledger.app.report.ReportJson.ReportRateJson;
import org.yewledger.app.report.ReportJson.ReportRowJson;
import org.yewledger.app.report.ReportJson.ReportSpreadJson;
import org.yewledger.app.report.ReportJson.ReportTableJson;
import org.yewledger.app.report.ReportService.Kind;
import org.yewledger.core.entry.Formats;
import org.yewledger.core.money.Amount;
import org.yewledger.formats.pdf.Paper.Column;
import org.yewledger.formats.pdf.Paper.Head;
import org.yewledger.formats.pdf.Paper.Look;
import org.yewledger.formats.pdf.Paper.Note;
import org.yewledger.formats.pdf.Paper.Part;
import org.yewledger.formats.pdf.Paper.Row;
import org.yewledger.formats.pdf.Paper.Table;

/** Reports set for paper. */
public final class ReportPaper {
  /** More columns than these need the page on its side. */
  private static final int UPRIGHT = 5;

  private final Kind kind;
  private final Formats formats;

  private ReportPaper(Kind kind, Formats formats) {
    this.kind = kind;
    this.formats = formats;
  }

  static boolean isWide(ReportPageJson page) {
    return page.tables().stream().anyMatch(table -> table.columns().size() > UPRIGHT);
  }

  /** Each book on a page of its own. */
  public static List<Part> parts(Kind kind, ReportPageJson page, Formats formats) {
    var paper = new ReportPaper(kind, formats);
    var parts = new ArrayList<Part>();
    for (ReportTableJson table : page.tables()) {
      parts.add(new Head("%s, %s".formatted(kind.inWords(), table.bookName()), paper.about(table)));
      parts.add(paper.table(table));
      table.spread().forEach(bill -> parts.add(new Note(paper.inWords(bill, table.currency()))));
      table.rates().forEach(rate -> parts.add(new Note(paper.inWords(rate, table.currency()))));
    }
    return parts;
  }

  private String about(ReportTableJson table) {
    return kind.flows()
        ? formats.write(table.first(), table.last())
        : "at the end of " + formats.write(table.last());
  }

  private String inWords(ReportSpreadJson bill, String base) {
    CurrencyUnit currency = CurrencyUnit.of(base);
    return "%s, %s: %s booked on %s serves %s; %s of it is here."
        .formatted(
            bill.payee(),
            bill.accountName(),
            written(bill.amount(), currency),
            formats.write(bill.date()),
            formats.write(bill.first(), bill.last()),
            written(bill.within(), currency));
  }

  private String inWords(ReportRateJson rate, String base) {
    boolean one = rate.low().equals(rate.high());
    String at =
        one
            ? formats.writeRate(rate.low())
            : "%s to %s".formatted(formats.writeRate(rate.low()), formats.writeRate(rate.high()));
    if (rate.amount() == null || rate.value() == null) {
      return "%s: each entry at its own rate, 1 %s = %s %s."
          .formatted(rate.name(), rate.currency(), at, base);
    }
    return "%s: %s %s are told at %s %s, 1 %s = %s %s on the average of its entries."
        .formatted(
            rate.name(),
            written(rate.amount(), CurrencyUnit.of(rate.currency())),
            rate.currency(),
            written(rate.value(), CurrencyUnit.of(base)),
            base,
            rate.currency(),
            at,
            base);
  }

  private Table table(ReportTableJson table) {
    boolean change = table.rows().stream().anyMatch(row -> row.change() != null);
    boolean total = table.rows().stream().anyMatch(row -> row.total() != null);
    var columns = new ArrayList<Column>();
    columns.add(Column.text(table.currency(), 3));
    table.columns().forEach(span -> columns.add(Column.figures(head(span), 1.3f)));
    if (change) {
      columns.add(Column.figures("Change", 1.3f));
    }
    if (total) {
      columns.add(Column.figures("Together", 1.4f));
    }
    return new Table(
        "", "", columns, table.rows().stream().map(row -> row(row, table, change, total)).toList());
  }

  private String head(ReportColumnJson span) {
    if (span.besides() != null) {
      return span.besides() == Besides.PLANNED ? "Planned" : "Booked";
    }
    return kind.flows() ? formats.write(span.first(), span.last()) : formats.write(span.last());
  }

  private Row row(ReportRowJson row, ReportTableJson table, boolean change, boolean total) {
    var cells = new ArrayList<String>();
    cells.add(row.name());
    CurrencyUnit currency = CurrencyUnit.of(table.currency());
    for (int i = 0; i < table.columns().size(); i++) {
      cells.add(row.amounts().isEmpty() ? "" : written(row.amounts().get(i), currency));
    }
    if (change) {
      cells.add(row.change() == null ? "" : written(row.change(), currency));
    }
    if (total) {
      cells.add(row.total() == null ? "" : written(row.total(), currency));
    }
    return new Row(look(row), cells);
  }

  private String written(BigDecimal amount, CurrencyUnit currency) {
    return formats.write(Amount.of(amount, currency));
  }

  private static Look look(ReportRowJson row) {
    return switch (row.look()) {
      case GROUP -> Look.GROUP;
      case ACCOUNT, DERIVED -> Look.WITHIN;
      case SUM -> Look.SUM;
      case TOTAL -> Look.TOTAL;
    };
  }
}
