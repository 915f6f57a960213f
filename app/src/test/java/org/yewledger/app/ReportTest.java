package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.util.Random;
import java.util.UUID;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Reports over kept totals, held against sums over the postings themselves. */
public class ReportTest extends AppTest {
  @Autowired private JdbcClient jdbc;

  private static void enter(Household h, String day, String amount, UUID from, UUID to) {
    String body =
        """
        {"day":"%s","base":"2026-10-10","payee":"Greengage","amount":"%s","fromId":"%s","toId":"%s"}\
        """
            .formatted(day, amount, from, to);
    assertEquals(h.api().post("/api/entries", body).status(), 201);
  }

  private static JsonNode report(Household h, String kind, String more) {
    Api.Answer answer = h.api().get("/api/reports?kind=" + kind + "&" + more);
    assertEquals(answer.status(), 200, answer.toString());
    return answer.json();
  }

  private static JsonNode row(JsonNode table, String look, String name) {
    for (JsonNode row : table.path("rows")) {
      if (row.path("look").asString().equals(look) && row.path("name").asString().equals(name)) {
        return row;
      }
    }
    throw new AssertionError("no " + name + " in " + table);
  }

  private static final String BY_MONTH =
      "span=MONTH&month=2026-10&first=2026-08&last=2026-10&every=MONTH&beside=NOTHING";

  @Test
  public void eachFigureIsTheSumOfItsPostings() {
    Household h = found("reports");
    var random = new Random(16);
    for (int i = 0; i < 40; i++) {
      String day = "2026-%02d-%02d".formatted(8 + random.nextInt(3), 1 + random.nextInt(28));
      String amount = BigDecimal.valueOf(1 + random.nextInt(9_000), 2).toPlainString();
      UUID from = random.nextBoolean() ? h.current().id() : h.card().id();
      enter(h, day, amount, from, random.nextBoolean() ? h.groceries().id() : h.school().id());
    }
    JsonNode table = report(h, "INCOME_STATEMENT", BY_MONTH).at("/tables/0");
    assertEquals(table.path("columns").size(), 3);
    for (String name : new String[] {"Groceries", "School"}) {
      JsonNode row = row(table, "ACCOUNT", name);
      for (int column = 0; column < 3; column++) {
        assertEquals(
            row.at("/amounts/" + column).asString(),
            posted(h, UUID.fromString(row.path("accountId").asString()), 8 + column),
            name);
      }
    }
    JsonNode sheet = report(h, "BALANCE_SHEET", BY_MONTH).at("/tables/0");
    assertTrue(sheet.path("balances").asBoolean(), sheet.toString());
    assertEquals(
        row(sheet, "TOTAL", "Equity").path("amounts"),
        row(sheet, "TOTAL", "Assets less liabilities").path("amounts"));
    JsonNode worth = report(h, "NET_WORTH", BY_MONTH).at("/tables/0");
    assertEquals(
        row(worth, "TOTAL", "Net worth").path("amounts"),
        row(sheet, "TOTAL", "Assets less liabilities").path("amounts"));
  }

  /** In another way than the application adds up: over the postings, by their days. */
  private String posted(Household h, UUID account, int month) {
    return founding.as(
        h.owner(),
        () ->
            jdbc.sql(
                    """
                    select (coalesce(sum(base_minor), 0) / 100.0)::numeric(12, 2)::text from posting
                     where account_id = ? and extract(year from date) = 2026 and extract(month from date) = ?\
                    """)
                .params(account, month)
                .query(String.class)
                .single());
  }

  @Test
  public void aMonthIsSeenBesideTheOneBefore() {
    Household h = found("beside");
    enter(h, "2026-09-05", "30.00", h.current().id(), h.groceries().id());
    enter(h, "2026-08-05", "12.50", h.current().id(), h.groceries().id());
    JsonNode table =
        report(h, "INCOME_STATEMENT", "span=MONTH&month=2026-09&every=WHOLE&beside=BEFORE")
            .at("/tables/0");
    JsonNode row = row(table, "ACCOUNT", "Groceries");
    assertEquals(row.at("/amounts/0").asString(), "30.00");
    assertEquals(row.at("/amounts/1").asString(), "12.50");
    assertEquals(row.path("change").asString(), "17.50");
    assertEquals(row(table, "TOTAL", "Result").path("change").asString(), "-17.50");
  }

  @Test
  public void theResultOfAYearThatIsOverIsCarriedToEquityWithoutAnEntry() {
    Household h = found("carried");
    enter(h, "2026-09-05", "30.00", h.current().id(), h.groceries().id());
    enter(h, "2027-02-05", "5.00", h.current().id(), h.groceries().id());
    String whole = "span=MONTH&month=2027-02&every=WHOLE&beside=NOTHING";
    JsonNode sheet = report(h, "BALANCE_SHEET", whole).at("/tables/0");
    assertEquals(
        row(sheet, "DERIVED", "Result of earlier years").at("/amounts/0").asString(), "-30.00");
    assertEquals(row(sheet, "DERIVED", "Result of the year").at("/amounts/0").asString(), "-5.00");
    assertTrue(sheet.path("balances").asBoolean());
    JsonNode trial = h.api().get("/api/trial-balance?on=2027-02-28").json().get(0);
    assertEquals(trial.path("earlierDebit").asString(), "30.00");
    assertTrue(trial.path("balances").asBoolean());
    for (JsonNode row : trial.path("rows")) {
      if (row.path("accountName").asString().equals("Groceries")) {
        assertEquals(row.path("debit").asString(), "5.00");
      }
    }
  }

  @Test
  public void moneyBeforeAndWhatMovedItMakeMoneyAfter() {
    Household h = found("flow");
    enter(h, "2026-09-05", "30.00", h.current().id(), h.groceries().id());
    enter(h, "2026-09-06", "100.00", h.pay().id(), h.current().id());
    enter(h, "2026-09-07", "20.00", h.current().id(), h.card().id());
    JsonNode flow =
        report(h, "CASH_FLOW", "span=MONTH&month=2026-09&every=WHOLE&beside=NOTHING")
            .at("/tables/0");
    assertEquals(row(flow, "DERIVED", "Money before").at("/amounts/0").asString(), "1000.00");
    assertEquals(row(flow, "SUM", "Money in").at("/amounts/0").asString(), "100.00");
    assertEquals(row(flow, "SUM", "Money out").at("/amounts/0").asString(), "-30.00");
    assertEquals(row(flow, "SUM", "What it moved").at("/amounts/0").asString(), "70.00");
    assertEquals(row(flow, "TOTAL", "Money after").at("/amounts/0").asString(), "1070.00");
    assertTrue(flow.path("balances").asBoolean());
  }

  @Test
  public void aMonthIsHeldAgainstTheOneBeforeDayByDay() {
    Household h = found("month");
    enter(h, "2026-08-05", "30.00", h.current().id(), h.groceries().id());
    enter(h, "2026-08-31", "10.00", h.current().id(), h.school().id());
    enter(h, "2026-09-03", "20.00", h.card().id(), h.groceries().id());
    enter(h, "2026-09-06", "100.00", h.pay().id(), h.current().id());
    JsonNode month =
        h.api()
            .get("/api/reports/month?month=2026-09&book=" + h.current().bookId())
            .json()
            .at("/tables/0");
    assertEquals(month.path("spent").asString(), "20.00");
    assertEquals(month.path("before").asString(), "40.00");
    assertEquals(month.at("/days/1/spent").asString(), "0.00");
    assertEquals(month.at("/days/2/spent").asString(), "20.00");
    assertEquals(month.at("/days/3/before").asString(), "0.00");
    assertEquals(month.at("/days/4/before").asString(), "30.00");
    assertEquals(month.at("/days/29/before").asString(), "40.00");
    assertEquals(month.at("/categories/0/name").asString(), "Groceries");
    assertEquals(month.at("/categories/0/change").asString(), "-10.00");
    // Greengage was paid before; in August it was not.
    assertEquals(month.path("unusual").size(), 0, month.toString());
    String csv =
        new String(h.api().file("/api/reports/month/table?month=2026-09"), StandardCharsets.UTF_8);
    assertEquals(
        csv.lines().skip(1).findFirst().orElseThrow(),
        "Household,Groceries,,EUR,2026-09,20.00,30.00,-10.00");
    JsonNode august =
        h.api()
            .get("/api/reports/month?month=2026-08&book=" + h.current().bookId())
            .json()
            .at("/tables/0/unusual/0");
    assertEquals(august.path("kind").asString(), "NEW_PAYEE");
    assertEquals(august.path("amount").asString(), "40.00");
    assertEquals(august.path("query").asString(), "payee:Greengage");
  }

  private static final String OWN = "span=MONTH&month=2026-09&every=WHOLE&beside=NOTHING&";

  private static String own(Household h, String more, String row) {
    JsonNode table =
        report(h, "OWN", OWN + "book=" + h.current().bookId() + "&" + more).at("/tables/0");
    for (JsonNode one : table.path("rows")) {
      if (one.path("name").asString().equals(row)) {
        return one.at("/amounts/0").asString();
      }
    }
    throw new AssertionError("no " + row + " in " + table);
  }

  @Test
  public void aGeneralLedgerHasEveryPostingAndItsSums() {
    Household h = found("ledger");
    enter(h, "2026-08-31", "500.00", h.current().id(), h.groceries().id());
    enter(h, "2026-09-05", "30.00", h.current().id(), h.groceries().id());
    enter(h, "2026-09-07", "100.00", h.pay().id(), h.current().id());
    String asked = OWN + "book=" + h.current().bookId();
    JsonNode table = h.api().get("/api/general-ledger?" + asked).json().at("/tables/0");
    JsonNode current = table.at("/rows/0");
    assertEquals(current.path("name").asString(), "Harbour Current");
    assertEquals(current.path("before").asString(), "500.00");
    assertEquals(current.path("debit").asString(), "100.00");
    assertEquals(current.path("credit").asString(), "30.00");
    assertEquals(current.path("after").asString(), "570.00");
    assertEquals(table.path("debit").asString(), "130.00");
    assertTrue(table.path("balances").asBoolean());
  }

  @Test
  public void anOwnReportAddsUpWhatTheJournalFinds() {
    Household h = found("own");
    enter(h, "2026-08-31", "500.00", h.current().id(), h.groceries().id());
    enter(h, "2026-09-05", "30.00", h.current().id(), h.groceries().id());
    enter(h, "2026-09-06", "10.00", h.card().id(), h.school().id());
    enter(h, "2026-09-07", "100.00", h.pay().id(), h.current().id());
    enter(h, "2026-09-08", "10.00", h.current().id(), h.card().id());
    assertEquals(own(h, "by=CATEGORY&measure=SPENT", "Groceries"), "30.00");
    assertEquals(own(h, "by=PAYEE&measure=SPENT", "Greengage"), "40.00");
    assertEquals(own(h, "by=PAYEE&measure=RESULT", "Result"), "60.00");
    assertEquals(own(h, "by=ACCOUNT&measure=SPENT", "Harbour Current"), "40.00");
    assertEquals(own(h, "by=ACCOUNT&measure=EARNED", "Quillon Card"), "10.00");
    assertEquals(own(h, "by=CATEGORY&measure=SPENT&text=amount:%3E20", "Spent"), "30.00");
    assertEquals(own(h, "by=METHOD&measure=SPENT", "no method said"), "40.00");
    // The same as the income statement says, in another way.
    JsonNode income =
        report(h, "INCOME_STATEMENT", OWN + "book=" + h.current().bookId()).at("/tables/0");
    assertEquals(
        row(income, "TOTAL", "Result").at("/amounts/0").asString(),
        own(h, "by=CATEGORY&measure=RESULT", "Result"));
    Api.Answer unread = h.api().get("/api/reports?kind=OWN&" + OWN + "text=amount:much");
    assertEquals(unread.status(), 422, unread.toString());
  }

  @Test
  public void whatIsDrawnOfAnOwnReportAddsUpAndSaysWhetherItIsAWhole() {
    Household h = found("drawn");
    enter(h, "2026-09-05", "30.00", h.current().id(), h.groceries().id());
    enter(h, "2026-09-06", "10.00", h.card().id(), h.school().id());
    String asked = OWN + "book=" + h.current().bookId();
    JsonNode spent = report(h, "OWN", asked + "&by=CATEGORY&measure=SPENT").at("/tables/0/drawn");
    assertTrue(spent.path("whole").asBoolean());
    assertEquals(spent.at("/rows/0/share").asInt(), 750);
    assertEquals(spent.at("/rows/1/total").asString(), "10.00");
    JsonNode result = report(h, "OWN", asked + "&by=CATEGORY&measure=RESULT").at("/tables/0/drawn");
    assertFalse(result.path("whole").asBoolean());
    JsonNode tags = report(h, "OWN", asked + "&by=TAG&measure=SPENT").at("/tables/0/drawn");
    assertFalse(tags.path("apart").asBoolean());
    assertFalse(tags.path("whole").asBoolean());
  }

  @Test
  public void whatIsNoSpanIsRefusedWhereItIsAskedFor() {
    Household h = found("spans");
    String path = "/api/reports?kind=BALANCE_SHEET&span=MONTH&month=2026-10&beside=NOTHING";
    Api.Answer backwards = h.api().get(path + "&every=WHOLE&first=2026-10&last=2026-08");
    assertEquals(backwards.problem(), "span-backwards");
    assertEquals(backwards.json().path("field").asString(), "last");
    assertEquals(
        h.api().get(path + "&every=MONTH&first=2000-01&last=2026-08").problem(),
        "too-many-columns");
    assertEquals(h.api().get(path + "&every=DAILY").status(), 400);
    assertEquals(h.api().get("/api/reports?kind=BALANCE_SHEET").status(), 400);
  }
}
