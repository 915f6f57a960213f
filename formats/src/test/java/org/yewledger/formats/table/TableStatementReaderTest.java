package org.yewledger.formats.table;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.gather.BankStatement;
import org.yewledger.core.gather.BankStatement.Balance;
import org.yewledger.core.money.Amount;
import org.yewledger.formats.UnreadableFile;
import org.yewledger.formats.table.TableLayout.DateOrder;
import org.yewledger.formats.table.TableLayout.DecimalMark;
import org.yewledger.formats.table.TableLayout.Meaning;
import org.yewledger.formats.table.TableLayout.Sign;

public class TableStatementReaderTest {
  private static final String TWO_COLUMNS =
      """
      Account 2208;Saltmarsh Letterpress
      Booked;Value;Text;Ref;Debit;Credit;Balance
      01.09.2026;02.09.2026;YARD RENT;0901-1;1.240,00;;1.331,66
      05.09.2026;05.09.2026;CAF\u00c9 PAYOUT;;;326,00;1.657,66
      23.09.2026;23.09.2026;"TYPE; FOLD";0923;5,60;;1.652,06
      """;

  private static final String ONE_COLUMN =
      """
      Date,Description,Amount
      09/04/2026,COFFEE,-3.20
      09/23/2026,"PAY, SEPTEMBER","2,291.75"
      """;

  private static BankStatement read(String text) {
    Table table = Table.parse(text.getBytes(StandardCharsets.UTF_8));
    return TableStatementReader.read(table, TableDetection.of(table).layout(), CurrencyUnit.EUR)
        .statement();
  }

  private static UnreadableFile failure(String text) {
    return expectThrows(UnreadableFile.class, () -> read(text));
  }

  @Test
  public void findsOutAboutTwoColumnsPreambleAndDecimalComma() {
    Table table = Table.parse(TWO_COLUMNS.getBytes(Charset.forName("windows-1252")));
    assertEquals(table.encodingName(), "windows-1252");
    assertEquals(table.separator(), ';');
    TableDetection detected = TableDetection.of(table);
    assertEquals(
        detected.layout().meanings(),
        List.of(
            Meaning.BOOKED_ON,
            Meaning.VALUE_ON,
            Meaning.MEMO,
            Meaning.REFERENCE,
            Meaning.OUT,
            Meaning.IN,
            Meaning.BALANCE));
    assertEquals(detected.layout().dateOrder(), DateOrder.DAY_MONTH_YEAR);
    assertEquals(detected.layout().decimalMark(), DecimalMark.COMMA);
    assertTrue(detected.dateOrderCertain());
    assertEquals(detected.dateEvidenceLine(), 5);

    BankStatement statement =
        TableStatementReader.read(table, detected.layout(), CurrencyUnit.EUR).statement();
    assertEquals(
        statement.lines().stream().map(BankLine::amountMinor).toList(),
        List.of(-124_000L, 32_600L, -560L));
    assertEquals(statement.lines().get(2).memo(), "TYPE; FOLD");
    assertEquals(statement.lines().get(2).sourceLine(), 5);
    assertEquals(
        statement.closing(),
        new Balance(LocalDate.of(2026, 9, 23), Amount.ofMinor(165_206, CurrencyUnit.EUR)));
  }

  @Test
  public void findsOutAboutOneAmountColumnAndMonthFirst() {
    BankStatement statement = read(ONE_COLUMN);
    assertEquals(statement.lines().get(0).bookedOn(), LocalDate.of(2026, 9, 4));
    assertEquals(statement.lines().get(1).amountMinor(), 229_175);
  }

  @Test
  public void saysWhenNothingSettlesTheDateOrder() {
    Table table =
        Table.parse("Date,Text,Amount\n04/09/2026,A,1.00\n".getBytes(StandardCharsets.UTF_8));
    assertFalse(TableDetection.of(table).dateOrderCertain());
  }

  @Test
  public void ordersNewestFirstFilesByTime() {
    BankStatement statement =
        read("Date,Text,Amount,Balance\n2026-09-05,B,2.00,12.00\n2026-09-04,A,1.00,10.00\n");
    assertEquals(statement.lines().get(0).memo(), "A");
    assertEquals(
        statement.closing(),
        new Balance(LocalDate.of(2026, 9, 5), Amount.ofMinor(1_200, CurrencyUnit.EUR)));
  }

  @DataProvider
  Object[][] brokenRows() {
    return new Object[][] {
      {"09/04/2026,COFFEE,-3.20", "09/04/2026,COFFEE", 2, "columns"},
      {"09/04/2026,COFFEE,-3.20", "09/04/2026,COFFEE,-3.205", 2, "decimals"},
      {"09/04/2026", "02/31/2026", 2, "calendar"},
      {"\"PAY, SEPTEMBER\"", "\"PAY, SEPTEMBER", 3, "cannot be read"},
    };
  }

  @Test(dataProvider = "brokenRows")
  public void namesTheRowAtFault(String from, String to, int line, String reason) {
    UnreadableFile e = failure(ONE_COLUMN.replace(from, to));
    assertEquals(e.line(), line, e.getMessage());
    assertTrue(e.getMessage().contains(reason), e.getMessage());
  }

  @Test
  public void namesTheColumnOfAnAmountThatIsNone() {
    Table table =
        Table.parse(ONE_COLUMN.replace("-3.20", "three").getBytes(StandardCharsets.UTF_8));
    var layout =
        new TableLayout(
            List.of(Meaning.BOOKED_ON, Meaning.MEMO, Meaning.AMOUNT),
            DateOrder.MONTH_DAY_YEAR,
            DecimalMark.POINT,
            Sign.OUT_IS_NEGATIVE);
    UnreadableFile e =
        expectThrows(
            UnreadableFile.class, () -> TableStatementReader.read(table, layout, CurrencyUnit.EUR));
    assertEquals(e.field(), "Amount");
    assertEquals(e.line(), 2);
  }

  @Test
  public void aWrongDecimalMarkIsNoticedRatherThanReadAsThousands() {
    Table table = Table.parse(TWO_COLUMNS.getBytes(StandardCharsets.UTF_8));
    TableLayout right = TableDetection.of(table).layout();
    var wrong =
        new TableLayout(right.meanings(), right.dateOrder(), DecimalMark.POINT, right.sign());
    expectThrows(
        UnreadableFile.class, () -> TableStatementReader.read(table, wrong, CurrencyUnit.EUR));
  }

  @Test
  public void saysWhatALayoutIsMissing() {
    var layout =
        new TableLayout(
            List.of(Meaning.MEMO, Meaning.IGNORE),
            DateOrder.YEAR_MONTH_DAY,
            DecimalMark.POINT,
            Sign.OUT_IS_NEGATIVE);
    assertEquals(layout.problems().size(), 2);
  }
}
