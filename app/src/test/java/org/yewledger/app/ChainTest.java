package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Statements that agreed, were opened again and part from what was agreed. */
public class ChainTest extends AppTest {
  private static final String[] AMOUNTS = {"12.50", "30.00", "7.25"};

  /** Three things paid with the card, agreed with its statement on paper; the way to that. */
  private static String agreed(Household h, List<JsonNode> entries) {
    for (String amount : AMOUNTS) {
      String body =
          """
          {"day":"2026-09-10","base":"2026-09-10","payee":"Greengage","amount":"%s","fromId":"%s","toId":"%s"}\
          """
              .formatted(amount, h.card().id(), h.groceries().id());
      String id = h.api().post("/api/entries", body).json().path("id").asString();
      entries.add(h.api().get("/api/entries/" + id).json());
    }
    String paper =
        "{\"accountId\":\"%s\",\"closesOn\":\"2026-09-30\",\"closing\":\"-49.75\"}"
            .formatted(h.card().id());
    String statement =
        "/api/statements/" + h.api().post("/api/statements", paper).json().path("id").asString();
    tick(h, statement, postings(h.api().get(statement).json()), true);
    assertEquals(finish(h, statement).status(), 200);
    return statement;
  }

  private static List<String> postings(JsonNode sheet) {
    var ids = new ArrayList<String>();
    sheet.path("postings").forEach(p -> ids.add(p.path("postingId").asString()));
    return ids;
  }

  private static void tick(Household h, String statement, List<String> ids, boolean ticked) {
    String body =
        "{\"postingIds\":[\"%s\"],\"ticked\":%s}".formatted(String.join("\",\"", ids), ticked);
    assertEquals(h.api().put(statement + "/ticks", body).status(), 200);
  }

  private static Api.Answer finish(Household h, String statement) {
    int version = h.api().get(statement).json().path("version").asInt();
    return h.api().post(statement + "/finish?version=" + version, "");
  }

  /** Nothing happened on the other account: it closes with what it opened with. */
  private static void closeSeptember(Household h) {
    String paper =
        "{\"accountId\":\"%s\",\"closesOn\":\"2026-09-30\",\"closing\":0}"
            .formatted(h.current().id());
    String path =
        "/api/statements/" + h.api().post("/api/statements", paper).json().path("id").asString();
    String opening = h.api().get(path).json().path("opening").asString();
    correct(h, path, opening);
    assertEquals(finish(h, path).status(), 200);
    String month = "{\"bookId\":\"%s\",\"month\":\"2026-09\"}".formatted(h.current().bookId());
    assertEquals(h.api().post("/api/closed-months", month).status(), 204);
  }

  private static void correct(Household h, String statement, String closing) {
    int version = h.api().get(statement).json().path("version").asInt();
    String body = "{\"closesOn\":\"2026-09-30\",\"closing\":\"%s\"}".formatted(closing);
    assertEquals(h.api().put(statement + "?version=" + version, body).status(), 200);
  }

  private static JsonNode breaks(Household h, String statement) {
    return h.api().get(statement + "/breaks").json().path("openedAgain");
  }

  private static void undo(Household h, JsonNode broken) {
    String act = broken.at("/by/actId").asString();
    assertEquals(h.api().post("/api/acts/" + act + "/undo", "").status(), 200);
  }

  private static Api.Answer restored(Household h, String statement, JsonNode broken) {
    String body = "{\"postingId\":\"%s\"}".formatted(broken.path("postingId").asString());
    return h.api().post(statement + "/breaks/restore", body);
  }

  private static void restore(Household h, String statement, JsonNode broken) {
    Api.Answer answer = restored(h, statement, broken);
    assertEquals(answer.status(), 200, answer.toString());
    assertEquals(restored(h, statement, broken).problem(), "break-gone");
  }

  @Test
  public void whatBecameOfAnAgreedStatementIsToldWithWhoAndWhatAndRestored() {
    Household h = found("chain");
    var entries = new ArrayList<JsonNode>();
    String statement = agreed(h, entries);
    assertTrue(breaks(h, statement).isMissingNode());
    String because = "{\"because\":\"a receipt says otherwise\"}";
    assertEquals(h.api().post(statement + "/reopen", because).status(), 200);
    JsonNode opened = breaks(h, statement);
    assertEquals(opened.path("breaks").size(), 0);
    assertEquals(opened.path("closingAgreed").asString(), "-49.75");
    assertEquals(opened.path("because").asString(), "a receipt says otherwise");

    // What is ticked keeps its amount: it is unticked, changed and ticked again.
    List<String> ids = postings(h.api().get(statement).json());
    tick(h, statement, ids.subList(0, 2), false);
    JsonNode entry = entries.getFirst();
    int version =
        h.api().get("/api/entries/" + entry.path("id").asString()).json().path("version").asInt();
    String changed =
        """
        {"version":%d,"date":"2026-09-10","payee":"Greengage","note":"",
         "postings":[{"accountId":"%s","amount":"-15.20"},{"accountId":"%s","amount":"15.20"}]}\
        """
            .formatted(version, h.card().id(), h.groceries().id());
    Api.Answer revised = h.api().put("/api/entries/" + entry.path("id").asString(), changed);
    assertEquals(revised.status(), 200, revised.toString());
    String stands = postings(h.api().get(statement).json()).getFirst();
    tick(h, statement, List.of(stands), true);

    opened = breaks(h, statement);
    assertEquals(opened.path("apart").asString(), "27.30", opened.toString());
    JsonNode amount = opened.at("/breaks/0");
    assertEquals(amount.path("how").asString(), "AMOUNT");
    assertEquals(amount.path("agreed").asString(), "-12.50");
    assertEquals(amount.path("now").asString(), "-15.20");
    assertEquals(amount.path("change").asString(), "-2.70");
    assertFalse(amount.at("/by/who").asString().isEmpty());
    assertFalse(amount.at("/by/words").asString().contains("icked"), amount.toString());
    JsonNode unticked = opened.at("/breaks/1");
    assertEquals(unticked.path("how").asString(), "UNTICKED");
    assertTrue(unticked.at("/by/words").asString().startsWith("Unticked 2"));

    restore(h, statement, unticked);
    restore(h, statement, amount);
    opened = breaks(h, statement);
    assertEquals(opened.path("breaks").size(), 0, opened.toString());
    assertEquals(finish(h, statement).status(), 200);
    assertTrue(breaks(h, statement).isMissingNode());
  }

  @Test
  public void whatIsGoneFromTheBooksIsToldToo() {
    Household h = found("chain gone");
    var entries = new ArrayList<JsonNode>();
    String statement = agreed(h, entries);
    h.api().post(statement + "/reopen", "{\"because\":\"twice\"}");
    tick(h, statement, postings(h.api().get(statement).json()).subList(2, 3), false);
    JsonNode entry = entries.getLast();
    String path = "/api/entries/" + entry.path("id").asString();
    int version = h.api().get(path).json().path("version").asInt();
    assertEquals(h.api().delete(path + "?version=" + version).status(), 204);
    JsonNode gone = breaks(h, statement).at("/breaks/0");
    assertEquals(gone.path("how").asString(), "GONE");
    assertEquals(gone.path("payee").asString(), "Greengage");
    assertEquals(gone.path("change").asString(), "7.25");
    assertTrue(gone.path("entryId").isMissingNode());
    assertEquals(restored(h, statement, gone).problem(), "not-settled-here");
    undo(h, gone);
    assertEquals(breaks(h, statement).at("/breaks/0/how").asString(), "UNTICKED");
  }

  @Test
  public void whatAClosedMonthAgreesWithIsNotOpenedAgain() {
    Household h = found("chain closed");
    String statement = agreed(h, new ArrayList<>());
    closeSeptember(h);
    String because = "{\"because\":\"a slip\"}";
    assertEquals(h.api().post(statement + "/reopen", because).problem(), "month-closed");
    // Nor by undoing: the act that agreed it is older than the one that closed the month.
    for (JsonNode act : h.api().get("/api/acts").json().path("acts")) {
      if (act.path("kind").asString().equals("AGREE")) {
        String undo = "/api/acts/" + act.path("id").asString() + "/undo";
        assertEquals(h.api().post(undo, "").problem(), "undo-refused");
      }
    }
  }

  /** A cheque of a closed month that is cashed in the next is ticked there. */
  @Test
  public void aPostingOfAClosedMonthIsTickedOnceItsBankShowsIt() {
    Household h = found("cheque");
    String statement = agreed(h, new ArrayList<>());
    h.api().post(statement + "/reopen", "{\"because\":\"not cashed yet\"}");
    List<String> ids = postings(h.api().get(statement).json());
    tick(h, statement, ids.subList(1, 2), false);
    correct(h, statement, "-19.75");
    assertEquals(finish(h, statement).status(), 200);
    closeSeptember(h);

    String october =
        "{\"accountId\":\"%s\",\"closesOn\":\"2026-10-31\",\"closing\":\"-49.75\"}"
            .formatted(h.card().id());
    String next =
        "/api/statements/" + h.api().post("/api/statements", october).json().path("id").asString();
    assertEquals(postings(h.api().get(next).json()), List.of(ids.get(1)));
    tick(h, next, List.of(ids.get(1)), true);
    assertEquals(finish(h, next).status(), 200);
  }
}
