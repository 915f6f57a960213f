package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Tags: what they come to, renamed, merged, put away, and rules that follow. */
public class TagsTest extends AppTest {
  private Household h;

  @BeforeClass
  void foundOne() {
    h = found("tags");
  }

  private void enter(String amount, String tags) {
    assertEquals(
        h.api()
            .post(
                "/api/entries",
                """
                {"day": "4 8 2026", "payee": "Yarrow Books", "amount": "%s", "fromId": "%s", "toId": "%s", "tags": [%s]}\
                """
                    .formatted(amount, h.current().id(), h.groceries().id(), tags))
            .status(),
        201);
  }

  private JsonNode tag(String name) {
    for (JsonNode tag : h.api().get("/api/tags").json()) {
      if (tag.path("name").asString().equals(name)) {
        return tag;
      }
    }
    throw new AssertionError("no tag " + name);
  }

  private boolean isThere(String name) {
    return h.api().get("/api/tags").json().toString().contains("\"name\":\"%s\"".formatted(name));
  }

  private static String id(JsonNode tag) {
    return tag.path("id").asString();
  }

  private Api.Answer change(JsonNode tag, String name, boolean putAway) {
    return h.api()
        .put(
            "/api/tags/" + id(tag),
            "{\"version\":%d,\"name\":\"%s\",\"putAway\":%s}"
                .formatted(tag.path("version").asInt(), name, putAway));
  }

  private Api.Answer merge(JsonNode goes, JsonNode stays) {
    return h.api()
        .post(
            "/api/tags/" + id(goes) + "/merge",
            "{\"version\":%d,\"into\":\"%s\"}".formatted(goes.path("version").asInt(), id(stays)));
  }

  private void step(String which) {
    String act = h.api().get("/api/acts/next").json().at("/" + which + "/id").asString();
    assertEquals(h.api().post("/api/acts/" + act + "/undo", "{}").status(), 200);
  }

  @Test
  public void aTagSaysWhatItsEntriesComeTo() {
    enter("12.50", "\"fair\"");
    enter("7", "\"fair\", \"stall\"");
    JsonNode fair = tag("fair");
    assertEquals(fair.path("entries").asInt(), 2);
    assertEquals(fair.path("first").asString(), "2026-08-04");
    assertEquals(fair.at("/moved/0/out").asString(), "-19.50");
    assertEquals(fair.path("query").asString(), "tag:fair");
  }

  @Test
  public void renamedItIsSoOnEntriesAndInRules() {
    enter("3", "\"weding\"");
    String rule =
        RuleDrafts.out("yarrow", "Yarrow Books", h.groceries())
            .replace("\"tags\":[]", "\"tags\":[\"weding\"]");
    assertEquals(h.api().post("/api/rules", rule).status(), 201);
    JsonNode misspelt = tag("weding");
    assertEquals(change(misspelt, "a, b", false).problem(), "tag-unreadable");
    assertEquals(change(misspelt, "wedding", false).status(), 204);
    assertEquals(change(misspelt, "marriage", false).status(), 409, "seen before");
    assertEquals(h.api().get("/api/entries?text=tag:wedding").json().path("entries").size(), 1);
    assertTrue(h.api().get("/api/rules").json().toString().contains("[\"wedding\"]"));
    step("undo");
    assertTrue(h.api().get("/api/rules").json().toString().contains("[\"weding\"]"));
    enter("3", "\"party\"");
    assertEquals(change(tag("weding"), "Party", false).problem(), "name-taken");
  }

  @Test
  public void twoBecomeOneUndoPartsThemAndDoingAgainJoinsThem() {
    enter("1", "\"lido\"");
    enter("2", "\"pool\"");
    enter("4", "\"lido\", \"pool\"");
    assertEquals(merge(tag("lido"), tag("lido")).problem(), "merge-with-itself");
    assertEquals(merge(tag("lido"), tag("pool")).status(), 204);
    assertEquals(tag("pool").path("entries").asInt(), 3);
    assertTrue(!isThere("lido"));
    step("undo");
    assertEquals(tag("lido").path("entries").asInt(), 2);
    assertEquals(tag("pool").path("entries").asInt(), 2);
    step("redo");
    assertEquals(tag("pool").path("entries").asInt(), 3);
    assertTrue(!isThere("lido"), "it is gone again");
  }

  @Test
  public void putAwayItStaysOnItsEntries() {
    enter("5", "\"camp\"");
    assertEquals(change(tag("camp"), "camp", true).status(), 204);
    assertTrue(tag("camp").path("putAway").asBoolean());
    assertEquals(tag("camp").path("entries").asInt(), 1);
    assertEquals(change(tag("camp"), "camp", false).status(), 204);
    assertTrue(!tag("camp").path("putAway").asBoolean());
  }
}
