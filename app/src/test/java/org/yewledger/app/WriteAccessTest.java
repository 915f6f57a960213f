package org.yewledger.app;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.http.HttpMethod;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yewledger.app.platform.Ids;
import org.yewledger.app.platform.Role;
import org.yewledger.app.platform.SignedIn;
import tools.jackson.databind.JsonNode;

/**
 * Walks the OpenAPI document: whatever is written there that changes something is closed to who is
 * not signed in, to readers, and to other households. A new address is covered by being there.
 */
public class WriteAccessTest extends AppTest {
  /** For who is not signed in yet: these let people in. */
  private static final Set<String> OPEN =
      Set.of(
          "POST /api/session",
          "DELETE /api/session",
          "POST /api/founding",
          "POST /api/links/{token}");

  /** Ask with a body and change nothing: who may read may ask. */
  private static final Set<String> PREVIEWS =
      Set.of(
          "POST /api/waiting-lines/{id}/preview",
          "POST /api/opening-balances/preview",
          "POST /api/transfers/preview",
          "POST /api/gather/preview",
          "POST /api/rules/reach",
          "POST /api/books/{id}/chart-table/check");

  /** One's own password, sessions and households: a reader's too. */
  private static final String PERSONAL = "/api/session";

  private record Operation(HttpMethod method, String path, JsonNode node) {
    @Override
    public String toString() {
      return method + " " + path;
    }
  }

  private Household ours;
  private Household theirs;
  private JsonNode document;

  @BeforeClass
  void foundTwo() {
    ours = found("ours");
    theirs = found("theirs");
    document = ours.api().get("/api/openapi").json();
  }

  private List<Operation> writes() {
    var writes = new ArrayList<Operation>();
    Set<String> verbs = Set.of("post", "put", "delete", "patch");
    for (Map.Entry<String, JsonNode> path : document.path("paths").properties()) {
      for (Map.Entry<String, JsonNode> verb : path.getValue().properties()) {
        if (verbs.contains(verb.getKey())) {
          HttpMethod method = HttpMethod.valueOf(verb.getKey().toUpperCase());
          writes.add(new Operation(method, path.getKey(), verb.getValue()));
        }
      }
    }
    return writes;
  }

  @DataProvider
  Object[][] closedWrites() {
    return writes().stream()
        .filter(o -> !OPEN.contains(o.toString()))
        .map(o -> new Object[] {o})
        .toArray(Object[][]::new);
  }

  @Test
  public void theDocumentTellsOfAllOfThem() {
    Set<String> all = writes().stream().map(Operation::toString).collect(Collectors.toSet());
    assertTrue(all.size() > 50, "" + all.size());
    assertTrue(all.containsAll(OPEN), "" + all);
    assertTrue(all.containsAll(PREVIEWS), "" + all);
  }

  @Test(dataProvider = "closedWrites")
  public void nobodyWithoutASession(Operation o) throws Exception {
    assertEquals(send(o, null, Ids.next()), 401);
  }

  @Test(dataProvider = "closedWrites")
  public void noReader(Operation o) throws Exception {
    SignedIn reader = as(ours, Role.READER);
    int status = send(o, reader, ours.current().id());
    if (o.path().startsWith(PERSONAL) || PREVIEWS.contains(o.toString())) {
      assertTrue(status != 403, o + ": " + status);
    } else {
      assertEquals(status, 403);
    }
  }

  /** Every identity in path and body is one of the other household. */
  @Test(dataProvider = "closedWrites")
  public void noOtherHousehold(Operation o) throws Exception {
    List<UUID> foreign =
        List.of(theirs.current().id(), theirs.current().bookId(), theirs.owner().personId());
    if (!namesAnything(o)) {
      assertTrue(
          OWN_HOUSEHOLD_ONLY.contains(o.toString()),
          o + " names nothing by identity; say so here if it only touches its own household");
      return;
    }
    for (UUID id : foreign) {
      assertEquals(send(o, ours.owner(), id), 404, id.toString());
    }
  }

  /** Addresses without any identity: what they change follows from the session alone. */
  private static final Set<String> OWN_HOUSEHOLD_ONLY =
      Set.of(
          "POST /api/books",
          "POST /api/connections",
          "POST /api/rates",
          "DELETE /api/rates",
          "POST /api/rates/import",
          "PUT /api/setup",
          "POST /api/setup/open",
          "POST /api/people/invitations",
          "DELETE /api/session/elsewhere",
          "POST /api/session/households",
          "PUT /api/session/password",
          "POST /api/session/second-factor",
          "POST /api/session/second-factor/off",
          "POST /api/session/second-factor/secret");

  private boolean namesAnything(Operation o) {
    return o.node().toString().contains("\"uuid\"")
        || example(body(o), UUID.randomUUID(), 0).contains("-7000-")
        || hasUuid(body(o), 0)
        || hasUuid(parts(o), 0);
  }

  private boolean hasUuid(JsonNode schema, int depth) {
    JsonNode s = resolved(schema);
    if (depth > 6) {
      return false;
    }
    if (s.path("format").asString("").equals("uuid")) {
      return true;
    }
    if (s.has("items") && hasUuid(s.path("items"), depth + 1)) {
      return true;
    }
    for (JsonNode property : s.path("properties").values()) {
      if (hasUuid(property, depth + 1)) {
        return true;
      }
    }
    return false;
  }

  private int send(Operation o, SignedIn person, UUID id) throws Exception {
    String path = o.path().replaceAll("\\{[a-z]+}", id.toString());
    String query = query(o, id);
    JsonNode body = body(o);
    var uri = java.net.URI.create(path + query);
    var request =
        o.node().path("requestBody").path("content").has("multipart/form-data")
            ? multipart(o, uri, id)
            : MockMvcRequestBuilders.request(o.method(), uri)
                .contentType(MediaType.APPLICATION_JSON)
                .content(example(body, id, 0));
    if (person != null) {
      request.with(Api.signedIn(person));
    }
    return mvc.perform(request.with(csrf())).andReturn().getResponse().getStatus();
  }

  private org.springframework.test.web.servlet.request.MockMultipartHttpServletRequestBuilder
      multipart(Operation o, java.net.URI uri, UUID id) {
    var request =
        MockMvcRequestBuilders.multipart(o.method(), uri)
            .file(new MockMultipartFile("file", "a.ofx", "text/plain", september()));
    JsonNode schema = parts(o);
    for (JsonNode required : schema.path("required")) {
      String name = required.asString();
      if (!name.equals("file")) {
        byte[] json = example(schema.path("properties").path(name), id, 0).getBytes();
        request.file(new MockMultipartFile(name, "", MediaType.APPLICATION_JSON_VALUE, json));
      }
    }
    return request;
  }

  private static JsonNode parts(Operation o) {
    return o.node().path("requestBody").path("content").path("multipart/form-data").path("schema");
  }

  private static String query(Operation o, UUID id) {
    var query = new StringBuilder();
    for (JsonNode p : o.node().path("parameters").values()) {
      if (p.path("in").asString().equals("query")) {
        String format = p.at("/schema/format").asString("");
        String type = p.at("/schema/type").asString("");
        String value =
            format.equals("uuid")
                ? id.toString()
                : format.equals("date")
                    ? "2026-09-30"
                    : type.equals("integer") ? "0" : type.equals("boolean") ? "true" : "USD";
        query.append(query.isEmpty() ? '?' : '&').append(p.path("name").asString());
        query.append('=').append(value);
      }
    }
    return query.toString();
  }

  private static JsonNode body(Operation o) {
    return o.node().path("requestBody").path("content").path("application/json").path("schema");
  }

  private JsonNode resolved(JsonNode schema) {
    String ref = schema.path("$ref").asString("");
    return ref.isEmpty()
        ? schema
        : document.path("components").path("schemas").path(ref.substring(ref.lastIndexOf('/') + 1));
  }

  /** A plausible value of a schema in which every identity is the given one. */
  private String example(JsonNode schema, UUID id, int depth) {
    JsonNode s = resolved(schema);
    if (s.has("enum")) {
      return "\"" + s.path("enum").get(0).asString() + "\"";
    }
    String format = s.path("format").asString("");
    return switch (s.path("type").asString("")) {
      case "object" ->
          depth > 6
              ? "{}"
              : s.path("properties").properties().stream()
                  .map(p -> "\"" + p.getKey() + "\":" + named(p.getKey(), p.getValue(), id, depth))
                  .collect(Collectors.joining(",", "{", "}"));
      case "array" -> "[" + example(s.path("items"), id, depth + 1) + "]";
      case "integer", "number" -> s.path("minimum").asString("0");
      case "boolean" -> "false";
      case "string" ->
          switch (format) {
            case "uuid" -> "\"" + id + "\"";
            case "date" -> "\"2026-09-30\"";
            case "time-local" -> "\"06:00\"";
            case "decimal" -> "\"12.50\"";
            default -> "\"Harbour\"";
          };
      default -> "{}";
    };
  }

  private String named(String name, JsonNode schema, UUID id, int depth) {
    if (name.equals("currency") || name.equals("to")) {
      return "\"EUR\"";
    }
    if (name.equals("from") && !resolved(schema).has("format")) {
      return "\"USD\"";
    }
    if (name.equals("zone")) {
      return "\"Europe/Amsterdam\"";
    }
    if (name.equals("email")) {
      return "\"someone@aldercott.example\"";
    }
    return example(schema, id, depth + 1);
  }
}
