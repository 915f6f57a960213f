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

/** Batches taken back: what goes, what stays and why. */
public class BatchTest extends AppTest {
  @Autowired private JdbcClient jdbc;

  private static String post(Household h, JsonNode line) {
    return """
    {"lineId":"%s","version":%d,"booking":{"payee":"P","note":"","parts":[{"accountId":"%s","amount":"%s"}]}}\
    """
        .formatted(
            line.path("id").asString(),
            line.path("version").asInt(),
            line.path("amount").asString().startsWith("-") ? h.groceries().id() : h.pay().id(),
            line.path("amount").asString());
  }

  private static void postAll(Household h) {
    var lines = new ArrayList<String>();
    for (JsonNode stack : h.api().get("/api/waiting-lines").json().path("stacks")) {
      stack.path("lines").forEach(line -> lines.add(post(h, line)));
    }
    Api.Answer answer =
        h.api().post("/api/waiting-lines/post", "{\"lines\":[" + String.join(",", lines) + "]}");
    assertEquals(answer.status(), 200, answer.json().toString());
  }

  private static int waiting(Household h) {
    return h.api().get("/api/waiting-lines").json().path("count").asInt();
  }

  private static int entries(Household h) {
    return h.api().get("/api/entries").json().path("entries").size();
  }

  private static List<String> postings(JsonNode sheet) {
    var ids = new ArrayList<String>();
    sheet.path("postings").forEach(p -> ids.add(p.path("postingId").asString()));
    return ids;
  }

  @Test
  public void waitingAndPostedLinesGoWithTheirEntriesAndTheStatement() {
    Household h = found("back");
    int before = entries(h);
    JsonNode taken = gather(h, september()).json();
    postAll(h);
    assertEquals(entries(h), before + 3);
    JsonNode back =
        h.api().delete("/api/gather/batches/" + taken.path("batchId").asString()).json();
    assertEquals(back.path("taken").asInt(), 3);
    assertEquals(back.path("left").size(), 0);
    assertTrue(back.path("statementToo").asBoolean());
    assertEquals(entries(h), before);
    assertEquals(waiting(h), 0);
    JsonNode month = h.api().get("/api/gather?month=2026-09").json();
    assertTrue(month.at("/batches/0/takenBack").asBoolean());
    assertEquals(month.path("linesHere").asInt(), 0);
    assertEquals(month.at("/accounts/0/spans").size(), 0);
    assertEquals(
        h.api().delete("/api/gather/batches/" + taken.path("batchId").asString()).problem(),
        "already-taken-back");
  }

  @Test
  public void theSameFileComesInAgainAsNewAndTheOldLinesAreKept() {
    Household h = found("again");
    JsonNode taken = gather(h, september()).json();
    h.api().delete("/api/gather/batches/" + taken.path("batchId").asString());
    JsonNode again = gather(h, september()).json();
    assertEquals(again.path("newLines").asInt(), 3);
    assertEquals(waiting(h), 3);
    int kept =
        founding.as(
            h.owner(),
            () -> jdbc.sql("select count(*) from bank_line").query(Integer.class).single());
    assertEquals(kept, 6);
  }

  @Test
  public void whatIsReconciledStaysWithItsReason() {
    Household h = found("settled");
    JsonNode taken = gather(h, september()).json();
    postAll(h);
    String statement = "/api/statements/" + taken.path("statementId").asString();
    String more =
        """
        <STMTTRN><TRNTYPE>POS<DTPOSTED>20261003<TRNAMT>-9.00<FITID>9<NAME>LATER</STMTTRN>\
        """;
    List<String> ids = postings(h.api().get(statement).json());
    h.api()
        .put(
            statement + "/ticks",
            "{\"postingIds\":[\"%s\"],\"ticked\":true}".formatted(String.join("\",\"", ids)));
    int version = h.api().get(statement).json().path("version").asInt();
    assertEquals(h.api().post(statement + "/finish?version=" + version, "").status(), 200);
    gather(h, ofx(more, "1411.00"));
    JsonNode month = h.api().get("/api/gather?month=2026-09").json();
    assertEquals(month.path("batches").size(), 1);
    assertEquals(month.at("/batches/0/settled").asInt(), 3);
    JsonNode back =
        h.api().delete("/api/gather/batches/" + taken.path("batchId").asString()).json();
    assertEquals(back.path("taken").asInt(), 0);
    assertEquals(back.path("left").size(), 3);
    assertFalse(back.path("statementToo").asBoolean());
    assertTrue(
        back.at("/left/0/why").asString().contains("reconciled in the statement of 2026-09-30"));
    assertEquals(waiting(h), 1);
  }

  @Test
  public void tickedButUnfinishedLinesGo() {
    Household h = found("ticked");
    JsonNode taken = gather(h, september()).json();
    postAll(h);
    String statement = "/api/statements/" + taken.path("statementId").asString();
    List<String> ids = postings(h.api().get(statement).json());
    h.api()
        .put(
            statement + "/ticks",
            "{\"postingIds\":[\"%s\"],\"ticked\":true}".formatted(String.join("\",\"", ids)));
    JsonNode back =
        h.api().delete("/api/gather/batches/" + taken.path("batchId").asString()).json();
    assertEquals(back.path("taken").asInt(), 3);
  }
}
