package org.yewledger.app;

import static org.testng.Assert.assertEquals;

import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** The directory of payees, and making one of two. */
public class PayeeMergeTest extends AppTest {
  private Household h;

  @BeforeClass
  void enterSome() {
    h = found("payees");
    enter("4 8 2026", "Greengage Market", "10", h.groceries().id().toString());
    enter("6 8 2026", "Greengage Market", "12.50", h.groceries().id().toString());
    enter("7 8 2026", "Greengage Market", "3", h.school().id().toString());
    enter("9 8 2026", "Green Gage", "7", h.school().id().toString());
  }

  private void enter(String day, String payee, String amount, String to) {
    h.api()
        .post(
            "/api/entries",
            """
            {"day": "%s", "payee": "%s", "amount": "%s", "fromId": "%s", "toId": "%s"}\
            """
                .formatted(day, payee, amount, h.current().id(), to))
        .json();
  }

  private JsonNode payee(String name) {
    return h.api().get("/api/payees/directory?text=" + name.replace(" ", "%20")).json().path(0);
  }

  private String merge(JsonNode goes, JsonNode into) {
    return "{\"version\": %d, \"into\": \"%s\"}"
        .formatted(goes.path("version").asInt(), into.path("id").asString());
  }

  @Test
  public void theDirectorySaysHowOftenWhenForHowMuchAndForWhat() {
    JsonNode market = payee("greengage");
    assertEquals(market.path("entries").asInt(), 3);
    assertEquals(market.path("last").asString(), "2026-08-07");
    assertEquals(market.at("/moved/0/out").asString(), "-25.50");
    assertEquals(market.at("/moved/0/in").asString(), "0.00");
    assertEquals(market.path("query").asString(), "payee:\"Greengage Market\"");
    assertEquals(market.path("usualCategory").asString(), "Groceries");
  }

  @Test
  public void twoBecomeOneAndUndoPartsThemAgain() {
    JsonNode goes = payee("green gage");
    JsonNode stays = payee("greengage");
    String path = "/api/payees/" + goes.path("id").asString() + "/merge";
    assertEquals(h.api().post(path, merge(goes, goes)).problem(), "merge-with-itself");
    assertEquals(
        h.api()
            .post(path, merge(goes, stays).replaceFirst("\"version\": \\d+", "\"version\": 9"))
            .status(),
        409);
    assertEquals(h.api().post(path, merge(goes, stays)).status(), 204);
    JsonNode merged = payee("greengage");
    assertEquals(merged.path("entries").asInt(), 4);
    assertEquals(merged.at("/moved/0/out").asString(), "-32.50");
    assertEquals(merged.at("/knownAs/0").asString(), "Green Gage");
    assertEquals(h.api().post(path, merge(goes, stays)).status(), 404);
    step("undo");
    assertEquals(payee("greengage").path("entries").asInt(), 3);
    assertEquals(payee("green gage").path("entries").asInt(), 1);
    step("redo");
    assertEquals(payee("greengage").path("entries").asInt(), 4);
    assertEquals(payee("green gage").path("name").asString(), "Greengage Market", "gone again");
    step("undo");
  }

  private void step(String which) {
    String act = h.api().get("/api/acts/next").json().at("/" + which + "/id").asString();
    assertEquals(h.api().post("/api/acts/" + act + "/undo", "{}").status(), 200);
  }

  @Test
  public void whatIsKnownOfAPayeeIsWrittenDownAndItsCategoryIsTakenForItsEntries() {
    enter("1 8 2026", "Quay Ferries", "9", h.groceries().id().toString());
    JsonNode ferries = payee("ferries");
    String change =
        """
        {"version": %d, "name": "Quay Ferries", "knownAs": [], "categoryId": "%s", "accountNumber": "XX00 4417",
         "contact": "Pier 3\\nEllery", "note": "closed in winter"}\
        """;
    String path = "/api/payees/" + ferries.path("id").asString();
    assertEquals(
        h.api()
            .put(path, change.formatted(ferries.path("version").asInt(), h.current().id()))
            .problem(),
        "not-a-category");
    assertEquals(
        h.api()
            .put(path, change.formatted(ferries.path("version").asInt(), h.school().id()))
            .status(),
        204);
    JsonNode known = payee("ferries");
    assertEquals(known.path("categoryId").asString(), h.school().id().toString());
    assertEquals(known.path("contact").asString(), "Pier 3\nEllery");
    assertEquals(known.path("usualCategory").asString(), "Groceries");
    JsonNode read =
        h.api()
            .post(
                "/api/entries/reading",
                "{\"day\": \"\", \"payee\": \"quay ferries\", \"amount\": \"\"}")
            .json();
    assertEquals(read.at("/to/name").asString(), h.school().name());
    enter("2 8 2026", "Ferries on the quay", "9", h.groceries().id().toString());
    JsonNode other = payee("on the quay");
    assertEquals(
        h.api()
            .post("/api/payees/" + known.path("id").asString() + "/merge", merge(known, other))
            .status(),
        204);
    assertEquals(
        payee("on the quay").path("note").asString(), "closed in winter", "nothing is lost");
    step("undo");
  }
}
