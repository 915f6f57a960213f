package org.yewledger.formats.table;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yewledger.core.sheet.SheetRow;
import org.yewledger.core.sheet.SheetSign;
import org.yewledger.formats.UnreadableFile;
import org.yewledger.formats.table.EntryTableLayout.Column;
import org.yewledger.formats.table.TableLayout.DateOrder;
import org.yewledger.formats.table.TableLayout.DecimalMark;

public class EntryTableTest {
  private static Table table(String text) {
    return Table.parse(text.getBytes(StandardCharsets.UTF_8));
  }

  private static EntryTable.Read read(String text) {
    Table table = table(text);
    return EntryTable.read(table, EntryTableDetection.of(table).layout());
  }

  @Test
  public void everyColumnIsProposedByItsName() {
    EntryTableDetection found =
        EntryTableDetection.of(
            table(
                """
                Date;Shop;Amount;Category;Paid from;VAT;Note;Tags
                23.11.2025;Corner Shop;-12,50;Food;Harbour Current;20 %;feast;a, b
                24.11.2025;Mill;-3,00;Food;Harbour Current;;;
                """));
    assertEquals(
        found.layout().meanings(),
        List.of(
            Column.DATE,
            Column.PAYEE,
            Column.AMOUNT,
            Column.CATEGORY,
            Column.ACCOUNT,
            Column.TAX,
            Column.NOTE,
            Column.TAGS));
    assertEquals(found.layout().dateOrder(), DateOrder.DAY_MONTH_YEAR);
    assertEquals(found.dateEvidence(), "23.11.2025");
    assertEquals(found.layout().decimalMark(), DecimalMark.COMMA);
    assertTrue(found.signCertain());
    assertEquals(found.layout().sign(), SheetSign.OUT_IS_NEGATIVE);
  }

  @Test
  public void aRowIsReadWithAllThatItSays() {
    SheetRow row =
        read("""
        Date,Who,Amount,Category,Account,Tax,Note,More notes,Tags
        2025-11-23,Corner Shop,-12.50,Food,Harbour Current,Standard,feast,of the guild,"a, b;c"
        """)
            .rows()
            .getFirst();
    assertEquals(
        row,
        new SheetRow(
            2,
            LocalDate.of(2025, 11, 23),
            "Corner Shop",
            new BigDecimal("-12.50"),
            "",
            "Harbour Current",
            "Food",
            "Standard",
            "feast of the guild",
            List.of("a", "b", "c")));
  }

  @DataProvider
  public Object[][] amountsInOneOrTwo() {
    return new Object[][] {
      {"In,Out,Total", List.of(Column.IN, Column.OUT, Column.IGNORE)},
      {"Amount,In,Left", List.of(Column.AMOUNT, Column.IGNORE, Column.IGNORE)},
      {"Debit,Amount,Left", List.of(Column.IGNORE, Column.AMOUNT, Column.IGNORE)},
    };
  }

  @Test(dataProvider = "amountsInOneOrTwo")
  public void amountsAreProposedInOneColumnOrInTwo(String columns, List<Column> meant) {
    String text = "Date,Who,%s\n2025-11-23,Shop,5.00,3.00,8.00\n".formatted(columns);
    List<Column> found = EntryTableDetection.of(table(text)).layout().meanings();
    assertEquals(found.subList(2, 5), meant);
  }

  @DataProvider
  public Object[][] amounts() {
    return new Object[][] {
      {"Amount", "€ 12.50", "12.50", "€"},
      {"Amount", "12.50 USD", "12.50", "USD"},
      {"In,Out", "12.50,", "12.50", ""},
      {"In,Out", ",12.50", "-12.50", ""},
      {"In,Out", "0.00,12.50", "-12.50", ""},
    };
  }

  @Test(dataProvider = "amounts")
  public void amountsKeepTheirCurrency(
      String columns, String cells, String amount, String currency) {
    SheetRow row =
        read("Date,Who,%s\n2025-11-23,Shop,%s\n".formatted(columns, cells)).rows().getFirst();
    assertEquals(row.amount(), new BigDecimal(amount));
    assertEquals(row.currency(), currency);
  }

  @Test
  public void inAndOutHaveTheirSignAlready() {
    Table table = table("Date,Who,In,Out\n2025-11-23,Shop,,5\n");
    EntryTableLayout layout =
        new EntryTableLayout(
            List.of(Column.DATE, Column.PAYEE, Column.IN, Column.OUT),
            DateOrder.YEAR_MONTH_DAY,
            DecimalMark.POINT,
            SheetSign.BY_CATEGORY);
    assertEquals(layout.signMeant(), SheetSign.OUT_IS_NEGATIVE);
    assertEquals(EntryTable.read(table, layout).rows().size(), 1);
  }

  @Test
  public void amountsWithoutASignLeaveItOpen() {
    EntryTableDetection found =
        EntryTableDetection.of(
            table("Date,Who,Amount\n2025-11-23,Shop,5\n2025-11-24,Shop,-2\n2025-11-24,Shop,7\n"));
    assertFalse(found.signCertain());
    assertEquals(found.layout().sign(), SheetSign.BY_CATEGORY);
  }

  @Test
  public void totalsAreNoEntriesAndBadCellsAreAllTold() {
    EntryTable.Read read =
        read(
            """
            Date,Who,Amount
            2025-11-23,Shop,-5.00
            2025-13-23,Shop,-5.00
            2025-11-25,Shop,-5.00
            2025-11-26,Shop,five
            2025-11-27,Shop,#REF!
            Total,,-25.00
            """);
    assertEquals(read.rows().stream().map(SheetRow::line).toList(), List.of(2, 4));
    assertEquals(read.others().stream().map(Table.Row::line).toList(), List.of(7));
    assertEquals(read.problems().stream().map(p -> p.line()).toList(), List.of(3, 5, 6));
    assertEquals(read.problems().get(1).column(), "Amount");
    assertTrue(read.problems().get(2).reason().contains("#REF!"));
  }

  @DataProvider
  public Object[][] open() {
    return new Object[][] {
      {List.of(Column.IGNORE, Column.PAYEE, Column.AMOUNT), "has the date"},
      {List.of(Column.DATE, Column.PAYEE, Column.IGNORE), "has the amount"},
      {List.of(Column.DATE, Column.IGNORE, Column.AMOUNT), "who it was"},
      {List.of(Column.DATE, Column.DATE, Column.AMOUNT), "same meaning"},
      {List.of(Column.DATE, Column.PAYEE), "2 columns"},
    };
  }

  @Test(dataProvider = "open")
  public void whatIsOpenIsSaid(List<Column> meanings, String reason) {
    Table table = table("Date,Who,Amount\n2025-11-23,Shop,5\n");
    var layout =
        new EntryTableLayout(
            meanings, DateOrder.YEAR_MONTH_DAY, DecimalMark.POINT, SheetSign.BY_CATEGORY);
    UnreadableFile refused =
        expectThrows(UnreadableFile.class, () -> EntryTable.read(table, layout));
    assertTrue(refused.reason().contains(reason), refused.reason());
  }

  /** Whatever is written, each row is read, told as bad, or told as no entry. */
  @Test
  public void noRowIsLost() {
    var random = new Random(7);
    String[] days = {"2025-11-23", "23/11/2025", "", "soon", "2025-99-99", "Total"};
    String[] figures = {"5", "-5.00", "", "1,5", "x", "€ 3", "1e400", "99999999999999999999"};
    for (int run = 0; run < 100; run++) {
      var text = new StringBuilder("Date,Who,Amount\n2025-01-02,First,-1.00\n");
      int rows = 1 + random.nextInt(30);
      for (int i = 0; i < rows; i++) {
        text.append(days[random.nextInt(days.length)])
            .append(",Shop,\"")
            .append(figures[random.nextInt(figures.length)])
            .append("\"\n");
      }
      EntryTable.Read read = read(text.toString());
      var lines = new ArrayList<Integer>();
      read.rows().forEach(r -> lines.add(r.line()));
      read.others().forEach(r -> lines.add(r.line()));
      read.problems().forEach(p -> lines.add(p.line()));
      assertEquals(lines.size(), rows + 1, text.toString());
    }
  }
}
