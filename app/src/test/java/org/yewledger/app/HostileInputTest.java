package org.yewledger.app;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.net.URI;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Consumer;
import org.springframework.http.HttpMethod;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yewledger.app.ApiOperations.Operation;
import org.yewledger.app.platform.Ids;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * Walks the OpenAPI document with what nobody sends by mistake: wrong types, nulls, extremes and
 * lengths, at every parameter and every member of every body. No answer is an error of the server,
 * and none takes long.
 */
public class HostileInputTest extends AppTest {
  private static final JsonMapper JSON = JsonMapper.builder().build();
  private static final JsonNodeFactory NODES = JsonNodeFactory.instance;
  private static final Duration LONG = Duration.ofSeconds(5);

  private static final List<JsonNode> HOSTILE =
      List.of(
          NODES.nullNode(),
          NODES.stringNode(""),
          NODES.stringNode(" "),
          NODES.stringNode("x\u0000y"),
          NODES.stringNode("a".repeat(5_000)),
          NODES.stringNode("a".repeat(30_000)),
          NODES.stringNode("1E+100000000"),
          NODES.stringNode("-999999999999999999999999"),
          NODES.stringNode("999999999-01-01"),
          NODES.stringNode("-0001-12-31"),
          NODES.stringNode("0000-01"),
          NODES.stringNode("\uD800"),
          NODES.stringNode("%"),
          NODES.stringNode("00000000-0000-0000-0000-000000000000"),
          NODES.numberNode(Long.MIN_VALUE),
          NODES.numberNode(new java.math.BigDecimal("1E+30")),
          NODES.numberNode(1.5),
          NODES.booleanNode(true),
          NODES.arrayNode(),
          NODES.arrayNode().addNull(),
          NODES.objectNode());

  private Household h;
  private ApiOperations api;

  @BeforeClass
  void found() {
    h = found("hostile");
    gather(h, september());
    api = new ApiOperations(h.api().get("/api/openapi").json());
  }

  @DataProvider
  Object[][] operations() {
    return api.all().stream().map(o -> new Object[] {o}).toArray(Object[][]::new);
  }

  @Test
  public void theWalkIsLong() {
    assertTrue(api.all().size() > 90, "" + api.all().size());
  }

  @Test(dataProvider = "operations")
  public void nothingThatIsSentIsAnErrorOfTheServer(Operation o) throws Exception {
    if (o.path().startsWith("/api/session") || o.path().equals("/api/founding")) {
      // Counted as guesses; these have tests of their own below.
      return;
    }
    var wrong = new ArrayList<String>();
    for (JsonNode value : HOSTILE) {
      for (String address : addresses(o, value)) {
        send(o, address, bodyOf(o).toString(), wrong);
      }
      for (JsonNode body : bodies(o, value)) {
        send(o, plain(o), body.toString(), wrong);
      }
    }
    assertTrue(wrong.isEmpty(), String.join("\n", wrong));
  }

  private void send(Operation o, String address, String body, List<String> wrong) throws Exception {
    long begun = System.nanoTime();
    var request =
        isForm(o)
            ? form(o, address, body)
            : MockMvcRequestBuilders.request(o.method(), URI.create(address))
                .contentType(MediaType.APPLICATION_JSON)
                .content(body);
    String said;
    try {
      var answer =
          mvc.perform(request.with(Api.signedIn(h.owner())).with(csrf().asHeader()))
              .andReturn()
              .getResponse();
      // No bank runs here, and that one cannot be reached is the right answer.
      boolean wrongAnswer =
          answer.getStatus() >= 500
              && !(answer.getStatus() == 502
                  && address.matches("/api/(institutions|connections).*"));
      said = wrongAnswer ? answer.getStatus() + "" : "";
    } catch (org.springframework.security.web.firewall.RequestRejectedException refused) {
      said = "";
    }
    Duration took = Duration.ofNanos(System.nanoTime() - begun);
    if (!said.isEmpty() || took.compareTo(LONG) > 0) {
      wrong.add(
          "%s %s %s: %s, %d ms"
              .formatted(o.method(), shortened(address), shortened(body), said, took.toMillis()));
    }
  }

  private static String shortened(String text) {
    return text.length() > 160 ? text.substring(0, 160) + "…" : text;
  }

  private static boolean isForm(Operation o) {
    return o.node().path("requestBody").path("content").has("multipart/form-data");
  }

  private org.springframework.test.web.servlet.request.AbstractMockHttpServletRequestBuilder<?>
      form(Operation o, String address, String body) {
    var request =
        MockMvcRequestBuilders.multipart(o.method(), URI.create(address))
            .file(new MockMultipartFile("file", "a.ofx", "text/plain", september()));
    for (Map.Entry<String, JsonNode> part : JSON.readTree(body).properties()) {
      if (!part.getKey().equals("file")) {
        request.file(
            new MockMultipartFile(
                part.getKey(),
                "",
                MediaType.APPLICATION_JSON_VALUE,
                part.getValue().toString().getBytes(StandardCharsets.UTF_8)));
      }
    }
    return request;
  }

  private JsonNode bodyOf(Operation o) {
    JsonNode schema = isForm(o) ? ApiOperations.parts(o) : ApiOperations.body(o);
    return JSON.readTree(api.example(schema, h.current().id(), 0));
  }

  private String plain(Operation o) {
    return o.path().replaceAll("\\{[a-z]+}", Ids.next().toString())
        + ApiOperations.query(o, h.current().id());
  }

  /** The address with one of its parameters replaced, in the path or in the query. */
  private List<String> addresses(Operation o, JsonNode value) {
    String text = URLEncoder.encode(value.asString(value.toString()), StandardCharsets.UTF_8);
    var all = new ArrayList<String>();
    if (o.path().contains("{")) {
      String path = text.isEmpty() || text.equals("+") ? "%20" : text;
      all.add(
          o.path().replaceAll("\\{[a-z]+}", java.util.regex.Matcher.quoteReplacement(path))
              + ApiOperations.query(o, h.current().id()));
    }
    for (JsonNode p : o.node().path("parameters").values()) {
      if (p.path("in").asString().equals("query")) {
        String name = p.path("name").asString();
        String query = ApiOperations.query(o, h.current().id());
        all.add(
            o.path().replaceAll("\\{[a-z]+}", h.current().id().toString())
                + query.replaceAll(
                    "([?&]" + name + "=)[^&]*",
                    "$1" + java.util.regex.Matcher.quoteReplacement(text)));
      }
    }
    return all;
  }

  /** The body with one of its members replaced, wherever it stands in it. */
  private List<JsonNode> bodies(Operation o, JsonNode value) {
    JsonNode body = bodyOf(o);
    var all = new ArrayList<JsonNode>();
    all.add(value);
    replaceEach(body, value, replaced -> all.add(JSON.readTree(body.toString())));
    return isForm(o) ? all.stream().filter(JsonNode::isObject).toList() : all;
  }

  private static void replaceEach(JsonNode node, JsonNode value, Consumer<JsonNode> told) {
    if (node instanceof ObjectNode object) {
      for (String name : List.copyOf(object.propertyNames())) {
        JsonNode was = object.get(name);
        object.set(name, value);
        told.accept(object);
        object.set(name, was);
        replaceEach(was, value, told);
      }
    } else if (node instanceof ArrayNode array && !array.isEmpty()) {
      JsonNode was = array.get(0);
      array.set(0, value);
      told.accept(array);
      array.set(0, was);
      replaceEach(was, value, told);
    }
  }

  @Test
  public void amountsOfManyDigitsAreRefusedAtOnceWithTheField() {
    long begun = System.nanoTime();
    Api.Answer answer =
        h.api()
            .post(
                "/api/statements",
                "{\"accountId\":\"%s\",\"closesOn\":\"2026-09-30\",\"closing\":\"1E+100000000\"}"
                    .formatted(h.current().id()));
    assertEquals(answer.status(), 400);
    assertEquals(answer.json().path("field").asString(), "closing");
    assertTrue(System.nanoTime() - begun < LONG.toNanos());
  }

  @Test
  public void strangersSendLittle() throws Exception {
    for (String path :
        List.of("/api/session", "/api/founding", "/api/links/" + UUID.randomUUID())) {
      String body = "{\"email\":\"" + "a".repeat(100_000) + "\"}";
      var answer =
          mvc.perform(
                  Api.plain(HttpMethod.POST, path)
                      .with(csrf().asHeader())
                      .contentType(MediaType.APPLICATION_JSON)
                      .content(body))
              .andReturn()
              .getResponse();
      assertEquals(answer.getStatus(), 413, path);
    }
  }
}
