package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Cash is counted; what nothing explains is booked as that, and said until it is explained. */
public class CountTest extends AppTest {
  /** A purse that opens with nothing and gets 100.00 from the current account. */
  private static String purse(Household h) {
    String purse = make(h);
    String body =
        """
        {"day":"3 9","base":"2026-09-10","payee":"Cash","amount":"100","fromId":"%s","toId":"%s"}\
        """
            .formatted(h.current().id(), purse);
    assertEquals(h.api().post("/api/entries", body).status(), 201);
    return purse;
  }

  private static String make(Household h) {
    String body =
        """
        {"bookId":"%s","name":"Purse","kind":"CASH","currency":"EUR","group":false,"facts":{"number":"","tail":"","institution":"","webPage":"","contact":"","notes":"","pinned":false,"taxFormLine":""},"opensOn":"2026-08-01"}\
        """
            .formatted(h.current().bookId());
    Api.Answer made = h.api().post("/api/accounts", body);
    assertEquals(made.status() / 100, 2, "" + made.json());
    return made.json().path("id").asString();
  }

  private static Api.Answer count(Household h, String account, String rest) {
    return h.api()
        .post(
            "/api/statements/counts",
            "{\"accountId\":\"%s\",\"countedOn\":\"2026-09-30\",%s}".formatted(account, rest));
  }

  @Test
  public void piecesMakeTheBalanceAndWhatIsShortIsBookedAsShort() {
    Household h = found("count");
    String purse = purse(h);
    JsonNode listed = null;
    for (JsonNode account : h.api().get("/api/statements").json()) {
      listed = account.path("accountId").asString().equals(purse) ? account : listed;
    }
    assertTrue(listed != null && listed.path("counted").asBoolean());
    assertEquals(listed.at("/denominations/0").asString(), "200.00");
    String pieces =
        "\"pieces\":[{\"of\":50,\"count\":1},{\"of\":20,\"count\":2},{\"of\":0.5,\"count\":13}]";
    String id = count(h, purse, pieces).json().path("id").asString();
    String statement = "/api/statements/" + id;
    JsonNode sheet = h.api().get(statement).json();
    assertEquals(sheet.path("closing").asString(), "96.50");
    assertEquals(sheet.path("difference").asString(), "-3.50");
    assertTrue(sheet.at("/postings/0/ticked").asBoolean(), "what the books have is there");
    assertEquals(sheet.path("counted").size(), 3);

    String seen = "{\"difference\":-3.60}";
    assertEquals(h.api().post(statement + "/difference", seen).problem(), "gap-changed");
    JsonNode after = h.api().post(statement + "/difference", "{\"difference\":-3.50}").json();
    assertEquals(after.path("difference").asString(), "0.00", "" + after);
    assertEquals(after.at("/postings/1/payee").asString(), "Cash short");
    assertEquals(
        h.api().post(statement + "/difference", "{\"difference\":0}").problem(), "nothing-apart");
    int version = after.path("version").asInt();
    assertEquals(h.api().post(statement + "/finish?version=" + version, "").status(), 200);
    JsonNode agreed = h.api().get(statement + "/agreement").json();
    assertEquals(agreed.at("/postings/0/adjustment").asBoolean(), false);
    assertEquals(agreed.at("/postings/1/adjustment").asBoolean(), true);
  }

  @Test
  public void aCountThatCannotBeIsRefusedWithTheReason() {
    Household h = found("miscount");
    String purse = purse(h);
    assertEquals(count(h, purse, "\"pieces\":[{\"of\":3,\"count\":1}]").problem(), "no-such-piece");
    assertEquals(
        count(h, purse, "\"pieces\":[{\"of\":5,\"count\":-1}]").problem(), "pieces-out-of-range");
    assertEquals(count(h, purse, "\"pieces\":null").problem(), "not-answered");
    assertEquals(count(h, h.current().id().toString(), "\"total\":5").problem(), "not-counted");
    String early =
        "{\"accountId\":\"%s\",\"countedOn\":\"2199-09-30\",\"total\":5}".formatted(purse);
    assertEquals(h.api().post("/api/statements/counts", early).problem(), "count-in-future");
    assertEquals(count(h, purse, "\"total\":5").status(), 201);
  }

  @Test
  public void aReconciliationDifferenceStandsInTheWayOfClosingUntilItIsExplained() {
    Household h = found("last resort");
    String body =
        "{\"accountId\":\"%s\",\"closesOn\":\"2026-08-31\",\"closing\":995.00}"
            .formatted(h.current().id());
    String id = h.api().post("/api/statements", body).json().path("id").asString();
    String statement = "/api/statements/" + id;
    JsonNode after = h.api().post(statement + "/difference", "{\"difference\":-5.00}").json();
    assertEquals(after.path("difference").asString(), "0.00", "" + after);
    assertEquals(after.at("/postings/0/payee").asString(), "Reconciliation difference");
    assertTrue(check(h).path("open").asString().contains("1 reconciliation difference"));

    // Somebody finds out what it was: the other side is moved to where it belongs.
    String entry = after.at("/postings/0/entryId").asString();
    assertEquals(ActsTest.revise(h, entry, "Bank charges", h.groceries().id()), 200);
    assertTrue(check(h).path("met").asBoolean());
    assertTrue(h.api().get(statement).json().at("/postings/0/ticked").asBoolean());
  }

  private static JsonNode check(Household h) {
    for (JsonNode check : h.api().get("/api/closed-months?month=2026-08").json().at("/0/checks")) {
      if (check.path("kind").asString().equals("DIFFERENCES_EXPLAINED")) {
        return check;
      }
    }
    throw new AssertionError("not looked at");
  }
}
