package org.yewledger.app;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.authentication;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.request;
import static org.testng.Assert.assertEquals;

import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.UUID;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.http.HttpMethod;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.MvcResult;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockMultipartHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.RequestPostProcessor;
import org.yewledger.app.platform.SignedIn;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The HTTP API as one signed-in person calls it. */
public final class Api {
  private static final JsonMapper JSON = JsonMapper.builder().build();

  /** An answer; {@code json} is missing where there is no body. */
  public record Answer(int status, JsonNode json) {
    /** The stable end of a problem's type; empty if it is none. */
    public String problem() {
      return json.path("type").asString("").replace("urn:yew:problem:", "");
    }
  }

  private final MockMvc mvc;
  private final SignedIn person;

  Api(MockMvc mvc, SignedIn person) {
    this.mvc = mvc;
    this.person = person;
  }

  public Answer get(String path) {
    return perform(request(HttpMethod.GET, URI.create(path)));
  }

  /** A file that the application makes. */
  public byte[] file(String path) {
    try {
      var response =
          mvc.perform(plain(HttpMethod.GET, path).with(signedIn(person))).andReturn().getResponse();
      assertEquals(response.getStatus(), 200, response.getContentAsString(StandardCharsets.UTF_8));
      return response.getContentAsByteArray();
    } catch (Exception e) {
      throw new AssertionError(e);
    }
  }

  public Answer post(String path, String json) {
    return send(HttpMethod.POST, path, json);
  }

  public Answer put(String path, String json) {
    return send(HttpMethod.PUT, path, json);
  }

  public Answer delete(String path) {
    return perform(request(HttpMethod.DELETE, URI.create(path)));
  }

  /**
   * A window that listens to what is pushed; what it hears grows in the answer. A browser has its
   * session before; here the request begins one, and now and then the stream, which answers first,
   * has begun it already.
   */
  MvcResult listen() throws Exception {
    for (int again = 0; ; again++) {
      try {
        return mvc.perform(
                request(HttpMethod.GET, URI.create("/api/events")).with(signedIn(person)))
            .andReturn();
      } catch (DuplicateKeyException e) {
        if (again == 3) {
          throw e;
        }
      }
    }
  }

  /** Uploads a file with an optional layout; {@code path} may carry the other fields as a query. */
  public Answer upload(String path, String fileName, byte[] content, String layout) {
    MockMultipartHttpServletRequestBuilder builder = multipart(URI.create(path));
    builder.file(new MockMultipartFile("file", fileName, "application/octet-stream", content));
    if (layout != null) {
      builder.file(part("layout", layout));
    }
    return perform(builder);
  }

  /** Uploads a file with what is asked of it. */
  public Answer uploadAsked(String path, String fileName, byte[] content, String asked) {
    MockMultipartHttpServletRequestBuilder builder = multipart(URI.create(path));
    builder.file(new MockMultipartFile("file", fileName, "application/octet-stream", content));
    builder.file(part("asked", asked));
    return perform(builder);
  }

  /** Takes a file in for one account; the answer is that of its one batch. */
  public Answer takeIn(
      UUID account, String fileName, byte[] content, String layout, boolean makeStatement) {
    Answer answer =
        takeIn(
            "[{\"accountNumber\":\"\",\"accountId\":\"%s\",\"makeStatement\":%s}]"
                .formatted(account, makeStatement),
            fileName,
            content,
            layout);
    return answer.json().isArray() ? new Answer(answer.status(), answer.json().get(0)) : answer;
  }

  /** Takes a file in as chosen for each account number in it. */
  public Answer takeIn(String choices, String fileName, byte[] content, String layout) {
    MockMultipartHttpServletRequestBuilder builder = multipart(URI.create("/api/gather/batches"));
    builder.file(new MockMultipartFile("file", fileName, "application/octet-stream", content));
    builder.file(part("choices", choices));
    if (layout != null) {
      builder.file(part("layout", layout));
    }
    return perform(builder);
  }

  private static MockMultipartFile part(String name, String json) {
    return new MockMultipartFile(
        name, "", MediaType.APPLICATION_JSON_VALUE, json.getBytes(StandardCharsets.UTF_8));
  }

  private Answer send(HttpMethod method, String path, String json) {
    return perform(
        request(method, URI.create(path)).contentType(MediaType.APPLICATION_JSON).content(json));
  }

  private Answer perform(
      org.springframework.test.web.servlet.request.AbstractMockHttpServletRequestBuilder<?>
          builder) {
    try {
      var response =
          mvc.perform(builder.with(signedIn(person)).with(csrf().asHeader()))
              .andReturn()
              .getResponse();
      String body = response.getContentAsString(StandardCharsets.UTF_8);
      return new Answer(
          response.getStatus(), body.isEmpty() ? JSON.missingNode() : JSON.readTree(body));
    } catch (Exception e) {
      throw new AssertionError(e);
    }
  }

  static RequestPostProcessor signedIn(SignedIn person) {
    return authentication(
        UsernamePasswordAuthenticationToken.authenticated(person, null, List.of()));
  }

  static MockHttpServletRequestBuilder plain(HttpMethod method, String path) {
    return request(method, URI.create(path));
  }
}
