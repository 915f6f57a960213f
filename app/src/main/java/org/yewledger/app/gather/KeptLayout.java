package org.yewledger.app.gather;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.yewledger.formats.table.TableLayout.DateOrder;
import org.yewledger.formats.table.TableLayout.DecimalMark;
import org.yewledger.formats.table.TableLayout.Meaning;
import org.yewledger.formats.table.TableLayout.Sign;

/**
 * A layout as the database keeps it, apart from what the API says of one: what was kept years ago
 * still has to be read when the API has changed.
 *
 * @param version of this form; layouts kept before it was counted have none
 */
record KeptLayout(
    @Nullable Integer version,
    @Nullable String encoding,
    @Nullable String separator,
    @Nullable Integer headerLine,
    List<Meaning> meanings,
    @Nullable DateOrder dateOrder,
    @Nullable DecimalMark decimalMark,
    @Nullable Sign sign,
    @Nullable Boolean leaveOutOthers) {
  private static final int VERSION = 1;

  static KeptLayout of(LayoutJson layout) {
    return new KeptLayout(
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

  LayoutJson toLayout() {
    return new LayoutJson(
        encoding, separator, headerLine, meanings, dateOrder, decimalMark, sign, leaveOutOthers);
  }
}
