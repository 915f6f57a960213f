package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.TestConfiguration;
import org.springframework.boot.web.server.servlet.context.ServletWebServerApplicationContext;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Import;
import org.springframework.context.annotation.Primary;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import org.yewledger.bank.BankSimulator;
import tools.jackson.databind.JsonNode;

/** Connections against the stand-in banks: consent, mapping, fetching, faults, renewing. */
@Import(ConnectionTest.FifthOfOctober.class)
public class ConnectionTest extends AppTest {
  private static final String NONE =
      "{\"slowMillis\":0,\"tooMany\":0,\"errors\":0,\"unreleased\":false,\"changedText\":false,\"lateLine\":false}";
  private static ServletWebServerApplicationContext banks;
  private static String bankUrl;

  /** The application and the banks live on the same day, which stands still. */
  @TestConfiguration
  static class FifthOfOctober {
    @Bean
    @Primary
    Clock fifthOfOctober() {
      return Clock.fixed(Instant.parse("2026-10-05T12:00:00Z"), ZoneOffset.UTC);
    }
  }

  @Autowired private JdbcClient jdbc;
  private final HttpClient http = HttpClient.newHttpClient();

  @DynamicPropertySource
  static void bank(DynamicPropertyRegistry properties) {
    banks =
        (ServletWebServerApplicationContext)
            BankSimulator.start("--server.port=0", "--bank.today=2026-10-05");
    bankUrl = "http://127.0.0.1:" + banks.getWebServer().getPort();
    properties.add("yew.bank.url", () -> bankUrl);
    properties.add("yew.jobs", () -> "true");
  }

  @AfterClass(alwaysRun = true)
  void stopBanks() {
    banks.close();
  }

  @BeforeMethod
  void noFaults() throws Exception {
    fault(NONE);
  }

  private HttpResponse<String> bank(String path, String type, String method, String body)
      throws Exception {
    return http.send(
        HttpRequest.newBuilder(URI.create(path.startsWith("http") ? path : bankUrl + path))
            .header("Content-Type", type)
            .method(method, HttpRequest.BodyPublishers.ofString(body))
            .build(),
        HttpResponse.BodyHandlers.ofString());
  }

  private void fault(String switches) throws Exception {
    bank("/faults/harbour-bank", "application/json", "PUT", switches);
  }

  private String consentAt(String page) throws Exception {
    String form = "application/x-www-form-urlencoded";
    bank(page + "/sign-in", form, "POST", "user=wren&password=tidewrack");
    Matcher code =
        Pattern.compile("<b>(\\d{6})</b>").matcher(bank("/phone", "text/plain", "GET", "").body());
    assertTrue(code.find());
    return bank(page + "/code", form, "POST", "code=" + code.group(1))
        .headers()
        .firstValue("Location")
        .orElseThrow();
  }

  private static void back(Household h, String location) {
    URI uri = URI.create(location);
    String id = uri.getPath().substring(uri.getPath().lastIndexOf('/') + 1);
    String state = uri.getQuery().replaceAll(".*state=([^&]*).*", "$1");
    Api.Answer returned =
        h.api().post("/api/connections/" + id + "/returned", "{\"state\":\"" + state + "\"}");
    assertEquals(returned.status(), 204, returned.json().toString());
  }

  private JsonNode connected(Household h) throws Exception {
    Api.Answer asked =
        h.api()
            .post(
                "/api/connections",
                """
                {"institutionId":"harbour-bank","schedule":{"at":"06:00","zone":"Europe/Amsterdam"}}\
                """);
    assertEquals(asked.status(), 201, asked.json().toString());
    back(h, consentAt(asked.json().path("goTo").asString()));
    return only(h);
  }

  private static JsonNode only(Household h) {
    return h.api().get("/api/connections").json().get(0);
  }

  private static JsonNode account(JsonNode connection, String number) {
    for (JsonNode account : connection.path("accounts")) {
      if (account.path("number").asString().endsWith(number)) {
        return account;
      }
    }
    throw new AssertionError("no " + number);
  }

  private static int map(Household h, JsonNode connection, String account) {
    return h.api()
        .put(
            "/api/connections/" + connection.path("id").asString() + "/accounts",
            "{\"accounts\":[" + account + "]}")
        .status();
  }

  private static String toCurrent(Household h, JsonNode connection, String startOn) {
    return "{\"connectedId\":\"%s\",\"accountId\":\"%s\",\"startOn\":\"%s\"}"
        .formatted(account(connection, "4417").path("id").asString(), h.current().id(), startOn);
  }

  private static JsonNode until(Household h, String number, String phase) throws Exception {
    for (int i = 0; i < 200; i++) {
      JsonNode account = account(only(h), number);
      if (account.path("phase").asString().equals(phase)) {
        return account;
      }
      Thread.sleep(100);
    }
    throw new AssertionError("not " + phase + ": " + only(h));
  }

  private static void again(Household h) {
    String id = only(h).path("id").asString();
    assertEquals(h.api().post("/api/connections/" + id + "/sync", "").status(), 204);
  }

  private static int waiting(Household h) {
    return h.api().get("/api/waiting-lines").json().path("count").asInt();
  }

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
    fault(NONE.replace("\"lateLine\":false", "\"lateLine\":true"));
    map(h, connection, toCurrent(h, connection, "2026-08-01"));
    until(h, "4417", "DONE");
    int before = waiting(h);
    fault(NONE.replace("\"changedText\":false", "\"changedText\":true"));
    again(h);
    JsonNode done = until(h, "4417", "DONE");
    assertEquals(done.path("lastNewLines").asInt(), 1);
    assertEquals(waiting(h), before + 1);
  }

  @Test
  public void faultsAreToldWithTheNextTryAndOvercome() throws Exception {
    Household h = found("faults");
    JsonNode connection = connected(h);
    fault(NONE.replace("\"unreleased\":false", "\"unreleased\":true"));
    map(h, connection, toCurrent(h, connection, "2026-08-01"));
    JsonNode unreleased = until(h, "4417", "WAITING");
    assertTrue(unreleased.path("problem").asString().contains("not released this account yet"));
    assertEquals(unreleased.path("nextTryAt").asString(), "2026-10-05T12:01:00Z");
    fault(NONE.replace("\"tooMany\":0", "\"tooMany\":1"));
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
