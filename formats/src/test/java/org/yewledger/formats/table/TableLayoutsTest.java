package org.yewledger.formats.table;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.gather.RunningBalance;
import org.yewledger.core.money.Amount;
import org.yewledger.formats.TextDecoding;
import org.yewledger.formats.UnreadableFile;
import org.yewledger.formats.table.TableLayout.DateOrder;
import org.yewledger.formats.table.TableLayout.DecimalMark;
import org.yewledger.formats.table.TableLayout.Meaning;
import org.yewledger.formats.table.TableLayout.Sign;

/** Tables as different banks lay them out. */
public class TableLayoutsTest {
  private static Table table(String text) {
    return Table.parse(text.getBytes(StandardCharsets.UTF_8));
  }

  private static TableStatement read(String text) {
    Table table = table(text);
    return TableStatementReader.read(table, TableDetection.of(table).layout(), CurrencyUnit.EUR);
  }

  private static List<Long> amounts(String text) {
    return read(text).statement().lines().stream().map(BankLine::amountMinor).toList();
  }

  @Test
  public void anAmountWithAMarkForDebitOrCredit() {
    assertEquals(
        amounts("Date,Text,Amount,D/C\n2026-09-04,A,3.20,D\n2026-09-05,B,1.00,C\n"),
        List.of(-320L, 100L));
    assertEquals(
        amounts("Datum;Omschrijving;Bedrag;Af Bij\n20260904;A;3,20;Af\n20260905;B;1,00;Bij\n"),
        List.of(-320L, 100L));
  }

  @Test
  public void aMarkThatIsNoneIsNamed() {
    String text = "Date,Text,Amount,D/C\n2026-09-04,A,3.20,D\n2026-09-05,B,1.00,C\n";
    TableLayout layout = TableDetection.of(table(text)).layout();
    Table odd = table(text.replace("1.00,C", "1.00,Q"));
    UnreadableFile e =
        expectThrows(
            UnreadableFile.class, () -> TableStatementReader.read(odd, layout, CurrencyUnit.EUR));
    assertEquals(e.field(), "D/C");
    assertEquals(e.line(), 3);
  }

  @Test
  public void namelessColumnsAreToldByWhatStandsInThem() {
    String text =
        """
        A;B;C;D
        04.09.2026;100,00;-3,20;Shop
        05.09.2026;101,00;1,00;Work
        06.09.2026;81,00;-20,00;Shop again
        """;
    assertEquals(
        TableDetection.of(table(text)).layout().meanings(),
        List.of(Meaning.BOOKED_ON, Meaning.BALANCE, Meaning.AMOUNT, Meaning.MEMO));
  }

  @Test
  public void aCardThatWritesWhatIsSpentWithoutMinusIsTurnedRoundByItsBalance() {
    String text =
        """
        Date,Text,Amount,Balance
        2026-09-04,A,3.20,-3.20
        2026-09-05,B,1.80,-5.00
        2026-09-06,C,-5.00,0.00
        2026-09-07,D,2.00,-2.00
        """;
    assertEquals(TableDetection.of(table(text)).layout().sign(), Sign.OUT_IS_POSITIVE);
    assertEquals(amounts(text), List.of(-320L, -180L, 500L, -200L));
  }

  @DataProvider
  Object[][] dates() {
    return new Object[][] {
      {"23/09/2026", "24/09/2026", "25/09/2026", DateOrder.DAY_MONTH_YEAR, true},
      {"09/23/2026", "09/24/2026", "09/25/2026", DateOrder.MONTH_DAY_YEAR, true},
      {"04/09/2026", "05/09/2026", "06/09/2026", DateOrder.DAY_MONTH_YEAR, false},
      {"04/09/2026", "04/11/2026", "05/02/2026", DateOrder.MONTH_DAY_YEAR, true},
      {"04/09/2026", "11/09/2026", "02/10/2026", DateOrder.DAY_MONTH_YEAR, true},
      {"2026-09-04", "2026-09-05", "2026-09-06", DateOrder.YEAR_MONTH_DAY, true},
      {"4 Sep 2026", "5 Sep 2026", "6 Sep 26", DateOrder.DAY_MONTH_YEAR, true},
    };
  }

  @Test(dataProvider = "dates")
  public void theOrderOfDatesIsSettledByTheWholeColumn(
      String a, String b, String c, DateOrder order, boolean certain) {
    String text = "Date,Text,Amount\n%s,A,1.00\n%s,B,2.00\n%s,C,3.00\n".formatted(a, b, c);
    TableDetection detected = TableDetection.of(table(text));
    assertEquals(detected.layout().dateOrder(), order);
    assertEquals(detected.dateOrderCertain(), certain);
    assertEquals(read(text).statement().lines().size(), 3);
  }

  @DataProvider
  Object[][] decimals() {
    return new Object[][] {
      {"1,234.50", "3.20", DecimalMark.POINT, true},
      {"1.234,50", "1.234", DecimalMark.COMMA, true},
      {"1.234", "2.500", DecimalMark.COMMA, false},
      {"1,234", "2,500", DecimalMark.POINT, false},
      {"1234", "20", DecimalMark.POINT, true},
      {"1 234,5", "20", DecimalMark.COMMA, true},
    };
  }

  @Test(dataProvider = "decimals")
  public void theDecimalMarkIsSettledByTheWholeColumn(
      String a, String b, DecimalMark mark, boolean certain) {
    TableDetection detected =
        TableDetection.of(
            table("Date;Text;Amount\n2026-09-04;A;%s\n2026-09-05;B;%s\n".formatted(a, b)));
    assertEquals(detected.layout().decimalMark(), mark);
    assertEquals(detected.decimalMarkCertain(), certain);
  }

  @Test
  public void aBreakInTheBalanceIsPointedAtInEitherOrder() {
    String rows =
        """
        2026-09-04;A;-10,00;90,00
        2026-09-05;B;-5,00;12,40
        2026-09-06;C;1,00;13,40
        2026-09-07;D;1,00;14,40
        2026-09-08;E;1,00;15,40
        2026-09-09;F;1,00;16,40
        """;
    String header = "Date;Text;Amount;Balance\n";
    var expected = new RunningBalance.Break(1, eur(9_000), eur(-500), eur(1_240));
    assertEquals(read(header + rows).breaks(), List.of(expected));
    assertEquals(expected.apart(), eur(-7_260));
    String turned = String.join("\n", rows.lines().toList().reversed());
    assertEquals(read(header + turned).breaks(), List.of(expected));
  }

  @Test
  public void twoAccountsInOneTableAreRefusedAtTheRowWhereTheSecondBegins() {
    String one = "IBAN,Date,Text,Amount\nNL00DEMO004417,2026-09-04,A,1.00\n";
    assertEquals(read(one).statement().accountNumber(), "NL00DEMO004417");
    Table two = table(one + "NL00DEMO009023,2026-09-05,B,2.00\n");
    UnreadableFile e =
        expectThrows(
            UnreadableFile.class,
            () ->
                TableStatementReader.read(
                    two, TableDetection.of(table(one)).layout(), CurrencyUnit.EUR));
    assertEquals(e.line(), 3);
    assertTrue(e.getMessage().contains("one account at a time"), e.getMessage());
  }

  @Test
  public void aRowInAnotherCurrencyIsRefused() {
    String text = "Date,Text,Amount,Currency\n2026-09-04,A,1.00,EUR\n2026-09-05,B,1.00,USD\n";
    assertTrue(
        expectThrows(UnreadableFile.class, () -> read(text))
            .getMessage()
            .contains("account in EUR"));
  }

  @DataProvider
  Object[][] encodings() {
    return new Object[][] {
      {"Café", StandardCharsets.UTF_8},
      {"Café", StandardCharsets.UTF_16LE},
      {"Café", StandardCharsets.UTF_16BE},
      {"Café €", TextDecoding.WINDOWS_1252},
      {"Café €", TextDecoding.ISO_8859_15},
      {"Café", StandardCharsets.ISO_8859_1},
    };
  }

  @Test(dataProvider = "encodings")
  public void encodingsAreFoundByTheirBytes(String text, Charset charset) {
    Table table =
        Table.parse("Date,Text,Amount\n2026-09-04,%s,1.00\n".formatted(text).getBytes(charset));
    assertEquals(table.data().getFirst().cells().get(1), text);
  }

  @Test
  public void whatThePersonSaysIsTakenInsteadOfWhatIsFound() {
    String text = "Our bank, Ellery\nDate;Text;Amount\n2026-09-04;A,B;1\n";
    byte[] bytes = text.getBytes(StandardCharsets.UTF_8);
    var reading = new TableReading(StandardCharsets.ISO_8859_1, ';', 2);
    Table table = Table.parse(bytes, reading);
    assertEquals(table.header(), List.of("Date", "Text", "Amount"));
    assertEquals(table.encodingName(), "ISO-8859-1");
    assertFalse(table.headerKey().isEmpty());
    expectThrows(UnreadableFile.class, () -> Table.parse(bytes, new TableReading(null, ';', 9)));
  }

  private static Amount eur(long minor) {
    return Amount.ofMinor(minor, CurrencyUnit.EUR);
  }
}
