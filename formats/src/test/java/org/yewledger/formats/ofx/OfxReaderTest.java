package org.yewledger.formats.ofx;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNull;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.joda.money.CurrencyUnit;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.gather.BankStatement;
import org.yewledger.core.gather.BankStatement.Balance;
import org.yewledger.core.money.Amount;
import org.yewledger.formats.UnreadableFile;
import org.yewledger.formats.ofx.OfxWriter.AccountType;

public class OfxReaderTest {
  private static final String SGML =
      """
      OFXHEADER:100
      DATA:OFXSGML
      VERSION:102
      SECURITY:NONE
      ENCODING:USASCII
      CHARSET:1252
      COMPRESSION:NONE
      OLDFILEUID:NONE
      NEWFILEUID:NONE

      <OFX>
      <SIGNONMSGSRSV1><SONRS><STATUS><CODE>0<SEVERITY>INFO</STATUS>
      <DTSERVER>20261001<LANGUAGE>ENG</SONRS></SIGNONMSGSRSV1>
      <BANKMSGSRSV1><STMTTRNRS><TRNUID>0
      <STMTRS><CURDEF>EUR
      <BANKACCTFROM><BANKID>DEMO<ACCTID>4417<ACCTTYPE>CHECKING</BANKACCTFROM>
      <BANKTRANLIST><DTSTART>20260901<DTEND>20260930
      <STMTTRN><TRNTYPE>POS<DTPOSTED>20260926120000.000[+2:CEST]<DTAVAIL>20260927
      <TRNAMT>-74.85<FITID>4417-1<NAME>TANSY & THREAD<MEMO></STMTTRN>
      <STMTTRN><TRNTYPE>CREDIT<DTPOSTED>20260925<TRNAMT>+2291,75<FITID>4417-2
      <NAME>MARRAM COUNCIL<MEMO>CAF\u00c9 &amp; PAY</STMTTRN>
      </BANKTRANLIST>
      <LEDGERBAL><BALAMT>2409.65<DTASOF>20260930</LEDGERBAL>
      </STMTRS></STMTTRNRS></BANKMSGSRSV1></OFX>
      """;

  private static final Charset WINDOWS = Charset.forName("windows-1252");

  private static BankStatement only(byte[] bytes) {
    List<BankStatement> statements = OfxReader.read(bytes);
    assertEquals(statements.size(), 1);
    return statements.getFirst();
  }

  @Test
  public void readsSgmlWithItsOmittedTagsBareAmpersandsAndCommas() {
    BankStatement statement = only(SGML.getBytes(WINDOWS));
    assertEquals(statement.accountNumber(), "4417");
    assertEquals(
        statement.closing(),
        new Balance(LocalDate.of(2026, 9, 30), Amount.ofMinor(240_965, CurrencyUnit.EUR)));
    BankLine card = statement.lines().get(0);
    assertEquals(card.bookedOn(), LocalDate.of(2026, 9, 26));
    assertEquals(card.valueOn(), LocalDate.of(2026, 9, 27));
    assertEquals(card.amountMinor(), -7_485);
    assertEquals(card.payee(), "TANSY & THREAD");
    assertEquals(card.memo(), "");
    assertEquals(card.identity(), "4417-1");
    BankLine pay = statement.lines().get(1);
    assertEquals(pay.amountMinor(), 229_175);
    assertEquals(pay.memo(), "CAF\u00c9 & PAY");
    assertNull(pay.valueOn());
  }

  @Test
  public void readsWhatItsWriterWrites() {
    var random = new Random(9);
    for (int round = 0; round < 40; round++) {
      BankStatement written = statement(random);
      AccountType type = AccountType.values()[random.nextInt(3)];
      BankStatement read = only(OfxWriter.write(written, "DEMO", type));
      assertEquals(read.closing(), written.closing());
      assertEquals(read.accountNumber(), written.accountNumber());
      assertEquals(
          read.lines().stream().map(BankLine::key).toList(),
          written.lines().stream().map(BankLine::key).toList());
    }
  }

  private static BankStatement statement(Random random) {
    var lines = new ArrayList<BankLine>();
    String[] texts = {"Tansy & Thread", "a < b > c", "Caf\u00e9", "x"};
    for (int i = 0; i < random.nextInt(30); i++) {
      lines.add(
          new BankLine(
              LocalDate.of(2026, 9, 1 + random.nextInt(30)),
              null,
              random.nextInt(-100_000, 100_000),
              texts[random.nextInt(texts.length)],
              texts[random.nextInt(texts.length)],
              "",
              "POS",
              "id" + i,
              "",
              i));
    }
    var closing =
        new Balance(
            LocalDate.of(2026, 9, 30),
            Amount.ofMinor(random.nextInt(-5000, 5000), CurrencyUnit.EUR));
    return new BankStatement("4417", CurrencyUnit.EUR, lines, closing);
  }

  @DataProvider
  Object[][] broken() {
    return new Object[][] {
      {"<TRNAMT>-74.85", "", 18, "TRNAMT"},
      {"<TRNAMT>-74.85", "<TRNAMT>many", 19, "TRNAMT"},
      {"<TRNAMT>-74.85", "<TRNAMT>-74.855", 19, "TRNAMT"},
      {"<DTPOSTED>20260925", "<DTPOSTED>20260231", 20, "DTPOSTED"},
      {"<DTPOSTED>20260925", "<DTPOSTED>yesterday", 20, "DTPOSTED"},
      {"<DTPOSTED>20260925", "", 20, "DTPOSTED"},
      {"<CURDEF>EUR", "<CURDEF>EURO", 15, "CURDEF"},
      {"<ACCTID>4417", "", 16, "ACCTID"},
    };
  }

  @Test(dataProvider = "broken")
  public void namesLineAndFieldAtFault(String from, String to, int line, String field) {
    String text = SGML.replace(from, to);
    UnreadableFile e =
        expectThrows(UnreadableFile.class, () -> OfxReader.read(text.getBytes(WINDOWS)));
    assertEquals(e.line(), line, e.getMessage());
    assertEquals(e.field(), field);
  }

  @Test
  public void refusesATruncatedFile() {
    String cut = SGML.substring(0, SGML.indexOf("</BANKTRANLIST>"));
    UnreadableFile e =
        expectThrows(UnreadableFile.class, () -> OfxReader.read(cut.getBytes(WINDOWS)));
    assertTrue(e.getMessage().contains("cut off"), e.getMessage());
  }

  @Test
  public void refusesDocumentTypesAndEndlessNesting() {
    String bomb = "<?xml version=\"1.0\"?><!DOCTYPE x [<!ENTITY a \"b\">]><OFX></OFX>";
    expectThrows(UnreadableFile.class, () -> OfxReader.read(bomb.getBytes(StandardCharsets.UTF_8)));
    String deep = "<OFX>" + "<A>".repeat(100_000);
    expectThrows(UnreadableFile.class, () -> OfxReader.read(deep.getBytes(StandardCharsets.UTF_8)));
  }

  @Test
  public void namesTheLineOfAByteThatIsNotInTheEncoding() {
    String xml = "<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n<OFX>\n<A>caf\u00e9</A></OFX>";
    UnreadableFile e =
        expectThrows(UnreadableFile.class, () -> OfxReader.read(xml.getBytes(WINDOWS)));
    assertEquals(e.line(), 3);
    assertTrue(e.getMessage().contains("UTF-8"), e.getMessage());
  }
}
