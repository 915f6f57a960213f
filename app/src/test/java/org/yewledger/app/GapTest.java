package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.StreamSupport;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** What a statement from paper and the books are apart, explained and put right. */
public class GapTest extends AppTest {
  private static void enter(Household h, String day, String payee, String amount) {
    String from = h.current().id().toString();
    String to = h.groceries().id().toString();
    boolean in = amount.startsWith("+");
    String body =
        """
        {"day":"%s","base":"2026-09-10","payee":"%s","amount":"%s","fromId":"%s","toId":"%s"}\
        """
            .formatted(day, payee, amount.replace("+", ""), in ? to : from, in ? from : to);
    assertEquals(h.api().post("/api/entries", body).status(), 201);
  }

  /** The account begins with 1000.00. */
  private static String statement(Household h, String closing) {
    String body =
        "{\"accountId\":\"%s\",\"closesOn\":\"2026-09-30\",\"closing\":%s}"
            .formatted(h.current().id(), closing);
    return "/api/statements/" + h.api().post("/api/statements", body).json().path("id").asString();
  }

  private static List<String> postings(JsonNode sheet) {
    var ids = new ArrayList<String>();
    sheet.path("postings").forEach(p -> ids.add(p.path("postingId").asString()));
    return ids;
  }

  private static void tick(Household h, String statement, List<String> ids) {
    if (!ids.isEmpty()) {
      String body =
          "{\"postingIds\":[\"%s\"],\"ticked\":true}".formatted(String.join("\",\"", ids));
      assertEquals(h.api().put(statement + "/ticks", body).status(), 200);
    }
  }

  private static JsonNode gap(Household h, String statement) {
    return h.api().get(statement + "/gap").json();
  }

  /** The first way in which all parts are of these kinds. */
  private static JsonNode way(JsonNode gap, String... kinds) {
    for (JsonNode reason : gap.path("reasons")) {
      JsonNode way = reason.path("ways").path(0);
      List<String> found =
          StreamSupport.stream(way.path("parts").spliterator(), false)
              .map(p -> p.path("kind").asString())
              .toList();
      if (found.equals(List.of(kinds))) {
        return way;
      }
    }
    throw new AssertionError("none of " + List.of(kinds) + " in " + gap);
  }

  private static String seen(JsonNode way) {
    var parts = new ArrayList<String>();
    for (JsonNode part : way.path("parts")) {
      var ids = new ArrayList<String>();
      part.path("items").forEach(i -> ids.add("\"" + i.path("id").asString() + "\""));
      String should = part.has("should") ? part.path("should").asString() : "null";
      parts.add(
          "{\"kind\":\"%s\",\"ids\":[%s],\"should\":%s}"
              .formatted(part.path("kind").asString(), String.join(",", ids), should));
    }
    return "{\"parts\":[%s]}".formatted(String.join(",", parts));
  }

  private static void undo(Household h) {
    String act = h.api().get("/api/acts/next").json().at("/undo/id").asString();
    assertEquals(h.api().post("/api/acts/" + act + "/undo", "").status(), 200);
  }

  @DataProvider
  Object[][] mistakes() {
    return new Object[][] {
      // What is typed, the amount that the statement has in its place, what is ticked, the kind.
      {"12.40", "-12.40", false, "UNTICKED"},
      {"12.40", "0.00", true, "OVERTICKED"},
      {"12.40", "+12.40", true, "TURNED"},
      {"54.30", "-45.30", true, "SWAPPED"},
    };
  }

  @Test(dataProvider = "mistakes")
  public void aMistakeIsFoundAndPutRightByOneActThatUndoTakesBack(
      String typed, String onStatement, boolean ticked, String kind) {
    Household h = found("gap " + kind);
    enter(h, "3 9", "Alder Vale Music", "31.07");
    enter(h, "4 9", "Greengage Market", typed);
    String closing =
        new java.math.BigDecimal("968.93")
            .add(new java.math.BigDecimal(onStatement.replace("+", "")))
            .toPlainString();
    String statement = statement(h, closing);
    JsonNode sheet = h.api().get(statement).json();
    List<String> ids = postings(sheet);
    tick(h, statement, ticked ? ids : ids.subList(0, 1));
    JsonNode before = h.api().get(statement).json();

    JsonNode way = way(gap(h, statement), kind);
    assertEquals(way.at("/parts/0/explains"), before.path("difference"));
    assertEquals(way.at("/parts/0/items/0/payee").asString(), "Greengage Market");
    assertTrue(way.path("settled").asBoolean());
    JsonNode after = h.api().post(statement + "/gap", seen(way)).json();
    assertEquals(after.path("difference").asString(), "0.00", after.toString());
    assertEquals(gap(h, statement).path("reasons").size(), 0);

    undo(h);
    JsonNode undone = h.api().get(statement).json();
    assertEquals(undone.path("difference"), before.path("difference"));
    assertEquals(postings(undone), postings(before));
    assertEquals(
        h.api().post(statement + "/gap", seen(way)).json().path("difference").asString(), "0.00");
  }

  @Test
  public void whatWasBookedTwiceIsMadeOne() {
    Household h = found("gap doubled");
    enter(h, "4 9", "Greengage Market", "12.40");
    enter(h, "6 9", "Greengage Market", "12.40");
    String statement = statement(h, "987.60");
    tick(h, statement, postings(h.api().get(statement).json()));
    JsonNode way = way(gap(h, statement), "DOUBLED");
    assertEquals(way.at("/parts/0/items/0/date").asString(), "2026-09-06");
    JsonNode after = h.api().post(statement + "/gap", seen(way)).json();
    assertEquals(after.path("difference").asString(), "0.00");
    assertEquals(after.path("postings").size(), 1);
  }

  @Test
  public void whatChangedMeanwhileIsNotCarriedOut() {
    Household h = found("gap stale");
    enter(h, "4 9", "Greengage Market", "12.40");
    String statement = statement(h, "987.60");
    String seen = seen(way(gap(h, statement), "UNTICKED"));
    tick(h, statement, postings(h.api().get(statement).json()));
    assertEquals(h.api().post(statement + "/gap", seen).problem(), "gap-changed");
  }

  @Test
  public void whatOnlyAPersonCanPutRightIsToldAndNotCarriedOut() {
    Household h = found("gap missing");
    String statement = statement(h, "987.60");
    JsonNode way = way(gap(h, statement), "MISSING");
    assertEquals(way.path("settled").asBoolean(), false);
    assertEquals(h.api().post(statement + "/gap", seen(way)).problem(), "not-settled-here");
  }
}
