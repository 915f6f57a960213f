package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.testng.annotations.Test;
import org.yewledger.core.ledger.Account;
import tools.jackson.databind.JsonNode;

/** Schedules: what they expect, and what becomes of it. Days are told from the household's own. */
public class ScheduleTest extends AppTest {
  private static LocalDate today(Household h) {
    return LocalDate.parse(
        h.api().get("/api/due-items?through=2026-01-01").json().path("today").asString());
  }

  private static String draft(Household h, LocalDate first, String amount, String more) {
    return """
    {"version":0,"payee":"Alder Vale Music","accountId":"%s","pays":true,"first":"%s","shift":"NONE",
     "rhythm":{"unit":"WEEK","interval":2,"on":"DAY"},"parts":[{"accountId":"%s","amount":"%s"}]%s}\
    """
        .formatted(h.current().id(), first, h.school().id(), amount, more);
  }

  private static String add(Household h, LocalDate first, String amount) {
    Api.Answer added = h.api().post("/api/schedules", draft(h, first, amount, ""));
    assertEquals(added.status(), 201, added.toString());
    return added.json().path("id").asString();
  }

  private static List<String> due(Household h, LocalDate through) {
    List<String> told = new ArrayList<>();
    for (JsonNode item : h.api().get("/api/due-items?through=" + through).json().path("items")) {
      told.add(
          "%s %s %s"
              .formatted(
                  item.path("due").asString(),
                  item.path("state").asString(),
                  item.path("amount").asString()));
    }
    return told;
  }

  private static Api.Answer enter(Household h, LocalDate day, String amount, Account to) {
    return h.api()
        .post(
            "/api/entries",
            "{\"day\":\"%s\",\"base\":\"2026-10-10\",\"payee\":\"alder vale music\",\"amount\":\"%s\",\"fromId\":\"%s\",\"toId\":\"%s\"}"
                .formatted(day, amount, h.current().id(), to.id()));
  }

  private static Api.Answer settle(Household h, String id, LocalDate day, String how, String more) {
    return h.api()
        .put(
            "/api/schedules/%s/due-items".formatted(id),
            "{\"day\":\"%s\",\"how\":\"%s\"%s}".formatted(day, how, more));
  }

  private static void undo(Household h) {
    String act = h.api().get("/api/acts/next").json().at("/undo/id").asString();
    assertEquals(h.api().post("/api/acts/" + act + "/undo", "").status(), 200);
  }

  @Test
  public void anEntryThatStandsIsTheItemAndWithoutItTheItemIsExpectedAgain() {
    Household h = found("schedules");
    LocalDate today = today(h);
    LocalDate first = today.minusDays(16);
    String id = add(h, first, "28.00");
    LocalDate through = today.plusDays(14);
    assertEquals(
        due(h, through),
        List.of(
            first + " OVERDUE -28.00",
            first.plusDays(14) + " OVERDUE -28.00",
            first.plusDays(28) + " COMING -28.00"));
    assertEquals(enter(h, first.plusDays(15), "28.00", h.school()).status(), 201);
    assertEquals(due(h, through).get(1), first.plusDays(14) + " ENTERED -28.00");
    undo(h);
    assertEquals(due(h, through).get(1), first.plusDays(14) + " OVERDUE -28.00");
    // Another amount is not taken for it, until somebody says so.
    Api.Answer other = enter(h, first.plusDays(15), "31.00", h.school());
    assertEquals(due(h, through).get(1), first.plusDays(14) + " OVERDUE -28.00");
    assertEquals(
        settle(h, id, first.plusDays(14), "IS_ENTRY", ",\"entryNo\":" + other.json().path("no"))
            .status(),
        204);
    assertEquals(due(h, through).get(1), first.plusDays(14) + " ENTERED -31.00");
    // Merged into its double, it is that one, and its own again by undo.
    String entry = other.json().path("id").asString();
    Api.Answer twin = enter(h, first.plusDays(16), "31.00", h.school());
    assertEquals(
        h.api()
            .post(
                "/api/entries/%s/merge".formatted(twin.json().path("id").asString()),
                "{\"version\":0,\"goes\":\"%s\",\"goesVersion\":0}".formatted(entry))
            .status(),
        200);
    assertEquals(due(h, through).get(1), first.plusDays(14) + " ENTERED -31.00");
    undo(h);
    undo(h);
    // Once that entry is gone, the item is expected, and undo brings both back.
    assertEquals(h.api().delete("/api/entries/%s?version=0".formatted(entry)).status(), 204);
    assertEquals(due(h, through).get(1), first.plusDays(14) + " OVERDUE -28.00");
    undo(h);
    assertEquals(due(h, through).get(1), first.plusDays(14) + " ENTERED -31.00");
  }

  @Test
  public void anItemIsEnteredSkippedMovedAndTakenBack() {
    Household h = found("due items");
    LocalDate today = today(h);
    String id = add(h, today, "28.00");
    LocalDate next = today.plusDays(14);
    Api.Answer entered =
        h.api()
            .post(
                "/api/schedules/%s/due-items".formatted(id),
                "{\"day\":\"%s\",\"amount\":\"-30.00\"}".formatted(today));
    assertEquals(entered.status(), 201, entered.toString());
    assertEquals(due(h, next).getFirst(), today + " ENTERED -30.00");
    assertEquals(
        h.api()
            .post("/api/schedules/%s/due-items".formatted(id), "{\"day\":\"%s\"}".formatted(today))
            .problem(),
        "due-entered");
    undo(h);
    assertEquals(due(h, next).getFirst(), today + " COMING -28.00");

    assertEquals(settle(h, id, next, "SKIP", "").problem(), "due-reason-missing");
    assertEquals(settle(h, id, next, "SKIP", ",\"reason\":\"holidays\"").status(), 204);
    assertEquals(due(h, next).getLast(), next + " SKIPPED -28.00");
    assertEquals(settle(h, id, next, "EXPECT", "").status(), 204);
    assertEquals(settle(h, id, next, "MOVE", "").problem(), "due-day-missing");
    assertEquals(
        settle(h, id, next, "MOVE", ",\"to\":\"%s\"".formatted(next.plusYears(3))).problem(),
        "due-too-far");
    assertEquals(
        settle(h, id, next, "MOVE", ",\"to\":\"%s\"".formatted(next.minusDays(2))).status(), 204);
    assertEquals(due(h, next).getLast(), next.minusDays(2) + " COMING -28.00");
    undo(h);
    assertEquals(due(h, next).getLast(), next + " COMING -28.00");
    assertEquals(settle(h, id, next.plusDays(1), "EXPECT", "").status(), 404);
  }

  @Test
  public void aScheduleIsChangedEndedAndBroughtBack() {
    Household h = found("schedule changed");
    LocalDate today = today(h);
    String id = add(h, today, "28.00");
    JsonNode one = h.api().get("/api/schedules/" + id).json();
    assertTrue(one.path("inWords").asString().startsWith("every 2 weeks on "));
    assertEquals(one.path("next").asString(), today.toString());
    Api.Answer changed =
        h.api()
            .put(
                "/api/schedules/" + id,
                draft(h, today.plusDays(1), "30.00", ",\"about\":\"5.00\",\"times\":2"));
    assertEquals(changed.status(), 200, changed.toString());
    assertEquals(changed.json().path("times").asInt(), 2);
    assertEquals(due(h, today.plusDays(100)).size(), 2);
    assertEquals(
        h.api().put("/api/schedules/" + id, draft(h, today, "1.00", "")).problem(),
        "changed-meanwhile");
    assertEquals(
        h.api().delete("/api/accounts/%s?version=0".formatted(h.school().id())).status() / 100, 4);
    assertEquals(h.api().delete("/api/schedules/%s?version=1".formatted(id)).status(), 204);
    assertEquals(due(h, today.plusDays(100)), List.of());
    undo(h);
    assertEquals(due(h, today.plusDays(100)).size(), 2);
    undo(h);
    assertEquals(due(h, today.plusDays(30)).size(), 3);
  }

  @Test
  public void whatCameRegularlyIsFoundUntilItIsExpected() {
    Household h = found("regular");
    LocalDate today = today(h);
    for (int week = 6; week >= 0; week--) {
      LocalDate day = today.minusWeeks(week);
      assertEquals(
          enter(h, day, week % 2 == 0 ? "12.00" : "13.00", h.school()).status(), 201, "" + day);
    }
    JsonNode found = h.api().get("/api/schedules/found").json();
    assertEquals(found.size(), 1, found.toString());
    assertEquals(found.at("/0/times").asInt(), 7);
    JsonNode begun = found.at("/0/schedule");
    assertEquals(begun.path("first").asString(), today.plusWeeks(1).toString());
    assertEquals(begun.path("about").asString(), "1.00");
    assertEquals(begun.at("/rhythm/unit").asString(), "WEEK");
    assertEquals(begun.at("/parts/0/accountName").asString(), "School");
    String entry = h.api().get("/api/entries").json().at("/entries/0/id").asString();
    JsonNode like = h.api().get("/api/entries/%s/schedule".formatted(entry)).json();
    assertEquals(like.at("/rhythm/unit").asString(), "MONTH");
    assertTrue(like.path("pays").asBoolean());
    add(h, today, "12.00");
    assertEquals(h.api().get("/api/schedules/found").json().size(), 0);
  }

  @Test
  public void theForecastHoldsWhatIsDueAndWhatIsOverdue() {
    Household h = found("forecast");
    LocalDate today = today(h);
    add(h, today.minusDays(7), "28.00");
    String path =
        "/api/forecast?through=%s&book=%s".formatted(today.plusDays(21), h.current().bookId());
    JsonNode current = h.api().get(path).json().at("/accounts/0");
    assertEquals(current.path("accountName").asString(), "Harbour Current");
    assertEquals(current.path("now").asString(), "1000.00");
    JsonNode days = current.path("days");
    assertEquals(days.get(0).path("due").asString(), "972.00");
    assertEquals(days.get(days.size() - 1).path("date").asString(), today.plusDays(21).toString());
    assertEquals(days.get(days.size() - 1).path("due").asString(), "916.00");
    String trying = path + "&tryAccount=%s&tryAmount=-72.00&tryOn=".formatted(h.current().id());
    JsonNode tried = h.api().get(trying + today.plusDays(3)).json().at("/accounts/0/days");
    assertEquals(tried.get(tried.size() - 1).path("due").asString(), "844.00");
    assertEquals(h.api().get(trying + today.minusDays(1)).problem(), "tried-out-of-reach");
    assertEquals(
        h.api()
            .get(path + "&tryAccount=%s&tryAmount=0&tryOn=%s".formatted(h.current().id(), today))
            .problem(),
        "tried-nothing");
    // What schedules brought is not usual besides.
    assertEquals(enter(h, today.minusDays(7), "28.00", h.school()).status(), 201);
    assertEquals(h.api().get(path).json().at("/accounts/0/days/0/due").asString(), "972.00");
    assertEquals(
        h.api().get("/api/forecast?through=" + today.minusDays(1)).problem(),
        "forecast-out-of-reach");
    assertEquals(
        h.api().get("/api/forecast?through=" + today.plusYears(3)).problem(),
        "forecast-out-of-reach");
  }

  @Test
  public void holidaysMoveWhatIsDue() {
    Household h = found("holidays");
    LocalDate monday = today(h).plusDays(7).with(DayOfWeek.MONDAY);
    String draft = draft(h, monday, "28.00", "").replace("NONE", "NEXT_WORKING_DAY");
    assertEquals(h.api().post("/api/schedules", draft).status(), 201);
    assertEquals(due(h, monday), List.of(monday + " COMING -28.00"));
    String holiday = "{\"day\":\"%s\",\"name\":\"%s\"}";
    assertEquals(
        h.api().put("/api/holidays", holiday.formatted(monday, " ")).problem(), "holiday-unnamed");
    assertEquals(h.api().put("/api/holidays", holiday.formatted(monday, "Fair day")).status(), 204);
    assertEquals(due(h, monday), List.of(monday.plusDays(1) + " COMING -28.00"));
    assertEquals(h.api().get("/api/holidays").json().size(), 1);
    assertEquals(h.api().delete("/api/holidays?day=" + monday).status(), 204);
    assertEquals(due(h, monday), List.of(monday + " COMING -28.00"));
  }

  @Test
  public void whatCannotBeExpectedIsRefusedAtItsField() {
    Household h = found("schedule refused");
    LocalDate day = LocalDate.of(2027, 1, 31);
    String monthly =
        draft(h, day, "28.00", "").replace("WEEK\",\"interval\":2", "MONTH\",\"interval\":1");
    Api.Answer refused = h.api().post("/api/schedules", monthly);
    assertEquals(refused.problem(), "day-not-in-every-month");
    assertEquals(refused.json().path("field").asString(), "on");
    assertEquals(
        h.api()
            .post(
                "/api/schedules",
                draft(h, day, "28.00", ",\"rule\":\"FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=31\"")
                    .replace("\"rhythm\":{\"unit\":\"WEEK\",\"interval\":2,\"on\":\"DAY\"},", ""))
            .problem(),
        "never-due");
    assertEquals(
        h.api().post("/api/schedules", draft(h, day, "0.00", "")).problem(), "nothing-moved");
    assertEquals(
        h.api().post("/api/schedules", draft(h, day, "5", ",\"about\":\"9\"")).problem(),
        "about-out-of-range");
    assertEquals(
        h.api().post("/api/schedules", draft(h, day, "5", ",\"until\":\"2026-01-01\"")).problem(),
        "end-before-first");
    assertFalse(h.api().get("/api/schedules").json().iterator().hasNext());
  }
}
