package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.MissingNode;

public class ReconcileTest extends AppTest {
  @Autowired private JdbcClient jdbc;

  /** A household with all September lines posted; answers with the statement that the file made. */
  private String allPosted(Household h) {
    String statement = gather(h, september()).json().path("statementId").asString();
    for (JsonNode line : h.api().get("/api/waiting-lines").json().at("/stacks/0/lines")) {
      String body =
          """
          {"lines":[{"lineId":"%s","version":0,"booking":{"payee":"x","parts":[{"accountId":"%s","amount":"%s"}]}}]}\
          """
              .formatted(
                  line.path("id").asString(), h.groceries().id(), line.path("amount").asString());
      assertEquals(h.api().post("/api/waiting-lines/post", body).status(), 200);
    }
    return "/api/statements/" + statement;
  }

  private static List<String> postings(JsonNode sheet) {
    var ids = new ArrayList<String>();
    sheet.path("postings").forEach(p -> ids.add(p.path("postingId").asString()));
    return ids;
  }

  private static Api.Answer tick(Household h, String statement, List<String> ids, boolean ticked) {
    return h.api()
        .put(
            statement + "/ticks",
            "{\"postingIds\":[\"%s\"],\"ticked\":%s}".formatted(String.join("\",\"", ids), ticked));
  }

  private static Api.Answer finish(Household h, String statement) {
    int version = h.api().get(statement).json().path("version").asInt();
    return h.api().post(statement + "/finish?version=" + version, "");
  }

  @Test
  public void totalsFollowTheTicksAndOnlyZeroFinishes() {
    Household h = found("zero");
    String statement = allPosted(h);
    JsonNode sheet = h.api().get(statement).json();
    assertEquals(sheet.path("opening").asString(), "1000.00");
    assertEquals(sheet.path("difference").asString(), "420.00");
    List<String> ids = postings(sheet);
    assertEquals(ids.size(), 3);

    JsonNode two = tick(h, statement, ids.subList(0, 2), true).json();
    assertEquals(two.at("/proof/ticked/out").asString(), "80.00");
    assertEquals(two.path("difference").asString(), "500.00");
    assertEquals(two.at("/postings/1/balance").asString(), "920.00");
    assertEquals(finish(h, statement).problem(), "difference-not-zero");

    assertEquals(
        tick(h, statement, ids.subList(2, 3), true).json().path("difference").asString(), "0.00");
    assertEquals(finish(h, statement).status(), 200);
    JsonNode almanac = h.api().get("/api/almanac?month=2026-09").json();
    assertEquals(cell(almanac, h).path("state").asString(), "AGREED");
    assertEquals(
        h.api().get("/api/entries").json().at("/entries/0/state").asString(), "RECONCILED");
  }

  /** What ticking answers, put into the sheet that was there, is the sheet that is there now. */
  @Test
  public void tickingAnswersWithWhatChangedAndNothingElse() {
    Household h = found("changed");
    String statement = allPosted(h);
    List<String> ids = postings(h.api().get(statement).json());
    for (List<String> ticked : List.of(ids.subList(1, 2), ids, ids.subList(0, 1))) {
      boolean on = ticked.size() != 1 || ticked.equals(ids.subList(1, 2));
      JsonNode before = h.api().get(statement).json();
      JsonNode changed = tick(h, statement, ticked, on).json();
      JsonNode sheet = h.api().get(statement).json();
      for (JsonNode now : sheet.path("postings")) {
        JsonNode told = byId(changed, now);
        JsonNode known = told.isMissingNode() ? byId(before, now) : told;
        for (String field : List.of("postingId", "ticked", "balance")) {
          assertEquals(known.path(field), now.path(field), field);
        }
      }
      for (String field :
          List.of("version", "proof", "tickedBalance", "difference", "agrees", "agreedShare")) {
        assertEquals(changed.path(field), sheet.path(field), field);
      }
      assertEquals(changed.size(), 7);
    }
  }

  /** The posting of the same identity among those that are told. */
  private static JsonNode byId(JsonNode told, JsonNode posting) {
    for (JsonNode one : told.path("postings")) {
      if (one.path("postingId").equals(posting.path("postingId"))) {
        return one;
      }
    }
    return MissingNode.getInstance();
  }

  private static JsonNode cell(JsonNode almanac, Household h) {
    for (JsonNode account : almanac.at("/books/0/accounts")) {
      if (account.path("accountId").asString().equals(h.current().id().toString())) {
        for (JsonNode cell : account.path("months")) {
          if (cell.path("month").asString().equals("2026-09")) {
            return cell;
          }
        }
      }
    }
    throw new AssertionError("no cell");
  }

  @Test
  public void whatWasAgreedIsKeptAsItWasThen() {
    Household h = found("agreed");
    String statement = allPosted(h);
    JsonNode sheet = h.api().get(statement).json();
    List<String> ids = postings(sheet);
    assertEquals(h.api().get(statement + "/agreement").status(), 404);
    tick(h, statement, ids, true);
    finish(h, statement);
    JsonNode agreed = h.api().get(statement + "/agreement").json();
    assertEquals(agreed.path("opening").asString(), "1000.00");
    assertEquals(agreed.path("closing"), h.api().get(statement).json().path("closing"));
    assertEquals(agreed.path("postings").size(), 3);
    assertFalse(agreed.path("agreedAt").asString().isEmpty());
    assertFalse(agreed.path("agreedBy").asString().isEmpty());
    JsonNode entry =
        h.api().get("/api/entries/" + sheet.at("/postings/0/entryId").asString()).json();
    String payee = entry.path("payeeId").asString();
    h.api()
        .put(
            "/api/payees/" + payee, "{\"version\":0,\"name\":\"Called otherwise\",\"knownAs\":[]}");
    assertEquals(h.api().get(statement + "/agreement").json(), agreed);
    String act = h.api().get("/api/acts").json().at("/acts/1/id").asString();
    h.api().post("/api/acts/" + act + "/undo", "");
    assertEquals(h.api().get(statement + "/agreement").status(), 404);
  }

  @Test
  public void aStatementOfAFileKeepsItsLinesAndItsInAndOut() {
    Household h = found("lines");
    byte[] file =
        """
        :20:START
        :25:NL00DEMO004417
        :60F:C260901EUR1000,00
        :61:2609050905D12,50NMSC
        :86:GREENGAGE
        :61:2609060906C20,00NMSC
        :86:REFUND
        :62F:C260930EUR1007,50
        """
            .getBytes(java.nio.charset.StandardCharsets.UTF_8);
    h.api().takeIn(h.current().id(), "s.sta", file, null, false);
    String id =
        h.api()
            .takeIn(h.current().id(), "again.sta", file, null, true)
            .json()
            .path("statementId")
            .asString();
    JsonNode sheet = h.api().get("/api/statements/" + id).json();
    assertEquals(sheet.at("/proof/statement/in").asString(), "20.00");
    assertEquals(sheet.at("/proof/statement/out").asString(), "12.50");
    String amounts =
        founding.as(
            h.owner(),
            () ->
                jdbc.sql(
                        """
                        select string_agg(l.amount_minor::text, ',' order by x.at) from statement_lines s
                          cross join unnest(s.line_ids) with ordinality as x(id, at) join bank_line l on l.id = x.id\
                        """)
                    .query(String.class)
                    .single());
    assertEquals(amounts, "-1250,2000");
  }

  @Test
  public void whatIsFinishedStaysAsItIs() {
    Household h = found("stays");
    String statement = allPosted(h);
    List<String> ids = postings(h.api().get(statement).json());
    tick(h, statement, ids, true);
    finish(h, statement);
    assertEquals(tick(h, statement, ids, false).problem(), "statement-finished");
    assertEquals(finish(h, statement).problem(), "statement-finished");
    String line =
        founding.as(
            h.owner(),
            () ->
                jdbc.sql("select bank_line_id::text from line_link limit 1")
                    .query(String.class)
                    .single());
    assertEquals(
        h.api().post("/api/waiting-lines/take-back", "{\"lineIds\":[\"" + line + "\"]}").problem(),
        "already-ticked");
    boolean removed = false;
    try {
      founding.as(
          h.owner(), () -> jdbc.sql("delete from posting where statement_id is not null").update());
      removed = true;
    } catch (RuntimeException e) {
      assertTrue(String.valueOf(e).contains("reconciled"), String.valueOf(e));
    }
    assertFalse(removed);
    String same =
        "{\"accountId\":\"%s\",\"closesOn\":\"2026-09-15\",\"closing\":\"1.00\"}"
            .formatted(h.current().id());
    assertEquals(h.api().post("/api/statements", same).problem(), "already-agreed");
  }

  @Test
  public void aStatementOnPaperIsTypedCorrectedAndPutAway() {
    Household h = found("paper");
    String draft =
        "{\"accountId\":\"%s\",\"closesOn\":\"2026-08-31\",\"closing\":\"999.00\"}"
            .formatted(h.current().id());
    String id = h.api().post("/api/statements", draft).json().path("id").asString();
    String statement = "/api/statements/" + id;
    assertEquals(h.api().get(statement).json().path("difference").asString(), "-1.00");
    JsonNode corrected =
        h.api()
            .put(statement + "?version=0", "{\"closesOn\":\"2026-08-31\",\"closing\":\"1000.00\"}")
            .json();
    assertEquals(corrected.path("difference").asString(), "0.00");
    assertEquals(
        h.api()
            .put(statement + "?version=0", "{\"closesOn\":\"2026-08-31\",\"closing\":\"5.00\"}")
            .status(),
        409);
    assertEquals(
        h.api().delete(statement + "?version=" + corrected.path("version").asInt()).status(), 204);
    assertEquals(h.api().get(statement).status(), 404);
    String early = draft.replace("2026-08-31", "2026-07-31");
    assertEquals(h.api().post("/api/statements", early).problem(), "before-opening");
    assertEquals(
        h.api().post("/api/statements", draft.replace("999.00", "999.005")).problem(),
        "amount-too-fine");
  }

  private static Api.Answer reopen(Household h, String statement, String because) {
    return h.api().post(statement + "/reopen", "{\"because\":\"%s\"}".formatted(because));
  }

  /** Agreed, opened again with the reason, agreed again: it ends where it was. */
  @Test
  public void theLastStatementIsOpenedAgainWithTheReason() {
    Household h = found("reopen");
    String statement = allPosted(h);
    tick(h, statement, postings(h.api().get(statement).json()), true);
    JsonNode before = h.api().get(statement).json();
    assertEquals(reopen(h, statement, "a slip").problem(), "statement-open");
    assertEquals(finish(h, statement).status(), 200);

    assertEquals(reopen(h, statement, " ").problem(), "reason-missing");
    JsonNode opened = reopen(h, statement, "the bank corrected a line").json();
    assertFalse(opened.path("finished").asBoolean());
    assertEquals(postings(opened), postings(before));
    assertEquals(opened.path("tickedBalance"), before.path("tickedBalance"));
    String words = h.api().get("/api/acts").json().at("/acts/0/words").asString();
    assertTrue(words.endsWith("again: the bank corrected a line"), words);
    assertEquals(h.api().get(statement + "/agreement").status(), 404);
    // Taken back, it is agreed again.
    String act = h.api().get("/api/acts").json().at("/acts/0/id").asString();
    assertEquals(h.api().post("/api/acts/" + act + "/undo", "").status(), 200);
    assertTrue(h.api().get(statement).json().path("finished").asBoolean());
    assertEquals(h.api().get(statement + "/agreement").status(), 200);
    assertEquals(reopen(h, statement, "the bank corrected a line").status(), 200);

    assertEquals(finish(h, statement).status(), 200);
    assertEquals(reopen(h, statement, "once more").status(), 200);
    assertEquals(finish(h, statement).status(), 200);
  }

  @Test
  public void whatAnotherStatementBeginsWithStaysAgreed() {
    Household h = found("reopen order");
    String statement = allPosted(h);
    tick(h, statement, postings(h.api().get(statement).json()), true);
    assertEquals(finish(h, statement).status(), 200);
    String balance = h.api().get(statement).json().path("closing").asString();
    String next =
        "/api/statements/"
            + h.api()
                .post(
                    "/api/statements",
                    "{\"accountId\":\"%s\",\"closesOn\":\"2026-10-31\",\"closing\":%s}"
                        .formatted(h.current().id(), balance))
                .json()
                .path("id")
                .asString();
    assertEquals(finish(h, next).status(), 200);
    assertEquals(reopen(h, statement, "a slip").problem(), "later-agreed");
    assertEquals(reopen(h, next, "a slip").status(), 200);
    assertEquals(reopen(h, statement, "a slip").status(), 200);
  }
}
