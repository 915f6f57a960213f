package org.yewledger.formats.table;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.math.BigDecimal;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.gather.Discrepancy;
import org.yewledger.formats.StatementFormats;
import org.yewledger.formats.UnreadableFile;
import org.yewledger.formats.table.TableLayout.DecimalMark;
import org.yewledger.formats.table.TableLayout.Meaning;
import org.yewledger.formats.table.TableLayout.Sign;

/** Tables as they come, not as they should. */
public class MessyTablesTest {
  private static Table table(String text) {
    return Table.parse(text.getBytes(StandardCharsets.UTF_8));
  }

  private static TableDetection detected(String text) {
    return TableDetection.of(table(text), CurrencyUnit.EUR);
  }

  private static TableStatement read(String text) {
    return TableStatementReader.read(table(text), detected(text).layout(), CurrencyUnit.EUR);
  }

  private static List<Long> amounts(String text) {
    return read(text).statement().lines().stream().map(BankLine::amountMinor).toList();
  }

  private static UnreadableFile refusal(String text) {
    return expectThrows(UnreadableFile.class, () -> read(text));
  }

  @DataProvider
  Object[][] amounts() {
    return new Object[][] {
      {"\u20ac -12.50", -1250L},
      {"-\u20ac12.50", -1250L},
      {"-12.50 EUR", -1250L},
      {"EUR -12.50", -1250L},
      {"12.50-", -1250L},
      {"12.50 -", -1250L},
      {"(12.50)", -1250L},
      {"(\u20ac 12.50)", -1250L},
      {"\u221212.50", -1250L},
      {"\u201312.50", -1250L},
      {"12.50 DR", -1250L},
      {"+12.50", 1250L},
      {"1\u00a0234.50", 123_450L},
      {"1\u202f234.50", 123_450L},
      {"1 234.50", 123_450L},
      {"1'234.50", 123_450L},
      {"1\u2019234\u2019567.50", 123_456_750L},
      {"12,34,567.50", 123_456_750L},
      {"-150000.", -15_000_000L},
      {"-12.4999999999999982", -1250L},
      {"1.25E3", 125_000L},
    };
  }

  @Test(dataProvider = "amounts")
  public void amountsAsTheyStand(String cell, long minor) {
    assertEquals(
        amounts("Date;Text;Amount\n2026-09-04;A;-7.25\n2026-09-05;B;" + cell + "\n").getLast(),
        Long.valueOf(minor));
  }

  @DataProvider
  Object[][] noAmounts() {
    return new Object[][] {
      {"12 50"},
      {"1,23.50"},
      {"(-12.50)"},
      {"--12.50"},
      {"12.505"},
      {"USD 12.50"},
      {"$12.50"},
      {"12.50 ABC"},
      {"- -1.00"},
      {"#REF!"},
      {"1'23.00"},
      {"EUR 5 EUR"},
      {"Q1"}
    };
  }

  /** The column is known from the other rows, and the odd cell is told as it stands. */
  @Test(dataProvider = "noAmounts")
  public void whatIsNoAmountIsQuotedAsItStands(String cell) {
    TableLayout layout = detected("Date;Text;Amount\n2026-09-04;A;-7.25\n").layout();
    UnreadableFile e =
        expectThrows(
            UnreadableFile.class,
            () ->
                TableStatementReader.read(
                    table("Date;Text;Amount\n2026-09-04;A;-7.25\n2026-09-05;B;" + cell + "\n"),
                    layout,
                    CurrencyUnit.EUR));
    assertEquals(e.line(), 3);
    assertTrue(e.reason().contains(cell), e.reason());
  }

  @Test
  public void threeDigitsBehindAMarkAreThousandsWhereTheCurrencyHasTwoDecimals() {
    String text = "Date;Text;Amount\n2026-09-04;A;-1.250\n2026-09-05;B;3.000\n";
    TableDetection inEuro = TableDetection.of(table(text), CurrencyUnit.EUR);
    assertEquals(inEuro.layout().decimalMark(), DecimalMark.COMMA);
    assertTrue(inEuro.decimalMarkCertain());
    assertEquals(amounts(text), List.of(-125_000L, 300_000L));
    assertFalse(TableDetection.of(table(text), CurrencyUnit.of("KWD")).decimalMarkCertain());
    assertFalse(TableDetection.of(table(text)).decimalMarkCertain());
  }

  @Test
  public void amountsWithoutAnyMinusLeaveOpenWhichWayTheMoneyWent() {
    assertFalse(detected("Date;Text;Amount\n2026-09-04;A;7.25\n2026-09-05;B;3.10\n").signCertain());
    assertTrue(detected("Date;Text;Amount\n2026-09-04;A;7.25\n2026-09-05;B;-3.10\n").signCertain());
    TableDetection byBalance =
        detected(
            """
            Date;Text;Amount;Balance
            2026-09-04;A;7.25;-7.25
            2026-09-05;B;3.10;-10.35
            2026-09-06;C;1.00;-11.35
            """);
    assertTrue(byBalance.signCertain());
    assertEquals(byBalance.layout().sign(), Sign.OUT_IS_POSITIVE);
  }

  @Test
  public void rowsThatAreNoLinesAreSetAsideAndTold() {
    TableStatement read =
        read(
            """
            Date;Text;Out;In;Balance
            ;Balance brought forward;;;100,00
            01.09.2026;Pay;;326,00;426,00
            02.09.2026;Fuel;63,92;;362,08
            30.09.2026;Closing balance;;;362,08
            Total;;63,92;326,00;
            Printed for W. Aldercott
            """);
    assertEquals(read.statement().lines().size(), 2);
    assertEquals(read.others().stream().map(Table.Row::line).toList(), List.of(2, 5, 6, 7));
    assertEquals(read.breaks(), List.of());
  }

  @Test
  public void aRowMeantAsALineIsNeverSetAside() {
    TableLayout layout =
        detected("Date;Text;Amount\n01.09.2026;A;-7,25\n02.09.2026;B;-1,00\n").layout();
    for (String row : List.of("31.02.2026;C;-1,00", "1.13.26;C;-1,00", "02.09.2026;C;1,0,0")) {
      Table odd = table("Date;Text;Amount\n01.09.2026;A;-7,25\n" + row + "\n");
      UnreadableFile e =
          expectThrows(
              UnreadableFile.class, () -> TableStatementReader.read(odd, layout, CurrencyUnit.EUR));
      assertEquals(e.line(), 3, row);
    }
    assertEquals(refusal("Date;Text;Amount\n01.09.2026;A\n01.09.2026;B;-2,00;more\n").line(), 2);
  }

  @Test
  public void aPreambleOfSeveralCellsIsNotTakenForNames() {
    String text =
        """
        Holder;Wren Aldercott;;;
        Account;NL00DEMO0000004417;;;
        From;01.09.2026;To;30.09.2026;
        Opening balance;100,00;;;
        Booked;Party;Purpose;Amount;Balance
        01.09.2026;Council;Pay;326,00;426,00
        02.09.2026;Northgate;Fuel;-63,92;362,08
        """;
    assertEquals(table(text).header().getFirst(), "Booked");
    assertEquals(table(text).numberAbove(), "NL00DEMO0000004417");
    assertEquals(amounts(text), List.of(32_600L, -6_392L));
  }

  @Test
  public void namesWithoutLinesAreAnEmptyStatement() {
    TableStatement read = read("Date;Text;Amount\n");
    assertEquals(read.statement().lines(), List.of());
    assertEquals(read.others(), List.of());
  }

  @DataProvider
  Object[][] wideEncodings() {
    return new Object[][] {
      {StandardCharsets.UTF_16LE, ""}, {StandardCharsets.UTF_16BE, ""},
      {StandardCharsets.UTF_16LE, "\ufeff"}, {StandardCharsets.UTF_16BE, "\ufeff"}
    };
  }

  @Test(dataProvider = "wideEncodings")
  public void wideTextWithTypographicQuotesIsText(Charset charset, String mark) {
    byte[] bytes =
        (mark + "Date;Text;Amount\n2026-09-04;\u201cCaf\u00e9\u201d \u2013 \u20ac;-3.20\n")
            .getBytes(charset);
    assertEquals(StatementFormats.recognise(bytes).name(), "CSV");
    Table table = Table.parse(bytes);
    assertEquals(table.data().getFirst().cells().get(1), "\u201cCaf\u00e9\u201d \u2013 \u20ac");
    byte[] quotedFirst =
        (mark + "\u201cDate\u201d;Text;Amount\n2026-09-04;A;-3.20\n").getBytes(charset);
    assertEquals(StatementFormats.recognise(quotedFirst).name(), "CSV");
    assertEquals(Table.parse(quotedFirst).data().size(), 1);
  }

  @Test
  public void twoAccountsInOneTableAreNotPutIntoOne() {
    UnreadableFile e =
        refusal(
            """
            Account;Date;Text;Amount
            NL00DEMO0000004417;2026-09-04;A;-3.20
            NL00DEMO0000004417;2026-09-05;B;-1.20
            NL00DEMO0000009023;2026-09-05;C;-1.30
            NL00DEMO0000009023;2026-09-06;D;5.00
            """);
    assertEquals(e.line(), 4);
    assertTrue(e.reason().contains("NL00DEMO0000009023"), e.reason());
  }

  @Test
  public void theAccountsOfOthersAreNotThisOne() {
    assertEquals(
        detected(
                """
                Date;Counterparty account;Text;Amount
                2026-09-04;NL00DEMO0000004417;A;-3.20
                2026-09-05;NL00DEMO0000004417;B;-1.20
                """)
            .layout()
            .meanings(),
        List.of(Meaning.BOOKED_ON, Meaning.PAYEE, Meaning.MEMO, Meaning.AMOUNT));
  }

  @Test
  public void aBalanceThatDoesNotRunOnIsADiscrepancyWithItsLine() {
    List<Discrepancy> found =
        read("""
        Date;Text;Amount;Balance
        2026-09-04;A;-3.20;96.80
        2026-09-05;B;-1.80;95.00
        2026-09-06;C;-1.00;93.50
        2026-09-07;D;-1.00;92.50
        """)
            .statement()
            .discrepancies();
    assertEquals(found.size(), 1);
    assertEquals(found.getFirst().line(), 4);
    assertEquals(found.getFirst().apart(), new BigDecimal("-0.50"));
  }

  @Test
  public void anErrorOfASpreadsheetIsNamed() {
    TableLayout layout = detected("Date;Text;Amount\n2026-09-04;A;-7.25\n").layout();
    Table broken = table("Date;Text;Amount\n2026-09-04;A;#REF!\n");
    UnreadableFile e =
        expectThrows(
            UnreadableFile.class,
            () -> TableStatementReader.read(broken, layout, CurrencyUnit.EUR));
    assertTrue(e.reason().contains("the error \u201c#REF!\u201d"), e.reason());
  }
}
