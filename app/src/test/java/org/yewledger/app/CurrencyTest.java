package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.nio.charset.StandardCharsets;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

public class CurrencyTest extends AppTest {
  private static final String FACTS =
      """
      {"number":"","tail":"5150","institution":"","webPage":"","contact":"","notes":"","pinned":false,"taxFormLine":""}\
      """;

  /** A dollar account in the press, opened on 1 August. */
  private static String shop(Household h) {
    String id =
        h.api()
            .post(
                "/api/accounts",
                "{\"bookId\":\"%s\",\"name\":\"Shop takings\",\"kind\":\"PAYOUT\",\"currency\":\"USD\",\"group\":false,\"facts\":%s}"
                    .formatted(h.press().bookId(), FACTS))
            .json()
            .path("id")
            .asString();
    return id;
  }

  private static Api.Answer rate(Household h, String day, String rate) {
    return h.api()
        .post(
            "/api/rates",
            "{\"from\":\"USD\",\"to\":\"EUR\",\"day\":\"%s\",\"rate\":\"%s\"}"
                .formatted(day, rate));
  }

  private static Api.Answer open(Household h, String id, String balance) {
    return h.api()
        .put(
            "/api/opening-balances",
            "{\"accounts\":[{\"accountId\":\"%s\",\"opensOn\":\"2026-08-01\",\"balance\":\"%s\"}]}"
                .formatted(id, balance));
  }

  @Test
  public void aRateOfZeroOrOfAnUnknownCurrencyIsRefused() {
    Household h = found("rates");
    assertEquals(rate(h, "2026-07-01", "0").problem(), "rate-not-positive");
    assertEquals(
        h.api()
            .post(
                "/api/rates",
                "{\"from\":\"XQX\",\"to\":\"EUR\",\"day\":\"2026-07-01\",\"rate\":\"1\"}")
            .problem(),
        "unknown-currency");
    assertEquals(rate(h, "2026-07-01", "0.92").status(), 204);
    assertEquals(rate(h, "2026-07-01", "0.93").status(), 204);
    assertEquals(h.api().get("/api/rates").json().size(), 1);
    assertEquals(h.api().get("/api/rates").json().at("/0/rate").asString(), "0.93");
  }

  @Test
  public void aTransferBooksTheGainAndARevaluationTheRest() {
    Household h = found("gain");
    String shop = shop(h);
    assertEquals(open(h, shop, "400.00").problem(), "rate-missing");
    rate(h, "2026-07-01", "0.90");
    assertEquals(open(h, shop, "400.00").status(), 204);
    String transfer =
        "{\"date\":\"2026-08-10\",\"fromId\":\"%s\",\"given\":\"100.00\",\"toId\":\"%s\",\"taken\":\"88.00\"}"
            .formatted(shop, h.press().id());
    JsonNode preview = h.api().post("/api/transfers/preview", transfer).json();
    assertEquals(preview.path("gain").asString(), "-2.00");
    assertEquals(preview.path("impliedRate").asString(), "0.880000");
    assertEquals(h.api().post("/api/transfers", transfer).status(), 201);
    JsonNode page = h.api().get("/api/accounts/" + shop + "?on=2026-08-31").json();
    assertEquals(page.path("balance").asString(), "300.00");
    assertEquals(page.path("base").asString(), "270.00");

    rate(h, "2026-08-31", "0.95");
    String revaluation = "/api/books/" + h.press().bookId() + "/revaluation?on=2026-08-31";
    assertEquals(h.api().get(revaluation).json().path("change").asString(), "15.00");
    assertEquals(h.api().post(revaluation, "").status(), 201);
    assertEquals(h.api().post(revaluation, "").problem(), "nothing-to-revalue");
    JsonNode after = h.api().get("/api/accounts/" + shop + "?on=2026-08-31").json();
    assertEquals(after.path("balance").asString(), "300.00");
    assertEquals(after.path("base").asString(), "285.00");
    for (JsonNode trial : h.api().get("/api/trial-balance?on=2026-12-31").json().values()) {
      assertTrue(trial.path("balances").asBoolean(), trial.toString());
    }
  }

  @Test
  public void aTableOfRatesIsTakenInWholeOrNotAtAll() {
    Household h = found("table");
    String good = "day,from,to,rate\n2026-07-01,USD,EUR,0.92\n2026-08-01,USD,EUR,0.91\n";
    Api.Answer taken = h.api().upload("/api/rates/import", "r.csv", bytes(good), null);
    assertEquals(taken.json().path("rates").asInt(), 2);
    String bad = good + "2026-02-31,USD,EUR,0.9\n2026-09-01,USD,EUR,0\n2026-09-01,XQX,EUR,1\n";
    Api.Answer refused = h.api().upload("/api/rates/import", "r.csv", bytes(bad), null);
    assertEquals(refused.problem(), "bad-rows");
    assertEquals(refused.json().path("rows").size(), 3);
    assertEquals(refused.json().at("/rows/0/line").asInt(), 4);
    assertEquals(h.api().get("/api/rates").json().size(), 2);
  }

  private static byte[] bytes(String text) {
    return text.getBytes(StandardCharsets.UTF_8);
  }

  @Test
  public void aLineOfTheFamilysBankPaidForThePressBalancesInBothBooks() {
    Household h = found("across");
    gather(h, september());
    JsonNode line = h.api().get("/api/waiting-lines").json().at("/stacks/0/lines/0");
    String body =
        """
        {"lines":[{"lineId":"%s","version":0,"booking":{"payee":"Ink","parts":[{"accountId":"%s","amount":"%s"}]}}]}\
        """
            .formatted(line.path("id").asString(), h.press().id(), line.path("amount").asString());
    assertEquals(h.api().post("/api/waiting-lines/post", body).status(), 200);
    JsonNode entry = h.api().get("/api/entries?text=ink").json().at("/entries/0");
    assertEquals(entry.path("books").size(), 2);
    assertEquals(entry.at("/books/0/total").asString(), "48.20");
    assertTrue(
        entry.path("betweenBooks").asString().contains("Household gives 48.20 EUR to Press"),
        entry.toString());
    JsonNode trials = h.api().get("/api/trial-balance?on=2026-12-31").json();
    assertEquals(trials.size(), 3);
    for (JsonNode trial : trials.values()) {
      assertTrue(trial.path("balances").asBoolean(), trial.toString());
    }
    // Seen together, what moved between the books is nobody's.
    assertEquals(trials.at("/2/debit").asString(), "1000.00");
    assertTrue(!trials.get(2).toString().contains("Drawings"), trials.toString());
  }
}
