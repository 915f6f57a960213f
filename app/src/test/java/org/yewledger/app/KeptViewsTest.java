package org.yewledger.app;

import static org.testng.Assert.assertEquals;

import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Queries kept by a name: replaced, forgotten, and brought back by undo. */
public class KeptViewsTest extends AppTest {
  private static final String WANTED =
      """
      {"name": "%s", "query": "%s", "everyMonth": true, "order": "-amount"}\
      """;

  private static String queries(Household h) {
    var told = new StringBuilder();
    for (JsonNode view : h.api().get("/api/journal/views").json()) {
      told.append(view.path("name").asString()).append('=').append(view.path("query").asString());
      told.append(';');
    }
    return told.toString();
  }

  private static void undo(Household h) {
    String act = h.api().get("/api/acts/next").json().at("/undo/id").asString();
    h.api().post("/api/acts/" + act + "/undo", "{}").json();
  }

  @Test
  public void whatIsKeptReplacedOrForgottenComesBackByUndo() {
    Household h = found("views");
    h.api().post("/api/journal/views", WANTED.formatted(" Dear ", "amount:>50"));
    assertEquals(queries(h), "Dear=amount:>50;");
    h.api().post("/api/journal/views", WANTED.formatted("dear", "amount:>80"));
    assertEquals(queries(h), "dear=amount:>80;");
    undo(h);
    assertEquals(queries(h), "Dear=amount:>50;");
    String id = h.api().get("/api/journal/views").json().at("/0/id").asString();
    assertEquals(h.api().delete("/api/journal/views/" + id).status(), 204);
    assertEquals(queries(h), "");
    assertEquals(h.api().delete("/api/journal/views/" + id).status(), 404);
    undo(h);
    assertEquals(queries(h), "Dear=amount:>50;");
    assertEquals(
        h.api().post("/api/journal/views", WANTED.formatted(" ", "")).problem(), "view-missing");
  }
}
