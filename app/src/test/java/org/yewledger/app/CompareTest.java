package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** A statement's lines held against the books, and settled where they stand. */
public class CompareTest extends AppTest {
  private static void enter(Household h, String day, String payee, String amount) {
    String body =
        """
        {"day":"%s","base":"2026-09-10","payee":"%s","amount":"%s","fromId":"%s","toId":"%s"}\
        """
            .formatted(day, payee, amount, h.current().id(), h.groceries().id());
    assertEquals(h.api().post("/api/entries", body).status(), 201);
  }

  /** The statement of September, whose lines wait: 48.20 and 31.80 out, 500.00 in. */
  private String statement(Household h) {
    return "/api/statements/" + gather(h, september()).json().path("statementId").asString();
  }

  private static JsonNode comparison(Household h, String statement) {
    return h.api().get(statement + "/comparison").json();
  }

  private static JsonNode sheet(Household h, String statement) {
    return h.api().get(statement).json();
  }

  private static String join(JsonNode match, String correct) {
    return """
    {"join":[{"lines":[{"lineId":"%s","version":%d}],"postingIds":["%s"],"correct":"%s"}],"post":[]}\
    """
        .formatted(
            match.at("/lines/0/lineId").asString(),
            match.at("/lines/0/version").asInt(),
            match.at("/postings/0/postingId").asString(),
            correct);
  }

  /**
   * @param what "undo" or "redo"
   */
  private static void again(Household h, String what) {
    String act = h.api().get("/api/acts/next").json().path(what).path("id").asString();
    assertEquals(h.api().post("/api/acts/" + act + "/undo", "").status(), 200);
  }

  @DataProvider
  Object[][] typed() {
    return new Object[][] {
      // What the books have of the line of 48.20 on 4 September, the kind, and what puts it right.
      {"3 9", "48.20", "SAME", "NOTHING"},
      {"4 9", "42.80", "AMOUNT_DISAGREES", "AMOUNT"},
      {"4 10", "48.20", "DAY_DISAGREES", "DAY"},
    };
  }

  @Test(dataProvider = "typed")
  public void whatTheBooksHaveIsJoinedAndPutRightAsOneAct(
      String day, String amount, String kind, String correct) {
    Household h = found("compare " + kind);
    enter(h, day, "Greengage Market", amount);
    String statement = statement(h);
    JsonNode before = comparison(h, statement);
    assertEquals(before.path("matches").size(), 1, before.toString());
    JsonNode match = before.at("/matches/0");
    assertEquals(match.path("kind").asString(), kind);
    assertEquals(match.at("/sides/bank").asString(), "-48.20");
    assertEquals(before.path("onlyAtBank").size(), 2);
    requireItAddsUp(h, statement);

    assertEquals(h.api().post(statement + "/comparison", join(match, correct)).status(), 204);
    JsonNode sheet = sheet(h, statement);
    assertEquals(sheet.path("postings").size(), 1);
    JsonNode posting = sheet.at("/postings/0");
    assertEquals(posting.path("amount").asString(), "-48.20");
    assertTrue(posting.path("ticked").asBoolean());
    assertTrue(posting.path("bankText").asString().contains("GREENGAGE"), posting.toString());
    assertEquals(comparison(h, statement).path("matches").size(), 0);
    requireItAddsUp(h, statement);

    again(h, "undo");
    assertEquals(comparison(h, statement).at("/matches/0/kind").asString(), kind);
    assertEquals(
        comparison(h, statement).at("/matches/0/postings") + "", match.path("postings") + "");
    // Taken back and done again it ends where it was.
    again(h, "redo");
    assertEquals(sheet(h, statement).at("/postings/0").toString(), posting.toString());
  }

  /** What the groups are apart is what the statement is apart. */
  private static void requireItAddsUp(Household h, String statement) {
    JsonNode comparison = comparison(h, statement);
    var sum = BigDecimal.ZERO;
    for (String group : new String[] {"agreed", "disagree", "same", "atBank", "inBooks"}) {
      sum = sum.add(new BigDecimal(comparison.path(group).path("apart").asString()));
    }
    assertEquals(
        sum.toPlainString(), sheet(h, statement).path("difference").asString(), "" + comparison);
  }

  @Test
  public void whatIsTickedByMistakeIsPutRightAndStaysTicked() {
    Household h = found("compare ticked");
    enter(h, "4 9", "Greengage Market", "42.80");
    String statement = statement(h);
    String posting = sheet(h, statement).at("/postings/0/postingId").asString();
    String ticks = "{\"postingIds\":[\"%s\"],\"ticked\":true}".formatted(posting);
    assertEquals(h.api().put(statement + "/ticks", ticks).status(), 200);
    JsonNode match = comparison(h, statement).at("/matches/0");
    assertEquals(match.at("/sides/apart").asString(), "-5.40");
    requireItAddsUp(h, statement);
    // Their amounts differ: they are not joined as they are.
    assertEquals(
        h.api().post(statement + "/comparison", join(match, "NOTHING")).problem(), "not-the-same");
    assertEquals(h.api().post(statement + "/comparison", join(match, "AMOUNT")).status(), 204);
    assertEquals(sheet(h, statement).at("/postings/0/amount").asString(), "-48.20");
    assertEquals(comparison(h, statement).at("/agreed/apart").asString(), "0.00");
    requireItAddsUp(h, statement);
  }

  @Test
  public void aLineIsPostedAsItWasSeenProposedOrNotAtAll() {
    Household h = found("compare post");
    String statement = statement(h);
    for (JsonNode row : comparison(h, statement).path("onlyAtBank")) {
      assertTrue(row.path("proposal").isMissingNode(), "" + row);
    }
    h.api().post("/api/rules", RuleDrafts.out("greengage", "Greengage Market", h.groceries()));
    JsonNode row = comparison(h, statement).at("/onlyAtBank/0");
    assertEquals(row.at("/proposal/to/0").asString(), "Groceries");
    String body =
        """
        {"join":[],"post":[{"line":{"lineId":"%s","version":%d},"payee":"Greengage Market","accountIds":["%s"]}]}\
        """;
    String lineId = row.at("/line/lineId").asString();
    int version = row.at("/line/version").asInt();
    assertEquals(
        h.api()
            .post(statement + "/comparison", body.formatted(lineId, version, h.school().id()))
            .problem(),
        "proposal-changed");
    String asSeen = body.formatted(lineId, version, h.groceries().id());
    assertEquals(h.api().post(statement + "/comparison", asSeen).status(), 204);
    JsonNode posting = sheet(h, statement).at("/postings/0");
    assertEquals(posting.path("amount").asString(), "-48.20");
    assertTrue(posting.path("ticked").asBoolean());
    requireItAddsUp(h, statement);
    // A second window that still shows it posts nothing twice.
    assertEquals(h.api().post(statement + "/comparison", asSeen).problem(), "proposal-changed");
    assertEquals(
        h.api().post(statement + "/comparison", "{\"join\":[],\"post\":[]}").problem(),
        "not-answered");
  }

  @Test
  public void twoEntriesThatMakeALineAreJoinedWithItTogether() {
    Household h = found("compare two");
    enter(h, "3 9", "Greengage Market", "20.00");
    enter(h, "4 9", "Greengage Market", "28.20");
    String statement = statement(h);
    JsonNode match = comparison(h, statement).at("/matches/0");
    assertEquals(match.path("kind").asString(), "SEVERAL_POSTINGS");
    String body =
        """
        {"join":[{"lines":[{"lineId":"%s","version":%d}],"postingIds":["%s","%s"],"correct":"%s"}],"post":[]}\
        """;
    Object[] ids = {
      match.at("/lines/0/lineId").asString(),
      match.at("/lines/0/version").asInt(),
      match.at("/postings/0/postingId").asString(),
      match.at("/postings/1/postingId").asString(),
      "AMOUNT"
    };
    assertEquals(
        h.api().post(statement + "/comparison", body.formatted(ids)).problem(), "not-answered");
    ids[4] = "NOTHING";
    assertEquals(h.api().post(statement + "/comparison", body.formatted(ids)).status(), 204);
    JsonNode sheet = sheet(h, statement);
    assertTrue(sheet.at("/postings/0/ticked").asBoolean());
    assertTrue(sheet.at("/postings/1/ticked").asBoolean());
    requireItAddsUp(h, statement);
  }
}
