package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Connections against the stand-in banks: consent, mapping, fetching, faults, renewing. */
public class ConnectionTest extends BankingTest {
  @Autowired private JdbcClient jdbc;

  @Test
  public void banksAreFoundByAnyPartAndToldApart() {
    Household h = found("search");
    JsonNode alike = h.api().get("/api/institutions?words=bour").json();
    assertEquals(alike.size(), 3);
    assertEquals(h.api().get("/api/institutions?words=ellery%20harb").json().size(), 2);
    assertEquals(h.api().get("/api/institutions?words=kestald").json().size(), 1);
  }

  @Test
  public void afterConsentTheAccountsAreThereWithTheirLimits() throws Exception {
    Household h = found("consent");
    JsonNode connection = connected(h);
    assertEquals(connection.path("status").asString(), "ACTIVE");
    assertEquals(connection.path("daysLeft").asInt(), 90);
    assertEquals(connection.path("accounts").size(), 2);
    JsonNode current = account(connection, "4417");
    assertEquals(current.path("suggestedAccountId").asString(), h.current().id().toString());
    assertEquals(current.path("suggestedStart").asString(), "2026-08-01");
    assertEquals(current.path("phase").asString(), "UNUSED");
    String stored =
        founding.as(
            h.owner(),
            () -> jdbc.sql("select consent from bank_connection").query(String.class).single());
    assertFalse(stored.matches("[0-9a-f-]{36}"), "the consent is not readable in the database");
    assertEquals(map(h, connection, toCurrent(h, connection, "2026-07-01")), 422);
    assertEquals(map(h, connection, toCurrent(h, connection, "2023-01-01")), 422);
  }

  @Test
  public void theFirstSyncBringsLinesOnceAndPendingOnesAreHeldBack() throws Exception {
    Household h = found("first");
    JsonNode connection = connected(h);
    assertEquals(map(h, connection, toCurrent(h, connection, "2026-08-01")), 204);
    JsonNode done = until(h, "4417", "DONE");
    int lines = done.path("lastNewLines").asInt();
    assertTrue(lines > 60, "" + lines);
    assertEquals(done.path("bankOn").asString(), "2026-10-05");
    assertFalse(done.path("apart").isMissingNode());
    saysTheSameInAlmanacAndOnTheAccountPage(h, done);
    assertEquals(done.path("nextTryAt").asString(), "2026-10-06T04:00:00Z");
    int waiting = waiting(h);
    JsonNode month = h.api().get("/api/gather?month=2026-10").json();
    int pending = month.at("/accounts/0/pending").asInt();
    assertTrue(pending > 0);
    assertEquals(waiting + pending, lines);
    again(h);
    until(h, "4417", "DONE");
    assertEquals(waiting(h), waiting);
    assertEquals(account(only(h), "4417").path("lastNewLines").asInt(), 0);
  }

  private static void saysTheSameInAlmanacAndOnTheAccountPage(Household h, JsonNode done) {
    JsonNode october = h.api().get("/api/almanac?month=2026-10").json().at("/books/0/accounts/0");
    assertEquals(october.path("source").asString(), "FEED");
    for (String figure : new String[] {"bankOn", "bankSays", "booksSay", "apart"}) {
      assertEquals(october.path(figure).asString(), done.path(figure).asString(), figure);
    }
    JsonNode september = h.api().get("/api/almanac?month=2026-09").json().at("/books/0/accounts/0");
    assertEquals(september.path("source").asString(), "TO_COME");
    JsonNode bank =
        h.api().get("/api/accounts/" + h.current().id() + "?on=2026-10-05").json().path("bank");
    assertEquals(bank.path("on").asString(), "2026-10-05");
    assertEquals(bank.path("apart").asString(), done.path("apart").asString());
  }

  @Test
  public void aLateLineAndAChangedTextComeOutRight() throws Exception {
    Household h = found("late");
    JsonNode connection = connected(h);
    fault(NO_FAULTS.replace("\"lateLine\":false", "\"lateLine\":true"));
    map(h, connection, toCurrent(h, connection, "2026-08-01"));
    until(h, "4417", "DONE");
    int before = waiting(h);
    fault(NO_FAULTS.replace("\"changedText\":false", "\"changedText\":true"));
    again(h);
    JsonNode done = until(h, "4417", "DONE");
    assertEquals(done.path("lastNewLines").asInt(), 1);
    assertEquals(waiting(h), before + 1);
  }

  @Test
  public void faultsAreToldWithTheNextTryAndOvercome() throws Exception {
    Household h = found("faults");
    JsonNode connection = connected(h);
    fault(NO_FAULTS.replace("\"unreleased\":false", "\"unreleased\":true"));
    map(h, connection, toCurrent(h, connection, "2026-08-01"));
    JsonNode unreleased = until(h, "4417", "WAITING");
    assertTrue(unreleased.path("problem").asString().contains("not released this account yet"));
    assertEquals(unreleased.path("nextTryAt").asString(), "2026-10-05T12:01:00Z");
    fault(NO_FAULTS.replace("\"tooMany\":0", "\"tooMany\":1"));
    again(h);
    JsonNode waiting = until(h, "4417", "WAITING");
    assertTrue(waiting.path("problem").asString().contains("left alone"), waiting.toString());
    assertEquals(waiting.path("nextTryAt").asString(), "2026-10-05T12:00:01Z");
    // It comes back by itself.
    assertTrue(until(h, "4417", "DONE").path("lastNewLines").asInt() > 60);
  }

  @Test
  public void aRevokedConsentAsksForThePersonAndIsRenewed() throws Exception {
    Household h = found("revoked");
    JsonNode connection = connected(h);
    map(h, connection, toCurrent(h, connection, "2026-09-20"));
    until(h, "4417", "DONE");
    int lines = waiting(h);
    bank("/faults/harbour-bank/revoke", "text/plain", "POST", "");
    again(h);
    until(h, "4417", "STOPPED");
    JsonNode stopped = only(h);
    assertEquals(stopped.path("status").asString(), "NEEDS_CONSENT");
    assertTrue(stopped.path("needsYou").asBoolean());
    JsonNode next = h.api().get("/api/almanac?month=2026-09").json().path("next");
    assertTrue(next.toString().contains("RENEW_CONSENT"), next.toString());
    String id = stopped.path("id").asString();
    assertEquals(h.api().post("/api/connections/" + id + "/sync", "").problem(), "needs-consent");
    JsonNode asked = h.api().post("/api/connections/" + id + "/renew", "").json();
    back(h, consentAt(asked.path("goTo").asString()));
    until(h, "4417", "DONE");
    assertEquals(waiting(h), lines);
  }

  /** As after the key of the installation was changed. */
  @Test
  public void aConsentThatCannotBeReadAnyMoreAsksForThePerson() throws Exception {
    Household h = found("unreadable");
    JsonNode connection = connected(h);
    map(h, connection, toCurrent(h, connection, "2026-09-20"));
    until(h, "4417", "DONE");
    founding.as(
        h.owner(),
        () ->
            jdbc.sql("update bank_connection set consent = 'bm90IHRoZSBjb25zZW50IGF0IGFsbA=='")
                .update());
    again(h);
    JsonNode stopped = until(h, "4417", "STOPPED");
    assertTrue(stopped.path("problem").asString().contains("cannot be read any more"));
    assertEquals(only(h).path("status").asString(), "NEEDS_CONSENT");
    String id = connection.path("id").asString();
    assertEquals(h.api().delete("/api/connections/" + id).status(), 204);
  }

  @Test
  public void aNewAccountOpensWithWhatBankAndLinesMakeAndBooksAgreeOncePosted() throws Exception {
    Household h = found("new account");
    JsonNode connection = connected(h);
    String savings =
        """
        {"connectedId":"%s","newAccount":{"bookId":"%s","name":"Savings at Harbour","kind":"SAVINGS"},
         "startOn":"2026-07-01"}\
        """
            .formatted(account(connection, "9023").path("id").asString(), h.current().bookId());
    assertEquals(map(h, connection, savings), 204);
    JsonNode done = until(h, "9023", "DONE");
    assertEquals(done.path("accountName").asString(), "Savings at Harbour");
    java.math.BigDecimal lines = java.math.BigDecimal.ZERO;
    for (JsonNode stack : h.api().get("/api/waiting-lines").json().path("stacks")) {
      for (JsonNode line : stack.path("lines")) {
        lines = lines.add(new java.math.BigDecimal(line.path("amount").asString()));
      }
    }
    // What is apart is exactly what still waits to be posted.
    assertEquals(
        new java.math.BigDecimal(done.path("apart").asString()).compareTo(lines),
        0,
        done.toString());
  }

  @Test
  public void disconnectingKeepsWhatWasFetched() throws Exception {
    Household h = found("disconnect");
    JsonNode connection = connected(h);
    map(h, connection, toCurrent(h, connection, "2026-09-20"));
    until(h, "4417", "DONE");
    int lines = waiting(h);
    String id = connection.path("id").asString();
    assertEquals(h.api().delete("/api/connections/" + id).status(), 204);
    assertEquals(h.api().get("/api/connections").json().size(), 0);
    assertEquals(waiting(h), lines);
    assertEquals(h.api().post("/api/connections/" + id + "/sync", "").status(), 404);
  }

  @Test
  public void aConsentThatEndsWithinAWeekIsAnnouncedInTheAlmanac() throws Exception {
    Household h = found("ending");
    connected(h);
    String almanac = "/api/almanac?month=2026-09";
    int gather = h.api().get(almanac).json().at("/stations/gather").asInt();
    for (int left : new int[] {8, 7, 0}) {
      founding.as(
          h.owner(),
          () ->
              jdbc.sql("update bank_connection set consent_until = date '2026-10-05' + ?")
                  .param(left)
                  .update());
      JsonNode page = h.api().get(almanac).json();
      boolean announced = page.path("next").toString().contains("RENEW_CONSENT");
      assertEquals(announced, left <= 7, left + " days left");
      assertEquals(page.at("/stations/gather").asInt(), gather + (left <= 7 ? 1 : 0));
    }
    assertEquals(only(h).path("daysLeft").asInt(), 0);
  }

  @Test
  public void aWayBackThatWasNotAskedForOpensNothing() throws Exception {
    Household h = found("forged");
    JsonNode connection = connected(h);
    String id = connection.path("id").asString();
    Api.Answer forged =
        h.api().post("/api/connections/" + id + "/returned", "{\"state\":\"made-up\"}");
    assertEquals(forged.problem(), "not-asked");
  }
}
