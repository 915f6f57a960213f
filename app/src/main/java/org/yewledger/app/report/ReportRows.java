package org.yewledger.app.report;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.report.ReportJson.ReportRowJson;
import org.yewledger.app.report.ReportJson.ReportSpreadJson;
import org.yewledger.app.report.ReportJson.RowLook;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountClass;
import org.yewledger.core.money.Amount;
import org.yewledger.core.report.BalanceSheet;
import org.yewledger.core.report.CashFlow;
import org.yewledger.core.report.IncomeStatement;
import org.yewledger.core.report.Span;
import org.yewledger.core.report.SpreadBill;
import org.yewledger.core.report.TaxForm;

/** Lays reports out in rows. */
final class ReportRows {
  private final Chart chart;
  private final boolean beside;
  private final List<ReportRowJson> rows = new ArrayList<>();

  /**
   * @param beside whether the second column is what the first is seen beside
   */
  private ReportRows(Chart chart, boolean beside) {
    this.chart = chart;
    this.beside = beside;
  }

  /**
   * @param span the report's
   */
  static ReportSpreadJson of(SpreadBills.Of of, Span span) {
    SpreadBill bill = of.bill();
    Account category = bill.category();
    return new ReportSpreadJson(
        of.entryId(),
        of.no(),
        bill.booked(),
        of.payee(),
        category.id(),
        category.name(),
        bill.told(bill.amount()).decimal(),
        bill.serves().first(),
        bill.serves().last(),
        bill.told(bill.within(span)).decimal());
  }

  static List<ReportRowJson> of(IncomeStatement statement, Chart chart, boolean beside) {
    var rows = new ReportRows(chart, beside);
    boolean adds = !beside && statement.spans().size() > 1;
    rows.section("Income", statement.income(), adds);
    rows.section("Expenses", statement.expenses(), adds);
    rows.add(RowLook.TOTAL, "Result", statement.results(), adds);
    return rows.rows;
  }

  static List<ReportRowJson> of(BalanceSheet sheet, Chart chart, boolean beside) {
    var rows = new ReportRows(chart, beside);
    boolean beyond = !sheet.beyond().rows().isEmpty();
    rows.section("Assets", sheet.assets());
    if (beyond) {
      rows.section("Worth beyond the books", sheet.beyond());
    }
    rows.section("Liabilities", sheet.liabilities());
    rows.add(
        RowLook.TOTAL,
        beyond ? "What is left" : "Assets less liabilities",
        sheet.netWorth(),
        false);
    rows.group("Equity");
    sheet.equity().rows().forEach(row -> rows.account(row.account(), row.balances()));
    if (sheet.earlierResults().stream().anyMatch(result -> !result.isZero())) {
      rows.add(RowLook.DERIVED, "Result of earlier years", sheet.earlierResults(), false);
    }
    rows.add(RowLook.DERIVED, "Result of the year", sheet.yearResults(), false);
    if (beyond) {
      rows.add(RowLook.DERIVED, "Worth beyond the books", sheet.beyond().sums(), false);
    }
    rows.add(RowLook.TOTAL, "Equity", sheet.equitySums(), false);
    return rows.rows;
  }

  /** What is owned, what is owed, and what is left, in a line each. */
  static List<ReportRowJson> worth(BalanceSheet sheet, Chart chart, boolean beside) {
    var rows = new ReportRows(chart, beside);
    rows.add(RowLook.DERIVED, "Assets", sheet.assets().sums(), false);
    if (!sheet.beyond().rows().isEmpty()) {
      rows.add(RowLook.DERIVED, "Worth beyond the books", sheet.beyond().sums(), false);
    }
    rows.add(RowLook.DERIVED, "Liabilities", sheet.liabilities().sums(), false);
    rows.add(RowLook.TOTAL, "Net worth", sheet.netWorth(), false);
    return rows.rows;
  }

  static List<ReportRowJson> of(CashFlow flow, Chart chart, boolean beside) {
    var rows = new ReportRows(chart, beside);
    boolean adds = !beside && flow.spans().size() > 1;
    rows.add(RowLook.DERIVED, "Money before", flow.opening(), false);
    rows.section("Money in", flow.in(), adds);
    rows.section("Money out", flow.out(), adds);
    rows.section("To and from other accounts", flow.other(), adds);
    rows.add(RowLook.SUM, "What it moved", flow.changes(), adds);
    rows.add(RowLook.TOTAL, "Money after", flow.closing(), false);
    return rows.rows;
  }

  static List<ReportRowJson> of(TaxForm form, Chart chart, boolean beside, int columns) {
    var rows = new ReportRows(chart, beside);
    boolean adds = !beside && columns > 1;
    for (TaxForm.Line line : form.lines()) {
      String of = line.of() == AccountClass.INCOME ? "income" : "expenses";
      rows.section(
          line.name().isEmpty() ? "On no line yet, " + of : line.name(), line.section(), adds);
    }
    rows.add(RowLook.TOTAL, "Result", form.results(), adds);
    return rows.rows;
  }

  private void section(String name, IncomeStatement.Section section, boolean adds) {
    group(name);
    for (IncomeStatement.Row row : section.rows()) {
      rows.add(
          new ReportRowJson(
              RowLook.ACCOUNT,
              row.account().id(),
              row.account().name(),
              chart.groupName(row.account().id()),
              decimals(row.amounts()),
              adds ? row.total().decimal() : null,
              beside ? null : section.share(row),
              changed(row.amounts()),
              null));
    }
    add(RowLook.SUM, name, section.sums(), adds);
  }

  private void section(String name, BalanceSheet.Section section) {
    group(name);
    section.rows().forEach(row -> account(row.account(), row.balances()));
    add(RowLook.SUM, name, section.sums(), false);
  }

  private void group(String name) {
    rows.add(new ReportRowJson(RowLook.GROUP, null, name, "", List.of(), null, null, null, null));
  }

  private void account(Account account, List<Amount> amounts) {
    rows.add(
        new ReportRowJson(
            RowLook.ACCOUNT,
            account.id(),
            account.name(),
            chart.groupName(account.id()),
            decimals(amounts),
            null,
            null,
            changed(amounts),
            null));
  }

  private void add(RowLook look, String name, List<Amount> amounts, boolean adds) {
    rows.add(
        new ReportRowJson(
            look,
            null,
            name,
            "",
            decimals(amounts),
            adds ? amounts.stream().reduce(Amount::plus).orElseThrow().decimal() : null,
            null,
            changed(amounts),
            null));
  }

  private @Nullable BigDecimal changed(List<Amount> amounts) {
    return beside ? change(amounts) : null;
  }

  /** Of the first column against the one that it is seen beside. */
  static BigDecimal change(List<Amount> amounts) {
    return amounts.getFirst().minus(amounts.getLast()).decimal();
  }

  static List<BigDecimal> decimals(List<Amount> amounts) {
    return amounts.stream().map(Amount::decimal).toList();
  }
}
