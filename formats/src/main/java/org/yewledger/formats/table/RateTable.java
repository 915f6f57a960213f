package org.yewledger.formats.table;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.joda.money.CurrencyUnit;
import org.joda.money.IllegalCurrencyException;
import org.yewledger.core.BadRows;
import org.yewledger.core.Refusal;
import org.yewledger.core.money.ExchangeRate;

/** Exchange rates as a table: day, from, to, rate. */
public final class RateTable {
  private static final List<String> COLUMNS = List.of("day", "from", "to", "rate");

  private RateTable() {}

  /**
   * @throws BadRows with every row that is no rate
   */
  public static List<ExchangeRate> read(byte[] bytes) {
    var rates = new ArrayList<ExchangeRate>();
    var problems = new ArrayList<BadRows.Problem>();
    for (NamedRows.Row row : NamedRows.read(bytes, COLUMNS, List.of())) {
      String column = "day";
      try {
        LocalDate day = LocalDate.parse(row.cell("day"));
        column = "from";
        CurrencyUnit from = CurrencyUnit.of(row.cell("from").toUpperCase(Locale.ROOT));
        column = "to";
        CurrencyUnit to = CurrencyUnit.of(row.cell("to").toUpperCase(Locale.ROOT));
        column = "rate";
        rates.add(new ExchangeRate(from, to, day, new BigDecimal(row.cell("rate"))));
      } catch (DateTimeParseException e) {
        problems.add(
            problem(row, column, "%s is not a day; write it like 2026-01-31.", row.cell("day")));
      } catch (IllegalCurrencyException e) {
        problems.add(problem(row, column, "%s is no currency of ISO 4217.", row.cell(column)));
      } catch (NumberFormatException e) {
        problems.add(
            problem(row, column, "%s is not a rate; write it like 0.9214.", row.cell("rate")));
      } catch (Refusal e) {
        problems.add(new BadRows.Problem(row.line(), column, e.getMessage()));
      }
    }
    if (!problems.isEmpty()) {
      throw new BadRows(problems);
    }
    return rates;
  }

  private static BadRows.Problem problem(
      NamedRows.Row row, String column, String reason, String cell) {
    return new BadRows.Problem(
        row.line(), column, cell.isEmpty() ? "this cell is empty." : reason.formatted(cell));
  }
}
