package org.yewledger.formats.camt;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNull;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.joda.money.CurrencyUnit;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.gather.BankStatement;
import org.yewledger.core.gather.BankStatement.Balance;
import org.yewledger.core.gather.Days;
import org.yewledger.core.gather.LineDetail;
import org.yewledger.core.money.Amount;
import org.yewledger.formats.UnreadableFile;

public class CamtReaderTest {
  private static String entry(String amount, String direction, String more) {
    return "<Ntry><Amt Ccy=\"EUR\">%s</Amt><CdtDbtInd>%s</CdtDbtInd><Sts>BOOK</Sts>"
            .formatted(amount, direction)
        + "<BookgDt><Dt>2026-09-04</Dt></BookgDt><ValDt><Dt>2026-09-05</Dt></ValDt>"
        + more
        + "</Ntry>\n";
  }

  private static String balance(String code, String day, String amount) {
    return """
    <Bal><Tp><CdOrPrtry><Cd>%s</Cd></CdOrPrtry></Tp><Amt Ccy="EUR">%s</Amt>
    <CdtDbtInd>CRDT</CdtDbtInd><Dt><Dt>%s</Dt></Dt></Bal>
    """
        .formatted(code, amount, day);
  }

  static String statement(String number, String inside) {
    return """
    <Stmt><Id>1</Id><FrToDt><FrDtTm>2026-09-01T00:00:00</FrDtTm><ToDtTm>2026-09-30T23:59:59+02:00</ToDtTm></FrToDt>
    <Acct><Id><IBAN>%s</IBAN></Id><Ccy>EUR</Ccy></Acct>
    %s</Stmt>
    """
        .formatted(number, inside);
  }

  static String document(String statements) {
    return """
    <?xml version="1.0" encoding="UTF-8"?>
    <Document xmlns="urn:iso:std:iso:20022:tech:xsd:camt.053.001.02"><BkToCstmrStmt>
    <GrpHdr><MsgId>1</MsgId></GrpHdr>
    %s</BkToCstmrStmt></Document>
    """
        .formatted(statements);
  }

  private static List<BankStatement> read(String document) {
    return CamtReader.read(document.getBytes(StandardCharsets.UTF_8));
  }

  private static BankLine line(String entries) {
    return lines(entries).getFirst();
  }

  private static List<BankLine> lines(String entries) {
    return read(document(statement("NL00DEMO004417", entries))).getFirst().lines();
  }

  private static UnreadableFile failure(String document) {
    return expectThrows(UnreadableFile.class, () -> read(document));
  }

  @Test
  public void readsBalancesPeriodAndEntries() {
    String inside =
        balance("OPBD", "2026-09-01", "100.00")
            + balance("CLBD", "2026-09-30", "87.50")
            + balance("CLAV", "2026-09-30", "80.00")
            + entry("12.50", "DBIT", "<AcctSvcrRef>b-1</AcctSvcrRef>");
    BankStatement read = read(document(statement("NL00DEMO004417", inside))).getFirst();
    assertEquals(read.accountNumber(), "NL00DEMO004417");
    assertEquals(read.currency(), CurrencyUnit.EUR);
    assertEquals(read.opening(), Amount.ofMinor(10_000, CurrencyUnit.EUR));
    assertEquals(
        read.closing(),
        new Balance(LocalDate.parse("2026-09-30"), Amount.ofMinor(8_750, CurrencyUnit.EUR)));
    assertEquals(
        read.available(),
        new Balance(LocalDate.parse("2026-09-30"), Amount.ofMinor(8_000, CurrencyUnit.EUR)));
    assertEquals(
        read.declared(), new Days(LocalDate.parse("2026-09-01"), LocalDate.parse("2026-09-30")));
    BankLine line = read.lines().getFirst();
    assertEquals(line.amountMinor(), -1_250);
    assertEquals(line.bookedOn(), LocalDate.parse("2026-09-04"));
    assertEquals(line.valueOn(), LocalDate.parse("2026-09-05"));
    assertEquals(line.identity(), "b-1");
  }

  @DataProvider
  Object[][] versions() {
    return new Object[][] {
      {"<RltdPties><Cdtr><Nm>Lantern Energy</Nm></Cdtr></RltdPties>"},
      {"<RltdPties><Cdtr><Pty><Nm>Lantern Energy</Nm></Pty></Cdtr></RltdPties>"},
      {"<RltdPties><UltmtCdtr><Pty><Nm>Lantern Energy</Nm></Pty></UltmtCdtr></RltdPties>"},
    };
  }

  @Test(dataProvider = "versions")
  public void findsThePartyWhereEachVersionPutsIt(String parties) {
    BankLine line =
        line(
            entry(
                "64.10",
                "DBIT",
                "<NtryDtls><TxDtls><Refs><EndToEndId>E1</EndToEndId></Refs>"
                    + parties
                    + "<RmtInf><Ustrd>METER</Ustrd><Ustrd>7730021</Ustrd></RmtInf></TxDtls></NtryDtls>"));
    assertEquals(line.payee(), "Lantern Energy");
    assertEquals(line.memo(), "METER 7730021");
    assertEquals(line.reference(), "E1");
  }

  @Test
  public void structuredRemittanceIsTheReferenceAndTheTextWhereThereIsNoOther() {
    BankLine line =
        line(
            entry(
                "64.10",
                "DBIT",
                """
                <NtryDtls><TxDtls><Refs><EndToEndId>NOTPROVIDED</EndToEndId></Refs>
                <RmtInf><Strd><CdtrRefInf><Ref>RF18539007547034</Ref></CdtrRefInf></Strd></RmtInf>
                </TxDtls></NtryDtls>\
                """));
    assertEquals(line.reference(), "RF18539007547034");
    assertEquals(line.memo(), "RF18539007547034");
  }

  private static final String BATCH =
      """
      <AcctSvcrRef>B-77</AcctSvcrRef><NtryDtls><Btch><NbOfTxs>2</NbOfTxs></Btch>
      <TxDtls><Amt Ccy="EUR">10.00</Amt><RltdPties><Dbtr><Nm>Hartwell</Nm></Dbtr>
      <DbtrAcct><Id><IBAN>NL00DEMO0000009023</IBAN></Id></DbtrAcct></RltdPties></TxDtls>
      <TxDtls><AmtDtls><TxAmt><Amt Ccy="EUR">20.00</Amt></TxAmt></AmtDtls>
      <Refs><AcctSvcrRef>T-2</AcctSvcrRef></Refs>
      <RltdPties><Dbtr><Nm>Penrose</Nm></Dbtr></RltdPties></TxDtls></NtryDtls>
      <AddtlNtryInf>COLLECTED</AddtlNtryInf>\
      """;

  @Test
  public void aBatchWhoseTransactionsAddUpIsALineForEach() {
    List<BankLine> lines = lines(entry("30.00", "CRDT", BATCH));
    assertEquals(lines.stream().map(BankLine::amountMinor).toList(), List.of(1_000L, 2_000L));
    assertEquals(lines.stream().map(BankLine::payee).toList(), List.of("Hartwell", "Penrose"));
    assertEquals(lines.stream().map(BankLine::identity).toList(), List.of("B-77/1", "T-2"));
    assertEquals(
        lines.getFirst().details().get(LineDetail.COUNTERPARTY_ACCOUNT), "NL00DEMO0000009023");
  }

  @Test
  public void aBatchWhoseTransactionsDoNotAddUpIsOneLineThatListsThem() {
    BankLine line = line(entry("30.50", "CRDT", BATCH));
    assertEquals(line.amountMinor(), 3_050);
    assertEquals(line.memo(), "COLLECTED Hartwell 10.00, Penrose 20.00");
    assertEquals(line.payee(), "");
  }

  @Test
  public void keepsWhatTheBankSaysBesideTheText() {
    BankLine line =
        line(
            entry(
                "64.10",
                "DBIT",
                """
                <NtryDtls><TxDtls><Refs><EndToEndId>E-1</EndToEndId><MndtId>M-9</MndtId></Refs>
                <RltdPties><Cdtr><Nm>Fibrelink</Nm></Cdtr>
                <CdtrAcct><Id><IBAN>NL00DEMO0000001111</IBAN></Id></CdtrAcct>
                <UltmtCdtr><Nm>Fibrelink Home</Nm></UltmtCdtr></RltdPties>
                <RltdAgts><CdtrAgt><FinInstnId><BICFI>DEMONL2A</BICFI></FinInstnId></CdtrAgt></RltdAgts>
                <RmtInf><Ustrd>Invoice 12</Ustrd></RmtInf></TxDtls></NtryDtls>
                <AddtlNtryInf>DIRECT DEBIT</AddtlNtryInf>\
                """));
    assertEquals(line.memo(), "Invoice 12");
    assertEquals(
        line.details(),
        Map.of(
            LineDetail.COUNTERPARTY_ACCOUNT, "NL00DEMO0000001111",
            LineDetail.COUNTERPARTY_BANK, "DEMONL2A",
            LineDetail.ULTIMATE_PARTY, "Fibrelink Home",
            LineDetail.MANDATE, "M-9",
            LineDetail.END_TO_END, "E-1",
            LineDetail.BOOKING_TEXT, "DIRECT DEBIT"));
  }

  @Test
  public void aReversalMovesTheWayItSaysAndKeepsItsParty() {
    BankLine line =
        line(
            entry(
                "12.00",
                "CRDT",
                """
                <RvslInd>true</RvslInd><NtryDtls><TxDtls>
                <RltdPties><Cdtr><Nm>Fibrelink</Nm></Cdtr></RltdPties></TxDtls></NtryDtls>\
                """));
    assertEquals(line.amountMinor(), 1_200);
    assertEquals(line.payee(), "Fibrelink");
  }

  @Test
  public void pendingIsMarkedAndInformationIsPassedOver() {
    String pending =
        entry("5.00", "DBIT", "").replace("<Sts>BOOK</Sts>", "<Sts><Cd>PDNG</Cd></Sts>");
    String information = entry("9.00", "DBIT", "").replace("BOOK", "INFO");
    List<BankLine> lines =
        read(document(
                statement("NL00DEMO004417", information + pending + entry("1.00", "CRDT", ""))))
            .getFirst()
            .lines();
    assertEquals(lines.size(), 2);
    assertTrue(lines.get(0).isPending());
    assertFalse(lines.get(1).isPending());
  }

  @Test
  public void readsReportsWithoutMakingAStatementOfTheirBalances() {
    String report =
        document(
                statement(
                    "NL00DEMO004417",
                    balance("ITBD", "2026-09-04", "9.00") + entry("1.00", "CRDT", "")))
            .replace("Stmt>", "Rpt>")
            .replace("BkToCstmrRpt", "BkToCstmrAcctRpt")
            .replace("camt.053", "camt.052");
    BankStatement read = read(report).getFirst();
    assertEquals(read.lines().size(), 1);
    assertNull(read.closing());
  }

  @Test
  public void theDaysOfAMonthAreOneStatementAndTwoAccountsAreTwo() {
    String first =
        statement(
            "NL00DEMO004417",
            balance("OPBD", "2026-09-01", "10.00")
                + balance("CLBD", "2026-09-01", "11.00")
                + entry("1.00", "CRDT", ""));
    String second =
        statement(
            "NL00DEMO004417",
            balance("OPBD", "2026-09-02", "11.00")
                + balance("CLBD", "2026-09-02", "12.00")
                + entry("1.00", "CRDT", ""));
    String other = statement("NL00DEMO009023", balance("CLBD", "2026-09-02", "5.00"));
    List<BankStatement> read = read(document(first + other + second));
    assertEquals(read.size(), 2);
    assertEquals(read.getFirst().lines().size(), 2);
    assertEquals(read.getFirst().opening(), Amount.ofMinor(1_000, CurrencyUnit.EUR));
    assertEquals(
        read.getLast().closing(),
        new Balance(LocalDate.parse("2026-09-02"), Amount.ofMinor(500, CurrencyUnit.EUR)));
  }

  @Test
  public void entriesUnderOneReferenceStayApart() {
    String twice = entry("1.00", "CRDT", "<AcctSvcrRef>b</AcctSvcrRef>");
    List<BankLine> lines =
        read(document(statement("NL00DEMO004417", twice + twice))).getFirst().lines();
    assertEquals(lines.stream().map(BankLine::identity).toList(), List.of("b", "b#2"));
  }

  @DataProvider
  Object[][] faults() {
    String good = entry("1.00", "CRDT", "");
    return new Object[][] {
      {good.replace("1.00", "1.005"), "decimals"},
      {good.replace("1.00", "one"), "not an amount"},
      {good.replace("2026-09-04", "2026-02-31"), "calendar"},
      {good.replace("CRDT", "BOTH"), "neither CRDT nor DBIT"},
      {good.replace("Ccy=\"EUR\"", "Ccy=\"USD\""), "account in EUR"},
      {
        good.replace(
            "<BookgDt><Dt>2026-09-04</Dt></BookgDt><ValDt><Dt>2026-09-05</Dt></ValDt>", ""),
        "missing"
      },
    };
  }

  @Test(dataProvider = "faults")
  public void namesLineAndReason(String entry, String reason) {
    UnreadableFile e = failure(document(statement("NL00DEMO004417", entry)));
    assertTrue(e.line() > 4, e.getMessage());
    assertTrue(e.getMessage().contains(reason), e.getMessage());
  }

  @Test
  public void refusesTruncatedFilesTypesEntitiesAndEndlessNesting() {
    String good = document(statement("NL00DEMO004417", entry("1.00", "CRDT", "")));
    assertTrue(failure(good.substring(0, good.length() - 60)).line() > 3);
    String bomb =
        good.replace(
                "<Document",
                "<!DOCTYPE d [<!ENTITY a \"aaaaaaaaaa\"><!ENTITY b \"&a;&a;&a;&a;\">]><Document")
            .replace("<MsgId>1</MsgId>", "<MsgId>&b;</MsgId>");
    assertTrue(failure(bomb).getMessage().contains("document type"));
    String external =
        good.replace("<Document", "<!DOCTYPE d SYSTEM \"file:///etc/passwd\"><Document");
    assertTrue(failure(external).getMessage().contains("document type"));
    String deep = good.replace("<MsgId>1</MsgId>", "<A>".repeat(60));
    assertTrue(failure(deep).getMessage().contains("too deep"));
    String nul = good.replace("<MsgId>1", "<MsgId>\u0000");
    assertTrue(failure(nul).line() > 0);
  }

  @Test(timeOut = 30_000)
  public void aTextWithoutEndIsRefused() {
    String endless =
        entry("1.00", "CRDT", "<AddtlNtryInf>" + "x".repeat(10_000_000) + "</AddtlNtryInf>");
    assertTrue(
        failure(document(statement("NL00DEMO004417", endless))).getMessage().contains("20,000"));
  }
}
