package org.yewledger.app;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNotNull;
import static org.testng.Assert.assertTrue;

import jakarta.servlet.http.Cookie;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;
import org.springframework.http.MediaType;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.testng.annotations.Test;
import org.yewledger.app.household.TotpCodes;
import org.yewledger.app.platform.Secrets;
import tools.jackson.databind.JsonNode;

/** Passwords and second factors: who guesses is slowed and learns nothing. */
public class PasswordsTest extends PeopleSteps {
  @Autowired private JdbcClient jdbc;
  @Autowired private Secrets secrets;

  @Test
  public void aNewRoleOrANewPasswordEndsTheSessions() throws Exception {
    Household h = found("ends");
    String email = email();
    join(invite(h, email, "READER"), "alder vale music");
    Reply session = signIn(email, "alder vale music", "");
    String person = session.json().path("personId").asString();
    h.api().put("/api/people/" + person + "/role", "{\"role\":\"BOOKKEEPER\"}");
    assertEquals(send(HttpMethod.GET, "/api/session", "", session.session()).status(), 401);
    Reply again = signIn(email, "alder vale music", "");
    assertEquals(again.json().path("role").asString(), "BOOKKEEPER");
    Api.Answer link = h.api().post("/api/people/" + person + "/new-password-link", "");
    String token = link.json().path("path").asString().replace("/join/", "");
    assertEquals(join(token, "orchard dental bill").status(), 204);
    assertEquals(send(HttpMethod.GET, "/api/session", "", again.session()).status(), 401);
    assertEquals(signIn(email, "alder vale music", "").problem(), "sign-in-failed");
    assertEquals(signIn(email, "orchard dental bill", "").status(), 200);
  }

  @Test
  public void onesOwnPasswordNeedsTheOldOneAndSignsOutElsewhere() throws Exception {
    Household h = found("own");
    Reply here = signIn(h.owner().email(), "secret words", "");
    Reply there = signIn(h.owner().email(), "secret words", "");
    String wrong = "{\"current\":\"guess\",\"password\":\"orchard dental bill\"}";
    assertEquals(
        send(HttpMethod.PUT, "/api/session/password", wrong, here.session()).problem(),
        "password-not-right");
    String right = wrong.replace("guess", "secret words");
    assertEquals(
        send(HttpMethod.PUT, "/api/session/password", right, here.session()).status(), 204);
    assertEquals(send(HttpMethod.GET, "/api/session", "", there.session()).status(), 401);
    assertEquals(send(HttpMethod.GET, "/api/session", "", here.session()).status(), 200);
  }

  @Test
  public void aSecondFactorIsAskedForAndEachCodeWorksOnce() throws Exception {
    Household h = found("factor");
    String email = h.owner().email();
    Cookie session = signIn(email, "secret words", "").session();
    assertNotNull(session);
    String path = "/api/session/second-factor";
    JsonNode made = send(HttpMethod.POST, path + "/secret", "", session).json();
    String secret = made.path("secret").asString();
    assertTrue(made.path("uri").asString().startsWith("otpauth://totp/"), made.toString());
    String on = "{\"secret\":\"%s\",\"code\":\"%s\"}";
    assertEquals(
        send(HttpMethod.POST, path, on.formatted(secret, "000000"), session).problem(),
        "second-factor-failed");
    Reply turned =
        send(HttpMethod.POST, path, on.formatted(secret, TotpCodes.before(secret)), session);
    assertEquals(turned.json().path("codes").size(), 10, turned.json().toString());

    assertEquals(signIn(email, "secret words", "").problem(), "second-factor-needed");
    String code = TotpCodes.now(secret);
    assertEquals(signIn(email, "secret words", code).status(), 200);
    assertEquals(signIn(email, "secret words", code).problem(), "second-factor-failed");
    String recovery = turned.json().at("/codes/0").asString();
    assertEquals(signIn(email, "secret words", recovery).status(), 200);
    assertEquals(signIn(email, "secret words", recovery).problem(), "second-factor-failed");
    String kept =
        founding.as(
            h.owner(),
            () ->
                jdbc.sql("select totp_secret from person where id = ?")
                    .param(h.owner().personId())
                    .query(String.class)
                    .single());
    assertTrue(!kept.contains(secret));
    assertEquals(secrets.decrypt(kept), secret);
    assertEquals(
        send(HttpMethod.POST, path + "/off", "{\"current\":\"guess\"}", session).problem(),
        "password-not-right");
    assertEquals(
        send(HttpMethod.POST, path + "/off", "{\"current\":\"secret words\"}", session).status(),
        204);
    assertEquals(signIn(email, "secret words", "").status(), 200);
  }

  @Test
  public void aStrangerIsNotToldWhetherAnAddressIsKnown() throws Exception {
    String email = email();
    String body =
        "{\"householdName\":\"Ellery\",\"name\":\"Tobias\",\"email\":\"%s\",\"password\":\"marram council pay\"}"
            .formatted(email);
    assertEquals(send(HttpMethod.POST, "/api/founding", body, null).status(), 204);
    String strangers =
        body.replace("marram council pay", "harrow hardware").replace("Ellery", "Not Ellery");
    assertEquals(send(HttpMethod.POST, "/api/founding", strangers, null).status(), 204);
    assertEquals(
        signIn(email, "marram council pay", "").json().path("householdName").asString(), "Ellery");
    assertEquals(
        signIn(email, "harrow hardware", "").json().path("householdName").asString(), "Not Ellery");
    Household h = found("invites");
    assertEquals(join(invite(h, email, "READER"), "kerrow garage").status(), 204);
    assertEquals(
        signIn(email, "kerrow garage", "").json().path("householdName").asString(), "invites");
    // Being right about oneself now and then gives no more guesses at another.
    for (int guess = 0; guess < 5; guess++) {
      signIn(email, "a guess " + guess, "");
      assertEquals(signIn(email, "harrow hardware", "").status(), 200, "guess " + guess);
    }
    assertEquals(signIn(email, "marram council pay", "").problem(), "sign-in-paused");
  }

  @Test
  public void aNewPasswordLinkOpensNoHouseholdThatWasJoinedSince() throws Exception {
    Household first = found("links");
    Household second = found("joins");
    String email = email();
    join(invite(first, email, "READER"), "alder vale music");
    String person = signIn(email, "alder vale music", "").json().path("personId").asString();
    String link =
        first
            .api()
            .post("/api/people/" + person + "/new-password-link", "")
            .json()
            .path("path")
            .asString()
            .replace("/join/", "");
    join(invite(second, email, "READER"), "alder vale music");
    assertEquals(join(link, "a stolen password").problem(), "link-over");
    assertEquals(signIn(email, "alder vale music", "").status(), 200);
  }

  @Test
  public void fortyGuessesAtOnceAreNotAllChecked() throws Exception {
    Household h = found("guessed");
    var checked = new java.util.concurrent.atomic.AtomicInteger();
    Runnable guess =
        () -> {
          try {
            if (guess(h.owner().email(), "10.9.9.9").contains("sign-in-failed")) {
              checked.incrementAndGet();
            }
          } catch (Exception e) {
            throw new IllegalStateException(e);
          }
        };
    AtOnce.run(java.util.Collections.nCopies(40, guess).toArray(Runnable[]::new));
    assertTrue(checked.get() <= 6, checked + " guesses were checked");
    String dotted = h.owner().email().replace("i", "\u0130");
    assertEquals(signIn(h.owner().email(), "secret words", "").problem(), "sign-in-paused");
    assertTrue(!signIn(dotted, "secret words", "").problem().isEmpty());
  }

  private String guess(String email, String address) throws Exception {
    return mvc.perform(
            Api.plain(HttpMethod.POST, "/api/session")
                .with(csrf().asHeader())
                .with(request -> {
                  request.setRemoteAddr(address);
                  return request;
                })
                .contentType(MediaType.APPLICATION_JSON)
                .content("{\"email\":\"%s\",\"password\":\"guess\"}".formatted(email)))
        .andReturn()
        .getResponse()
        .getContentAsString();
  }

  @Test
  public void guessingOnesWayToAnotherPasswordIsSlowedToo() throws Exception {
    Household h = found("stolen");
    Cookie session = signIn(h.owner().email(), "secret words", "").session();
    String body = "{\"current\":\"guess\",\"password\":\"a stolen password\"}";
    String last = "";
    for (int i = 0; i < 7; i++) {
      last = send(HttpMethod.PUT, "/api/session/password", body, session).problem();
    }
    assertEquals(last, "sign-in-paused");
  }
}
