package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.nio.charset.StandardCharsets;
import java.util.List;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Reports of several books: their own fiscal years, and accounts in other currencies. */
public class ReportBooksTest extends AppTest {
  private static final String FACTS =
      """
      {"number":"","tail":"","institution":"","webPage":"","contact":"","notes":"","pinned":false,"taxFormLine":""}\
      """;

  private static void pressYearBeginsInApril(Household h) {
    Api.Answer changed =
        h.api()
            .put(
                "/api/books/%s?version=0".formatted(h.press().bookId()),
                "{\"name\":\"Press\",\"fiscalYearStartsIn\":4,\"taxNumber\":\"\",\"taxPeriod\":\"QUARTER\"}");
    assertEquals(changed.status(), 204, changed.toString());
  }

  @Test
  public void eachBookIsToldByItsOwnFiscalYear() {
    Household h = found("years");
    pressYearBeginsInApril(h);
    String asked =
        "kind=INCOME_STATEMENT&span=FISCAL_YEAR&month=2026-08&every=WHOLE&beside=NOTHING";
    JsonNode page = h.api().get("/api/reports?" + asked).json();
    assertEquals(page.at("/tables/0/first").asString(), "2026-01");
    assertEquals(page.at("/tables/0/columns/0/last").asString(), "2026-12");
    assertEquals(page.at("/tables/1/first").asString(), "2026-04");
    assertEquals(page.at("/tables/1/columns/0/last").asString(), "2027-03");
    // All together by the calendar.
    assertEquals(page.at("/tables/2/first").asString(), "2026-01");
    assertEquals(page.path("first").asString(), "2026-01");
    assertEquals(page.path("last").asString(), "2027-03");
    List<String> csv =
        new String(h.api().file("/api/reports/table?" + asked), StandardCharsets.UTF_8)
            .lines()
            .toList();
    assertEquals(csv.getFirst(), "book,section,row,name,currency,1");
    assertTrue(csv.contains("Press,,columns,,EUR,2026-04..2027-03"), csv.toString());
  }

  @Test
  public void theRatesOfAccountsInOtherCurrenciesAreSaid() {
    Household h = found("dollars");
    String shop =
        h.api()
            .post(
                "/api/accounts",
                "{\"bookId\":\"%s\",\"name\":\"Shop takings\",\"kind\":\"PAYOUT\",\"currency\":\"USD\",\"group\":false,\"facts\":%s}"
                    .formatted(h.press().bookId(), FACTS))
            .json()
            .path("id")
            .asString();
    h.api()
        .post(
            "/api/rates",
            "{\"from\":\"USD\",\"to\":\"EUR\",\"day\":\"2026-07-01\",\"rate\":\"0.90\"}");
    Api.Answer opened =
        h.api()
            .put(
                "/api/opening-balances",
                "{\"accounts\":[{\"accountId\":\"%s\",\"opensOn\":\"2026-08-01\",\"balance\":\"400.00\"}]}"
                    .formatted(shop));
    assertEquals(opened.status(), 204, opened.toString());
    Api.Answer moved =
        h.api()
            .post(
                "/api/transfers",
                "{\"date\":\"2026-08-10\",\"fromId\":\"%s\",\"given\":\"100.00\",\"toId\":\"%s\",\"taken\":\"88.00\"}"
                    .formatted(shop, h.press().id()));
    assertEquals(moved.status(), 201, moved.toString());

    String asked = "&span=MONTH&month=2026-08&every=WHOLE&beside=NOTHING";
    JsonNode sheet = rates(h, "BALANCE_SHEET" + asked);
    assertEquals(sheet.at("/0/name").asString(), "Shop takings");
    assertEquals(sheet.at("/0/amount").asString(), "300.00");
    assertEquals(sheet.at("/0/value").asString(), "270.00");
    assertEquals(sheet.at("/0/low").asString(), "0.9000");
    JsonNode income = rates(h, "INCOME_STATEMENT" + asked);
    assertTrue(income.at("/0/amount").isMissingNode(), income.toString());
    assertEquals(income.at("/0/low").asString(), "0.9000");
    assertEquals(income.at("/0/high").asString(), "0.9000");
    JsonNode household =
        h.api()
            .get("/api/reports?kind=BALANCE_SHEET" + asked + "&book=" + h.current().bookId())
            .json();
    assertEquals(household.at("/tables/0/rates").size(), 0);
  }

  private static JsonNode rates(Household h, String asked) {
    return h.api()
        .get("/api/reports?kind=" + asked + "&book=" + h.press().bookId())
        .json()
        .at("/tables/0/rates");
  }
}
