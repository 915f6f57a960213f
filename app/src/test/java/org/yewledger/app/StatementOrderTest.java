package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Statements in their chain, and what may be ticked for which. */
public class StatementOrderTest extends AppTest {
  private static String begin(Household h, String closesOn, String closing) {
    Api.Answer answer =
        h.api()
            .post(
                "/api/statements",
                "{\"accountId\":\"%s\",\"closesOn\":\"%s\",\"closing\":\"%s\"}"
                    .formatted(h.current().id(), closesOn, closing));
    assertEquals(answer.status(), 201, answer.json().toString());
    return "/api/statements/" + answer.json().path("id").asString();
  }

  private String postedLine(Household h) {
    gather(h, september());
    JsonNode line = h.api().get("/api/waiting-lines").json().at("/stacks/0/lines/0");
    h.api()
        .post(
            "/api/waiting-lines/post",
            """
            {"lines":[{"lineId":"%s","version":0,"booking":{"payee":"x","parts":[{"accountId":"%s","amount":"%s"}]}}]}\
            """
                .formatted(
                    line.path("id").asString(),
                    h.groceries().id(),
                    line.path("amount").asString()));
    return h.api()
        .get("/api/accounts/" + h.current().id() + "/register")
        .json()
        .at("/rows/0/postingId")
        .asString();
  }

  private static Api.Answer tick(Household h, String statement, String posting) {
    return h.api()
        .put(statement + "/ticks", "{\"postingIds\":[\"" + posting + "\"],\"ticked\":true}");
  }

  @Test
  public void eachOpensWithTheOneBeforeAndIsFinishedAfterIt() {
    Household h = found("chain");
    String august = begin(h, "2026-08-31", "1000.00");
    String september = begin(h, "2026-09-30", "1000.00");
    assertEquals(h.api().get(september).json().path("opensAfter").asString(), "2026-08-31");
    assertEquals(
        h.api().post(september + "/finish?version=0", "").problem(), "earlier-statement-open");
    assertEquals(h.api().post(august + "/finish?version=0", "").status(), 200);
    assertEquals(h.api().post(september + "/finish?version=0", "").status(), 200);
    JsonNode account = h.api().get("/api/statements").json().get(0);
    assertEquals(account.path("agreedThrough").asString(), "2026-09-30");
    assertEquals(account.path("nextClosesOn").asString(), "2026-10-31");
  }

  @Test
  public void ofTwoWindowsThatFinishOnlyOneDoes() throws Exception {
    Household h = found("finishers");
    String august = begin(h, "2026-08-31", "1000.00");
    List<Integer> statuses = Collections.synchronizedList(new ArrayList<>());
    var threads = new ArrayList<Thread>();
    for (int i = 0; i < 3; i++) {
      threads.add(
          Thread.startVirtualThread(
              () -> statuses.add(h.api().post(august + "/finish?version=0", "").status())));
    }
    for (Thread thread : threads) {
      thread.join();
    }
    assertEquals(Collections.frequency(statuses, 200), 1, statuses.toString());
    assertEquals(Collections.frequency(statuses, 409), 2, statuses.toString());
  }

  @Test
  public void aPostingIsTickedForOneStatementOfItsAccountAndTime() {
    Household h = found("ticks");
    String posting = postedLine(h);
    String file = h.api().get("/api/statements").json().at("/0/statements/0/id").asString();
    String september = "/api/statements/" + file;
    String august = begin(h, "2026-08-31", "1000.00");
    assertEquals(tick(h, august, posting).problem(), "after-statement");
    assertEquals(tick(h, september, posting).status(), 200);
    String october = begin(h, "2026-10-31", "1.00");
    assertEquals(tick(h, october, posting).problem(), "ticked-elsewhere");
    String card =
        h.api()
            .post(
                "/api/statements",
                "{\"accountId\":\"%s\",\"closesOn\":\"2026-09-30\",\"closing\":\"0.00\"}"
                    .formatted(h.card().id()))
            .json()
            .path("id")
            .asString();
    assertEquals(tick(h, "/api/statements/" + card, posting).status(), 404);
  }

  /** One window finishes while the other unticks: whoever is first, a finished statement agrees. */
  @Test
  public void untickingWhileFinishingNeverLeavesAFinishedStatementApart() throws Exception {
    for (int round = 0; round < 15; round++) {
      Household h = found("untick" + round);
      String posting = postedLine(h);
      String id =
          "/api/statements/"
              + h.api().get("/api/statements").json().at("/0/statements/0/id").asString();
      tick(h, id, posting);
      h.api().put(id + "?version=0", "{\"closesOn\":\"2026-09-30\",\"closing\":\"951.80\"}");
      assertEquals(h.api().get(id).json().path("difference").asString(), "0.00");
      String untick = "{\"postingIds\":[\"" + posting + "\"],\"ticked\":false}";
      var finisher = Thread.startVirtualThread(() -> h.api().post(id + "/finish?version=1", ""));
      var unticker = Thread.startVirtualThread(() -> h.api().put(id + "/ticks", untick));
      finisher.join();
      unticker.join();
      JsonNode sheet = h.api().get(id).json();
      assertEquals(
          sheet.path("agrees").asBoolean(), sheet.path("finished").asBoolean(), sheet.toString());
    }
  }

  @Test
  public void whatTheBankHasAndTheBooksHaveNotIsListed() {
    Household h = found("unposted");
    postedLine(h);
    String id = h.api().get("/api/statements").json().at("/0/statements/0/id").asString();
    JsonNode sheet = h.api().get("/api/statements/" + id).json();
    assertEquals(sheet.path("unposted").size(), 2);
    assertEquals(sheet.path("unpostedSum").asString(), "468.20");
    assertEquals(sheet.at("/postings/0/bankText").asString(), "GREENGAGE MKT 114");
    assertTrue(sheet.path("fromFile").asBoolean());
  }

  @Test
  public void movingAStatementBackUnticksWhatComesAfterIt() {
    Household h = found("moved");
    String posting = postedLine(h);
    String id =
        "/api/statements/"
            + h.api().get("/api/statements").json().at("/0/statements/0/id").asString();
    tick(h, id, posting);
    JsonNode moved =
        h.api()
            .put(id + "?version=0", "{\"closesOn\":\"2026-09-02\",\"closing\":\"1000.00\"}")
            .json();
    assertEquals(moved.path("difference").asString(), "0.00");
    assertEquals(moved.path("postings").size(), 0);
  }
}
