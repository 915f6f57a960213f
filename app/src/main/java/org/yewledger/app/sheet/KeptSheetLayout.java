package org.yewledger.app.sheet;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.yewledger.app.sheet.EntrySheetJson.SheetLayoutJson;
import org.yewledger.core.sheet.SheetSign;
import org.yewledger.formats.table.EntryTableLayout.Column;
import org.yewledger.formats.table.TableLayout.DateOrder;
import org.yewledger.formats.table.TableLayout.DecimalMark;

/**
 * A layout as the database keeps it, apart from what the API says of one: what was kept years ago
 * still has to be read when the API has changed.
 *
 * @param version of this form
 */
record KeptSheetLayout(
    int version,
    @Nullable String encoding,
    @Nullable String separator,
    @Nullable Integer headerLine,
    List<Column> meanings,
    @Nullable DateOrder dateOrder,
    @Nullable DecimalMark decimalMark,
    @Nullable SheetSign sign,
    @Nullable Boolean leaveOutOthers) {
  private static final int VERSION = 1;

  static KeptSheetLayout of(SheetLayoutJson layout) {
    return new KeptSheetLayout(
        VERSION,
        layout.encoding(),
        layout.separator(),
        layout.headerLine(),
        layout.meanings(),
        layout.dateOrder(),
        layout.decimalMark(),
        layout.sign(),
        layout.leaveOutOthers());
  }

  SheetLayoutJson toLayout() {
    return new SheetLayoutJson(
        encoding, separator, headerLine, meanings, dateOrder, decimalMark, sign, leaveOutOthers);
  }
}
