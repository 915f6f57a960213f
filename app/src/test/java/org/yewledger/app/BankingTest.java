package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.springframework.boot.test.context.TestConfiguration;
import org.springframework.boot.web.server.servlet.context.ServletWebServerApplicationContext;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Import;
import org.springframework.context.annotation.Primary;
import org.springframework.test.annotation.DirtiesContext;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeMethod;
import org.yewledger.bank.BankSimulator;
import tools.jackson.databind.JsonNode;

/**
 * A test against the stand-in banks, which live on the same day as the application. Each class has
 * banks and an application of its own, whose jobs must not outlive it.
 */
@Import(BankingTest.DayOfTheBanks.class)
@DirtiesContext
abstract class BankingTest extends AppTest {
  protected static final String NO_FAULTS =
      "{\"slowMillis\":0,\"tooMany\":0,\"errors\":0,\"unreleased\":false,\"changedText\":false,\"lateLine\":false}";
  private static final Instant FIFTH_OF_OCTOBER = Instant.parse("2026-10-05T12:00:00Z");
  private static volatile Instant now = FIFTH_OF_OCTOBER;
  private static ServletWebServerApplicationContext banks;
  private static String bankUrl;

  /** Stands still but where a test lets days go by. */
  @TestConfiguration
  static class DayOfTheBanks {
    @Bean
    @Primary
    Clock dayOfTheBanks() {
      return new Clock() {
        @Override
        public Instant instant() {
          return now;
        }

        @Override
        public ZoneId getZone() {
          return ZoneOffset.UTC;
        }

        @Override
        public Clock withZone(ZoneId zone) {
          return Clock.fixed(now, zone);
        }
      };
    }
  }

  private final HttpClient http = HttpClient.newHttpClient();

  @DynamicPropertySource
  static void bank(DynamicPropertyRegistry properties) {
    now = FIFTH_OF_OCTOBER;
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
    fault(NO_FAULTS);
  }

  protected HttpResponse<String> bank(String path, String type, String method, String body)
      throws Exception {
    return http.send(
        HttpRequest.newBuilder(URI.create(path.startsWith("http") ? path : bankUrl + path))
            .header("Content-Type", type)
            .method(method, HttpRequest.BodyPublishers.ofString(body))
            .build(),
        HttpResponse.BodyHandlers.ofString());
  }

  protected void fault(String switches) throws Exception {
    bank("/faults/harbour-bank", "application/json", "PUT", switches);
  }

  protected String consentAt(String page) throws Exception {
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

  protected static void back(Household h, String location) {
    URI uri = URI.create(location);
    String id = uri.getPath().substring(uri.getPath().lastIndexOf('/') + 1);
    String state = uri.getQuery().replaceAll(".*state=([^&]*).*", "$1");
    Api.Answer returned =
        h.api().post("/api/connections/" + id + "/returned", "{\"state\":\"" + state + "\"}");
    assertEquals(returned.status(), 204, returned.json().toString());
  }

  protected JsonNode connected(Household h) throws Exception {
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

  protected static JsonNode only(Household h) {
    return h.api().get("/api/connections").json().get(0);
  }

  protected static JsonNode account(JsonNode connection, String number) {
    for (JsonNode account : connection.path("accounts")) {
      if (account.path("number").asString().endsWith(number)) {
        return account;
      }
    }
    throw new AssertionError("no " + number);
  }

  protected static int map(Household h, JsonNode connection, String account) {
    return h.api()
        .put(
            "/api/connections/" + connection.path("id").asString() + "/accounts",
            "{\"accounts\":[" + account + "]}")
        .status();
  }

  protected static String toCurrent(Household h, JsonNode connection, String startOn) {
    return "{\"connectedId\":\"%s\",\"accountId\":\"%s\",\"startOn\":\"%s\"}"
        .formatted(account(connection, "4417").path("id").asString(), h.current().id(), startOn);
  }

  protected static JsonNode until(Household h, String number, String phase) throws Exception {
    for (int i = 0; i < 200; i++) {
      JsonNode account = account(only(h), number);
      if (account.path("phase").asString().equals(phase)) {
        return account;
      }
      Thread.sleep(100);
    }
    throw new AssertionError("not " + phase + ": " + only(h));
  }

  protected static void again(Household h) {
    String id = only(h).path("id").asString();
    assertEquals(h.api().post("/api/connections/" + id + "/sync", "").status(), 204);
  }

  protected static int waiting(Household h) {
    return h.api().get("/api/waiting-lines").json().path("count").asInt();
  }

  /** Lets days go by, at the banks and in the application. */
  protected void daysLater(int days) throws Exception {
    bank("/days", "application/x-www-form-urlencoded", "POST", "count=" + days);
    now = now.plus(Duration.ofDays(days));
  }
}
