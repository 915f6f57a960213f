package org.yewledger.formats.table;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNotEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.joda.money.CurrencyUnit;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.money.Amount;
import org.yewledger.formats.UnreadableFile;
import org.yewledger.formats.table.TableLayout.Meaning;

public class TableTest {
  private static final String TABLE =
      "Date,Description,Amount\n2026-09-04,Caf\u00e9,-3.20\n2026-09-05,Bus,-1.00\n";

  @DataProvider
  Object[][] dialects() {
    return new Object[][] {
      {TABLE, StandardCharsets.UTF_8, ','},
      {"\ufeff" + TABLE, StandardCharsets.UTF_8, ','},
      {TABLE, Charset.forName("windows-1252"), ','},
      {TABLE, StandardCharsets.UTF_16, ','},
      {TABLE.replace(',', '\t'), StandardCharsets.UTF_8, '\t'},
      {TABLE.replace(',', '|'), StandardCharsets.UTF_8, '|'},
      {TABLE.replace("\n", "\r\n"), StandardCharsets.UTF_8, ','},
    };
  }

  @Test(dataProvider = "dialects")
  public void findsEncodingAndSeparator(String text, Charset charset, char separator) {
    Table table = Table.parse(text.getBytes(charset));
    assertEquals(table.separator(), separator);
    assertEquals(table.data().getFirst().cells().get(1), "Caf\u00e9");
    TableLayout layout = TableDetection.of(table).layout();
    assertEquals(
        TableStatementReader.read(table, layout, CurrencyUnit.EUR).statement().lines().stream()
            .map(BankLine::amountMinor)
            .toList(),
        java.util.List.of(-320L, -100L));
  }

  @DataProvider
  Object[][] names() {
    return new Object[][] {
      {"Posting date,Payee,Paid out,Paid in", "BOOKED_ON,PAYEE,OUT,IN"},
      {"Date,Counterparty,Withdrawal,Deposit", "BOOKED_ON,PAYEE,OUT,IN"},
      {"A,B,C,D", "BOOKED_ON,MEMO,AMOUNT,IGNORE"},
    };
  }

  @Test(dataProvider = "names")
  public void proposesMeaningsFromNamesAndData(String header, String meanings) {
    String text = header + "\n2026-09-04,Shop,3.20,\n2026-09-05,Work,,9.00\n";
    TableDetection detected = TableDetection.of(Table.parse(text.getBytes(StandardCharsets.UTF_8)));
    assertEquals(
        String.join(",", detected.layout().meanings().stream().map(Meaning::name).toList()),
        meanings);
  }

  @DataProvider
  Object[][] unreadable() {
    return new Object[][] {
      {"just a line of words\nand another\n"},
      {"2026-09-04,Shop,3.20\n2026-09-05,Shop,3.20\n"},
      {"Date,Text,Amount\n2026-09-04,Sh\0op,3.20\n"},
      {"Date,Text,Amount\n" + "x,".repeat(300) + "\n"},
    };
  }

  @Test(dataProvider = "unreadable")
  public void saysWhatIsWrongWithWhatIsNoTable(String text) {
    UnreadableFile e =
        expectThrows(
            UnreadableFile.class, () -> Table.parse(text.getBytes(StandardCharsets.UTF_8)));
    assertTrue(e.reason().length() > 15, e.getMessage());
  }

  /** Ten megabytes on one line, quoted or not, are refused or read in bounded time. */
  @Test(timeOut = 30_000)
  public void oneEndlessLineDoesNotHangTheReader() {
    String endless = "x".repeat(10_000_000);
    for (String text :
        new String[] {
          endless, "Date,Text,Amount\n2026-09-04,\"" + endless, endless + "," + endless
        }) {
      expectThrows(UnreadableFile.class, () -> Table.parse(text.getBytes(StandardCharsets.UTF_8)));
    }
  }

  @Test
  public void whatItsWriterWritesIsReadBack() {
    var random = new Random(4);
    for (int round = 0; round < 30; round++) {
      var lines = new java.util.ArrayList<BankLine>();
      for (int i = 0; i < 3 + random.nextInt(20); i++) {
        lines.add(
            new BankLine(
                java.time.LocalDate.of(2026, 9, Math.min(30, 13 + i)),
                null,
                random.nextInt(1, 100_000) * (random.nextBoolean() ? 1 : -1),
                "",
                "Text; \"" + i + "\"",
                "r" + i,
                "",
                null,
                "",
                i));
      }
      var statement =
          new org.yewledger.core.gather.BankStatement("", CurrencyUnit.EUR, lines, null);
      Table table =
          Table.parse(
              CsvStatementWriter.write(
                  statement, Amount.ofMinor(500, CurrencyUnit.EUR), StandardCharsets.UTF_8));
      var read =
          TableStatementReader.read(table, TableDetection.of(table).layout(), CurrencyUnit.EUR)
              .statement();
      assertEquals(
          read.lines().stream().map(BankLine::key).toList(),
          lines.stream().map(BankLine::key).toList());
      long sum = lines.stream().mapToLong(BankLine::amountMinor).sum();
      assertEquals(read.closing() == null ? 0 : read.closing().amount().minor(), 500 + sum);
    }
  }

  @Test
  public void aTableWithLongNamesIsKnownByAShortKey() {
    String names =
        IntStream.range(0, 90).mapToObj(n -> "Column no. " + n).collect(Collectors.joining(";"));
    String row = ";1".repeat(90).substring(1) + "\n";
    Table table = Table.parse((names + "\n" + row + row).getBytes(StandardCharsets.UTF_8));
    assertEquals(table.header().size(), 90);
    assertEquals(table.headerKey().length(), 64);
    assertEquals(
        Table.parse((names.toUpperCase(Locale.ROOT) + "\n" + row).getBytes(StandardCharsets.UTF_8))
            .headerKey(),
        table.headerKey());
    assertNotEquals(
        Table.parse((names.replace("89", "90") + "\n" + row).getBytes(StandardCharsets.UTF_8))
            .headerKey(),
        table.headerKey());
  }
}
