package org.yewledger.app.gather;

import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.yewledger.formats.table.Table;
import org.yewledger.formats.table.TableLayout;
import org.yewledger.formats.table.TableLayout.DateOrder;
import org.yewledger.formats.table.TableLayout.DecimalMark;
import org.yewledger.formats.table.TableLayout.Meaning;
import org.yewledger.formats.table.TableLayout.Sign;
import org.yewledger.formats.table.TableReading;

/**
 * How a table is read, as a person settles it and as it is remembered.
 *
 * @param encoding null to find it out; so are {@code separator} and {@code headerLine}
 * @param meanings one per column; empty to propose them
 * @param leaveOutOthers whether rows that are no lines, such as totals, are left out
 */
record LayoutJson(
    @Nullable String encoding,
    @Nullable String separator,
    @Nullable Integer headerLine,
    List<Meaning> meanings,
    @Nullable DateOrder dateOrder,
    @Nullable DecimalMark decimalMark,
    @Nullable Sign sign,
    @Nullable Boolean leaveOutOthers) {

  static LayoutJson of(Table table, TableLayout layout, boolean leavesOutOthers) {
    return new LayoutJson(
        table.charset() == null ? null : table.charset().name(),
        table.charset() == null ? null : String.valueOf(table.separator()),
        table.rows().get(table.headerIndex()).line(),
        layout.meanings(),
        layout.dateOrder(),
        layout.decimalMark(),
        layout.sign(),
        leavesOutOthers);
  }

  /** How the file is cut into cells. */
  TableReading reading() {
    return TableReading.said(encoding, separator, headerLine);
  }

  /** What the columns mean; what is not said is as detected. */
  TableLayout over(TableLayout detected) {
    boolean fits = meanings.size() == detected.meanings().size();
    return new TableLayout(
        fits ? meanings : detected.meanings(),
        Objects.requireNonNullElse(dateOrder, detected.dateOrder()),
        Objects.requireNonNullElse(decimalMark, detected.decimalMark()),
        Objects.requireNonNullElse(sign, detected.sign()));
  }
}
