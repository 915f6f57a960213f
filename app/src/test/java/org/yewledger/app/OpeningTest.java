package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.nio.charset.StandardCharsets;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

public class OpeningTest extends AppTest {
  private static Api.Answer set(Household h, String day, String balance) {
    return h.api()
        .put(
            "/api/opening-balances",
            "{\"accounts\":[{\"accountId\":\"%s\",\"opensOn\":\"%s\",\"balance\":%s}]}"
                .formatted(
                    h.current().id(), day, balance == null ? "null" : "\"" + balance + "\""));
  }

  private static JsonNode page(Household h) {
    return h.api().get("/api/accounts/" + h.current().id() + "?on=2026-12-31").json();
  }

  @Test
  public void anOpeningBalanceCanBeCorrectedAndTheHistoryTellsIt() {
    Household h = found("correct");
    assertEquals(set(h, "2026-08-01", "1250.00").status(), 204);
    assertEquals(page(h).path("balance").asString(), "1250.00");
    assertEquals(
        page(h).at("/history/0/what").asString(),
        "Opening balance of Harbour Current corrected from 1,000.00 to 1,250.00, opening on"
            + " 2026-08-01");
    assertEquals(set(h, "2026-07-15", "1250.00").status(), 204);
    assertEquals(page(h).at("/opening/balanceOn").asString(), "2026-07-14");
    assertEquals(set(h, "2026-07-15", null).status(), 204);
    assertEquals(page(h).path("balance").asString(), "0.00");
  }

  @Test
  public void theDayIsNotAfterTheFirstEntry() {
    Household h = found("late");
    gather(h, september());
    JsonNode line = h.api().get("/api/waiting-lines").json().at("/stacks/0/lines/0");
    h.api()
        .post(
            "/api/waiting-lines/post",
            """
            {"lines":[{"lineId":"%s","version":0,"booking":{"payee":"x","parts":[{"accountId":"%s","amount":"-48.20"}]}}]}\
            """
                .formatted(line.path("id").asString(), h.groceries().id()));
    Api.Answer refused = set(h, "2026-09-05", "1000.00");
    assertEquals(refused.problem(), "opens-after-first-line");
    assertTrue(refused.json().path("detail").asString().contains("2026-09-04"), refused.toString());
  }

  @Test
  public void theSheetBalancesByOpeningEquity() {
    Household h = found("sheet");
    String body =
        """
        {"accounts":[{"accountId":"%s","opensOn":"2026-08-01","balance":"1000.00"},
                     {"accountId":"%s","opensOn":"2026-08-01","balance":"-340.15"}]}\
        """
            .formatted(h.current().id(), h.card().id());
    JsonNode sheet = h.api().post("/api/opening-balances/preview", body).json().get(0);
    assertEquals(sheet.path("total").asString(), "1000.00");
    assertEquals(sheet.at("/rows/1/name").asString(), "Quillon Card");
    assertEquals(sheet.at("/rows/2/name").asString(), "Opening equity");
    assertEquals(sheet.at("/rows/2/credit").asString(), "659.85");
  }

  /** The books hold the balance of the evening of 1 August instead of that of 31 July. */
  @Test
  public void aFirstStatementThatOpensOtherwiseIsExplained() {
    Household h = found("explained");
    String csv =
        """
        Date;Text;Amount;Balance
        2026-08-01;HOME LOAN;-86.40;1000.00
        2026-08-04;GREENGAGE;-48.20;951.80
        2026-08-07;MARRAM COUNCIL;500.00;1451.80
        """;
    Api.Answer taken =
        h.api()
            .takeIn(
                h.current().id(), "august.csv", csv.getBytes(StandardCharsets.UTF_8), null, true);
    assertEquals(taken.status(), 201, taken.json().toString());
    String statement = taken.json().path("statementId").asString();
    JsonNode apart = h.api().get("/api/statements/" + statement).json().path("openingApart");
    assertEquals(apart.path("apart").asString(), "86.40");
    assertTrue(apart.path("first").asBoolean());
    assertTrue(
        apart.path("words").asString().endsWith("at the end of 2026-08-01, 1 day later."),
        apart.toString());
    assertEquals(set(h, "2026-08-01", "1086.40").status(), 204);
    assertTrue(
        h.api().get("/api/statements/" + statement).json().path("openingApart").isMissingNode());
  }

  @Test
  public void whatStatementsAgreeWithStays() {
    Household h = found("agreed");
    String statement =
        h.api()
            .post(
                "/api/statements",
                "{\"accountId\":\"%s\",\"closesOn\":\"2026-08-31\",\"closing\":\"1000.00\"}"
                    .formatted(h.current().id()))
            .json()
            .path("id")
            .asString();
    assertEquals(
        h.api().post("/api/statements/" + statement + "/finish?version=0", "").status(), 200);
    assertEquals(set(h, "2026-08-01", "900.00").problem(), "opening-agreed");
  }

  @Test
  public void anAccountIsMadeWithItsOpeningBalanceInOneAct() {
    Household h = found("opened");
    String body =
        """
        {"bookId":"%s","name":"Harbour Savings","kind":"SAVINGS","currency":"EUR","group":false,
         "opensOn":"2026-08-01","opening":"%s","facts":{"number":"","tail":"","institution":"",
         "webPage":"","contact":"","notes":"","pinned":false,"taxFormLine":""}}\
        """;
    String book = h.current().bookId().toString();
    assertEquals(
        h.api().post("/api/accounts", body.formatted(book, "12.345")).problem(), "amount-too-fine");
    assertFalse(
        h.api().get("/api/accounts").json().toString().contains("Harbour Savings"),
        "nothing is made where the balance is refused");
    Api.Answer made = h.api().post("/api/accounts", body.formatted(book, "1250.00"));
    assertEquals(made.status(), 201);
    String id = made.json().path("id").asString();
    JsonNode page = h.api().get("/api/accounts/" + id + "?on=2026-09-30").json();
    assertEquals(page.path("balance").asString(), "1250.00");
    JsonNode undo = h.api().get("/api/acts/next").json().path("undo");
    h.api().post("/api/acts/" + undo.path("id").asString() + "/undo", "");
    assertFalse(h.api().get("/api/accounts").json().toString().contains("Harbour Savings"));
  }
}
