package org.yewledger.app;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.testng.Assert.assertEquals;

import jakarta.servlet.http.Cookie;
import java.nio.charset.StandardCharsets;
import org.springframework.http.HttpMethod;
import org.springframework.http.MediaType;
import org.yewledger.app.platform.Ids;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** What people do at the door: they sign in, invite and join. */
public abstract class PeopleSteps extends AppTest {
  private static final JsonMapper JSON = JsonMapper.builder().build();

  /** An answer of the API as a browser gets it. */
  protected record Reply(int status, JsonNode json, Cookie session) {
    String problem() {
      return json.path("type").asString("").replace("urn:yew:problem:", "");
    }
  }

  protected Reply send(HttpMethod method, String path, String body, Cookie session)
      throws Exception {
    var request =
        Api.plain(method, path)
            .with(csrf().asHeader())
            .contentType(MediaType.APPLICATION_JSON)
            .content(body);
    if (session != null) {
      request.cookie(session);
    }
    var response = mvc.perform(request).andReturn().getResponse();
    String text = response.getContentAsString(StandardCharsets.UTF_8);
    return new Reply(
        response.getStatus(),
        text.isEmpty() ? JSON.missingNode() : JSON.readTree(text),
        response.getCookie("yew_session"));
  }

  protected Reply signIn(String email, String password, String code) throws Exception {
    String body =
        "{\"email\":\"%s\",\"password\":\"%s\",\"code\":\"%s\"}".formatted(email, password, code);
    return send(HttpMethod.POST, "/api/session", body, null);
  }

  protected static String invite(Household h, String email, String role) {
    Api.Answer made =
        h.api()
            .post(
                "/api/people/invitations",
                "{\"name\":\"Tobias\",\"email\":\"%s\",\"role\":\"%s\"}".formatted(email, role));
    assertEquals(made.status(), 201, made.json().toString());
    return made.json().path("path").asString().replace("/join/", "");
  }

  protected Reply join(String token, String password) throws Exception {
    return send(
        HttpMethod.POST,
        "/api/links/" + token,
        "{\"name\":\"Tobias\",\"password\":\"" + password + "\"}",
        null);
  }

  protected static String email() {
    return Ids.next() + "@aldercott.example";
  }
}
