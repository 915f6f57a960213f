package org.yewledger.app.sheet;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.yewledger.app.sheet.EntrySheetJson.SheetLayoutJson;
import org.yewledger.app.sheet.KeptSheets.KeptSheet;
import org.yewledger.core.BadRows;
import org.yewledger.core.Refusal;
import org.yewledger.core.sheet.SheetRow;
import org.yewledger.formats.Excerpt;
import org.yewledger.formats.UnreadableFile;
import org.yewledger.formats.table.EntryTable;
import org.yewledger.formats.table.EntryTableDetection;
import org.yewledger.formats.table.EntryTableLayout;
import org.yewledger.formats.table.KnownTable;
import org.yewledger.formats.table.Table;

/**
 * A sheet as far as it could be read.
 *
 * @param said how it is to be read, by a person or as a sheet before; null if that was found out
 * @param remembered whether it is read as a sheet before
 * @param problem why its rows cannot be read yet; null if they can
 */
record SheetReading(
    Table table,
    EntryTableDetection detected,
    EntryTableLayout layout,
    @Nullable SheetLayoutJson said,
    boolean remembered,
    EntryTable.Read read,
    @Nullable UnreadableFile problem) {
  private static final EntryTable.Read NOTHING =
      new EntryTable.Read(List.of(), List.of(), List.of());

  /**
   * @param said how a person wants it read; null for as before, or to find everything out
   * @param kept how sheets were read before, the latest first
   * @throws UnreadableFile if no table can be found in the file
   */
  static SheetReading of(byte[] bytes, @Nullable SheetLayoutJson said, List<KeptSheet> kept) {
    if (said != null) {
      return of(Table.parse(bytes, said.reading()), said, false);
    }
    Table table = KnownTable.cells(bytes, kept.stream().map(KeptSheet::table).toList());
    SheetLayoutJson before =
        kept.stream()
            .filter(k -> k.headerKey().equals(table.headerKey()))
            .map(KeptSheet::layout)
            .findFirst()
            .orElse(null);
    return of(table, before, before != null);
  }

  private static SheetReading of(Table table, @Nullable SheetLayoutJson said, boolean remembered) {
    EntryTableDetection detected = EntryTableDetection.of(table);
    EntryTableLayout layout = said == null ? detected.layout() : said.over(detected.layout());
    try {
      EntryTable.Read read = EntryTable.read(table, layout);
      return new SheetReading(table, detected, layout, said, remembered, read, nothingRead(read));
    } catch (UnreadableFile problem) {
      return new SheetReading(table, detected, layout, said, remembered, NOTHING, problem);
    }
  }

  private static @Nullable UnreadableFile nothingRead(EntryTable.Read read) {
    return read.rows().isEmpty() && read.problems().isEmpty()
        ? UnreadableFile.whole("No row has both a date and an amount.")
        : null;
  }

  List<SheetRow> rows() {
    return read.rows();
  }

  boolean leavesOutOthers() {
    return said != null && said.leavesOutOthers();
  }

  /**
   * The sheet, with nothing of it open or bad.
   *
   * @throws UnreadableFile as {@link #problem}
   * @throws Refusal {@code layout-open}, naming the part of the layout to say
   * @throws BadRows with every row that cannot be read
   */
  SheetReading settled() {
    if (problem != null) {
      throw problem;
    }
    requireSaid(
        detected.dateOrderCertain() || said != null && said.dateOrder() != null,
        "dateOrder",
        "The dates of the sheet fit more than one order of day and month. Say which it is.");
    requireSaid(
        detected.decimalMarkCertain() || said != null && said.decimalMark() != null,
        "decimalMark",
        "The amounts of the sheet fit a decimal comma and a decimal point. Say which it is.");
    requireSaid(
        detected.signCertain() || said != null && said.sign() != null,
        "sign",
        "The amounts of the sheet do not show what money out is. Say how it is told from money in.");
    if (!read.others().isEmpty() && !leavesOutOthers()) {
      Table.Row first = read.others().getFirst();
      throw UnreadableFile.at(
          first.line(),
          "%s is no entry, and %d such rows are in the sheet. Say that they are left out, or mend the sheet."
              .formatted(Excerpt.of(String.join(" ", first.cells())), read.others().size()));
    }
    if (!read.problems().isEmpty()) {
      throw new BadRows(read.problems());
    }
    return this;
  }

  private static void requireSaid(boolean said, String field, String sentence) {
    if (!said) {
      throw Refusal.ofField("layout-open", field, sentence);
    }
  }
}
