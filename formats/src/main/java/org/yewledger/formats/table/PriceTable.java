package org.yewledger.formats.table;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.List;
import org.yewledger.core.BadRows;
import org.yewledger.core.Refusal;
import org.yewledger.core.money.Decimals;
import org.yewledger.core.worth.Prices;

/** Prices of securities as a table: day, security by its name or code, price. */
public final class PriceTable {
  private static final List<String> COLUMNS = List.of("day", "security", "price");

  /**
   * A row.
   *
   * @param line of the file
   * @param security as it is written
   */
  public record Row(int line, LocalDate day, String security, BigDecimal price) {}

  private PriceTable() {}

  /**
   * @throws BadRows with every row that is no price
   */
  public static List<Row> read(byte[] bytes) {
    var prices = new ArrayList<Row>();
    var problems = new ArrayList<BadRows.Problem>();
    for (NamedRows.Row row : NamedRows.read(bytes, COLUMNS, List.of())) {
      try {
        BigDecimal price =
            Decimals.read(row.cell("price"))
                .orElseThrow(() ->
                    Refusal.of(
                        "bad-price",
                        "“%s” is not a price; write it like 104.25.".formatted(row.cell("price"))));
        prices.add(
            new Row(
                row.line(),
                LocalDate.parse(row.cell("day")),
                row.cell("security").strip(),
                Prices.require(price)));
      } catch (DateTimeParseException e) {
        problems.add(
            new BadRows.Problem(
                row.line(),
                "day",
                "“%s” is not a day; write it like 2026-01-31.".formatted(row.cell("day"))));
      } catch (Refusal e) {
        problems.add(new BadRows.Problem(row.line(), "price", e.getMessage()));
      }
    }
    if (!problems.isEmpty()) {
      throw new BadRows(problems);
    }
    return prices;
  }
}
