package org.yewledger.app;

import static org.testng.Assert.assertEquals;

import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.StreamSupport;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** One change to many entries: counted first, made as one act, taken back as one. */
public class BulkChangeTest extends AppTest {
  private Household h;

  @BeforeClass
  void fillTheJournal() {
    h = found("bulk");
    for (int day = 1; day <= 6; day++) {
      h.api()
          .post(
              "/api/entries",
              """
              {"day": "%d 8 2026", "payee": "%s", "amount": "%d", "fromId": "%s", "toId": "%s"}\
              """
                  .formatted(
                      day,
                      day <= 4 ? "Kiosk" : "Bakery",
                      day,
                      h.current().id(),
                      h.groceries().id()))
          .json();
    }
  }

  private String wanted(String sought, String what) {
    return """
    {"ids": [], "sought": {"text": "%s"}, "payee": "", "tagsAdded": [], "tagsTaken": [], "days": 0, %s}\
    """
        .formatted(sought, what);
  }

  private List<String> entries(String text) {
    JsonNode found = h.api().get("/api/entries?order=no&text=" + text).json().path("entries");
    return StreamSupport.stream(found.spliterator(), false)
        .map(e -> e.path("date").asString() + " " + e.path("to").asString() + " " + e.path("tags"))
        .collect(Collectors.toList());
  }

  @Test
  public void severalAreVoidedAtOnceAndOneUndoBringsThemBack() {
    Household own = found("voids");
    for (int day = 1; day <= 3; day++) {
      own.api()
          .post(
              "/api/entries",
              """
              {"day": "%d 8 2026", "payee": "Parking", "amount": "2", "fromId": "%s", "toId": "%s"}\
              """
                  .formatted(day, own.current().id(), own.groceries().id()))
          .json();
    }
    String meant = "{\"ids\": [], \"sought\": {\"text\": \"parking\"}}";
    JsonNode ahead = own.api().post("/api/entries/bulk/void/count", meant).json();
    assertEquals(ahead.path("changed").asInt(), 3);
    assertEquals(own.api().post("/api/entries/bulk/void", meant).json(), ahead);
    assertEquals(own.api().get("/api/entries?text=parking").json().path("entries").size(), 6);
    assertEquals(
        own.api().get("/api/entries/totals?text=parking").json().at("/0/out").asString(), "-6.00");
    JsonNode again = own.api().post("/api/entries/bulk/void/count", meant).json();
    assertEquals(again.path("changed").asInt(), 0);
    assertEquals(again.at("/stay/0/code").asString(), "already-countered");
    assertEquals(again.at("/stay/0/count").asInt(), 6);
    assertEquals(own.api().post("/api/entries/bulk/void", meant).problem(), "nothing-changes");
    String act = own.api().get("/api/acts/next").json().at("/undo/id").asString();
    assertEquals(own.api().post("/api/acts/" + act + "/undo", "{}").status(), 200);
    assertEquals(own.api().get("/api/entries?text=parking").json().path("entries").size(), 3);
  }

  @Test
  public void aCountChangesNothingAndTheChangeIsOneActThatUndoTakesBack() {
    List<String> before = entries("kiosk");
    String change =
        wanted("kiosk", "\"categoryId\": \"%s\", \"days\": 1".formatted(h.school().id()))
            .replace("\"days\": 0, ", "");
    JsonNode ahead = h.api().post("/api/entries/bulk/count", change).json();
    assertEquals(ahead.path("changed").asInt(), 4);
    assertEquals(entries("kiosk"), before);
    assertEquals(h.api().post("/api/entries/bulk", change).json(), ahead);
    assertEquals(entries("kiosk").getFirst(), "2026-08-02 School []");
    JsonNode next = h.api().get("/api/acts/next").json().path("undo");
    assertEquals(next.path("words").asString(), "Changed 4 entries at once");
    h.api().post("/api/acts/" + next.path("id").asString() + "/undo", "{}").json();
    assertEquals(entries("kiosk"), before);
  }

  @Test
  public void whatStaysIsToldWithItsReason() {
    // The opening entry has no category.
    JsonNode told =
        h.api()
            .post(
                "/api/entries/bulk/count",
                wanted("", "\"categoryId\": \"%s\"".formatted(h.groceries().id())))
            .json();
    assertEquals(told.path("changed").asInt(), 0);
    assertEquals(told.path("same").asInt(), 6);
    assertEquals(told.path("stay").path(0).path("count").asInt(), 1);
    assertEquals(
        h.api()
            .post(
                "/api/entries/bulk",
                wanted("", "\"categoryId\": \"%s\"".formatted(h.groceries().id())))
            .problem(),
        "nothing-changes");
    assertEquals(
        h.api()
            .post("/api/entries/bulk/count", wanted("foo:bar", "\"categoryId\": null"))
            .problem(),
        "nothing-to-change");
  }
}
