package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** What is proposed for waiting lines from the whole situation, and taken. */
public class ProposalsTest extends AppTest {
  private static final String TO_CARD =
      "<STMTTRN><TRNTYPE>XFER<DTPOSTED>20260920<TRNAMT>-296.18<FITID>4<NAME>CARD 6650"
          + " DD</STMTTRN>";

  private Household with(String name, String currentLines) {
    Household h = found(name);
    assertEquals(
        h.api().takeIn(h.current().id(), "s.ofx", ofx(currentLines, "0.00"), null, false).status(),
        201);
    return h;
  }

  private static void cardArrives(Household h, String transactions) {
    byte[] file = new String(ofx(transactions, "0.00")).replace("NL4417", "6650").getBytes();
    assertEquals(h.api().takeIn(h.card().id(), "card.ofx", file, null, false).status(), 201);
  }

  private static final String RECEIVED =
      "<STMTTRN><TRNTYPE>CREDIT<DTPOSTED>20260921<TRNAMT>296.18<FITID>9<NAME>PAYMENT RECEIVED"
          + " 4417</STMTTRN>";

  private static JsonNode stack(Household h, String reason) {
    for (JsonNode stack : h.api().get("/api/waiting-lines").json().path("stacks")) {
      if (stack.path("reason").asString().equals(reason)) {
        return stack;
      }
    }
    throw new AssertionError(
        "no " + reason + " in " + h.api().get("/api/waiting-lines").json().path("stacks"));
  }

  private static String identity(JsonNode line) {
    return "\"lineId\":\"%s\",\"version\":%d"
        .formatted(line.path("id").asString(), line.path("version").asInt());
  }

  /** What a person sends who takes the proposals of a stack as they are. */
  private static Api.Answer take(Household h, JsonNode... lines) {
    List<String> accepted = new ArrayList<>();
    for (JsonNode line : lines) {
      JsonNode proposal = line.path("proposal");
      if (proposal.hasNonNull("standing")) {
        accepted.add(
            "{%s,\"known\":{\"postingIds\":[\"%s\"]}}"
                .formatted(identity(line), proposal.at("/standing/postingId").asString()));
      } else {
        JsonNode half = proposal.path("half");
        String twin =
            half.isMissingNode() || half.isNull()
                ? ""
                : ",\"twin\":{\"lineId\":\"%s\",\"version\":%d}"
                    .formatted(half.path("lineId").asString(), half.path("version").asInt());
        accepted.add(
            "{%s,\"booking\":{\"payee\":\"%s\",\"parts\":%s}%s}"
                .formatted(
                    identity(line),
                    proposal.path("payee").asString(),
                    proposal.path("parts"),
                    twin));
      }
    }
    return h.api()
        .post("/api/waiting-lines/post", "{\"lines\":[" + String.join(",", accepted) + "]}");
  }

  private static String balance(Household h, java.util.UUID account) {
    return h.api().get("/api/accounts/" + account + "/register").json().path("balance").asString();
  }

  @Test
  public void bothHalvesOfATransferArePostedAsOneEntryAndUndoneAsOneAct() {
    Household h = with("halves", TO_CARD);
    cardArrives(h, RECEIVED);
    JsonNode stack = stack(h, "OWN_TRANSFER");
    assertEquals(stack.path("count").asInt(), 2);
    JsonNode line = stack.at("/lines/0");
    assertTrue(line.at("/proposal/half/named").asBoolean());
    assertTrue(line.at("/proposal/sure").asBoolean());
    assertEquals(line.at("/proposal/books/0/postings").size(), 2);

    Api.Answer posted = take(h, line);
    assertEquals(posted.status(), 200, posted.json().toString());
    assertEquals(posted.json().path("entryNos").size(), 1);
    assertEquals(h.api().get("/api/waiting-lines").json().path("count").asInt(), 0);
    assertEquals(balance(h, h.current().id()), "703.82");
    assertEquals(balance(h, h.card().id()), "296.18");
    JsonNode entry = h.api().get("/api/entries").json().at("/entries/0");
    assertEquals(entry.path("state").asString(), "CLEARED");
    // The half was posted with it: nobody can post it again.
    assertEquals(take(h, stack.at("/lines/1")).problem(), "line-already-posted");

    String act = h.api().get("/api/acts/next").json().at("/undo/id").asString();
    assertEquals(h.api().post("/api/acts/" + act + "/undo", "").status(), 200);
    assertEquals(stack(h, "OWN_TRANSFER").path("count").asInt(), 2);
    assertEquals(balance(h, h.card().id()), "0.00");
  }

  @Test
  public void aTransferBookedFromOneSideIsKnownWhenTheOtherSidesLineComes() {
    Household h = with("later", TO_CARD);
    JsonNode out = stack(h, "OPEN_QUESTION").at("/lines/0");
    assertEquals(
        h.api().post("/api/waiting-lines/post", posting(out, h.card().id())).status(), 200);
    cardArrives(h, RECEIVED);
    JsonNode line = stack(h, "KNOWN_ENTRY").at("/lines/0");
    assertEquals(line.at("/proposal/standing/daysApart").asInt(), 1);
    assertTrue(line.at("/proposal/sure").asBoolean());
    assertEquals(line.at("/proposal/parts").size(), 0);
    Api.Answer posted = take(h, line);
    assertEquals(posted.json().path("entryNos").size(), 0);
    assertEquals(posted.json().path("knownNos").size(), 1);
    assertEquals(balance(h, h.card().id()), "296.18");
    assertEquals(
        h.api().get("/api/entries/totals?text=greengage").json().path(0).path("count").asInt(), 1);
  }

  @Test
  public void aStackOfSeveralReasonsIsPostedInOneActAllOrNone() {
    Household h =
        with(
            "mixed",
            TO_CARD
                + "<STMTTRN><TRNTYPE>POS<DTPOSTED>20260904<TRNAMT>-48.20<FITID>1<NAME>GREENGAGE"
                + " MKT 114</STMTTRN>");
    cardArrives(h, RECEIVED);
    h.api().post("/api/rules", RuleDrafts.out("greengage", "Greengage Market", h.groceries()));
    JsonNode transfer = stack(h, "OWN_TRANSFER").at("/lines/0");
    JsonNode byRule = stack(h, "RULE").at("/lines/0");
    Api.Answer posted = take(h, transfer, byRule);
    assertEquals(posted.json().path("entryNos").size(), 2, posted.json().toString());
    assertEquals(
        h.api().get("/api/acts?limit=1").json().at("/acts/0/words").asString(), "Posted 3 lines");
  }

  private static String market(int day, String amount) {
    return "<STMTTRN><TRNTYPE>POS<DTPOSTED>202609%02d<TRNAMT>%s<FITID>m%d<NAME>GREENGAGE MKT %d</STMTTRN>"
        .formatted(day, amount, day, day * 7);
  }

  @Test
  public void whatWasBookedAlikeBeforeIsProposedWithTheEntriesThatShowIt() {
    Household h = with("habit", market(1, "-10.00") + market(2, "-20.00") + market(3, "-30.00"));
    JsonNode open = stack(h, "OPEN_QUESTION");
    assertEquals(open.path("count").asInt(), 3);
    for (JsonNode line : open.path("lines")) {
      assertEquals(
          h.api().post("/api/waiting-lines/post", posting(line, h.groceries().id())).status(), 200);
    }
    // The payee knows by now what the bank calls it, without the number of the branch.
    JsonNode payee = h.api().get("/api/payees?text=Greengage").json().get(0);
    assertEquals(payee.at("/knownAs/0").asString(), "GREENGAGE MKT");

    byte[] more = ofx(market(20, "-7.77"), "0.00");
    assertEquals(h.api().takeIn(h.current().id(), "m.ofx", more, null, false).status(), 201);
    JsonNode line = stack(h, "LAST_TIME").at("/lines/0");
    assertEquals(line.at("/proposal/payee").asString(), "Greengage Market");
    assertEquals(line.at("/proposal/parts/0/accountId").asString(), h.groceries().id().toString());
    assertEquals(line.at("/proposal/before/entries").size(), 3);
    assertTrue(line.at("/proposal/before/always").asBoolean());
    // A payee that is renamed meanwhile is not proposed, and made anew, under its old name.
    String rename =
        "{\"version\":%d,\"name\":\"Greengage\",\"knownAs\":[\"GREENGAGE MKT\"]}"
            .formatted(payee.path("version").asInt());
    assertEquals(h.api().put("/api/payees/" + payee.path("id").asString(), rename).status(), 204);
    line = stack(h, "LAST_TIME").at("/lines/0");
    assertEquals(line.at("/proposal/payee").asString(), "Greengage");
    assertEquals(take(h, line).status(), 200);
    assertEquals(
        h.api().get("/api/entries").json().at("/entries/0/reason").asString(), "LAST_TIME");
  }

  @Test
  public void aDueItemThatComesDearerIsProposedUnsureAndIsThatItemOnceItIsTaken() {
    Household h =
        with(
            "due line",
            "<STMTTRN><TRNTYPE>DEBIT<DTPOSTED>20260922<TRNAMT>-66.00<FITID>7<NAME>ALDER VALE MUSIC</STMTTRN>");
    String schedule =
        """
        {"version":0,"payee":"Alder Vale Music","accountId":"%s","pays":true,"first":"2026-09-20","shift":"NONE",
         "rhythm":{"unit":"ONCE","interval":1,"on":"DAY"},"parts":[{"accountId":"%s","amount":"64.00"}]}\
        """
            .formatted(h.current().id(), h.school().id());
    Api.Answer made = h.api().post("/api/schedules", schedule);
    assertEquals(made.status(), 201, made.toString());
    JsonNode line = stack(h, "DUE").at("/lines/0");
    assertFalse(line.at("/proposal/sure").asBoolean());
    assertEquals(line.at("/proposal/due/daysApart").asInt(), 2);
    assertEquals(line.at("/proposal/due/usual").asString(), "-64.00");
    assertEquals(line.at("/proposal/parts/0/amount").asString(), "-66.00");
    assertEquals(take(h, line).status(), 200);
    assertEquals(h.api().get("/api/entries").json().at("/entries/0/reason").asString(), "DUE");
    String items = "/api/schedules/%s/due-items".formatted(made.json().path("id").asString());
    assertEquals(h.api().get(items).json().at("/items/0/state").asString(), "ENTERED");
    assertEquals(h.api().get(items).json().at("/items/0/amount").asString(), "-66.00");
    String act = h.api().get("/api/acts/next").json().at("/undo/id").asString();
    assertEquals(h.api().post("/api/acts/" + act + "/undo", "").status(), 200);
    assertEquals(h.api().get(items).json().at("/items/0/state").asString(), "OVERDUE");
    assertEquals(stack(h, "DUE").path("count").asInt(), 1);
  }

  @Test
  public void aTrustedSchedulePostsTheLineThatIsSurelyItsItemAndNoOther() {
    Household h = found("trusted schedule");
    String schedule =
        """
        {"version":0,"payee":"Alder Vale Music","accountId":"%s","pays":true,"first":"2026-09-20","shift":"NONE","trusted":true,
         "rhythm":{"unit":"MONTH","interval":1,"on":"DAY"},"parts":[{"accountId":"%s","amount":"64.00"}]}\
        """
            .formatted(h.current().id(), h.school().id());
    assertEquals(h.api().post("/api/schedules", schedule).status(), 201);
    String lines =
        "<STMTTRN><TRNTYPE>DEBIT<DTPOSTED>20260922<TRNAMT>-64.00<FITID>7<NAME>ALDER VALE MUSIC</STMTTRN>"
            + "<STMTTRN><TRNTYPE>DEBIT<DTPOSTED>20261020<TRNAMT>-70.00<FITID>8<NAME>ALDER VALE MUSIC</STMTTRN>";
    assertEquals(
        h.api().takeIn(h.current().id(), "s.ofx", ofx(lines, "0.00"), null, false).status(), 201);
    assertEquals(h.api().get("/api/waiting-lines").json().path("count").asInt(), 1);
    assertEquals(stack(h, "DUE").at("/lines/0/amount").asString(), "-70.00");
    assertEquals(
        h.api().get("/api/acts/next").json().at("/undo/words").asString(),
        "Posted 1 line by trusted schedules");
  }

  @Test
  public void whatIsNoHalfOrSaidTwiceOrNotAtAllIsRefused() {
    Household h = with("wrong", TO_CARD);
    cardArrives(h, RECEIVED.replace("296.18", "300.00"));
    JsonNode out = stack(h, "OPEN_QUESTION").at("/lines/0");
    JsonNode in = stack(h, "OPEN_QUESTION").at("/lines/1");
    String booking =
        "\"booking\":{\"payee\":\"Card\",\"parts\":[{\"accountId\":\"%s\",\"amount\":\"-296.18\"}]}"
            .formatted(h.card().id());
    String halves =
        "{\"lines\":[{%s,%s,\"twin\":{%s}}]}".formatted(identity(out), booking, identity(in));
    assertEquals(h.api().post("/api/waiting-lines/post", halves).problem(), "not-two-halves");
    String nothing = "{\"lines\":[{%s}]}".formatted(identity(out));
    assertEquals(h.api().post("/api/waiting-lines/post", nothing).problem(), "not-answered");
    assertEquals(h.api().get("/api/waiting-lines").json().path("count").asInt(), 2);
    assertFalse(stack(h, "OPEN_QUESTION").at("/lines/0/proposal").isObject());
  }
}
