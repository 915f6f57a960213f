package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.springframework.http.HttpMethod;
import org.testng.annotations.Test;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.gather.BankStatement;
import org.yewledger.core.gather.BankStatement.Balance;
import org.yewledger.core.money.Amount;
import org.yewledger.formats.camt.CamtReader;
import org.yewledger.formats.camt.CamtWriter;
import org.yewledger.formats.ofx.OfxReader;
import tools.jackson.databind.JsonNode;

/** Files find their accounts and are remembered, and what is here can leave again. */
public class FilesTest extends AppTest {
  private static BankStatement statement(String number, long opening) {
    LocalDate day = LocalDate.parse("2026-09-04");
    var line =
        new BankLine(day, null, -1_000, "Greengage", number, "r1", "POS", "i-" + number, "raw", 1);
    return new BankStatement(
        number,
        CurrencyUnit.EUR,
        List.of(line),
        new Balance(day, eur(opening - 1_000)),
        eur(opening));
  }

  private static Amount eur(long minor) {
    return Amount.ofMinor(minor, CurrencyUnit.EUR);
  }

  private static byte[] camt(String... numbers) {
    String one =
        new String(CamtWriter.write(statement(numbers[0], 100_000)), StandardCharsets.UTF_8);
    var all = new StringBuilder(one.substring(0, one.indexOf("</BkToCstmrStmt>")));
    for (int i = 1; i < numbers.length; i++) {
      String more =
          new String(CamtWriter.write(statement(numbers[i], 100_000)), StandardCharsets.UTF_8);
      all.append(more, more.indexOf("<Stmt>"), more.indexOf("</BkToCstmrStmt>"));
    }
    return all.append("</BkToCstmrStmt></Document>").toString().getBytes(StandardCharsets.UTF_8);
  }

  private static String choices(Household h, boolean statements) {
    return """
    [{"accountNumber":"NL00DEMO004417","accountId":"%s","makeStatement":%s},
     {"accountNumber":"NL00DEMO006650","accountId":"%s","makeStatement":%s}]\
    """
        .formatted(h.current().id(), statements, h.card().id(), statements);
  }

  @Test
  public void aFileOfTwoAccountsIsTakenInForBothAndTheChoiceIsRemembered() {
    Household h = found("two accounts");
    byte[] file = camt("NL00DEMO004417", "NL00DEMO006650");
    JsonNode preview = h.api().upload("/api/gather/preview", "f.xml", file, null).json();
    assertEquals(preview.path("source").asString(), "CAMT");
    assertEquals(preview.path("parts").size(), 2);
    assertEquals(preview.at("/parts/0/routedBy").asString(), "NUMBER");
    assertTrue(preview.at("/parts/1/accountId").isMissingNode());
    Api.Answer taken = h.api().takeIn(choices(h, true), "f.xml", file, null);
    assertEquals(taken.status(), 201, taken.json().toString());
    assertEquals(taken.json().size(), 2);
    assertFalse(taken.json().get(0).path("statementId").isMissingNode());
    JsonNode again =
        h.api().upload("/api/gather/preview", "f.xml", camt("NL00DEMO006650"), null).json();
    assertEquals(again.at("/parts/0/accountId").asString(), h.card().id().toString());
    assertEquals(again.at("/parts/0/routedBy").asString(), "REMEMBERED");
    assertEquals(again.at("/parts/0/knownLines").asInt(), 1);
  }

  @Test
  public void aFileOfTwoAccountsForOneAccountIsRefusedAtTheLineWhereTheSecondBegins() {
    Household h = found("one of two");
    byte[] file = camt("NL00DEMO004417", "NL00DEMO006650");
    Api.Answer refused =
        h.api().upload("/api/gather/preview?account=" + h.current().id(), "f.xml", file, null);
    assertEquals(refused.problem(), "unreadable-file");
    assertTrue(refused.json().path("detail").asString().contains("NL00DEMO006650"));
    assertTrue(refused.json().path("line").asInt() > 0);
  }

  @Test
  public void ifOneAccountCannotTakeItsLinesNoneAreTaken() {
    Household h = found("all or none");
    byte[] file = camt("NL00DEMO004417", "NL00DEMO006650");
    String wrong =
        choices(h, false).replace(h.card().id().toString(), h.groceries().id().toString());
    assertEquals(h.api().takeIn(wrong, "f.xml", file, null).status(), 422);
    assertEquals(h.api().get("/api/waiting-lines").json().path("count").asInt(), 0);
    String missing = choices(h, false).replace("006650", "9999");
    assertEquals(h.api().takeIn(missing, "f.xml", file, null).problem(), "account-missing");
  }

  @Test
  public void aFileOfAnotherNumberIsPointedOut() {
    Household h = found("another");
    JsonNode preview =
        h.api()
            .upload(
                "/api/gather/preview?account=" + h.current().id(),
                "f.xml",
                camt("NL00DEMO009999"),
                null)
            .json();
    assertTrue(preview.at("/parts/0/isOfAnother").asBoolean());
  }

  @Test
  public void openingAndClosingOfAFileMakeTheStatement() {
    Household h = found("statement");
    JsonNode taken =
        h.api().takeIn(h.current().id(), "f.xml", camt("NL00DEMO004417"), null, true).json();
    JsonNode sheet = h.api().get("/api/statements/" + taken.path("statementId").asString()).json();
    assertEquals(sheet.path("opening").asString(), "1000.00");
    assertEquals(sheet.path("closing").asString(), "990.00");
  }

  @Test
  public void aLayoutIsRememberedByAccountAndColumnNames() {
    Household h = found("layouts");
    String header = "When;What;How much;Left\n";
    byte[] august =
        (header + "04.09.2026;A;10,00;x\n05.09.2026;B;20,00;x\n").getBytes(StandardCharsets.UTF_8);
    String layout =
        """
        {"meanings":["BOOKED_ON","MEMO","AMOUNT","IGNORE"],"dateOrder":"DAY_MONTH_YEAR",
         "decimalMark":"COMMA","sign":"OUT_IS_POSITIVE"}\
        """;
    assertEquals(
        h.api()
            .takeIn(h.card().id(), "a.csv", august, layout, false)
            .json()
            .path("newLines")
            .asInt(),
        2);
    byte[] next = (header + "06.09.2026;C;30,00;x\n").getBytes(StandardCharsets.UTF_8);
    JsonNode preview = h.api().upload("/api/gather/preview", "b.csv", next, null).json();
    assertEquals(preview.path("routedTo").asString(), h.card().id().toString());
    assertEquals(preview.at("/parts/0/routedBy").asString(), "LAYOUT");
    assertTrue(preview.at("/table/remembered").asBoolean());
    assertEquals(preview.at("/table/layout/sign").asString(), "OUT_IS_POSITIVE");
    assertEquals(preview.at("/parts/0/lines/0/amount").asString(), "-30.00");
  }

  @Test
  public void aBreakInTheRunningBalanceIsToldWithItsLine() {
    Household h = found("breaks");
    byte[] file =
        """
        Booked;Text;Amount;Balance
        04.09.2026;A;-10,00;90,00
        05.09.2026;B;-5,00;12,40
        06.09.2026;C;1,00;13,40
        """
            .getBytes(StandardCharsets.UTF_8);
    JsonNode broken =
        h.api()
            .upload("/api/gather/preview?account=" + h.current().id(), "b.csv", file, null)
            .json()
            .at("/table/breaks/0");
    assertEquals(broken.path("line").asInt(), 3);
    assertEquals(broken.path("apart").asString(), "-72.60");
  }

  @Test
  public void whatIsHereLeavesAsOfxCamtAndCsv() throws Exception {
    Household h = found("leave");
    gather(h, september());
    List<Long> amounts = List.of(-4_820L, -3_180L, 50_000L);
    BankStatement ofx = OfxReader.read(lines(h, "OFX")).getFirst();
    assertEquals(ofx.lines().stream().map(BankLine::amountMinor).toList(), amounts);
    BankStatement camt = CamtReader.read(lines(h, "CAMT")).getFirst();
    assertEquals(camt.lines().stream().map(BankLine::amountMinor).toList(), amounts);
    assertEquals(camt.opening(), eur(100_000));
    JsonNode csv =
        h.api()
            .upload(
                "/api/gather/preview?account=" + h.current().id(), "l.csv", lines(h, "CSV"), null)
            .json();
    assertEquals(csv.at("/parts/0/knownLines").asInt(), 3, csv.toString());
  }

  private byte[] lines(Household h, String format) throws Exception {
    return mvc.perform(
            Api.plain(
                    HttpMethod.GET,
                    "/api/gather/accounts/%s/lines?format=%s".formatted(h.current().id(), format))
                .with(Api.signedIn(h.owner())))
        .andReturn()
        .getResponse()
        .getContentAsByteArray();
  }
}
