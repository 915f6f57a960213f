package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import org.testng.annotations.Test;
import org.yewledger.app.household.HouseholdFounding;
import org.yewledger.app.platform.Ids;
import org.yewledger.app.platform.SignedIn;
import tools.jackson.databind.JsonNode;

public class SetupTest extends AppTest {
  private Api founded(String name) {
    SignedIn owner =
        HouseholdFounding.newOwner(
            Ids.next(), name, name + Ids.next() + "@aldercott.example", Ids.next());
    founding.found(name, "Etc/UTC", owner, "secret words", () -> {});
    return new Api(mvc, owner);
  }

  private static String draft(String accounts) {
    return """
    {"name":"Aldercotts","beginsOn":"2026-10-01","books":[
      {"name":"Household","currency":"EUR","fiscalYearStartsIn":10,"starter":"FAMILY",
       "groups":[{"name":"Food","accountClass":"EXPENSE","categories":["Groceries","Bakery"]}]},
      {"name":"Press","currency":"EUR","fiscalYearStartsIn":1,"starter":"EMPTY","groups":[]}],
     "accounts":[%s]}\
    """
        .formatted(accounts);
  }

  private static String account(int book, String name, String kind, String currency, String more) {
    return "{\"book\":%d,\"name\":\"%s\",\"kind\":\"%s\",\"ending\":\"\",\"currency\":\"%s\",\"takenFrom\":\"\"%s}"
        .formatted(book, name, kind, currency, more);
  }

  private static Api.Answer keep(Api api, int version, String draft) {
    return api.put("/api/setup", "{\"version\":%d,\"draft\":%s}".formatted(version, draft));
  }

  private static final String WHOLE =
      draft(
          String.join(
              ",",
              account(0, "Harbour Current", "CURRENT", "EUR", ",\"balance\":\"1842.60\""),
              account(0, "Home loan", "LOAN", "EUR", ",\"balance\":\"-500.00\""),
              account(0, "Purse", "CASH", "EUR", ""),
              account(1, "Shop", "PAYOUT", "USD", ",\"balance\":\"100.00\",\"rate\":\"0.9\"")));

  @Test
  public void whatIsTypedIsKeptAndTheAlmanacSaysWhatIsMissing() {
    Api api = founded("missing");
    JsonNode first = api.get("/api/setup").json();
    assertEquals(first.at("/draft/books/0/name").asString(), "Household");
    assertEquals(api.get("/api/almanac").json().path("booksOpen").asBoolean(), false);
    JsonNode kept = keep(api, 0, WHOLE).json();
    assertEquals(kept.path("version").asInt(), 1);
    assertEquals(kept.at("/openings/0/rows/0/name").asString(), "Harbour Current");
    assertEquals(kept.at("/openings/0/total").asString(), "1842.60");
    assertEquals(kept.at("/openings/1/rows/0/debit").asString(), "90.00");
    JsonNode missing = api.get("/api/almanac").json().path("missing");
    assertEquals(missing.size(), 1);
    assertEquals(missing.get(0).asString(), "Purse has no opening balance yet.");
    assertEquals(keep(api, 0, WHOLE).problem(), "changed-meanwhile");
    assertEquals(
        api.get("/api/setup").json().at("/draft/accounts/0/balance").asString(), "1842.60");
  }

  @Test
  public void openingTheBooksMakesThemAllAtOnce() {
    Api api = founded("whole");
    keep(api, 0, WHOLE);
    assertEquals(api.post("/api/setup/open?version=1", "").status(), 204);
    JsonNode chart = api.get("/api/chart?on=2026-10-31").json();
    assertEquals(chart.path("books").size(), 2);
    assertEquals(chart.at("/books/0/debit").asString(), chart.at("/books/0/credit").asString());
    JsonNode books = api.get("/api/books").json();
    assertEquals(books.at("/0/fiscalYearStartsIn").asInt(), 10);
    assertEquals(books.at("/1/fiscalYear/first").asString().substring(5), "01-01");
    JsonNode trials = api.get("/api/trial-balance?on=2026-10-31").json();
    assertEquals(trials.at("/0/debit").asString(), "1842.60");
    assertEquals(trials.at("/1/debit").asString(), "90.00");
    JsonNode next = api.get("/api/almanac").json().at("/next/0");
    assertEquals(next.path("task").asString(), "OPENING_BALANCE");
    assertEquals(next.at("/accounts/0").asString(), "Purse");
    assertEquals(api.get("/api/setup").problem(), "books-open");
    assertEquals(api.get("/api/session").json().path("householdName").asString(), "Aldercotts");
  }

  @Test
  public void whatStandsInTheWayIsSaidAndNothingIsMade() {
    Api api = founded("stops");
    keep(
        api,
        0,
        draft(
            account(0, "Bakery", "CURRENT", "EUR", "")
                + ","
                + account(1, "Shop", "PAYOUT", "USD", ",\"balance\":\"5.00\"")));
    Api.Answer refused = api.post("/api/setup/open?version=1", "");
    assertEquals(refused.problem(), "setup-unfinished");
    assertTrue(
        refused.json().path("detail").asString().contains("Bakery stands there twice"),
        refused.toString());
    assertEquals(api.get("/api/books").json().size(), 0);
  }
}
