package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.util.UUID;
import org.testng.annotations.Test;
import org.yewledger.core.ledger.Account;
import tools.jackson.databind.JsonNode;

public class ChartTest extends AppTest {
  private static final String FACTS =
      """
      {"number":"","tail":"","institution":"","webPage":"","contact":"","notes":"","pinned":false,"taxFormLine":""}\
      """;

  private static final String GROUP = ",group";

  private static String draft(Household h, String name, String kind, String more) {
    return "{\"bookId\":\"%s\",\"name\":\"%s\",\"kind\":\"%s\",\"currency\":\"EUR\",\"group\":%s,\"facts\":%s%s}"
        .formatted(
            h.current().bookId(),
            name,
            kind,
            more.startsWith(GROUP),
            FACTS,
            more.replaceFirst(GROUP, ""));
  }

  private static String add(Household h, String name, String kind, String more) {
    Api.Answer added = h.api().post("/api/accounts", draft(h, name, kind, more));
    assertEquals(added.status(), 201, added.json().toString());
    return added.json().path("id").asString();
  }

  private static JsonNode row(Household h, String id) {
    for (JsonNode book : h.api().get("/api/chart?on=2026-12-31").json().path("books").values()) {
      for (JsonNode ofClass : book.path("classes").values()) {
        for (JsonNode row : ofClass.path("rows").values()) {
          if (row.path("id").asString().equals(id)) {
            return row;
          }
        }
      }
    }
    throw new AssertionError("no row " + id);
  }

  private void spend(Household h, Account category, String amount) {
    gather(h, september());
    JsonNode line = h.api().get("/api/waiting-lines").json().at("/stacks/0/lines/0");
    String body =
        """
        {"lines":[{"lineId":"%s","version":0,"booking":{"payee":"x","parts":[{"accountId":"%s","amount":"%s"}]}}]}\
        """
            .formatted(line.path("id").asString(), category.id(), line.path("amount").asString());
    assertEquals(h.api().post("/api/waiting-lines/post", body).status(), 200, amount);
  }

  @Test
  public void aGroupShowsTheSumOfWhatIsInItAndTheBookFoots() {
    Household h = found("sums");
    String food = add(h, "Food", "EXPENSE", GROUP);
    h.api()
        .post("/api/accounts/" + h.groceries().id() + "/move", "{\"parentId\":\"" + food + "\"}");
    spend(h, h.groceries(), "48.20");
    assertEquals(row(h, food).path("debit").asString(), "48.20");
    assertEquals(row(h, h.groceries().id().toString()).path("depth").asInt(), 1);
    JsonNode book = h.api().get("/api/chart?on=2026-12-31").json().at("/books/0");
    assertEquals(book.path("debit").asString(), book.path("credit").asString());
    assertEquals(book.path("debit").asString(), "1000.00");
  }

  @Test
  public void badMovesAndNamesAreRefusedWithTheReason() {
    Household h = found("bad");
    String food = add(h, "Food", "EXPENSE", GROUP);
    String inner = add(h, "Eating in", "EXPENSE", GROUP + ",\"parentId\":\"" + food + "\"");
    Api api = h.api();
    assertEquals(
        api.post("/api/accounts/" + food + "/move", "{\"parentId\":\"" + inner + "\"}").problem(),
        "circle");
    assertEquals(
        api.post("/api/accounts/" + h.pay().id() + "/move", "{\"parentId\":\"" + food + "\"}")
            .problem(),
        "parent-other-class");
    assertEquals(
        api.post("/api/accounts", draft(h, "groceries", "EXPENSE", "")).problem(), "name-taken");
    assertEquals(
        api.post("/api/accounts", draft(h, "Drawings", "DRAWINGS", "")).problem(), "kept-by-core");
    assertEquals(
        api.post(
                "/api/accounts/" + h.groceries().id() + "/merge",
                "{\"intoId\":\"" + h.pay().id() + "\"}")
            .problem(),
        "merge-across-classes");
    Api.Answer close = api.post("/api/accounts/" + h.current().id() + "/close?version=0", "");
    assertEquals(close.problem(), "balance-not-zero");
    assertTrue(close.json().path("detail").asString().contains("1,000.00"), close.toString());
    assertEquals(
        api.delete("/api/accounts/" + h.current().id() + "?version=0").problem(), "account-used");
  }

  @Test
  public void aUsedAccountKeepsItsCurrencyAndItsFirstDay() {
    Household h = found("used");
    spend(h, h.groceries(), "48.20");
    String path = "/api/accounts/" + h.current().id() + "?version=0";
    String dollars =
        draft(h, "Harbour Current", "CURRENT", ",\"opensOn\":\"2026-08-01\"").replace("EUR", "USD");
    assertEquals(h.api().put(path, dollars).problem(), "currency-of-used-account");
    String late = draft(h, "Harbour Current", "CURRENT", ",\"opensOn\":\"2026-10-01\"");
    assertEquals(h.api().put(path, late).problem(), "opens-after-first-line");
    String renamed = draft(h, "Harbour Main", "CURRENT", ",\"opensOn\":\"2026-08-01\"");
    assertEquals(h.api().put(path, renamed).status(), 204);
    assertEquals(h.api().put(path, renamed).problem(), "changed-meanwhile");
  }

  @Test
  public void theSidesOfTheClassesAddUpToTheBooks() {
    Household h = found("foots");
    spend(h, h.groceries(), "48.20");
    // Equity on both sides: the opening balance, and what was given to the other book.
    String gift =
        "{\"date\":\"2026-09-30\",\"fromId\":\"%s\",\"given\":\"1200.00\",\"toId\":\"%s\",\"taken\":\"1200.00\"}"
            .formatted(h.current().id(), h.press().id());
    assertEquals(h.api().post("/api/transfers", gift).status(), 201);
    int bothSides = 0;
    for (JsonNode book : h.api().get("/api/chart?on=2026-12-31").json().path("books").values()) {
      for (String side : new String[] {"debit", "credit"}) {
        BigDecimal sum = BigDecimal.ZERO.setScale(2);
        for (JsonNode ofClass : book.path("classes").values()) {
          sum = sum.add(new BigDecimal(ofClass.path(side).asString("0.00")));
        }
        assertEquals(sum.toPlainString(), book.path(side).asString(), side);
      }
      for (JsonNode ofClass : book.path("classes").values()) {
        bothSides += ofClass.has("debit") && ofClass.has("credit") ? 1 : 0;
      }
    }
    assertTrue(bothSides > 0, "no class has both sides, so netting one would not be seen");
  }

  @Test
  public void aMergeMovesEntriesAndRulesAndTheHistorySaysSo() {
    Household h = found("merge");
    spend(h, h.groceries(), "48.20");
    h.api().post("/api/rules", RuleDrafts.out("GREENGAGE", "", h.groceries()));
    Api.Answer merged =
        h.api()
            .post(
                "/api/accounts/" + h.groceries().id() + "/merge",
                "{\"intoId\":\"" + h.school().id() + "\"}");
    assertEquals(merged.json().path("postings").asInt(), 1);
    JsonNode page = h.api().get("/api/accounts/" + h.school().id() + "?on=2026-12-31").json();
    assertEquals(page.path("balance").asString(), "48.20");
    assertEquals(page.at("/history/0/what").asString(), "Merged Groceries into School");
    assertEquals(
        page.at("/rules/0/told").asString(), "any text has the words \"GREENGAGE\" and paid out");
    assertEquals(
        h.api().get("/api/accounts/" + h.groceries().id() + "?on=2026-12-31").status(), 404);
    JsonNode trial = h.api().get("/api/trial-balance?on=2026-12-31").json().get(0);
    assertTrue(trial.path("balances").asBoolean());
  }

  @Test
  public void aClosedAccountTakesNoEntriesUntilItIsReopened() {
    Household h = found("closed");
    String id = add(h, "Old savings", "SAVINGS", "");
    assertEquals(h.api().post("/api/accounts/" + id + "/close?version=0", "").status(), 204);
    String transfer =
        "{\"date\":\"2026-09-30\",\"fromId\":\"%s\",\"given\":\"5.00\",\"toId\":\"%s\",\"taken\":\"5.00\"}"
            .formatted(h.current().id(), id);
    assertEquals(h.api().post("/api/transfers", transfer).problem(), "account-closed");
    assertEquals(h.api().post("/api/accounts/" + id + "/reopen?version=1", "").status(), 204);
    assertEquals(h.api().post("/api/transfers", transfer).status(), 201);
  }

  @Test
  public void whatWasNeverUsedCanBeDeleted() {
    Household h = found("unused");
    String id = add(h, "A whim", "EXPENSE", "");
    assertEquals(
        h.api()
            .get("/api/accounts/" + id + "?on=2026-12-31")
            .json()
            .path("whyNotDeleted")
            .asString(),
        "");
    assertEquals(h.api().delete("/api/accounts/" + id + "?version=0").status(), 204);
    assertEquals(h.api().get("/api/accounts/" + id + "?on=2026-12-31").status(), 404);
  }

  @Test
  public void theAccountsPageSaysWhatStandsOnIt() {
    Household h = found("page");
    spend(h, h.groceries(), "48.20");
    JsonNode page = h.api().get("/api/accounts/" + h.current().id() + "?on=2026-09-30").json();
    assertEquals(page.path("balance").asString(), "951.80");
    assertEquals(page.path("seen").asString(), "951.80");
    assertEquals(page.at("/opening/balance").asString(), "1000.00");
    assertEquals(page.at("/bank/says").asString(), "1420.00");
    assertEquals(page.at("/balances/0/balance").asString(), "1000.00");
    assertEquals(page.at("/balances/1/balance").asString(), "951.80");
  }

  @Test
  public void anotherHouseholdsGroupIsNoPlace() {
    Household h = found("here");
    Household other = found("there");
    String food = add(other, "Food", "EXPENSE", GROUP);
    assertEquals(
        h.api()
            .post(
                "/api/accounts/" + h.groceries().id() + "/move", "{\"parentId\":\"" + food + "\"}")
            .status(),
        404);
    assertEquals(UUID.fromString(food).version(), 7);
  }
}
