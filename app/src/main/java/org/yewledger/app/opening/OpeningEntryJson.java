package org.yewledger.app.opening;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.ledger.OpeningSheet;

/** A book's opening balances as books show an entry: debits, then credits, equity among them. */
public record OpeningEntryJson(
    String bookName, String currency, List<SideJson> rows, BigDecimal total) {

  /** One line of it; one of the two amounts is null. */
  public record SideJson(String name, @Nullable BigDecimal debit, @Nullable BigDecimal credit) {}

  public static OpeningEntryJson of(OpeningSheet sheet) {
    CurrencyUnit currency = sheet.book().currency();
    List<OpeningSheet.Row> all = new ArrayList<>(sheet.rows());
    all.add(new OpeningSheet.Row("Opening equity", sheet.equity(), sheet.equity()));
    var rows = new ArrayList<SideJson>();
    for (OpeningSheet.Row row : all) {
      if (row.value().sign() > 0) {
        rows.add(new SideJson(row.name(), row.value().decimal(), null));
      }
    }
    for (OpeningSheet.Row row : all) {
      if (row.value().sign() < 0) {
        rows.add(new SideJson(row.name(), null, row.value().size().decimal()));
      }
    }
    return new OpeningEntryJson(
        sheet.book().name(), currency.getCode(), rows, sheet.total().decimal());
  }
}
