package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

public class AlmanacTest extends AppTest {
  private static JsonNode row(JsonNode page, String account) {
    for (JsonNode book : page.path("books")) {
      for (JsonNode row : book.path("accounts")) {
        if (row.path("name").asString().equals(account)) {
          return row;
        }
      }
    }
    throw new AssertionError("no row of " + account);
  }

  private static List<String> states(JsonNode row) {
    var states = new ArrayList<String>();
    row.path("months").forEach(cell -> states.add(cell.path("state").asString()));
    return states;
  }

  private static void agree(Household h, String closesOn, String closing) {
    String draft =
        "{\"accountId\":\"%s\",\"closesOn\":\"%s\",\"closing\":\"%s\"}"
            .formatted(h.current().id(), closesOn, closing);
    String id = h.api().post("/api/statements", draft).json().path("id").asString();
    assertEquals(h.api().post("/api/statements/" + id + "/finish?version=0", "").status(), 200);
  }

  @Test
  public void aNewHouseholdBeginsWithItsFirstMonthAndNothingBeforeIt() {
    Household h = found("new");
    JsonNode page = h.api().get("/api/almanac").json();
    assertEquals(page.path("workingMonth").asString(), "2026-08");
    assertEquals(page.path("open").asInt(), 3);
    assertEquals(page.path("agreed").asInt(), 0);
    List<String> states = states(row(page, "Harbour Current"));
    assertEquals(states.size(), 12);
    assertEquals(states.getLast(), "NO_STATEMENT");
    assertEquals(states.subList(0, 11).stream().distinct().toList(), List.of("NOT_OPEN"));
    assertEquals(page.at("/next/0/task").asString(), "STATEMENTS_TO_COME");
    assertEquals(page.at("/next/0/count").asInt(), 3);
    assertEquals(page.at("/stations/gather").asInt(), 3);
    assertEquals(row(page, "Harbour Current").path("booksSay").asString(), "1000.00");
  }

  @Test
  public void saysWhatIsLeftAtEachStation() {
    Household h = found("left");
    gather(h, september());
    JsonNode page = h.api().get("/api/almanac?month=2026-09").json();
    assertEquals(page.at("/stations/post").asInt(), 3);
    assertEquals(page.at("/stations/reconcile").asInt(), 1);
    JsonNode row = row(page, "Harbour Current");
    assertEquals(row.path("waiting").asInt(), 3);
    assertEquals(row.path("source").asString(), "FILE");
    assertEquals(row.path("bankSays").asString(), "1420.00");
    assertEquals(row.path("booksSay").asString(), "1000.00");
    assertEquals(row.path("apart").asString(), "420.00");
    assertEquals(states(row).getLast(), "IN_PROGRESS");
    var tasks = new ArrayList<String>();
    page.path("next").forEach(n -> tasks.add(n.path("task").asString()));
    assertEquals(tasks, List.of("STATEMENTS_TO_COME", "ANSWER", "RECONCILE"));
  }

  @Test
  public void anAgreedMonthLeavesARing() {
    Household h = found("ring");
    agree(h, "2026-08-31", "1000.00");
    JsonNode page = h.api().get("/api/almanac?month=2026-08").json();
    assertEquals(page.path("agreed").asInt(), 1);
    assertEquals(states(row(page, "Harbour Current")).getLast(), "AGREED");
    assertEquals(page.at("/reel/11/state").asString(), "IN_PROGRESS");
    assertTrue(page.at("/books/0/agreedThrough").isMissingNode());
  }

  @Test
  public void oneBookIsSeenByItself() {
    Household h = found("book");
    agree(h, "2026-08-31", "1000.00");
    JsonNode press = h.api().get("/api/almanac?book=" + h.press().bookId()).json();
    assertEquals(press.path("books").size(), 1);
    assertEquals(press.path("open").asInt(), 1);
    assertEquals(press.at("/stations/gather").asInt(), 1);
  }

  @Test
  public void asManyMonthsAsAskedForStandBesideEachOther() {
    Household h = found("years");
    JsonNode years = h.api().get("/api/almanac?month=2026-09&months=24").json();
    assertEquals(years.path("months").size(), 24);
    assertEquals(years.path("months").path(23).asString(), "2026-09");
    assertEquals(years.path("books").path(0).path("accounts").path(0).path("months").size(), 24);
    assertEquals(h.api().get("/api/almanac?months=37").status(), 400);
  }

  @Test
  public void theWindowFollowsAMonthThatIsChosenOutsideIt() {
    Household h = found("window");
    JsonNode later = h.api().get("/api/almanac?month=2027-03").json();
    assertEquals(later.path("months").get(11).asString(), "2027-03");
    JsonNode earlier = h.api().get("/api/almanac?month=2024-01").json();
    assertEquals(earlier.path("months").get(0).asString(), "2024-01");
    assertEquals(earlier.path("open").asInt(), 0);
  }
}
