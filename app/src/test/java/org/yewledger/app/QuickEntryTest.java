package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.UUID;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Entries typed on one line: what the fields mean, what is booked, and what is refused. */
public class QuickEntryTest extends AppTest {
  private static String typed(String day, String payee, String amount, String more) {
    return """
    {"day":"%s","base":"2026-09-10","payee":"%s","amount":"%s"%s}\
    """
        .formatted(day, payee, amount, more);
  }

  private static String places(UUID from, UUID to) {
    return ",\"fromId\":\"%s\",\"toId\":\"%s\"".formatted(from, to);
  }

  private static Api.Answer enter(Household h, String typed) {
    return h.api().post("/api/entries", typed);
  }

  private static JsonNode read(Household h, String typed) {
    return h.api().post("/api/entries/reading", typed).json();
  }

  @Test
  public void whatIsUsualWithThePayeeFillsEmptyFields() {
    Household h = found("usual");
    String places = places(h.current().id(), h.groceries().id());
    JsonNode first =
        enter(
                h,
                typed(
                    "4 9",
                    "Greengage Market",
                    "12.40",
                    places + ",\"tags\":[\"fair\"],\"method\":\"CARD\""))
            .json();
    assertEquals(first.path("date").asString(), "2026-09-04");
    assertEquals(first.path("amount").asString(), "-12.40");
    assertEquals(first.path("state").asString(), "OPEN");
    enter(h, typed("", "Greengage Market", "20", ""));

    JsonNode read = read(h, typed("", "greengage market", "", ""));
    assertEquals(read.at("/day/value").asString(), "2026-09-10");
    assertEquals(read.at("/amount/value").asString(), "20.00");
    assertEquals(read.at("/from/name").asString(), "Harbour Current");
    assertEquals(read.at("/to/name").asString(), "Groceries");
    assertEquals(read.at("/usual/earlier").asInt(), 2);
    assertEquals(read.at("/usual/alike").asInt(), 2);
    assertEquals(read.at("/holds/before").asString(), "967.60");
    assertEquals(read.at("/holds/after").asString(), "947.60");
    assertEquals(read.has("missing"), false, read.toString());
    // Nothing was booked by reading.
    assertEquals(
        h.api().get("/api/entries/totals?text=greengage").json().path(0).path("count").asInt(), 2);

    JsonNode again = enter(h, typed("", "greengage market", "", "")).json();
    assertEquals(again.path("payee").asString(), "Greengage Market");
    assertEquals(again.path("amount").asString(), "-20.00");
    assertEquals(again.path("tags").toString(), "[\"fair\"]");
    assertEquals(again.path("method").asString(), "CARD");
  }

  @Test
  public void anEntryIsUndoneAndComesBack() {
    Household h = found("undone");
    enter(h, typed("", "Kiosk", "3.10", places(h.current().id(), h.groceries().id())));
    String act = h.api().get("/api/acts/next").json().at("/undo/id").asString();
    assertEquals(h.api().post("/api/acts/" + act + "/undo", "").status(), 200);
    assertEquals(
        h.api().get("/api/entries/totals?text=kiosk").json().path(0).path("count").asInt(), 0);
    act = h.api().get("/api/acts/next").json().at("/redo/id").asString();
    assertEquals(h.api().post("/api/acts/" + act + "/undo", "").status(), 200);
    assertEquals(
        h.api().get("/api/entries/totals?text=kiosk").json().path(0).path("count").asInt(), 1);
  }

  @Test
  public void inARegisterTheSignIsThatOfTheAccount() {
    Household h = found("register");
    String fixed = ",\"fixedId\":\"%s\",\"toId\":\"%s\"";
    JsonNode back =
        enter(
                h,
                typed(
                    "",
                    "Greengage Market",
                    "+5",
                    fixed.formatted(h.current().id(), h.groceries().id())))
            .json();
    assertEquals(back.path("amount").asString(), "5.00");
    JsonNode paid =
        enter(
                h,
                typed("", "Marram Council", "700", fixed.formatted(h.current().id(), h.pay().id())))
            .json();
    assertEquals(paid.path("to").asString(), "Harbour Current");
    JsonNode register = h.api().get("/api/accounts/" + h.current().id() + "/register").json();
    assertEquals(register.path("balance").asString(), "1705.00");
  }

  @Test
  public void whatASplitLeavesOpenStandsInSuspense() {
    Household h = found("open");
    String parts =
        ",\"fixedId\":\"%s\",\"restToSuspense\":true,\"parts\":[{\"accountId\":\"%s\",\"amount\":\"-30\"}]"
            .formatted(h.current().id(), h.groceries().id());
    JsonNode entry = enter(h, typed("", "Greengage Market", "-50", parts)).json();
    JsonNode postings = entry.at("/books/0/postings");
    assertEquals(postings.size(), 3);
    assertTrue(postings.toString().contains("Suspense"), postings.toString());
  }

  @Test
  public void whatIsMissingIsRefusedAtItsField() {
    Household h = found("missing");
    String places = places(h.current().id(), h.groceries().id());
    assertEquals(enter(h, typed("31 2", "Kiosk", "1", places)).problem(), "day-unclear");
    assertEquals(enter(h, typed("", "", "1", places)).problem(), "payee-missing");
    Api.Answer amount = enter(h, typed("", "Kiosk", "", places));
    assertEquals(amount.problem(), "amount-unclear");
    assertEquals(amount.json().path("field").asString(), "amount");
    assertEquals(enter(h, typed("", "Kiosk", "1", "")).problem(), "from-missing");
    assertEquals(read(h, typed("", "Kiosk", "1", "")).at("/missing/field").asString(), "from");
    assertEquals(read(h, typed("", "Kiosk", "1.234", places)).at("/amount/choices").size(), 2);
    // Before the account was opened.
    assertEquals(enter(h, typed("1 7 2026", "Kiosk", "1", places)).problem(), "before-opening");
  }

  @Test
  public void anEntryIsCopiedToAnotherDayAndDeleted() {
    Household h = found("again");
    JsonNode first =
        enter(h, typed("", "Kiosk", "3.10", places(h.current().id(), h.groceries().id()))).json();
    String path = "/api/entries/" + first.path("id").asString();
    JsonNode copy = h.api().post(path + "/again", "{\"date\":\"2026-09-20\"}").json();
    assertEquals(copy.path("date").asString(), "2026-09-20");
    assertEquals(copy.path("amount").asString(), "-3.10");
    assertEquals(h.api().delete(path + "?version=9").status(), 409);
    assertEquals(h.api().delete(path + "?version=0").status(), 204);
    assertEquals(h.api().get(path).status(), 404);
    assertEquals(
        h.api().get("/api/entries/totals?text=kiosk").json().path(0).path("count").asInt(), 1);
    JsonNode acts = h.api().get("/api/acts?entry=" + first.path("id").asString()).json();
    assertEquals(
        acts.at("/acts/0/words").asString(),
        "Deleted no. %d, Kiosk".formatted(first.path("no").asLong()));
    String act = h.api().get("/api/acts/next").json().at("/undo/id").asString();
    assertEquals(h.api().post("/api/acts/" + act + "/undo", "").status(), 200);
    assertEquals(h.api().get(path).json().path("no").asLong(), first.path("no").asLong());
  }

  @Test
  public void whatABankLineConfirmsIsNotDeleted() {
    Household h = found("held");
    assertEquals(gather(h, september()).status(), 201);
    agree(h);
    JsonNode entry = h.api().get("/api/entries?text=greengage").json().at("/entries/0");
    Api.Answer refused =
        h.api()
            .delete(
                "/api/entries/%s?version=%d"
                    .formatted(entry.path("id").asString(), entry.path("version").asInt()));
    assertEquals(refused.problem(), "reconciled");
  }

  /** From the journal, too, a posted line is made to wait again; its entry goes with it. */
  @Test
  public void theLinesOfAnEntryAreTakenBack() {
    Household h = found("lines");
    assertEquals(gather(h, september()).status(), 201);
    JsonNode line = h.api().get("/api/waiting-lines").json().at("/stacks/0/lines/0");
    h.api().post("/api/waiting-lines/post", posting(line, h.groceries().id()));
    JsonNode entry = h.api().get("/api/entries?text=greengage").json().at("/entries/0");
    assertTrue(entry.path("atBank").asBoolean());
    String path = "/api/entries/" + entry.path("id").asString();
    assertEquals(h.api().post(path + "/take-lines-back", "").status(), 204);
    assertEquals(h.api().get(path).status(), 404);
    assertEquals(h.api().get("/api/waiting-lines").json().path("count").asInt(), 3);
    JsonNode typed =
        enter(h, typed("", "Kiosk", "1", places(h.current().id(), h.groceries().id()))).json();
    assertEquals(
        h.api()
            .post("/api/entries/" + typed.path("id").asString() + "/take-lines-back", "")
            .problem(),
        "no-line");
  }

  @Test
  public void whatStandsInSuspenseIsToldByTheAlmanac() {
    Household h = found("almanac");
    String parts =
        ",\"fixedId\":\"%s\",\"restToSuspense\":true,\"parts\":[{\"accountId\":\"%s\",\"amount\":\"-30\"}]"
            .formatted(h.current().id(), h.groceries().id());
    enter(h, typed("", "Greengage Market", "-50", parts));
    JsonNode next = h.api().get("/api/almanac?month=2026-09").json().path("next");
    assertTrue(next.toString().contains("\"task\":\"PLACE\""), next.toString());
    assertTrue(next.toString().contains("\"difference\":\"20.00\""), next.toString());
  }
}
