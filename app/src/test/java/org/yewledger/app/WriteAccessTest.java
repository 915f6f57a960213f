package org.yewledger.app;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yewledger.app.ApiOperations.Operation;
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
          "POST /api/rules/trial",
          "POST /api/rules/beginning",
          "POST /api/flows",
          "POST /api/books/{id}/chart-table/check",
          "POST /api/entry-sheet/preview",
          "POST /api/exports/preview");

  /** One's own password, sessions and households: a reader's too. */
  private static final String PERSONAL = "/api/session";

  private Household ours;
  private Household theirs;
  private ApiOperations api;

  @BeforeClass
  void foundTwo() {
    ours = found("ours");
    theirs = found("theirs");
    api = new ApiOperations(ours.api().get("/api/openapi").json());
  }

  @DataProvider
  Object[][] closedWrites() {
    return api.writes().stream()
        .filter(o -> !OPEN.contains(o.toString()))
        .map(o -> new Object[] {o})
        .toArray(Object[][]::new);
  }

  @Test
  public void theDocumentTellsOfAllOfThem() {
    Set<String> all = api.writes().stream().map(Operation::toString).collect(Collectors.toSet());
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
          "POST /api/data-package",
          "POST /api/session/tokens",
          "PUT /api/holidays",
          "DELETE /api/holidays",
          "PUT /api/session/formats",
          "PUT /api/journal/columns",
          "POST /api/journal/views",
          "POST /api/kept-reports",
          "PUT /api/session/keys",
          "POST /api/flows",
          "POST /api/books",
          "POST /api/connections",
          "POST /api/rates",
          "DELETE /api/rates",
          "POST /api/rates/import",
          "POST /api/securities",
          "POST /api/prices/import",
          "PUT /api/household",
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
        || api.example(api.body(o), UUID.randomUUID(), 0).contains("-7000-")
        || hasUuid(api.body(o), 0)
        || hasUuid(api.parts(o), 0);
  }

  private boolean hasUuid(JsonNode schema, int depth) {
    JsonNode s = api.resolved(schema);
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
    String query = api.query(o, id);
    JsonNode body = api.body(o);
    var uri = java.net.URI.create(path + query);
    var request =
        o.node().path("requestBody").path("content").has("multipart/form-data")
            ? multipart(o, uri, id)
            : MockMvcRequestBuilders.request(o.method(), uri)
                .contentType(MediaType.APPLICATION_JSON)
                .content(api.example(body, id, 0));
    if (person != null) {
      request.with(Api.signedIn(person));
    }
    return mvc.perform(request.with(csrf().asHeader())).andReturn().getResponse().getStatus();
  }

  private org.springframework.test.web.servlet.request.MockMultipartHttpServletRequestBuilder
      multipart(Operation o, java.net.URI uri, UUID id) {
    // What an address takes is looked at first by some; that must not be what refuses it.
    MockMultipartFile file =
        o.path().equals("/api/attachments")
            ? new MockMultipartFile("file", "a.pdf", "application/pdf", "%PDF-1.7".getBytes())
            : new MockMultipartFile("file", "a.ofx", "text/plain", september());
    var request = MockMvcRequestBuilders.multipart(o.method(), uri).file(file);
    JsonNode schema = api.parts(o);
    for (JsonNode required : schema.path("required")) {
      String name = required.asString();
      if (!name.equals("file")) {
        byte[] json = api.example(schema.path("properties").path(name), id, 0).getBytes();
        request.file(new MockMultipartFile(name, "", MediaType.APPLICATION_JSON_VALUE, json));
      }
    }
    return request;
  }
}
