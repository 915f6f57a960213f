package org.yewledger.formats.table;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.expectThrows;

import java.nio.charset.StandardCharsets;
import java.util.List;
import org.testng.annotations.Test;
import org.yewledger.formats.UnreadableFile;

public class KnownTableTest {
  /** Commas part its cells more evenly than bars do, so that they are found first. */
  private static final byte[] BARRED =
      "Day|Sum, all|Who\n2025-03-04|1,50|Mill\n2025-03-05|2,50|Shop\n"
          .getBytes(StandardCharsets.UTF_8);

  private static final TableReading BARS = new TableReading(null, '|', null);

  @Test
  public void aTableIsCutAsItWasBeforeWhereThatGivesItsNames() {
    Table known = Table.parse(BARRED, BARS);
    Table unknown = KnownTable.cells(BARRED, List.of());
    assertEquals(unknown.header(), Table.parse(BARRED).header());
    Table read =
        KnownTable.cells(
            BARRED,
            List.of(
                new KnownTable("another", new TableReading(null, ';', 2)),
                new KnownTable(known.headerKey(), BARS)));
    assertEquals(read.header(), List.of("Day", "Sum, all", "Who"));
  }

  @Test
  public void whatNoReadingFitsIsReadAsFoundOut() {
    Table read = KnownTable.cells(BARRED, List.of(new KnownTable("another", BARS)));
    assertEquals(read.header(), Table.parse(BARRED).header());
  }

  @Test
  public void whyNoTableIsFoundIsSaidOfTheFirstReading() {
    byte[] empty = new byte[0];
    UnreadableFile plain = expectThrows(UnreadableFile.class, () -> Table.parse(empty));
    UnreadableFile known =
        expectThrows(
            UnreadableFile.class,
            () -> KnownTable.cells(empty, List.of(new KnownTable("another", BARS))));
    assertEquals(known.reason(), plain.reason());
  }
}
