package org.yewledger.app;

import static org.testng.Assert.assertEquals;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Undoing acts that know nothing yet of what entries move. */
public class MovedAfterUndoTest extends AppTest {
  /** As acts were written before entries kept what they move. */
  private static void forgetWhatMoved(Household h) throws SQLException {
    try (Connection owner =
            DriverManager.getConnection(
                System.getenv("YEW_DB_URL"),
                System.getenv("YEW_DB_OWNER"),
                System.getenv("YEW_DB_OWNER_PASSWORD"));
        Statement sql = owner.createStatement()) {
      sql.execute("alter table act_change disable trigger user");
      sql.execute(
          """
          update act_change set before = before - array['moved_minor', 'moved_currency', 'transfer'],
                                after = after - array['moved_minor', 'moved_currency', 'transfer']
           where table_name = 'entry' and household_id = '%s'\
          """
              .formatted(h.owner().householdId()));
      sql.execute("alter table act_change enable trigger user");
    }
  }

  private static void undo(Household h) {
    String act = h.api().get("/api/acts/next").json().at("/undo/id").asString();
    h.api().post("/api/acts/" + act + "/undo", "{}").json();
  }

  private static String out(Household h) {
    return h.api().get("/api/entries/totals?text=kiosk").json().at("/0/out").asString("none");
  }

  @Test
  public void whatAnOldActBringsBackIsFoundByWhatItMoved() throws SQLException {
    Household h = found("moved");
    JsonNode entry =
        h.api()
            .post(
                "/api/entries",
                """
                {"day": "4 8 2026", "payee": "Kiosk", "amount": "12.50", "fromId": "%s", "toId": "%s"}\
                """
                    .formatted(h.current().id(), h.groceries().id()))
            .json();
    String path = "/api/entries/" + entry.path("id").asString();
    String revised =
        """
        {"version": %d, "date": "2026-08-04", "payee": "Kiosk", "postings": [
          {"accountId": "%s", "amount": "-20"}, {"accountId": "%s", "amount": "20"}]}\
        """
            .formatted(entry.path("version").asInt(), h.current().id(), h.groceries().id());
    JsonNode after = h.api().put(path, revised).json();
    assertEquals(out(h), "-20.00");
    assertEquals(h.api().delete(path + "?version=" + after.path("version").asInt()).status(), 204);
    assertEquals(out(h), "none");
    forgetWhatMoved(h);
    undo(h);
    assertEquals(out(h), "-20.00");
    undo(h);
    assertEquals(out(h), "-12.50");
  }
}
