package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import org.testng.annotations.Test;
import org.yewledger.core.ledger.Account;
import tools.jackson.databind.JsonNode;

/** Bills that serve several months, spread over them in reports and budgets and nowhere else. */
public class SpreadBillsTest extends AppTest {
  private static String spend(Household h, String day, String amount, Account category) {
    Api.Answer entered =
        h.api()
            .post(
                "/api/entries",
                "{\"day\":\"%s\",\"base\":\"2026-10-10\",\"payee\":\"Greengage\",\"amount\":\"%s\",\"fromId\":\"%s\",\"toId\":\"%s\"}"
                    .formatted(day, amount, h.current().id(), category.id()));
    assertEquals(entered.status(), 201, entered.toString());
    return entered.json().path("id").asString();
  }

  private static Api.Answer serve(Household h, String entry, String first, String last) {
    return h.api()
        .put(
            "/api/entries/%s/served-months".formatted(entry),
            "{\"first\":%s,\"last\":%s}".formatted(first, last));
  }

  private static JsonNode report(Household h, String month, String more) {
    Api.Answer answer =
        h.api()
            .get(
                "/api/reports?kind=INCOME_STATEMENT&span=MONTH&month=%s&every=WHOLE&book=%s%s"
                    .formatted(month, h.current().bookId(), more));
    assertEquals(answer.status(), 200, answer.toString());
    return answer.json().at("/tables/0");
  }

  private static String amount(JsonNode table, String row, int column) {
    for (JsonNode one : table.path("rows")) {
      if (one.path("name").asString().equals(row)) {
        return one.path("amounts").get(column).asString();
      }
    }
    return "no row";
  }

  private static JsonNode budgetRow(Household h, String month) {
    return h.api()
        .get("/api/budgets?month=%s&book=%s".formatted(month, h.current().bookId()))
        .json()
        .at("/books/0/groups/0/rows/0");
  }

  private static void undo(Household h) {
    String act = h.api().get("/api/acts/next").json().at("/undo/id").asString();
    assertEquals(h.api().post("/api/acts/" + act + "/undo", "").status(), 200);
  }

  @Test
  public void aBillStandsInTheMonthsThatItServesOrInItsOwn() {
    Household h = found("spread");
    String bill = spend(h, "2026-08-05", "120.00", h.school());
    spend(h, "2026-09-09", "7.00", h.school());
    JsonNode parts =
        h.api()
            .get("/api/entries/%s/served-months?first=2026-07&last=2027-01".formatted(bill))
            .json();
    assertEquals(parts.at("/categories/0/amount").asString(), "120.00");
    assertEquals(parts.at("/categories/0/months/0/amount").asString(), "17.14");
    assertEquals(parts.at("/categories/0/months").size(), 7);

    Api.Answer said = serve(h, bill, "\"2026-08\"", "\"2027-07\"");
    assertEquals(said.status(), 200, said.toString());
    assertEquals(said.json().path("servesTo").asString(), "2027-07");
    assertEquals(amount(report(h, "2026-09", "&beside=NOTHING"), "School", 0), "7.00");
    JsonNode september = report(h, "2026-09", "&beside=BOOKED&bills=SPREAD");
    assertEquals(amount(september, "School", 0), "17.00");
    assertEquals(amount(september, "School", 1), "7.00");
    assertEquals(amount(september, "Result", 0), "-17.00");
    assertEquals(september.at("/columns/1/besides").asString(), "BOOKED");
    assertEquals(september.at("/spread/0/amount").asString(), "120.00");
    assertEquals(september.at("/spread/0/within").asString(), "10.00");
    assertEquals(amount(report(h, "2026-08", "&beside=BEFORE&bills=SPREAD"), "School", 0), "10.00");
    assertEquals(report(h, "2027-08", "&beside=NOTHING&bills=SPREAD").path("spread").size(), 0);

    JsonNode row = budgetRow(h, "2026-09");
    assertEquals(row.at("/month/booked").asString(), "17.00");
    assertEquals(row.path("spread").asString(), "10.00");
    assertEquals(row.at("/days/0/date").asString(), "2026-09-01");
    assertEquals(budgetRow(h, "2026-08").at("/month/booked").asString(), "10.00");
    undo(h);
    assertEquals(amount(report(h, "2026-09", "&beside=NOTHING&bills=SPREAD"), "School", 0), "7.00");
    assertEquals(budgetRow(h, "2026-08").at("/month/booked").asString(), "120.00");
  }

  @Test
  public void whatIsSpreadIsTakenBackMonthByMonthAndGoesWithItsEntry() {
    Household h = found("spread back");
    String bill = spend(h, "2026-08-05", "120.00", h.school());
    assertEquals(serve(h, bill, "\"2026-08\"", "\"2027-07\"").status(), 200);
    Api.Answer voided =
        h.api().post("/api/entries/%s/counter".formatted(bill), "{\"version\":0,\"how\":\"VOID\"}");
    assertEquals(voided.status(), 201, voided.toString());
    JsonNode september = report(h, "2026-09", "&beside=NOTHING&bills=SPREAD");
    assertEquals(amount(september, "School", 0), "no row");
    assertEquals(september.path("spread").size(), 2);
    undo(h);
    String other = spend(h, "2026-08-06", "120.00", h.school());
    Api.Answer merged =
        h.api()
            .post(
                "/api/entries/%s/merge".formatted(other),
                "{\"version\":0,\"goes\":\"%s\",\"goesVersion\":0}".formatted(bill));
    assertEquals(merged.status(), 200, merged.toString());
    assertEquals(merged.json().path("servesTo").asString(), "2027-07");
    assertEquals(
        h.api()
            .delete(
                "/api/entries/%s?version=%d"
                    .formatted(other, merged.json().path("version").asInt()))
            .status(),
        204);
    assertEquals(report(h, "2026-09", "&beside=NOTHING&bills=SPREAD").path("spread").size(), 0);
    undo(h);
    undo(h);
    assertTrue(h.api().get("/api/entries/" + other).json().path("servesTo").isMissingNode());
    assertEquals(h.api().get("/api/entries/" + bill).json().path("servesTo").asString(), "2027-07");
  }

  @Test
  public void whatCannotBeSpreadIsRefusedAtItsField() {
    Household h = found("spread refused");
    String bill = spend(h, "2026-08-05", "120.00", h.school());
    Api.Answer backwards = serve(h, bill, "\"2026-08\"", "\"2026-07\"");
    assertEquals(backwards.problem(), "span-backwards");
    assertEquals(backwards.json().path("field").asString(), "last");
    assertEquals(serve(h, bill, "\"2026-08\"", "\"2026-08\"").problem(), "served-is-own-month");
    assertEquals(serve(h, bill, "\"2026-08\"", "null").problem(), "served-half-said");
    assertEquals(serve(h, bill, "\"2026-08\"", "\"2037-08\"").problem(), "served-too-long");
    String moved = spend(h, "2026-08-06", "50.00", h.card());
    assertEquals(serve(h, moved, "\"2026-08\"", "\"2026-10\"").problem(), "serves-no-category");
    assertFalse(h.api().get("/api/entries/" + bill).json().path("servesFrom").isString());
    String query = "&span=MONTH&month=2026-09&every=WHOLE&bills=SPREAD&beside=NOTHING";
    assertEquals(
        h.api().get("/api/reports?kind=CASH_FLOW" + query).problem(), "no-bills-to-spread");
    assertEquals(
        h.api()
            .get(
                "/api/reports?kind=INCOME_STATEMENT&span=MONTH&month=2026-09&every=WHOLE&beside=BOOKED")
            .problem(),
        "no-booked-beside");
  }
}
