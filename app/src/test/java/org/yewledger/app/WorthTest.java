package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import org.testng.annotations.Test;
import org.yewledger.core.ledger.Account;
import tools.jackson.databind.JsonNode;

/** Holdings and things: bought, sold, valued, written down, and told in the reports. */
public class WorthTest extends AppTest {
  private record Depot(Household h, Account account, String fund) {
    Api.Answer trade(String day, String kind, String more) {
      return h.api()
          .post(
              "/api/investments/%s/trades".formatted(account.id()),
              "{\"securityId\":\"%s\",\"day\":\"%s\",\"kind\":\"%s\"%s}"
                  .formatted(fund, day, kind, more));
    }

    void traded(String day, String kind, String more) {
      Api.Answer answer = trade(day, kind, more);
      assertEquals(answer.status(), 201, answer.toString());
    }

    JsonNode on(String day) {
      return h.api().get("/api/worth?on=" + day).json().at("/investments/0");
    }
  }

  private static String of(String quantity, String amount, String fee) {
    return ",\"quantity\":\"%s\",\"amount\":\"%s\",\"fee\":\"%s\"".formatted(quantity, amount, fee);
  }

  private Depot depot(String name) {
    Household h = found(name);
    Account account = account(h, "Heron Depot", "INVESTMENT");
    Account gains = account(h, "Gains", "INCOME");
    Api.Answer told =
        h.api()
            .put(
                "/api/investments/" + account.id(),
                """
                {"version":0,"method":"FIRST_IN_FIRST_OUT","cashId":"%s","gainId":"%s","dividendsId":"%s","feesId":"%s"}\
                """
                    .formatted(h.current().id(), gains.id(), gains.id(), h.school().id()));
    assertEquals(told.status(), 204, told.toString());
    String fund =
        h.api()
            .post(
                "/api/securities",
                "{\"name\":\"Estuary Fund\",\"code\":\"XY01\",\"currency\":\"EUR\"}")
            .json()
            .path("id")
            .asString();
    return new Depot(h, account, fund);
  }

  private Depot bought(String name) {
    Depot depot = depot(name);
    depot.traded("2026-09-01", "BUY", of("10", "100.00", "1.00"));
    depot.traded("2026-09-02", "BUY", of("10", "120.00", "1.00"));
    return depot;
  }

  @Test
  public void tradesAreBookedAndToldWithCostAndGain() {
    Depot depot = bought("worth-trades");
    depot.traded("2026-09-03", "SELL", of("15", "240.00", "1.50"));
    depot.traded("2026-09-04", "DIVIDEND", ",\"amount\":\"12.00\",\"fee\":\"2.00\"");
    depot.traded("2026-09-05", "SPLIT", ",\"quantity\":\"10\"");
    JsonNode at = depot.on("2026-09-30");
    JsonNode holding = at.at("/holdings/0");
    assertEquals(holding.path("quantity").asString(), "10");
    assertEquals(holding.path("cost").asString(), "60.50");
    assertEquals(holding.path("realised").asString(), "77.00");
    assertEquals(holding.path("dividends").asString(), "10.00");
    assertTrue(
        holding.path("price").isMissingNode() || holding.path("price").isNull(), at.toString());
    assertEquals(at.path("booked").asString(), "60.50");
    assertEquals(at.path("besides").asString(), "0.00");
    depot
        .h()
        .api()
        .put(
            "/api/securities/%s/prices".formatted(depot.fund()),
            "{\"day\":\"2026-09-20\",\"price\":\"7.25\"}");
    assertEquals(depot.on("2026-09-30").path("worth").asString(), "72.50");
    assertEquals(depot.on("2026-09-19").path("worth").asString(), "60.50");
    assertEquals(depot.on("2026-09-02").at("/holdings/0/quantity").asString(), "20");
  }

  @Test
  public void whatASaleNeedsStaysAndMoreThanIsHeldIsNotSold() {
    Depot depot = bought("worth-refused");
    assertEquals(
        depot.trade("2026-09-03", "SELL", of("21", "240.00", "0")).problem(), "more-than-held");
    assertEquals(
        depot.trade("2026-08-31", "SELL", of("1", "240.00", "0")).problem(), "more-than-held");
    assertEquals(depot.trade("2026-09-03", "BUY", of("0", "2.00", "0")).problem(), "bad-quantity");
    depot.traded("2026-09-03", "SELL", of("5", "80.00", "0"));
    assertEquals(depot.trade("2026-08-30", "BUY", of("1", "2.00", "0")).problem(), "sale-booked");
    JsonNode trades = depot.on("2026-09-30").at("/holdings/0/trades");
    String first = trades.at("/2/id").asString();
    assertEquals(
        depot.h().api().delete("/api/trades/" + first).problem(), "sale-booked", trades.toString());
    String entry = trades.at("/0/entryId").asString();
    int version = depot.h().api().get("/api/entries/" + entry).json().path("version").asInt();
    assertEquals(
        depot.h().api().delete("/api/entries/%s?version=%d".formatted(entry, version)).problem(),
        "trade-keeps-entry",
        depot.h().api().get("/api/entries/" + entry).json().toString());
    assertEquals(
        depot
            .h()
            .api()
            .post(
                "/api/entries/%s/counter".formatted(entry),
                "{\"version\":%d,\"how\":\"VOID\"}".formatted(version))
            .problem(),
        "trade-keeps-entry");
    String sale = trades.at("/0/id").asString();
    assertEquals(depot.h().api().delete("/api/trades/" + sale).status(), 204);
    assertEquals(depot.on("2026-09-30").path("booked").asString(), "222.00");
    undo(depot.h());
    assertEquals(depot.on("2026-09-30").path("booked").asString(), "171.50");
    undo(depot.h());
    assertEquals(depot.on("2026-09-30").path("booked").asString(), "222.00");
  }

  private static void undo(Household h) {
    String act = h.api().get("/api/acts/next").json().at("/undo/id").asString();
    assertEquals(h.api().post("/api/acts/" + act + "/undo", "").status(), 200);
  }

  private static JsonNode row(JsonNode report, String name) {
    for (JsonNode row : report.at("/tables/0/rows")) {
      if (row.path("name").asString().equals(name)) {
        return row.at("/amounts/0");
      }
    }
    throw new AssertionError(name + " is not in " + report);
  }

  @Test
  public void reportsTellWhatIsWorthMoreThanItIsBookedAt() {
    Depot depot = bought("worth-reports");
    Household h = depot.h();
    String path =
        "/api/reports?kind=%s&span=MONTH&month=2026-09&every=WHOLE&beside=NOTHING&book="
            + h.current().bookId();
    JsonNode before = h.api().get(path.formatted("NET_WORTH")).json();
    Api.Answer taken =
        h.api()
            .upload(
                "/api/prices/import",
                "p.csv",
                "day,security,price\n2026-09-30,xy01,15.00\n".getBytes(StandardCharsets.UTF_8),
                null);
    assertEquals(taken.json().path("prices").asInt(), 1, taken.toString());
    JsonNode after = h.api().get(path.formatted("NET_WORTH")).json();
    assertEquals(row(after, "Worth beyond the books").asString(), "78.00", after.toString());
    assertEquals(
        new BigDecimal(row(after, "Net worth").asString())
            .subtract(new BigDecimal(row(before, "Net worth").asString()))
            .toPlainString(),
        // Before, it was worth what was last paid for it: 18.00 beyond its cost.
        "60.00");
    JsonNode sheet = h.api().get(path.formatted("BALANCE_SHEET")).json();
    assertTrue(sheet.at("/tables/0/balances").asBoolean(), sheet.toString());
    Api.Answer booked =
        h.api()
            .post(
                "/api/investments/%s/adjustments".formatted(depot.account().id()),
                "{\"on\":\"2026-09-30\"}");
    assertEquals(booked.status(), 201, booked.toString());
    assertEquals(depot.on("2026-09-30").path("booked").asString(), "300.00");
    assertEquals(depot.on("2026-09-30").path("besides").asString(), "0.00");
    assertEquals(
        h.api()
            .post(
                "/api/investments/%s/adjustments".formatted(depot.account().id()),
                "{\"on\":\"2026-09-30\"}")
            .problem(),
        "nothing-to-adjust");
    assertEquals(
        row(h.api().get(path.formatted("NET_WORTH")).json(), "Net worth").asString(),
        row(after, "Net worth").asString());
  }

  @Test
  public void aTableOfPricesIsTakenWholeOrNotAtAll() {
    Depot depot = bought("worth-prices");
    String table =
        "day,security,price\n2026-09-30,Estuary Fund,15\n2026-09-31,XY01,1\n2026-09-30,Nobody,2\n2026-09-30,XY01,1E+99\n";
    Api.Answer refused =
        depot
            .h()
            .api()
            .upload("/api/prices/import", "p.csv", table.getBytes(StandardCharsets.UTF_8), null);
    assertEquals(refused.status(), 422, refused.toString());
    assertTrue(refused.toString().contains("2026-09-31"), refused.toString());
    assertEquals(depot.on("2026-09-30").at("/holdings/0/prices").size(), 0);
  }

  @Test
  public void aThingIsValuedAndWrittenDown() {
    Household h = found("worth-thing");
    Account press = account(h, "Platen press", "PROPERTY");
    String path = "/api/things/" + press.id();
    Api.Answer paid =
        h.api()
            .post(
                "/api/entries",
                "{\"day\":\"2026-08-10\",\"base\":\"2026-08-10\",\"payee\":\"Harrow Hardware\",\"amount\":\"100\",\"fromId\":\"%s\",\"toId\":\"%s\"}"
                    .formatted(h.current().id(), press.id()));
    assertTrue(paid.status() < 300, paid.toString());
    String down =
        "{\"expenseId\":\"%s\",\"cost\":\"100.00\",\"left\":\"%s\",\"first\":\"2026-08\",\"months\":3}";
    assertEquals(
        h.api().put(path + "/write-down", down.formatted(h.school().id(), "100.00")).problem(),
        "write-down-left");
    assertEquals(
        h.api().put(path + "/write-down", down.formatted(h.school().id(), "10.00")).status(), 204);
    JsonNode due = h.api().get("/api/worth?on=2026-09-30").json().at("/things/0/writeDown/due");
    assertEquals(due.toString(), "[\"2026-08\",\"2026-09\"]");
    JsonNode booked = h.api().post(path + "/write-down/entries", "{\"month\":\"2026-09\"}").json();
    assertEquals(booked.path("entries").asInt(), 2, booked.toString());
    assertEquals(booked.path("amount").asString(), "60.00");
    onLine(h, h.school(), "7 Written down");
    JsonNode form =
        h.api()
            .get("/api/reports?kind=TAX_FORM&span=YEAR&month=2026-08&every=WHOLE&beside=NOTHING")
            .json();
    assertTrue(form.toString().contains("7 Written down"), form.toString());
    assertTrue(form.toString().contains("\"60.00\""), form.toString());
    assertEquals(
        h.api().post(path + "/write-down/entries", "{\"month\":\"2026-09\"}").problem(),
        "nothing-to-write-down");
    assertEquals(
        h.api().get("/api/worth?on=2026-09-30").json().at("/things/0/booked").asString(), "40.00");
    h.api().put(path + "/valuations", "{\"day\":\"2026-09-15\",\"worth\":\"90.00\"}");
    JsonNode valued = h.api().get("/api/worth?on=2026-09-30").json().at("/things/0");
    assertEquals(valued.path("worth").asString(), "90.00");
    assertEquals(valued.path("beyond").asString(), "50.00");
    assertEquals(
        h.api()
            .put(
                "/api/things/%s/valuations".formatted(h.current().id()),
                "{\"day\":\"2026-09-15\",\"worth\":\"90.00\"}")
            .problem(),
        "not-a-thing");
    // The valuation, the line of the form, what was written down.
    undo(h);
    undo(h);
    undo(h);
    assertEquals(
        h.api().get("/api/worth?on=2026-09-30").json().at("/things/0/writeDown/due").size(), 2);
  }
}
