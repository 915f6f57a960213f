package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Reports that a household keeps by a name, and those of them that stand on the Almanac. */
public class KeptReportsTest extends AppTest {
  private static Api.Answer keep(Household h, String name) {
    return h.api()
        .post("/api/kept-reports", "{\"name\":\"%s\",\"address\":\"by=PAYEE\"}".formatted(name));
  }

  private static JsonNode kept(Household h) {
    return h.api().get("/api/kept-reports").json();
  }

  private static Api.Answer stand(Household h, String id, boolean onAlmanac) {
    return h.api()
        .put("/api/kept-reports/" + id + "/almanac", "{\"onAlmanac\":%s}".formatted(onAlmanac));
  }

  @Test
  public void aReportIsKeptByANameReplacedAndForgotten() {
    Household h = found("kept");
    assertEquals(keep(h, "Payees").status(), 204);
    assertEquals(keep(h, "payees").status(), 204);
    assertEquals(kept(h).size(), 1);
    assertEquals(kept(h).at("/0/name").asString(), "payees");
    assertEquals(keep(h, " ").problem(), "report-missing");
    String path = "/api/kept-reports/" + kept(h).at("/0/id").asString();
    assertEquals(h.api().delete(path).status(), 204);
    assertEquals(h.api().delete(path).status(), 404);
  }

  @Test
  public void sixStandOnTheAlmanacAndUndoTakesTheLastOff() {
    Household h = found("almanac");
    for (int i = 1; i <= 7; i++) {
      assertEquals(keep(h, "Report " + i).status(), 204);
    }
    JsonNode all = kept(h);
    for (int i = 0; i < 6; i++) {
      assertEquals(stand(h, all.at("/%d/id".formatted(i)).asString(), true).status(), 204);
    }
    String seventh = all.at("/6/id").asString();
    assertEquals(stand(h, seventh, true).problem(), "almanac-full");
    assertFalse(kept(h).at("/6/onAlmanac").asBoolean());
    String act = h.api().get("/api/acts/next").json().at("/undo/id").asString();
    assertEquals(h.api().post("/api/acts/" + act + "/undo", "").status(), 200);
    assertFalse(kept(h).at("/5/onAlmanac").asBoolean());
    assertEquals(stand(h, seventh, true).status(), 204);
    // What is kept anew by its name stays where it stands.
    assertEquals(keep(h, "Report 7").status(), 204);
    assertTrue(kept(h).at("/6/onAlmanac").asBoolean());
    assertEquals(stand(h, seventh, false).status(), 204);
    assertFalse(kept(h).at("/6/onAlmanac").asBoolean());
  }
}
