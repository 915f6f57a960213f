package org.yewledger.formats.mt940;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.gather.BankStatement;
import org.yewledger.core.gather.BankStatement.Balance;
import org.yewledger.core.gather.Discrepancy;
import org.yewledger.core.gather.LineDetail;
import org.yewledger.core.money.Amount;
import org.yewledger.formats.UnreadableFile;

public class Mt940ReaderTest {
  private static String statement(String account, String opening, String closing, String lines) {
    return """
    :20:STARTUMS
    :25:%s
    :28C:9/1
    :60F:%s
    %s:62F:%s
    """
        .formatted(account, opening, lines, closing);
  }

  private static final String LINE = ":61:2609050904D12,50NTRFNONREF//B26-1\n";

  private static List<BankStatement> read(String text) {
    return Mt940Reader.read(text.getBytes(StandardCharsets.ISO_8859_1));
  }

  private static BankLine line(String information) {
    return read(statement("NL00DEMO004417", "C260901EUR100,", "C260930EUR87,5", LINE + information))
        .getFirst()
        .lines()
        .getFirst();
  }

  private static UnreadableFile failure(String text) {
    return expectThrows(UnreadableFile.class, () -> read(text));
  }

  @Test
  public void readsBalancesAndLines() {
    BankStatement read =
        read(statement("DEMO/004417EUR", "C260901EUR100,00", "C260930EUR87,50", LINE)
                + ":64:C260930EUR80,00\n-\n")
            .getFirst();
    assertEquals(read.accountNumber(), "004417");
    assertEquals(read.opening(), Amount.ofMinor(10_000, CurrencyUnit.EUR));
    assertEquals(
        read.closing(),
        new Balance(LocalDate.parse("2026-09-30"), Amount.ofMinor(8_750, CurrencyUnit.EUR)));
    assertEquals(
        read.available(),
        new Balance(LocalDate.parse("2026-09-30"), Amount.ofMinor(8_000, CurrencyUnit.EUR)));
    BankLine line = read.lines().getFirst();
    assertEquals(line.bookedOn(), LocalDate.parse("2026-09-04"));
    assertEquals(line.valueOn(), LocalDate.parse("2026-09-05"));
    assertEquals(line.amountMinor(), -1_250);
    assertEquals(line.type(), "NTRF");
    assertEquals(line.sourceLine(), 5);
  }

  @Test
  public void readsSeveralStatementsWithinTheBlocksOfTheNetwork() {
    String one = statement("4417", "C260901EUR100,", "C260901EUR87,5", LINE);
    String two = statement("4417", "C260902EUR87,5", "C260902EUR75,", LINE);
    String other = statement("9023", "D260901EUR5,", "D260902EUR17,5", LINE);
    String blocks =
        "{1:F01DEMO0000}{2:O9400000}{4:\r\n"
            + one.replace("\n", "\r\n")
            + "-}\r\n"
            + two
            + "-\n"
            + other;
    List<BankStatement> read = read(blocks);
    assertEquals(read.size(), 2);
    assertEquals(read.getFirst().lines().size(), 2);
    assertEquals(read.getFirst().opening(), Amount.ofMinor(10_000, CurrencyUnit.EUR));
    assertEquals(
        read.getLast().closing(),
        new Balance(LocalDate.parse("2026-09-02"), Amount.ofMinor(-1_750, CurrencyUnit.EUR)));
  }

  @DataProvider
  Object[][] marks() {
    return new Object[][] {{"C", 1250L}, {"D", -1250L}, {"RC", -1250L}, {"RD", 1250L}};
  }

  @Test(dataProvider = "marks")
  public void reversalsGoTheOtherWay(String mark, long minor) {
    String closing = minor > 0 ? "C260930EUR112,50" : "C260930EUR87,50";
    String lines = LINE.replace("D12,50", mark + "12,50");
    assertEquals(
        read(statement("4417", "C260901EUR100,", closing, lines))
            .getFirst()
            .lines()
            .getFirst()
            .amountMinor(),
        minor);
  }

  @Test
  public void aDayInJanuaryMayBeBookedInDecember() {
    String lines = ":61:2601021231D12,50NTRFNONREF\n:61:2512310102C12,50NTRFNONREF\n";
    List<BankLine> read =
        read(statement("4417", "C251231EUR1,", "C260102EUR1,", lines)).getFirst().lines();
    assertEquals(read.get(0).bookedOn(), LocalDate.parse("2025-12-31"));
    assertEquals(read.get(1).bookedOn(), LocalDate.parse("2026-01-02"));
  }

  @Test
  public void readsSubFieldsOverBrokenLines() {
    BankLine line =
        line(
            """
            :86:105?00DIRECT DEBIT?100931?20EREF+L-7730021?21SVWZ+METER 7730
            021 SEPTEMBER?30DEMOXX?31NL00DEMO?32LANTERN ENE?33RGY
            """);
    assertEquals(line.payee(), "LANTERN ENERGY");
    assertEquals(line.memo(), "METER 7730021 SEPTEMBER");
    assertEquals(line.reference(), "L-7730021");
    assertEquals(line.type(), "NTRF");
  }

  @Test
  public void readsWordsBetweenSlashes() {
    BankLine line =
        line(":86:/TRTP/SEPA/IBAN/NL00DEMO/NAME/LANTERN ENERGY/REMI/USTD//METER 7/8/EREF/L-77\n");
    assertEquals(line.payee(), "LANTERN ENERGY");
    assertEquals(line.memo(), "METER 7/8");
    assertEquals(line.reference(), "L-77");
  }

  @Test
  public void readsFreeTextAndFallsBackToTheSupplement() {
    assertEquals(line(":86:GREENGAGE MKT 114\nELLERY\n").memo(), "GREENGAGE MKT 114 ELLERY");
    String full = "X".repeat(60) + "GREEN";
    assertTrue(line(":86:" + full + "\nGAGE\n").memo().endsWith("GREENGAGE"));
    assertEquals(line("ATM HARBOUR SQ\n").memo(), "ATM HARBOUR SQ");
  }

  @DataProvider
  Object[][] faults() {
    String good = statement("4417", "C260901EUR100,", "C260930EUR87,50", LINE);
    return new Object[][] {
      {good.replace("D12,50N", "D12,505N"), 5, "decimals"},
      {good.replace("2609050904", "2602310904"), 5, "calendar"},
      {good.replace("2609050904", "2609050231"), 5, "calendar"},
      {good.replace("61:2609", "61:late"), 5, "statement line"},
      {good.replace("C260901EUR", "C260901EXX"), 4, "ISO 4217"},
      {good.replace(":62F:C260930EUR87,50\n", ""), 2, "closing balance"},
      {good.replace(":60F:C260901EUR100,\n", ""), 4, "opening balance"},
      {good.replace(":25:4417\n", ""), 3, "outside of a statement"},
      {good.replace("4417", ""), 2, "names no account"},
      {good.replace(":20:STARTUMS", ":20:\u0000"), 1, "zero byte"},
      {good + "x".repeat(10_000), 7, "2,000"},
    };
  }

  @Test(dataProvider = "faults")
  public void namesLineAndReason(String text, int line, String reason) {
    UnreadableFile e = failure(text);
    assertTrue(e.getMessage().contains(reason), e.getMessage());
    assertEquals(e.line(), line, e.getMessage());
  }

  @Test
  public void aFileThatLostALineSaysByHowMuch() {
    BankStatement read =
        read(statement("4417", "C260901EUR100,", "C260930EUR88,50", LINE)).getFirst();
    assertEquals(read.discrepancies().size(), 1);
    Discrepancy apart = read.discrepancies().getFirst();
    assertEquals(apart.kind(), Discrepancy.Kind.CLOSING);
    assertEquals(apart.apart(), new BigDecimal("1.00"));
    assertEquals(
        apart.inWords(),
        "From the opening balance the lines lead to 87.50; the file closes at 88.50.");
  }

  @Test
  public void statementsThatDoNotChainSaySo() {
    List<BankStatement> read =
        read(
            statement("4417", "C260901EUR100,", "C260930EUR87,50", LINE)
                + statement("4417", "C261001EUR90,", "C261031EUR77,50", LINE));
    Discrepancy apart = read.getFirst().discrepancies().getFirst();
    assertEquals(apart.kind(), Discrepancy.Kind.CHAIN);
    assertEquals(apart.apart(), new BigDecimal("2.50"));
  }

  @Test
  public void statementsFromTheLatestToTheEarliestChainToo() {
    List<BankStatement> read =
        read(
            statement("4417", "C261001EUR87,50", "C261031EUR75,", LINE)
                + statement("4417", "C260901EUR100,", "C260930EUR87,50", LINE));
    assertEquals(read.getFirst().discrepancies(), List.of());
    assertEquals(read.getFirst().opening(), Amount.ofMinor(10_000, CurrencyUnit.EUR));
  }

  @Test
  public void keepsAllThatTheFieldsSay() {
    BankLine line =
        line(
            ":86:166?00DIRECT DEBIT?20EREF+E-1 MREF+M-9?21 CRED+C-5 SVWZ+Invoice 12"
                + "?30DEMONL2A?31NL00DEMO1111?32FIBRELINK?33 HOME?60 and more\n");
    assertEquals(line.payee(), "FIBRELINK HOME");
    assertEquals(line.reference(), "E-1");
    assertEquals(line.details().get(LineDetail.MANDATE), "M-9");
    assertEquals(line.details().get(LineDetail.CREDITOR), "C-5");
    assertEquals(line.details().get(LineDetail.COUNTERPARTY_ACCOUNT), "NL00DEMO1111");
    assertEquals(line.details().get(LineDetail.COUNTERPARTY_BANK), "DEMONL2A");
    assertEquals(line.details().get(LineDetail.BOOKING_TEXT), "DIRECT DEBIT");
  }

  @Test
  public void amountsWithThousandsWhereThereIsNoDoubt() {
    String text = statement("4417", "C260901EUR1.000,00", "C260930EUR987,50", LINE);
    assertEquals(read(text).getFirst().opening(), Amount.ofMinor(100_000, CurrencyUnit.EUR));
  }

  @Test
  public void balancesOfOneStatementAreInOneCurrency() {
    String file = statement("4417", "C260901EUR100,", "C260930EUR87,50", LINE);
    UnreadableFile closing = failure(file.replace("C260930EUR", "C260930USD"));
    assertEquals(closing.reason(), "is in another currency than the statement opened in.");
    UnreadableFile available = failure(file + ":64:C260930USD80,00\n-\n");
    assertEquals(available.field(), "64");
    assertEquals(available.reason(), "is in another currency than the statement opened in.");
  }
}
