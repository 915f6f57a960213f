package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNotEquals;
import static org.testng.Assert.assertTrue;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Undoing a merge or a deletion brings back all that went with the account. */
public class MergeUndoneTest extends AppTest {
  private static final List<String> FOLLOWING =
      List.of("file_route", "table_layout", "feed_balance", "connected_account", "account");

  @Autowired JdbcClient jdbc;

  private String account(Household h, String name) {
    return h.api()
        .post(
            "/api/accounts",
            """
            {"bookId":"%s","name":"%s","kind":"SAVINGS","currency":"EUR","group":false,"opensOn":"2026-08-01",
             "facts":{"number":"","tail":"","institution":"","webPage":"","contact":"","notes":"","pinned":false,"taxFormLine":""}}\
            """
                .formatted(h.current().bookId(), name))
        .json()
        .path("id")
        .asString();
  }

  /** A route, a layout, a feed and what it said lead to the account. */
  private void leadTo(Household h, String account) {
    UUID household = h.owner().householdId();
    for (String sql :
        List.of(
            "insert into file_route values ('%1$s', 'X-9023', '%2$s')",
            "insert into table_layout values ('%1$s', '%2$s', 'date;text', '{}', '2026-08-03T08:00Z')",
            "insert into table_layout values ('%1$s', '%3$s', 'date;text', '{\"other\":1}', '2026-08-02T08:00Z')",
            "insert into feed_balance values ('%1$s', '%2$s', '2026-08-04', 500)",
            """
            insert into bank_connection values ('%1$s', '%1$s', 'I', 'Harbour', 'Ellery', 'X', 90, 'c', 'ACTIVE',
              '2027-01-01', 'r', '07:00', 'UTC', now(), '%1$s')\
            """,
            """
            insert into connected_account (household_id, id, connection_id, resource_id, number, name, kind, currency, account_id, phase)
            values ('%1$s', gen_random_uuid(), '%1$s', 'r', 'n', 'Savings', 'SVGS', 'EUR', '%2$s', 'DONE')\
            """)) {
      founding.as(
          h.owner(), () -> jdbc.sql(sql.formatted(household, account, h.current().id())).update());
    }
  }

  private List<List<Map<String, Object>>> following(Household h) {
    return founding.as(
        h.owner(),
        () ->
            FOLLOWING.stream()
                .map(table ->
                    jdbc.sql(
                            "select (to_jsonb(t) - 'version' - 'synced_at')::text as row from %s t order by 1"
                                .formatted(table))
                        .query()
                        .listOfRows())
                .toList());
  }

  private static Api.Answer take(Household h, String way) {
    String id = h.api().get("/api/acts/next").json().at("/" + way + "/id").asString();
    return h.api().post("/api/acts/" + id + "/undo", "");
  }

  private static int merge(Household h, String from, Object into) {
    return h.api()
        .post("/api/accounts/" + from + "/merge", "{\"intoId\":\"" + into + "\"}")
        .status();
  }

  @Test
  public void aMergeIsUndoneAndDoneAgainWithAllThatFollowedIt() {
    Household h = found("merge-undone");
    String old = account(h, "Old savings");
    leadTo(h, old);
    var before = following(h);
    assertEquals(merge(h, old, h.current().id()), 200);
    var merged = following(h);
    assertNotEquals(merged, before);
    assertEquals(take(h, "undo").status(), 200);
    assertEquals(following(h), before);
    assertEquals(take(h, "redo").status(), 200);
    assertEquals(following(h), merged);
    assertEquals(take(h, "undo").status(), 200);
    assertEquals(following(h), before);
  }

  @Test
  public void aDeletedAccountComesBackWithAllThatLedToIt() {
    Household h = found("delete-undone");
    String old = account(h, "Old savings");
    leadTo(h, old);
    var before = following(h);
    assertEquals(h.api().delete("/api/accounts/" + old + "?version=0").status(), 204);
    assertNotEquals(following(h), before);
    assertEquals(take(h, "undo").status(), 200);
    assertEquals(following(h), before);
  }

  @Test
  public void aFeedThatGoesOnIsNotInTheWayAndItsLinesAre() {
    Household h = found("merge-goes-on");
    String old = account(h, "Old savings");
    leadTo(h, old);
    assertEquals(merge(h, old, h.current().id()), 200);
    founding.as(
        h.owner(),
        () ->
            jdbc.sql("update connected_account set synced_at = now(), lines_so_far = 3").update());
    assertEquals(take(h, "undo").status(), 200);
    assertEquals(take(h, "redo").status(), 200);
    byte[] file = "Date,Text,Amount\n2026-08-05,KIOSK,-3.10\n".getBytes(StandardCharsets.UTF_8);
    JsonNode taken = h.api().takeIn(h.current().id(), "a.csv", file, null, false).json();
    assertEquals(taken.path("newLines").asInt(), 1, taken.toString());
    JsonNode acts = h.api().get("/api/acts").json().path("acts");
    String redone = acts.get(1).path("id").asString();
    Api.Answer undone = h.api().post("/api/acts/" + redone + "/undo", "");
    assertEquals(undone.problem(), "undo-blocked");
    String why = undone.json().path("detail").asString();
    assertTrue(why.contains("Gathered a.csv"), why);
  }
}
