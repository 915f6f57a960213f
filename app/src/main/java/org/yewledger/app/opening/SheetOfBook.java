package org.yewledger.app.opening;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.yewledger.app.opening.OpeningController.SheetOfBookJson;
import org.yewledger.app.opening.OpeningController.SideJson;
import org.yewledger.core.ledger.OpeningSheet;
import org.yewledger.core.money.Amounts;

/** An opening sheet as books show an entry: debits, then credits, equity among them. */
final class SheetOfBook {
  private SheetOfBook() {}

  static SheetOfBookJson json(OpeningSheet sheet) {
    CurrencyUnit currency = sheet.book().currency();
    List<OpeningSheet.Row> all = new ArrayList<>(sheet.rows());
    all.add(new OpeningSheet.Row("Opening equity", sheet.equityMinor(), sheet.equityMinor()));
    var rows = new ArrayList<SideJson>();
    all.stream().filter(r -> r.baseMinor() > 0).forEach(r -> rows.add(side(r, currency)));
    all.stream().filter(r -> r.baseMinor() < 0).forEach(r -> rows.add(side(r, currency)));
    return new SheetOfBookJson(
        sheet.book().id(),
        sheet.book().name(),
        currency.getCode(),
        rows,
        Amounts.toDecimal(sheet.totalMinor(), currency));
  }

  private static SideJson side(OpeningSheet.Row row, CurrencyUnit currency) {
    @Nullable BigDecimal amount = Amounts.toDecimal(Math.abs(row.baseMinor()), currency);
    return row.baseMinor() > 0
        ? new SideJson(row.name(), amount, null)
        : new SideJson(row.name(), null, amount);
  }
}
