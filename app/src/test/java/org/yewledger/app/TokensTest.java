package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.nio.charset.StandardCharsets;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpMethod;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.security.test.context.TestSecurityContextHolder;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import org.yewledger.app.platform.Role;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Programs that ask by tokens: what these open, for how long, how often, and each change once. */
public class TokensTest extends AppTest {
  private static final JsonMapper JSON = JsonMapper.builder().build();

  private Household h;

  @BeforeClass
  void foundOne() {
    h = found("programs");
  }

  private JsonNode made(Api by, String scope) {
    Api.Answer answer =
        by.post(
            "/api/session/tokens",
            "{\"name\":\"Spreadsheet\",\"scope\":\"%s\",\"lastDay\":\"%s\"}"
                .formatted(scope, java.time.LocalDate.now(java.time.ZoneOffset.UTC).plusDays(30)));
    assertEquals(answer.status(), 201, answer.toString());
    return answer.json();
  }

  private record Told(int status, String body, MockHttpServletResponse response) {
    private String problem() {
      return JSON.readTree(body).path("type").asString().replace("urn:yew:problem:", "");
    }
  }

  private Told ask(String token, HttpMethod method, String path, String body, @Nullable String key)
      throws Exception {
    MockHttpServletRequestBuilder request =
        MockMvcRequestBuilders.request(method, path)
            .header(HttpHeaders.AUTHORIZATION, "Bearer " + token)
            .contentType(MediaType.APPLICATION_JSON)
            .content(body);
    if (key != null) {
      request.header("Idempotency-Key", key);
    }
    // Nobody else is signed in on this thread.
    TestSecurityContextHolder.clearContext();
    MockHttpServletResponse response = mvc.perform(request).andReturn().getResponse();
    return new Told(
        response.getStatus(), response.getContentAsString(StandardCharsets.UTF_8), response);
  }

  private Told get(String token, String path) throws Exception {
    return ask(token, HttpMethod.GET, path, "", null);
  }

  private String entry(String payee) {
    return "{\"day\": \"4 9 2026\", \"payee\": \"%s\", \"amount\": \"10\", \"fromId\": \"%s\", \"toId\": \"%s\"}"
        .formatted(payee, h.current().id(), h.groceries().id());
  }

  private int entries(String payee) {
    return h.api().get("/api/entries?text=" + payee).json().path("entries").size();
  }

  @Test
  public void aTokenReadsOrKeepsBooksAndNothingElse() throws Exception {
    String reads = made(h.api(), "READ").path("token").asString();
    String keeps = made(h.api(), "KEEP_BOOKS").path("token").asString();
    assertEquals(get(reads, "/api/books").status(), 200);
    assertEquals(get(reads, "/api/books").body(), h.api().get("/api/books").json().toString());
    assertEquals(ask(reads, HttpMethod.POST, "/api/entries", entry("Reader"), null).status(), 403);
    Told kept = ask(keeps, HttpMethod.POST, "/api/entries", entry("Keeper"), null);
    assertEquals(kept.status(), 201, kept.body());
    assertEquals(entries("Reader"), 0);
    assertEquals(entries("Keeper"), 1);
    // Of people, and of owners.
    assertEquals(get(keeps, "/api/session/tokens").problem(), "not-for-programs");
    assertEquals(get(keeps, "/api/data-package").status(), 403);
    JsonNode act = h.api().get("/api/acts").json().at("/acts/0");
    assertTrue(
        act.path("fromWhere").asString().endsWith(", by the token Spreadsheet"), act.toString());
    assertFalse(h.api().get("/api/session/tokens").json().at("/0/lastUsedAt").isMissingNode());
  }

  @Test
  public void whatIsUnknownExpiredOrTakenBackOpensNothing() throws Exception {
    JsonNode made = made(h.api(), "READ");
    String token = made.path("token").asString();
    assertEquals(get("yew_nothing", "/api/books").problem(), "token-over");
    assertEquals(get(token, "/api/books").status(), 200);
    assertEquals(h.api().delete("/api/session/tokens/" + made.path("id").asString()).status(), 204);
    assertEquals(get(token, "/api/books").problem(), "token-over");
    assertEquals(get(token, "/api/books").status(), 401);
    String expired = made(h.api(), "READ").path("token").asString();
    founding.as(
        h.owner(),
        () ->
            entities
                .createNativeQuery(
                    "update api_token set made_at = now() - interval '2 days', expires_at = now() - interval '1 day'"
                        + " where token_hash = :hash")
                .setParameter("hash", org.yewledger.app.platform.Secrets.hashOf(expired))
                .executeUpdate());
    assertEquals(get(expired, "/api/books").problem(), "token-over");
  }

  @Test
  public void aTokenMayNoMoreThanItsPersonAndIsTheirs() throws Exception {
    var reader = new Api(mvc, as(h, Role.READER));
    Api.Answer beyond =
        reader.post(
            "/api/session/tokens",
            "{\"name\":\"x\",\"scope\":\"KEEP_BOOKS\",\"lastDay\":\"2027-01-01\"}");
    assertEquals(beyond.problem(), "token-beyond-role");
    JsonNode own = made(reader, "READ");
    assertEquals(get(own.path("token").asString(), "/api/books").status(), 200);
    assertEquals(reader.get("/api/session/tokens").json().size(), 1);
    JsonNode owners = made(h.api(), "READ");
    assertEquals(
        reader.delete("/api/session/tokens/" + owners.path("id").asString()).status(), 404);
    // An owner ends those of others.
    assertEquals(h.api().delete("/api/session/tokens/" + own.path("id").asString()).status(), 204);
    String body = "{\"name\":\" \",\"scope\":\"READ\",\"lastDay\":\"%s\"}";
    assertEquals(
        h.api().post("/api/session/tokens", body.formatted("2027-01-01")).problem(),
        "token-unnamed");
    assertEquals(
        h.api()
            .post("/api/session/tokens", body.replace("\" \"", "\"x\"").formatted("2020-01-01"))
            .problem(),
        "token-expiry");
  }

  @Test
  public void aTokenMayAskSoOftenAMinute() throws Exception {
    String token = made(h.api(), "READ").path("token").asString();
    Told told = get(token, "/api/tags");
    for (int i = 0; i < 700 && told.status() == 200; i++) {
      told = get(token, "/api/tags");
    }
    assertEquals(told.problem(), "too-many-requests");
    assertEquals(told.status(), 429);
    assertTrue(Integer.parseInt(told.response().getHeader(HttpHeaders.RETRY_AFTER)) >= 1);
  }

  @Test
  public void aChangeWithAKeyIsCarriedOutOnce() throws Exception {
    String token = made(h.api(), "KEEP_BOOKS").path("token").asString();
    Told first = ask(token, HttpMethod.POST, "/api/entries", entry("Onceonly"), "k-1");
    assertEquals(first.status(), 201, first.body());
    Told again = ask(token, HttpMethod.POST, "/api/entries", entry("Onceonly"), "k-1");
    assertEquals(again.status(), 201);
    assertEquals(again.body(), first.body());
    assertEquals(again.response().getHeader("Idempotency-Replayed"), "true");
    assertEquals(entries("Onceonly"), 1);
    Told other = ask(token, HttpMethod.POST, "/api/entries", entry("Another"), "k-1");
    assertEquals(other.problem(), "idempotency-key-used");
    assertEquals(entries("Another"), 0);
    assertEquals(
        ask(token, HttpMethod.POST, "/api/entries", entry("x"), " ").problem(),
        "idempotency-key-bad");
    // What is refused changed nothing, and may be asked again.
    String wrong = entry("Refused").replace("\"10\"", "\"ten\"");
    assertEquals(ask(token, HttpMethod.POST, "/api/entries", wrong, "k-2").status(), 422);
    assertEquals(
        ask(token, HttpMethod.POST, "/api/entries", entry("Refused"), "k-2").status(), 201);
  }

  /** Asked twice at the same time, or after an answer that was lost. */
  @Test
  public void ofTwoAtOnceOneIsCarriedOut() throws Exception {
    String token = made(h.api(), "KEEP_BOOKS").path("token").asString();
    Callable<Told> asked =
        () -> ask(token, HttpMethod.POST, "/api/entries", entry("Atonce"), "k-3");
    try (var pool = java.util.concurrent.Executors.newFixedThreadPool(4)) {
      for (var told : pool.invokeAll(java.util.Collections.nCopies(4, asked))) {
        int status = told.get().status();
        assertTrue(status == 201 || status == 409, told.get().body());
      }
    }
    assertEquals(entries("Atonce"), 1);
    founding.as(
        h.owner(),
        () ->
            entities
                .createNativeQuery(
                    "update idempotency_key set status = null, body = null where key = 'k-3'")
                .executeUpdate());
    assertEquals(asked.call().problem(), "request-done");
    assertEquals(entries("Atonce"), 1);
  }
}
