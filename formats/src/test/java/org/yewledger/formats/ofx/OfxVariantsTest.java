package org.yewledger.formats.ofx;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNull;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.nio.charset.StandardCharsets;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.gather.BankStatement;
import org.yewledger.core.gather.LineDetail;
import org.yewledger.formats.UnreadableFile;

/** The many ways in which banks write the same thing. */
public class OfxVariantsTest {
  private static List<BankStatement> read(String body) {
    String text =
        "<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n<?OFX OFXHEADER=\"200\"?>\n<OFX>"
            + body
            + "</OFX>";
    return OfxReader.read(text.getBytes(StandardCharsets.UTF_8));
  }

  private static BankLine line(String transaction) {
    return read("<STMTRS><CURDEF>EUR</CURDEF><BANKACCTFROM><ACCTID>1</ACCTID></BANKACCTFROM><BANKTRANLIST><STMTTRN>"
            + transaction
            + "</STMTTRN></BANKTRANLIST></STMTRS>")
        .getFirst()
        .lines()
        .getFirst();
  }

  private static final String DAY = "<DTPOSTED>20260904</DTPOSTED>";

  @DataProvider
  Object[][] amounts() {
    return new Object[][] {
      {"-48.20", -4820L},
      {"+48.20", 4820L},
      {"48,20", 4820L},
      {"48", 4800L},
      {".5", 50L},
      {"-0.00", 0L},
      {"150000.", 15_000_000L},
      {"1,234.56", 123_456L},
      {"-1.234.567,8", -123_456_780L},
    };
  }

  @Test(dataProvider = "amounts")
  public void amountsWithPointOrCommaOrNeither(String text, long minor) {
    assertEquals(line(DAY + "<TRNAMT>" + text + "</TRNAMT>").amountMinor(), minor);
  }

  @DataProvider
  Object[][] notAmounts() {
    return new Object[][] {{"1,0864.40"}, {"1.234"}, {"EUR 5"}, {"--5"}, {"1e3"}, {""}};
  }

  @Test(dataProvider = "notAmounts")
  public void whatIsNoAmountIsRefusedRatherThanGuessed(String text) {
    UnreadableFile e =
        expectThrows(UnreadableFile.class, () -> line(DAY + "<TRNAMT>" + text + "</TRNAMT>"));
    assertEquals(e.field(), "TRNAMT");
  }

  @DataProvider
  Object[][] days() {
    return new Object[][] {
      {"20260904"},
      {"20260904120000"},
      {"20260904235959.999"},
      {"20260904000000[-5:EST]"},
      {"20260904 [0:GMT]"},
      {"202609041200"},
    };
  }

  @Test(dataProvider = "days")
  public void aLineStaysOnTheDayThatTheBankWrote(String text) {
    BankLine line = line("<DTPOSTED>" + text + "</DTPOSTED><TRNAMT>1</TRNAMT>");
    assertEquals(line.bookedOn().toString(), "2026-09-04");
  }

  @Test
  public void textsComeByNameMemoPayeeCdataAndEntities() {
    BankLine aggregate =
        line(
            DAY
                + "<TRNAMT>1</TRNAMT><PAYEE><NAME>Thistle &amp;"
                + " Quire</NAME><CITY>Ellery</CITY></PAYEE><MEMO><![CDATA[a <b> c]]></MEMO>");
    assertEquals(aggregate.payee(), "Thistle & Quire");
    assertEquals(aggregate.memo(), "a <b> c");
    BankLine empty = line(DAY + "<TRNAMT>1</TRNAMT><NAME/><MEMO></MEMO><FITID> </FITID>");
    assertEquals(empty.text(), "");
    assertNull(empty.identity());
  }

  @Test
  public void aCheckNumberIsTheReferenceWhereThereIsOne() {
    assertEquals(
        line(DAY + "<TRNAMT>1</TRNAMT><CHECKNUM>118</CHECKNUM><REFNUM>9</REFNUM>").reference(),
        "118");
    assertEquals(line(DAY + "<TRNAMT>1</TRNAMT><REFNUM>9</REFNUM>").reference(), "9");
  }

  @Test
  public void aLineSaysWhatRepeatsOnlyOnce() {
    assertEquals(
        line(DAY + "<TRNAMT>1</TRNAMT><NAME>SHOP</NAME><MEMO>SHOP 114</MEMO>").text(), "SHOP 114");
    assertEquals(
        line(DAY + "<TRNAMT>1</TRNAMT><NAME>SHOP 114</NAME><MEMO>SHOP</MEMO>").text(), "SHOP 114");
    assertEquals(
        line(DAY + "<TRNAMT>1</TRNAMT><NAME>SHOP</NAME><MEMO>CARD</MEMO>").text(), "SHOP CARD");
  }

  @Test
  public void cardsAndBanksInOneFileAreTwoStatements() {
    List<BankStatement> both =
        read(
            "<STMTRS><CURDEF>EUR</CURDEF><BANKACCTFROM><ACCTID>4417</ACCTID></BANKACCTFROM></STMTRS>"
                + "<CCSTMTRS><CURDEF>USD</CURDEF><CCACCTFROM><ACCTID>6650</ACCTID></CCACCTFROM>"
                + "<LEDGERBAL><BALAMT>-425.13</BALAMT><DTASOF>20260930</DTASOF></LEDGERBAL></CCSTMTRS>");
    assertEquals(both.stream().map(BankStatement::accountNumber).toList(), List.of("4417", "6650"));
    assertNull(both.get(0).closing());
    assertEquals(both.get(1).currency(), CurrencyUnit.USD);
    assertTrue(both.get(1).lines().isEmpty());
  }

  @Test
  public void aFileWithoutAStatementSaysSo() {
    UnreadableFile e =
        expectThrows(UnreadableFile.class, () -> read("<SIGNONMSGSRSV1></SIGNONMSGSRSV1>"));
    assertTrue(e.getMessage().contains("no bank or card statement"), e.getMessage());
  }

  @Test
  public void crossedTagsAreNamedWithTheirLines() {
    UnreadableFile e =
        expectThrows(
            UnreadableFile.class,
            () -> read("\n<STMTRS>\n<BANKTRANLIST>\n</STMTRS>\n</BANKTRANLIST>"));
    assertEquals(e.line(), 6);
    assertTrue(e.getMessage().contains("BANKTRANLIST of line 5"), e.getMessage());
  }

  @Test
  public void anAmountInAnotherCurrencyIsValuedByTheBanksRate() {
    BankLine line =
        line(
            DAY
                + "<TRNAMT>-20.00</TRNAMT><CURRENCY><CURRATE>0.9213</CURRATE><CURSYM>USD</CURSYM></CURRENCY>");
    assertEquals(line.amountMinor(), -1_843);
    assertEquals(line.details().get(LineDetail.ORIGINAL_AMOUNT), "USD -20.00 at 0.9213");
  }

  @Test
  public void anAmountInAnotherCurrencyWithoutARateIsRefused() {
    UnreadableFile e =
        expectThrows(
            UnreadableFile.class,
            () -> line(DAY + "<TRNAMT>-20.00</TRNAMT><CURRENCY><CURSYM>USD</CURSYM></CURRENCY>"));
    assertEquals(e.field(), "CURRENCY");
  }

  @Test
  public void charactersByNumberAreRead() {
    BankLine line =
        line(DAY + "<TRNAMT>-2.00</TRNAMT><NAME>Caf&#233; &#x2019;n&apos; &amp;#1;</NAME>");
    assertEquals(line.payee(), "Caf\u00e9 \u2019n' &#1;");
  }

  @Test
  public void keepsTheOtherAccountAndTheNameInFull() {
    BankLine line =
        line(
            DAY
                + "<TRNAMT>-2.00</TRNAMT><NAME>FIBRELI</NAME><EXTDNAME>Fibrelink Home</EXTDNAME>"
                + "<BANKACCTTO><BANKID>DEMONL2A</BANKID><ACCTID>1111</ACCTID><ACCTTYPE>CHECKING</ACCTTYPE></BANKACCTTO>");
    assertEquals(line.details().get(LineDetail.EXTENDED_NAME), "Fibrelink Home");
    assertEquals(line.details().get(LineDetail.COUNTERPARTY_ACCOUNT), "1111");
    assertTrue(line.raw().contains("ACCTID=1111"), line.raw());
  }

  @Test
  public void anErrorInsteadOfAStatementIsSaid() {
    UnreadableFile e =
        expectThrows(
            UnreadableFile.class,
            () ->
                OfxReader.read(
                    "OFXHEADER:100\n\n<OFX><SIGNONMSGSRSV1><SONRS><STATUS><CODE>15500<SEVERITY>ERROR<MESSAGE>Signon invalid</STATUS></SONRS></SIGNONMSGSRSV1></OFX>"
                        .getBytes(StandardCharsets.US_ASCII)));
    assertTrue(e.reason().contains("15500 Signon invalid"), e.reason());
  }
}
