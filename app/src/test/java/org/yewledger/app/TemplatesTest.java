package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Entries that others are typed after. */
public class TemplatesTest extends AppTest {
  private Household h;

  @BeforeClass
  void foundOne() {
    h = found("templates");
  }

  private JsonNode enter(String body) {
    return h.api().post("/api/entries", "{\"day\": \"4 8 2026\", " + body.formatted() + "}").json();
  }

  private JsonNode rent() {
    return enter(
        """
        "payee": "Rent", "amount": "900", "note": "for the shop", "tags": ["home"], "method": "TRANSFER",
        "fromId": "%s", "toId": "%s"\
        """
            .formatted(h.current().id(), h.school().id()));
  }

  private Api.Answer keep(String name, JsonNode entry) {
    return h.api()
        .post(
            "/api/templates",
            "{\"name\":\"%s\",\"entryId\":\"%s\"}".formatted(name, entry.path("id").asString()));
  }

  private JsonNode template(String name) {
    for (JsonNode template : h.api().get("/api/templates").json()) {
      if (template.path("name").asString().equals(name)) {
        return template;
      }
    }
    throw new AssertionError("no template " + name);
  }

  private int count() {
    return h.api().get("/api/templates").json().size();
  }

  private void undo() {
    String act = h.api().get("/api/acts/next").json().at("/undo/id").asString();
    assertEquals(h.api().post("/api/acts/" + act + "/undo", "{}").status(), 200);
  }

  @Test
  public void itFillsInWhatItsEntryHolds() {
    assertEquals(keep("", rent()).problem(), "template-missing");
    assertEquals(keep("Rent", rent()).status(), 204);
    JsonNode template = template("Rent");
    assertEquals(template.path("payee").asString(), "Rent");
    assertEquals(template.path("amount").asString(), "900.00");
    assertEquals(template.path("fromId").asString(), h.current().id().toString());
    assertEquals(template.path("toId").asString(), h.school().id().toString());
    assertEquals(template.path("note").asString(), "for the shop");
    assertEquals(template.at("/tags/0").asString(), "home");
    assertEquals(template.path("method").asString(), "TRANSFER");
    assertEquals(template.path("parts").size(), 0);
  }

  @Test
  public void aSplitIsThereWithItsParts() {
    JsonNode entry =
        enter(
            """
            "payee": "Market", "amount": "30", "fixedId": "%s",
            "parts": [{"accountId": "%s", "amount": "-20"}, {"accountId": "%s", "amount": "-10", "note": "pens"}]\
            """
                .formatted(h.current().id(), h.groceries().id(), h.school().id()));
    assertEquals(keep("Market", entry).status(), 204, entry.toString());
    JsonNode template = template("Market");
    assertEquals(template.path("accountId").asString(), h.current().id().toString());
    assertEquals(template.path("whole").asString(), "-30.00");
    assertEquals(template.at("/parts/0/amount").asString(), "-20.00");
    assertEquals(template.at("/parts/1/note").asString(), "pens");
  }

  @Test
  public void oneOfTheSameNameIsReplacedAndUndoBringsTheFirstBack() {
    JsonNode first = rent();
    keep("Again", first);
    JsonNode second = rent();
    keep("again", second);
    assertEquals(template("again").path("entryNo").asLong(), second.path("no").asLong());
    undo();
    assertEquals(template("Again").path("entryNo").asLong(), first.path("no").asLong());
  }

  @Test
  public void itGoesWithItsEntryAndComesBackWithIt() {
    JsonNode entry = rent();
    keep("Going", entry);
    int before = count();
    String path = "/api/entries/" + entry.path("id").asString();
    assertEquals(h.api().delete(path + "?version=" + entry.path("version").asInt()).status(), 204);
    assertEquals(count(), before - 1);
    undo();
    assertEquals(count(), before);
    String id = template("Going").path("id").asString();
    assertEquals(h.api().delete("/api/templates/" + id).status(), 204);
    assertEquals(h.api().delete("/api/templates/" + id).status(), 404);
    undo();
    assertTrue(template("Going").path("entryNo").asLong() == entry.path("no").asLong());
  }
}
