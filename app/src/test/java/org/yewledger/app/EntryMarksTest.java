package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNotEquals;
import static org.testng.Assert.assertTrue;

import java.nio.charset.StandardCharsets;
import org.springframework.http.HttpMethod;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Payees, tags, reference and method of entries; why they were booked; voids; lines left out. */
public class EntryMarksTest extends AppTest {
  private static final String LINES =
      "Date;Text;Amount\n2026-09-04;GREENGAGE MKT;-48.20\n2026-09-05;KIOSK 7;-3.10\n";

  private static JsonNode line(Household h, String text) {
    for (JsonNode stack : h.api().get("/api/waiting-lines").json().path("stacks")) {
      for (JsonNode line : stack.path("lines")) {
        if (line.path("text").asString().equals(text)) {
          return line;
        }
      }
    }
    throw new AssertionError("no line " + text);
  }

  private Household withLines(String name) {
    Household h = found(name);
    h.api().takeIn(h.current().id(), "a.csv", LINES.getBytes(StandardCharsets.UTF_8), null, false);
    return h;
  }

  private static JsonNode posted(Household h, String text, String payee) {
    JsonNode line = line(h, text);
    h.api()
        .post(
            "/api/waiting-lines/post",
            """
            {"lines":[{"lineId":"%s","version":%d,"booking":{"payee":"%s","parts":[{"accountId":"%s","amount":"%s"}]}}]}\
            """
                .formatted(
                    line.path("id").asString(),
                    line.path("version").asInt(),
                    payee,
                    h.groceries().id(),
                    line.path("amount").asString()));
    return newest(h);
  }

  private static JsonNode newest(Household h) {
    JsonNode newest = null;
    for (JsonNode entry : h.api().get("/api/entries").json().path("entries")) {
      if (newest == null || entry.path("no").asLong() > newest.path("no").asLong()) {
        newest = entry;
      }
    }
    return newest;
  }

  private static Api.Answer revise(Household h, JsonNode entry, String more) {
    return h.api()
        .put(
            "/api/entries/" + entry.path("id").asString(),
            """
            {"version":%d,"date":"%s","payee":"%s",%s"postings":[
              {"accountId":"%s","amount":"-48.20"},{"accountId":"%s","amount":"48.20"}]}\
            """
                .formatted(
                    entry.path("version").asInt(),
                    entry.path("date").asString(),
                    entry.path("payee").asString(),
                    more,
                    h.current().id(),
                    h.groceries().id()));
  }

  @Test
  public void onePayeeHoweverItsNameIsTyped() {
    Household h = withLines("payee");
    JsonNode first = posted(h, "GREENGAGE MKT", "Greengage Market");
    JsonNode second = posted(h, "KIOSK 7", "GREENGAGE market");
    assertEquals(second.path("payeeId"), first.path("payeeId"));
    assertEquals(second.path("payee").asString(), "Greengage Market");
    JsonNode payees = h.api().get("/api/payees?text=gage").json();
    assertEquals(payees.size(), 1);
    assertEquals(payees.get(0).path("used").asInt(), 2);
  }

  /** Capitals that Java and PostgreSQL make small differently. */
  @Test
  public void namesInAnyScriptAreFoundAgain() {
    Household h = withLines("scripts");
    JsonNode first = posted(h, "GREENGAGE MKT", "\u0130stanbul Stra\u00dfe \u03a3\u03a3");
    JsonNode second = posted(h, "KIOSK 7", "\u0130stanbul Stra\u00dfe \u03a3\u03a3");
    assertEquals(second.path("payeeId"), first.path("payeeId"));
  }

  @Test
  public void aRenamedPayeeIsRenamedEverywhereAndUndoBringsTheNameBack() {
    Household h = withLines("rename");
    JsonNode entry = posted(h, "GREENGAGE MKT", "Greengage Market");
    JsonNode payee = h.api().get("/api/payees?text=greengage").json().get(0);
    String path = "/api/payees/" + payee.path("id").asString();
    String wanted = "{\"version\":%d,\"name\":\"%s\",\"knownAs\":[\"GREENGAGE SHOP\"]}";
    assertEquals(
        h.api().put(path, wanted.formatted(payee.path("version").asInt(), "Greengage")).status(),
        204);
    assertEquals(newest(h).path("payee").asString(), "Greengage");
    assertEquals(
        h.api().get("/api/entries/totals?text=gage%20shop").json().path(0).path("count").asInt(),
        1);
    assertEquals(
        h.api().put(path, wanted.formatted(payee.path("version").asInt(), "Again")).status(), 409);
    String act = h.api().get("/api/acts/next").json().at("/undo/id").asString();
    h.api().post("/api/acts/" + act + "/undo", "");
    assertEquals(newest(h).path("payee").asString(), "Greengage Market");
    assertEquals(h.api().get("/api/payees?text=shop").json().size(), 0);
    // What posting has taught is there again.
    assertEquals(h.api().get("/api/payees?text=mkt").json().size(), 1);
    assertEquals(entry.path("payeeId"), newest(h).path("payeeId"));
  }

  private static JsonNode payee(Household h, String name) {
    for (JsonNode payee : h.api().get("/api/payees").json()) {
      if (payee.path("name").asString().equals(name)) {
        return payee;
      }
    }
    throw new AssertionError("no payee " + name);
  }

  @Test
  public void oneTextOfABankMeansOnePayee() {
    Household h = withLines("alias");
    posted(h, "GREENGAGE MKT", "Greengage Market");
    posted(h, "KIOSK 7", "Kiosk");
    for (String name : new String[] {"Greengage Market", "Kiosk"}) {
      JsonNode payee = payee(h, name);
      Api.Answer changed =
          h.api()
              .put(
                  "/api/payees/" + payee.path("id").asString(),
                  "{\"version\":%d,\"name\":\"%s\",\"knownAs\":[\"Kiosk no. 7\"]}"
                      .formatted(payee.path("version").asInt(), name));
      assertEquals(changed.status(), name.equals("Kiosk") ? 422 : 204);
      if (name.equals("Kiosk")) {
        assertEquals(changed.problem(), "known-as-another");
      }
    }
  }

  @Test
  public void tagsReferenceAndMethodChangeByRevisionAndComeBackByUndo() {
    Household h = withLines("marks");
    JsonNode entry = posted(h, "GREENGAGE MKT", "Greengage Market");
    JsonNode marked =
        revise(
                h,
                entry,
                "\"reference\":\"R-12\",\"method\":\"CARD\",\"tags\":[\"Fair\",\"fair\",\"autumn\"],")
            .json();
    assertEquals(marked.path("reference").asString(), "R-12");
    assertEquals(marked.path("method").asString(), "CARD");
    assertEquals(marked.path("tags").toString(), "[\"autumn\",\"Fair\"]");
    assertEquals(
        h.api().get("/api/entries/totals?text=autumn").json().path(0).path("count").asInt(), 1);
    assertEquals(
        h.api().get("/api/entries/totals?text=r-12").json().path(0).path("count").asInt(), 1);
    JsonNode fewer = revise(h, marked, "\"tags\":[\"FAIR\"],").json();
    assertEquals(fewer.path("tags").toString(), "[\"Fair\"]");
    String act = h.api().get("/api/acts/next").json().at("/undo/id").asString();
    h.api().post("/api/acts/" + act + "/undo", "");
    assertEquals(newest(h).path("tags").toString(), "[\"autumn\",\"Fair\"]");
    assertEquals(newest(h).path("reference").asString(), "R-12");
  }

  @Test
  public void aPostingKeepsItsTaxRateAndItsPart() {
    Household h = withLines("tax");
    JsonNode entry = posted(h, "GREENGAGE MKT", "Greengage Market");
    String rate =
        h.api()
            .post(
                "/api/tax-rates",
                "{\"bookId\":\"%s\",\"name\":\"standard\",\"steps\":[{\"from\":\"2024-01-01\",\"percent\":\"21\"}]}"
                    .formatted(h.current().bookId()))
            .json()
            .path("id")
            .asString();
    String body =
        """
        {"version":%d,"date":"2026-09-04","payee":"Greengage Market","postings":[
          {"accountId":"%s","amount":"-48.20"},
          {"accountId":"%s","amount":"48.20","taxRateId":"%s"%s}]}\
        """;
    String path = "/api/entries/" + entry.path("id").asString();
    int version = entry.path("version").asInt();
    assertEquals(
        h.api()
            .put(path, body.formatted(version, h.current().id(), h.groceries().id(), rate, ""))
            .problem(),
        "tax-half-said");
    JsonNode taxed =
        h.api()
            .put(
                path,
                body.formatted(
                    version, h.current().id(), h.groceries().id(), rate, ",\"taxRole\":\"NET\""))
            .json();
    assertTrue(taxed.toString().contains("\"taxRole\":\"NET\""), taxed.toString());
    assertEquals(h.api().delete("/api/tax-rates/" + rate).problem(), "tax-rate-used");
  }

  @Test
  public void anEntryKnowsWhyItWasBooked() {
    Household h = withLines("why");
    h.api().post("/api/rules", RuleDrafts.out("GREENGAGE", "Greengage Market", h.groceries()));
    JsonNode byRule = posted(h, "GREENGAGE MKT", "Greengage Market");
    assertEquals(byRule.path("reason").asString(), "RULE");
    assertTrue(byRule.hasNonNull("ruleId"));
    JsonNode answered = posted(h, "KIOSK 7", "Kiosk");
    assertEquals(answered.path("reason").asString(), "OPEN_QUESTION");
    assertTrue(answered.path("ruleId").isMissingNode() || answered.path("ruleId").isNull());
  }

  @Test
  public void aVoidedEntryAndItsOppositeStayAndAreLinkedOnce() throws Exception {
    Household h = withLines("void");
    JsonNode entry = posted(h, "GREENGAGE MKT", "Greengage Market");
    String path = "/api/entries/" + entry.path("id").asString() + "/counter";
    String body = "{\"version\":%d,\"how\":\"VOID\"}".formatted(entry.path("version").asInt());
    JsonNode opposite = h.api().post(path, body).json();
    assertEquals(opposite.path("countersId"), entry.path("id"));
    assertEquals(opposite.path("counters").asString(), "VOID");
    assertEquals(opposite.path("date"), entry.path("date"));
    assertEquals(opposite.path("amount").asString(), "48.20");
    assertNotEquals(opposite.path("no"), entry.path("no"));
    assertEquals(h.api().post(path, body).problem(), "already-countered");
    assertEquals(
        h.api()
            .post(
                "/api/entries/" + opposite.path("id").asString() + "/counter",
                "{\"version\":%d,\"how\":\"REVERSAL\",\"date\":\"2026-09-01\"}"
                    .formatted(opposite.path("version").asInt()))
            .problem(),
        "reversal-before-entry");
    String act = h.api().get("/api/acts/next").json().at("/undo/id").asString();
    h.api().post("/api/acts/" + act + "/undo", "");
    assertEquals(
        mvc.perform(
                Api.plain(HttpMethod.GET, "/api/entries/" + opposite.path("id").asString())
                    .with(Api.signedIn(h.owner())))
            .andReturn()
            .getResponse()
            .getStatus(),
        404);
  }

  @Test
  public void aLineIsLeftOutWithAReasonAndTakenInAgain() {
    Household h = withLines("left out");
    JsonNode line = line(h, "KIOSK 7");
    String path = "/api/left-out-lines/" + line.path("id").asString();
    String body = "{\"version\":%d,\"because\":\"%s\"}";
    int version = line.path("version").asInt();
    assertEquals(h.api().put(path, body.formatted(version, " ")).problem(), "reason-missing");
    assertEquals(h.api().put(path, body.formatted(version, "a test of the bank")).status(), 204);
    assertEquals(h.api().get("/api/waiting-lines").json().path("count").asInt(), 1);
    JsonNode left = h.api().get("/api/left-out-lines").json().get(0);
    assertEquals(left.path("because").asString(), "a test of the bank");
    assertEquals(h.api().put(path, body.formatted(version, "twice")).problem(), "line-left-out");
    assertEquals(h.api().delete(path).status(), 204);
    assertEquals(h.api().get("/api/waiting-lines").json().path("count").asInt(), 2);
    assertEquals(h.api().delete(path).problem(), "not-left-out");
    String act = h.api().get("/api/acts/next").json().at("/undo/id").asString();
    h.api().post("/api/acts/" + act + "/undo", "");
    assertEquals(h.api().get("/api/left-out-lines").json().size(), 1);
  }

  @Test
  public void whatIsNotPlacedYetStandsInSuspense() {
    Household h = withLines("suspense");
    JsonNode line = line(h, "GREENGAGE MKT");
    h.api()
        .post(
            "/api/waiting-lines/post",
            """
            {"lines":[{"lineId":"%s","version":0,"booking":{"payee":"Greengage Market","restToSuspense":true,
              "parts":[{"accountId":"%s","amount":"-40.00"}]}}]}\
            """
                .formatted(line.path("id").asString(), h.groceries().id()));
    assertTrue(newest(h).toString().contains("\"accountName\":\"Suspense\""), newest(h).toString());
  }
}
