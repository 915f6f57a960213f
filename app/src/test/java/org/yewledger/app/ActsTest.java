package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNotEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.UUID;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.testng.annotations.Test;
import org.yewledger.app.platform.Role;
import tools.jackson.databind.JsonNode;

/** Acts tell what was done, and undoing any of them returns to the books before, row by row. */
public class ActsTest extends AppTest {
  @Autowired private JdbcClient jdbc;

  /** All of a household's books by content; versions count how often, and are left out. */
  private String books(Household h) {
    var all = new StringBuilder();
    for (String table :
        List.of(
            "book",
            "account",
            "entry",
            "posting",
            "line_link",
            "bank_line_state",
            "statement",
            "rule",
            "batch",
            "account_month",
            "exchange_rate",
            "tax_rate",
            "tax_rate_step")) {
      all.append(
          founding.as(
              h.owner(),
              () ->
                  jdbc.sql(
                          """
                          select coalesce(jsonb_agg(r order by r), '[]')::text from
                          (select to_jsonb(t) - 'version' - 'changed_at' - 'changed_by' as r from %s t) rows
                          where not (jsonb_exists(r, 'debit_minor') and (r ->> 'debit_minor', r ->> 'credit_minor') = ('0', '0'))\
                          """
                              .formatted(table))
                      .query(String.class)
                      .single()));
      all.append('\n');
    }
    return all.toString();
  }

  private static JsonNode next(Household h) {
    return h.api().get("/api/acts/next").json();
  }

  private static Api.Answer undo(Household h) {
    return h.api().post("/api/acts/" + next(h).at("/undo/id").asString() + "/undo", "");
  }

  private static Api.Answer redo(Household h) {
    return h.api().post("/api/acts/" + next(h).at("/redo/id").asString() + "/undo", "");
  }

  private static List<JsonNode> waiting(Household h) {
    var lines = new ArrayList<JsonNode>();
    for (JsonNode stack : h.api().get("/api/waiting-lines").json().path("stacks")) {
      stack.path("lines").forEach(lines::add);
    }
    return lines;
  }

  private static List<String> words(Household h) {
    var words = new ArrayList<String>();
    for (JsonNode act : h.api().get("/api/acts").json().path("acts")) {
      words.add(act.path("words").asString());
    }
    return words;
  }

  @Test
  public void everyActIsToldInWordsNewestFirst() {
    Household h = found("told");
    gather(h, september());
    JsonNode line = waiting(h).getFirst();
    h.api().post("/api/waiting-lines/post", posting(line, h.groceries().id()));
    h.api()
        .post(
            "/api/waiting-lines/take-back",
            "{\"lineIds\":[\"" + line.path("id").asString() + "\"]}");
    assertEquals(
        words(h),
        List.of(
            "Took back no. 2, Greengage Market",
            "Posted Greengage Market, −48.20 on Harbour Current",
            "Gathered harbour.ofx for Harbour Current",
            "Began the household told"));
    JsonNode newest = h.api().get("/api/acts").json().at("/acts/0");
    assertEquals(newest.path("who").asString(), "told");
    assertEquals(newest.path("doer").asString(), "PERSON");
    JsonNode changes = h.api().get("/api/acts/" + newest.path("id").asString() + "/changes").json();
    boolean entryGone = false;
    for (JsonNode change : changes) {
      entryGone |=
          change.path("table").asString().equals("entry")
              && change.path("op").asString().equals("DELETE")
              && change.at("/before/payee").asString().equals("Greengage Market");
    }
    assertTrue(entryGone, "what the entry said is kept: " + changes);
  }

  @Test
  public void actsAreFoundByEntryAccountPersonAndTime() {
    Household h = found("found");
    gather(h, september());
    JsonNode line = waiting(h).getFirst();
    h.api().post("/api/waiting-lines/post", posting(line, h.groceries().id()));
    String entry = h.api().get("/api/entries").json().at("/entries/0/id").asString();
    assertEquals(h.api().get("/api/acts?entry=" + entry).json().path("acts").size(), 1);
    assertEquals(
        h.api().get("/api/acts?person=" + h.owner().personId()).json().path("acts").size(), 3);
    assertEquals(
        h.api().get("/api/acts?person=" + UUID.randomUUID()).json().path("acts").size(), 0);
    assertEquals(h.api().get("/api/acts?to=2020-01-01T00:00:00Z").json().path("acts").size(), 0);
    assertTrue(
        h.api().get("/api/acts?account=" + h.current().id()).json().path("acts").size() >= 2);
  }

  @Test
  public void undoAndRedoLeadBackAndForthThroughAllOfAMonth() {
    Household h = found("undone");
    var states = new ArrayList<String>();
    states.add(books(h));
    gather(h, september());
    states.add(books(h));
    for (JsonNode line : waiting(h)) {
      h.api().post("/api/waiting-lines/post", posting(line, h.groceries().id()));
      states.add(books(h));
    }
    agree(h);
    states.add(null);
    states.add(books(h));
    for (int i = states.size() - 2; i >= 0; i--) {
      String name = next(h).at("/undo/words").asString();
      Api.Answer undone = undo(h);
      assertEquals(undone.status(), 200, name + " " + undone.json());
      if (states.get(i) != null && i > 0) {
        assertEquals(books(h), states.get(i), name);
      }
    }
    assertEquals(waiting(h).size(), 0);
    for (int i = 1; i < states.size(); i++) {
      Api.Answer redone = redo(h);
      assertEquals(redone.status(), 200, "" + redone.json());
      if (states.get(i) != null) {
        assertEquals(books(h), states.get(i), redone.json().path("words").asString());
      }
    }
    assertTrue(next(h).path("redo").isMissingNode(), "" + next(h));
    assertEquals(h.api().get("/api/statements").json().at("/0/statements").size(), 0);
  }

  @Test
  public void anySequenceOfActsAndTheirUndoingReturnsToTheSameBooks() {
    var random = new Random(5);
    for (int round = 0; round < 4; round++) {
      Household h = found("random" + round);
      gather(h, september());
      String before = books(h);
      int done = 0;
      for (int step = 0; step < 12; step++) {
        done += somethingDone(h, random) ? 1 : 0;
      }
      assertTrue(done > 3, "too little was done: " + done);
      String after = books(h);
      assertNotEquals(after, before);
      for (int i = 0; i < done; i++) {
        Api.Answer undone = undo(h);
        assertEquals(undone.status(), 200, "" + undone.json());
      }
      assertEquals(books(h), before);
      for (int i = 0; i < done; i++) {
        assertEquals(redo(h).status(), 200);
      }
      assertEquals(books(h), after);
    }
  }

  private static boolean somethingDone(Household h, Random random) {
    List<JsonNode> waiting = waiting(h);
    JsonNode entries = h.api().get("/api/entries?text=Greengage").json().path("entries");
    return switch (random.nextInt(5)) {
      case 0, 1 ->
          !waiting.isEmpty()
              && h.api()
                      .post(
                          "/api/waiting-lines/post",
                          posting(waiting.get(random.nextInt(waiting.size())), h.groceries().id()))
                      .status()
                  == 200;
      case 2 ->
          !entries.isEmpty()
              && revise(
                      h,
                      entries.get(random.nextInt(entries.size())).path("id").asString(),
                      "Greengage " + random.nextInt(100),
                      random.nextBoolean() ? h.school().id() : h.groceries().id())
                  == 200;
      case 3 -> {
        JsonNode account =
            h.api().get("/api/accounts/" + h.school().id() + "?on=2026-09-30").json();
        yield h.api()
                .post(
                    "/api/accounts/%s/%s?version=%d"
                        .formatted(
                            h.school().id(),
                            account.path("closedOn").isMissingNode() ? "close" : "reopen",
                            account.path("version").asInt()),
                    "")
                .status()
            < 300;
      }
      default ->
          h.api()
                  .put(
                      "/api/opening-balances",
                      "{\"accounts\":[{\"accountId\":\"%s\",\"opensOn\":\"2026-08-01\",\"balance\":\"%d.00\"}]}"
                          .formatted(h.current().id(), 1 + random.nextInt(1_000_000)))
                  .status()
              < 300;
    };
  }

  /** Gives an entry another payee and category, as typed over what is there. */
  static int revise(Household h, String entry, String payee, UUID category) {
    JsonNode e = h.api().get("/api/entries/" + entry).json();
    var postings = new ArrayList<String>();
    for (JsonNode p : e.at("/books/0/postings")) {
      String account = p.path("accountId").asString();
      String amount =
          p.path("debit").isMissingNode()
              ? "-" + p.path("credit").asString()
              : p.path("debit").asString();
      postings.add(
          "{\"accountId\":\"%s\",\"amount\":\"%s\"}"
              .formatted(account.equals(h.current().id().toString()) ? account : category, amount));
    }
    return h.api()
        .put(
            "/api/entries/" + entry,
            "{\"version\":%d,\"date\":\"%s\",\"payee\":\"%s\",\"note\":\"\",\"postings\":[%s]}"
                .formatted(
                    e.path("version").asInt(),
                    e.path("date").asString(),
                    payee,
                    String.join(",", postings)))
        .status();
  }

  @Test
  public void undoIsRefusedWhereSomethingLaterStandsInItsWayAndNamesIt() {
    Household h = found("blocked");
    gather(h, september());
    JsonNode line = waiting(h).getFirst();
    h.api().post("/api/waiting-lines/post", posting(line, h.groceries().id()));
    String posted = h.api().get("/api/acts").json().at("/acts/0/id").asString();
    String gathered = h.api().get("/api/acts").json().at("/acts/1/id").asString();
    String entry = h.api().get("/api/entries").json().at("/entries/0/id").asString();
    assertEquals(revise(h, entry, "Greengage", h.school().id()), 200);

    Api.Answer refused = h.api().post("/api/acts/" + posted + "/undo", "");
    assertEquals(refused.status(), 422);
    assertEquals(refused.problem(), "undo-blocked");
    assertTrue(
        refused.json().path("detail").asString().contains("“Changed no. 2, Greengage”"),
        "" + refused.json());
    Api.Answer lines = h.api().post("/api/acts/" + gathered + "/undo", "");
    assertEquals(lines.problem(), "undo-blocked");
    assertTrue(
        lines.json().path("detail").asString().contains("Posted Greengage Market"),
        "" + lines.json());
    assertEquals(undo(h).status(), 200);
    assertEquals(undo(h).status(), 200);
    Api.Answer twice = h.api().post("/api/acts/" + posted + "/undo", "");
    assertEquals(twice.problem(), "already-undone");
  }

  @Test
  public void whatAStatementHoldsIsNotUndoneUnderIt() {
    Household h = found("held");
    gather(h, september());
    agree(h);
    JsonNode acts = h.api().get("/api/acts").json().path("acts");
    for (JsonNode act : acts) {
      String words = act.path("words").asString();
      if (words.startsWith("Posted")
          || words.startsWith("Ticked")
          || words.startsWith("Gathered")) {
        Api.Answer refused = h.api().post("/api/acts/" + act.path("id").asString() + "/undo", "");
        assertEquals(refused.status(), 422, words + refused.json());
      }
    }
    assertEquals(undo(h).status(), 200, "agreeing itself is undone");
  }

  @Test
  public void readersSeeActsAndUndoNothing() {
    Household h = found("readers");
    gather(h, september());
    var reader = new Api(mvc, as(h, Role.READER));
    String act = reader.get("/api/acts").json().at("/acts/0/id").asString();
    assertEquals(reader.post("/api/acts/" + act + "/undo", "").status(), 403);
  }
}
