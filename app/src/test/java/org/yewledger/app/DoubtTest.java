package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.nio.charset.StandardCharsets;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Lines that may be others once more are held back until a person decides. */
public class DoubtTest extends AppTest {
  private static final byte[] TABLE =
      """
      Booked;Text;Ref;Debit;Credit
      05.09.2026;CARD 0409 GREENGAGE MARKET;0904-1;48,20;
      25.09.2026;MARRAM COUNCIL PAY;;;500,00
      28.09.2026;ATM;;40,00;
      """
          .getBytes(StandardCharsets.UTF_8);

  private static int waiting(Household h) {
    return h.api().get("/api/waiting-lines").json().path("count").asInt();
  }

  private static JsonNode taken(Household h) {
    assertEquals(h.api().takeIn(h.current().id(), "s.ofx", september(), null, false).status(), 201);
    Api.Answer table = h.api().takeIn(h.current().id(), "t.csv", TABLE, null, false);
    assertEquals(table.status(), 201, table.json().toString());
    return table.json();
  }

  private static JsonNode doubts(Household h) {
    return h.api().get("/api/gather/doubts").json();
  }

  private static int decide(Household h, JsonNode doubt, String decision) {
    return h.api()
        .put(
            "/api/gather/doubts/" + doubt.path("lineId").asString(),
            "{\"decision\":\"" + decision + "\"}")
        .status();
  }

  @Test
  public void aDoubtfulLineIsHeldBackAndShownBesideTheOther() {
    Household h = found("doubt");
    JsonNode table = taken(h);
    assertEquals(table.path("newLines").asInt(), 1);
    assertEquals(table.path("knownLines").asInt(), 1);
    assertEquals(table.path("doubtfulLines").asInt(), 1);
    assertEquals(waiting(h), 4);
    JsonNode doubt = doubts(h).get(0);
    assertEquals(doubt.path("amount").asString(), "-48.20");
    assertEquals(doubt.path("daysApart").asInt(), 1);
    assertEquals(doubt.at("/arrived/text").asString(), "CARD 0409 GREENGAGE MARKET");
    assertEquals(doubt.at("/arrived/sourceLine").asInt(), 2);
    assertEquals(doubt.at("/here/text").asString(), "GREENGAGE MKT 114");
    assertEquals(doubt.at("/wordsInBoth/0").asString(), "GREENGAGE");
    assertEquals(
        h.api().get("/api/almanac?month=2026-09").json().at("/stations/gather").asInt(), 4);
  }

  @Test
  public void theSameLineIsKeptOnceAndStaysKnown() {
    Household h = found("same");
    taken(h);
    assertEquals(decide(h, doubts(h).get(0), "SAME"), 204);
    assertEquals(doubts(h).size(), 0);
    assertEquals(waiting(h), 4);
    JsonNode again = h.api().takeIn(h.current().id(), "t.csv", TABLE, null, false).json();
    assertEquals(again.path("knownLines").asInt(), 3);
  }

  @Test
  public void twoLinesAreBothTakenAndTheDecisionCanBeTakenBack() {
    Household h = found("two");
    taken(h);
    JsonNode doubt = doubts(h).get(0);
    decide(h, doubt, "TWO");
    assertEquals(waiting(h), 5);
    assertEquals(decide(h, doubt, "OPEN"), 204);
    assertEquals(waiting(h), 4);
    assertEquals(doubts(h).size(), 1);
  }

  @Test
  public void takingBackTheOtherOneEndsTheDoubt() {
    Household h = found("gone");
    JsonNode first = h.api().takeIn(h.current().id(), "s.ofx", september(), null, false).json();
    h.api().takeIn(h.current().id(), "t.csv", TABLE, null, false);
    JsonNode back =
        h.api().delete("/api/gather/batches/" + first.path("batchId").asString()).json();
    assertEquals(back.path("taken").asInt(), 3);
    assertEquals(doubts(h).size(), 0);
    assertEquals(waiting(h), 2);
  }

  @Test
  public void whatIsNotInDoubtCannotBeDecided() {
    Household h = found("none");
    gather(h, september());
    String line = h.api().get("/api/waiting-lines").json().at("/stacks/0/lines/0/id").asString();
    Api.Answer answer = h.api().put("/api/gather/doubts/" + line, "{\"decision\":\"SAME\"}");
    assertEquals(answer.problem(), "not-doubtful");
    assertTrue(answer.json().path("detail").asString().contains("not in doubt"));
  }
}
