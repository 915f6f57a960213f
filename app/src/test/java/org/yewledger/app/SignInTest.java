package org.yewledger.app;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNotNull;
import static org.testng.Assert.assertTrue;

import org.springframework.http.HttpMethod;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import org.testng.annotations.Test;

public class SignInTest extends AppTest {
  private MockHttpServletResponse signIn(String email, String password, String address)
      throws Exception {
    return mvc.perform(
            Api.plain(HttpMethod.POST, "/api/session")
                .with(csrf().asHeader())
                .with(request -> {
                  request.setRemoteAddr(address);
                  return request;
                })
                .contentType(MediaType.APPLICATION_JSON)
                .content("{\"email\":\"%s\",\"password\":\"%s\"}".formatted(email, password)))
        .andReturn()
        .getResponse();
  }

  @Test
  public void theRightPasswordOpensASessionThatSaysWhoItIs() throws Exception {
    Household h = found("right");
    MockHttpServletResponse answer =
        signIn(h.owner().email().toUpperCase(), "secret words", "10.0.0.1");
    assertEquals(answer.getStatus(), 200);
    assertTrue(answer.getContentAsString().contains("\"right\""));
    var cookie = answer.getCookie("yew_session");
    assertNotNull(cookie);
    assertTrue(cookie.isHttpOnly());
    assertEquals(cookie.getAttribute("SameSite"), "Strict");
    var session =
        mvc.perform(Api.plain(HttpMethod.GET, "/api/books").cookie(cookie))
            .andReturn()
            .getResponse();
    assertEquals(session.getStatus(), 200);
    assertTrue(session.getContentAsString().contains("Household"));
  }

  @Test
  public void wrongPasswordsAndUnknownEmailsSoundTheSame() throws Exception {
    Household h = found("wrong");
    String wrong = signIn(h.owner().email(), "guess", "10.0.0.2").getContentAsString();
    String unknown = signIn("nobody@nowhere.example", "guess", "10.0.0.3").getContentAsString();
    assertEquals(wrong, unknown);
    assertTrue(wrong.contains("sign-in-failed"));
  }

  @Test
  public void afterFiveFailuresEvenTheRightPasswordHasToWait() throws Exception {
    Household h = found("slow");
    for (int i = 0; i < 5; i++) {
      signIn(h.owner().email(), "guess " + i, "10.0.1." + i);
    }
    assertTrue(
        signIn(h.owner().email(), "secret words", "10.0.1.99")
            .getContentAsString()
            .contains("sign-in-paused"));
  }

  @Test
  public void guessingManyEmailsFromOneAddressIsSlowedToo() throws Exception {
    // One try comes back every half a minute: on a slow machine it takes some more of them.
    int tries = 0;
    while (tries < 80
        && !signIn("guess%d@nowhere.example".formatted(tries), "guess", "10.0.2.1")
            .getContentAsString()
            .contains("sign-in-paused")) {
      tries++;
    }
    assertTrue(tries >= 40 && tries < 80, tries + " tries");
  }

  @Test
  public void withoutASessionNothingIsToldAndWithoutATokenNothingIsTaken() throws Exception {
    assertEquals(
        mvc.perform(Api.plain(HttpMethod.GET, "/api/books")).andReturn().getResponse().getStatus(),
        401);
    assertEquals(
        mvc.perform(Api.plain(HttpMethod.GET, "/api/openapi"))
            .andReturn()
            .getResponse()
            .getStatus(),
        401);
    var untokened =
        mvc.perform(
                Api.plain(HttpMethod.POST, "/api/session")
                    .contentType(MediaType.APPLICATION_JSON)
                    .content("{}"))
            .andReturn()
            .getResponse();
    assertEquals(untokened.getStatus(), 403);
  }

  @Test
  public void everyAnswerCarriesAStrictContentPolicy() throws Exception {
    String policy =
        mvc.perform(Api.plain(HttpMethod.GET, "/api/session"))
            .andReturn()
            .getResponse()
            .getHeader("Content-Security-Policy");
    assertNotNull(policy);
    assertTrue(policy.contains("default-src 'none'") && !policy.contains("unsafe"), policy);
  }
}
