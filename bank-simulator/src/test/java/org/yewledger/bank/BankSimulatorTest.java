package org.yewledger.bank;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNotEquals;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.springframework.boot.web.server.servlet.context.ServletWebServerApplicationContext;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The banks over HTTP, on a day that stands still. */
public class BankSimulatorTest {
  private static final JsonMapper JSON = JsonMapper.builder().build();
  private static final String NO_FAULTS =
      "{\"slowMillis\":0,\"tooMany\":0,\"errors\":0,\"unreleased\":false,\"changedText\":false,\"lateLine\":false}";

  private final HttpClient http = HttpClient.newHttpClient();
  private ServletWebServerApplicationContext banks;
  private String base;

  @BeforeClass
  void start() {
    banks =
        (ServletWebServerApplicationContext)
            BankSimulator.start("--server.port=0", "--bank.today=2026-10-05");
    base = "http://127.0.0.1:" + banks.getWebServer().getPort();
  }

  @AfterClass(alwaysRun = true)
  void stop() {
    banks.close();
  }

  @BeforeMethod
  void withoutFaults() throws Exception {
    fault(NO_FAULTS);
  }

  private HttpResponse<String> send(HttpRequest.Builder request) throws Exception {
    return http.send(request.build(), HttpResponse.BodyHandlers.ofString());
  }

  private HttpRequest.Builder to(String path) {
    return HttpRequest.newBuilder(URI.create(path.startsWith("http") ? path : base + path));
  }

  private HttpResponse<String> form(String path, String fields) throws Exception {
    return send(
        to(path)
            .header("Content-Type", "application/x-www-form-urlencoded")
            .POST(HttpRequest.BodyPublishers.ofString(fields)));
  }

  private void fault(String switches) throws Exception {
    send(
        to("/faults/harbour-bank")
            .header("Content-Type", "application/json")
            .PUT(HttpRequest.BodyPublishers.ofString(switches)));
  }

  private HttpResponse<String> ask(String returnTo) throws Exception {
    return send(
        to("/harbour-bank/v1/consents")
            .header("Content-Type", "application/json")
            .header("TPP-Redirect-URI", returnTo)
            .POST(HttpRequest.BodyPublishers.ofString("{\"validUntil\":\"2027-06-01\"}")));
  }

  private JsonNode ask() throws Exception {
    HttpResponse<String> answer = ask("http://127.0.0.1:1/back?state=s");
    assertEquals(answer.statusCode(), 201);
    return JSON.readTree(answer.body());
  }

  private String consent() throws Exception {
    JsonNode asked = ask();
    String page = asked.at("/_links/scaRedirect/href").asString();
    form(page + "/sign-in", "user=wren&password=tidewrack");
    Matcher code = Pattern.compile("<b>(\\d{6})</b>").matcher(send(to("/phone")).body());
    assertTrue(code.find());
    HttpResponse<String> given = form(page + "/code", "code=" + code.group(1));
    assertEquals(given.statusCode(), 303);
    assertEquals(
        given.headers().firstValue("Location").orElseThrow(),
        "http://127.0.0.1:1/back?state=s&consent=valid");
    return asked.path("consentId").asString();
  }

  private HttpResponse<String> get(String path, String consent) throws Exception {
    return send(to(path).header("Consent-ID", consent));
  }

  private List<JsonNode> transactions(String account, String consent, String list)
      throws Exception {
    var all = new ArrayList<JsonNode>();
    String next = "/harbour-bank/v1/accounts/" + account + "/transactions?dateFrom=2025-10-01";
    while (!next.isEmpty()) {
      JsonNode page = JSON.readTree(get(next, consent).body()).path("transactions");
      page.path(list).forEach(all::add);
      next = page.at("/_links/next/href").asString("");
    }
    return all;
  }

  @Test
  public void aConsentTakesPasswordAndCodeAndLastsNinetyDaysAtMost() throws Exception {
    JsonNode asked = ask();
    assertEquals(asked.path("consentStatus").asString(), "received");
    assertEquals(asked.path("validUntil").asString(), "2027-01-03");
    String page = asked.at("/_links/scaRedirect/href").asString();
    assertTrue(send(to(page)).body().contains("may not pay, move or change anything"));
    assertTrue(form(page + "/sign-in", "user=wren&password=x").body().contains("do not fit"));
    assertTrue(
        form(page + "/sign-in", "user=wren&password=tidewrack").body().contains("six digits"));
    assertTrue(form(page + "/code", "code=000").body().contains("not the code"));
    String id = asked.path("consentId").asString();
    assertEquals(get("/harbour-bank/v1/accounts", id).statusCode(), 401);
  }

  @Test
  public void refusedRevokedAndForeignConsentsOpenNothing() throws Exception {
    JsonNode asked = ask();
    String page = asked.at("/_links/scaRedirect/href").asString();
    HttpResponse<String> refused = form(page + "/refuse", "");
    assertTrue(refused.headers().firstValue("Location").orElseThrow().endsWith("consent=rejected"));
    String consent = consent();
    assertEquals(get("/kestrel-bank/v1/accounts", consent).statusCode(), 401);
    assertEquals(get("/harbour-bank/v1/accounts", consent).statusCode(), 200);
    send(to("/faults/harbour-bank/revoke").POST(HttpRequest.BodyPublishers.noBody()));
    HttpResponse<String> after = get("/harbour-bank/v1/accounts", consent);
    assertEquals(after.statusCode(), 401);
    assertTrue(after.body().contains("CONSENT_INVALID"));
  }

  @Test
  public void balanceIsWhatOpeningAndBookedLinesMakeOverAllPages() throws Exception {
    String consent = consent();
    JsonNode account =
        JSON.readTree(get("/harbour-bank/v1/accounts", consent).body()).at("/accounts/0");
    assertEquals(account.path("iban").asString(), "NL00DEMO004417");
    List<JsonNode> booked = transactions("4417", consent, "booked");
    assertTrue(booked.size() > 300, "" + booked.size());
    BigDecimal sum =
        booked.stream()
            .map(t -> new BigDecimal(t.at("/transactionAmount/amount").asString()))
            .reduce(new BigDecimal("1842.60"), BigDecimal::add);
    assertEquals(account.at("/balances/0/balanceAmount/amount").asString(), sum.toPlainString());
    assertEquals(
        booked.stream().map(t -> t.path("transactionId").asString()).distinct().count(),
        booked.size());
    List<JsonNode> pending = transactions("4417", consent, "pending");
    assertFalse(pending.isEmpty());
    assertTrue(pending.getFirst().path("bookingDate").isMissingNode());
  }

  @Test
  public void historyReachesNoFurtherThanTheBankSays() throws Exception {
    String consent = consent();
    HttpResponse<String> tooFar =
        get("/harbour-bank/v1/accounts/4417/transactions?dateFrom=2024-01-01", consent);
    assertEquals(tooFar.statusCode(), 400);
    assertTrue(tooFar.body().contains("PERIOD_INVALID"));
  }

  @Test
  public void faultsStrikeAsSwitched() throws Exception {
    String consent = consent();
    String accounts = "/harbour-bank/v1/accounts";
    fault(NO_FAULTS.replace("\"tooMany\":0,\"errors\":0", "\"tooMany\":1,\"errors\":1"));
    HttpResponse<String> tooMany = get(accounts, consent);
    assertEquals(tooMany.statusCode(), 429);
    assertEquals(tooMany.headers().firstValue("Retry-After").orElseThrow(), "1");
    assertEquals(get(accounts, consent).statusCode(), 500);
    assertEquals(get(accounts, consent).statusCode(), 200);
    fault(NO_FAULTS.replace("\"unreleased\":false", "\"unreleased\":true"));
    String lines = accounts + "/4417/transactions?dateFrom=2026-09-01";
    assertEquals(get(lines, consent).statusCode(), 409);
  }

  @Test
  public void aLineIsHeldBackAndATextChangesWithoutItsIdentity() throws Exception {
    String consent = consent();
    List<JsonNode> before = transactions("4417", consent, "booked");
    fault(NO_FAULTS.replace("\"lateLine\":false", "\"lateLine\":true"));
    assertEquals(transactions("4417", consent, "booked").size(), before.size() - 1);
    fault(NO_FAULTS.replace("\"changedText\":false", "\"changedText\":true"));
    JsonNode changed = transactions("4417", consent, "booked").getLast();
    assertEquals(changed.path("transactionId"), before.getLast().path("transactionId"));
    assertNotEquals(
        changed.path("remittanceInformationUnstructured"),
        before.getLast().path("remittanceInformationUnstructured"));
  }

  @Test
  public void banksAlikeInNameAreToldApartByMore() throws Exception {
    JsonNode all = JSON.readTree(send(to("/institutions")).body());
    long harbour =
        all.valueStream().filter(i -> i.path("name").asString().startsWith("Harbour")).count();
    assertEquals(harbour, 3);
    assertEquals(
        all.valueStream().map(i -> i.path("bic").asString()).distinct().count(), all.size());
    assertTrue(all.get(0).path("historyDays").asInt() >= 90);
  }

  @DataProvider
  Object[][] strangers() {
    return new Object[][] {
      {"https://evil.example/back"},
      {"http://127.0.0.1.evil.example/"},
      {"http://127.0.0.1@evil.example/"},
      {"javascript:alert(1)"},
      {"//evil.example/"},
      {"nowhere"},
    };
  }

  @Test(dataProvider = "strangers")
  public void nobodyIsSentToAStrangersAddress(String returnTo) throws Exception {
    assertEquals(ask(returnTo).statusCode(), 400);
  }

  @Test
  public void aCodeCanBeGuessedAFewTimesOnly() throws Exception {
    String page = ask().at("/_links/scaRedirect/href").asString();
    form(page + "/sign-in", "user=wren&password=tidewrack");
    Matcher code = Pattern.compile("<b>(\\d{6})</b>").matcher(send(to("/phone")).body());
    assertTrue(code.find());
    String wrong = code.group(1).equals("000000") ? "000001" : "000000";
    for (int i = 0; i < 4; i++) {
      assertEquals(form(page + "/code", "code=" + wrong).statusCode(), 200);
    }
    HttpResponse<String> over = form(page + "/code", "code=" + wrong);
    assertTrue(over.headers().firstValue("Location").orElseThrow().endsWith("consent=rejected"));
    assertEquals(form(page + "/code", "code=" + code.group(1)).statusCode(), 404);
  }
}
