package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.testng.annotations.Test;
import org.yewledger.app.platform.Ids;
import org.yewledger.app.platform.Role;
import tools.jackson.databind.JsonNode;

/** People, as they come and go through the real sign-in. */
public class PeopleTest extends PeopleSteps {
  @Autowired private JdbcClient jdbc;

  @Test
  public void anInvitationLetsSomebodyInOnceAsWhatItSays() throws Exception {
    Household h = found("invites");
    String email = email();
    String token = invite(h, email, "READER");
    assertEquals(join(token, "short").problem(), "password-too-short");
    assertEquals(join(token, "alder vale music").status(), 204);
    assertEquals(join(token, "alder vale music").problem(), "link-over");
    Reply session = signIn(email, "alder vale music", "");
    assertEquals(session.json().path("role").asString(), "READER");
    assertEquals(session.json().path("householdName").asString(), "invites");
    Reply refused = send(HttpMethod.POST, "/api/rates", "{}", session.session());
    assertEquals(refused.status(), 403);
    assertEquals(refused.problem(), "not-allowed");
    assertEquals(
        send(HttpMethod.GET, "/api/chart?on=2026-09-30", "", session.session()).status(), 200);
  }

  @Test
  public void anInvitationEndsAfterAWeekOrWhenItIsTakenBack() throws Exception {
    Household h = found("expires");
    String token = invite(h, email(), "BOOKKEEPER");
    founding.as(
        h.owner(),
        () -> jdbc.sql("update link set expires_at = now() - interval '1 minute'").update());
    assertEquals(join(token, "alder vale music").problem(), "link-over");
    String second = invite(h, email(), "BOOKKEEPER");
    String id = h.api().get("/api/people").json().at("/invitations/0/id").asString();
    assertEquals(h.api().delete("/api/people/invitations/" + id).status(), 204);
    assertEquals(join(second, "alder vale music").problem(), "link-over");
  }

  @Test
  public void whoIsKnownJoinsAnotherHouseholdAndSwitches() throws Exception {
    Household first = found("first");
    Household second = found("second");
    String email = email();
    join(invite(first, email, "BOOKKEEPER"), "alder vale music");
    String token = invite(second, email, "READER");
    assertEquals(join(token, "alder vale music").status(), 204);
    Reply session = signIn(email, "alder vale music", "");
    JsonNode households =
        send(HttpMethod.GET, "/api/session/households", "", session.session()).json();
    assertEquals(households.size(), 2);
    Reply there =
        send(
            HttpMethod.POST,
            "/api/session/household",
            "{\"householdId\":\"" + second.owner().householdId() + "\"}",
            session.session());
    assertEquals(there.json().path("householdName").asString(), "second");
    assertEquals(there.json().path("role").asString(), "READER");
    Reply elsewhere =
        send(
            HttpMethod.POST,
            "/api/session/household",
            "{\"householdId\":\"" + Ids.next() + "\"}",
            session.session());
    assertEquals(elsewhere.status(), 404);
    // Owners of one household must not get into the other by way of a new password.
    String person = there.json().path("personId").asString();
    assertEquals(
        first.api().post("/api/people/" + person + "/new-password-link", "").problem(),
        "belongs-elsewhere");
  }

  @Test
  public void theLastOwnerStaysOwner() {
    Household h = found("last");
    String me = "/api/people/" + h.owner().personId();
    assertEquals(h.api().put(me + "/role", "{\"role\":\"READER\"}").problem(), "last-owner");
    assertEquals(h.api().delete(me).problem(), "last-owner");
    Api bookkeeper = new Api(mvc, as(h, Role.BOOKKEEPER));
    assertEquals(bookkeeper.put(me + "/role", "{\"role\":\"READER\"}").status(), 403);
  }

  @Test
  public void aNewHouseholdIsBegunByItsFirstOwner() throws Exception {
    String email = email();
    String body =
        "{\"householdName\":\"Ellery\",\"name\":\"Tobias\",\"email\":\"%s\",\"password\":\"marram council pay\"}"
            .formatted(email);
    assertEquals(send(HttpMethod.POST, "/api/founding", body, null).status(), 204);
    Reply session = signIn(email, "marram council pay", "");
    assertEquals(session.json().path("role").asString(), "OWNER");
    Reply another =
        send(
            HttpMethod.POST,
            "/api/session/households",
            "{\"name\":\"The swim club\"}",
            session.session());
    assertEquals(another.json().path("householdName").asString(), "The swim club");
  }

  @Test
  public void whoIsRemovedIsGoneAtOnceAndCanBeginAnew() throws Exception {
    Household h = found("removes");
    String email = email();
    join(invite(h, email, "BOOKKEEPER"), "alder vale music");
    Reply session = signIn(email, "alder vale music", "");
    String person = session.json().path("personId").asString();
    assertEquals(h.api().delete("/api/people/" + person).status(), 204);
    for (JsonNode left : h.api().get("/api/people").json().path("people")) {
      assertTrue(!left.path("id").asString().equals(person), left.toString());
    }
    assertEquals(send(HttpMethod.GET, "/api/session", "", session.session()).status(), 401);
    assertEquals(signIn(email, "alder vale music", "").problem(), "no-household");
    assertEquals(join(invite(h, email, "READER"), "alder vale music").status(), 204);
    assertEquals(signIn(email, "alder vale music", "").json().path("role").asString(), "READER");
    assertEquals(h.api().delete("/api/people/" + person).status(), 204);
    String begin =
        "{\"householdName\":\"Anew\",\"name\":\"Tobias\",\"email\":\"%s\",\"password\":\"alder vale music\"}"
            .formatted(email);
    assertEquals(send(HttpMethod.POST, "/api/founding", begin, null).status(), 204);
    assertEquals(
        signIn(email, "alder vale music", "").json().path("householdName").asString(), "Anew");
  }

  @Test
  public void ofTwoOwnersWhoDemoteEachOtherAtOnceOneStays() throws Exception {
    for (int round = 0; round < 8; round++) {
      Household h = found("owners" + round);
      var other = as(h, Role.OWNER);
      String body = "{\"role\":\"READER\"}";
      AtOnce.run(
          () -> h.api().put("/api/people/" + other.personId() + "/role", body),
          () -> new Api(mvc, other).put("/api/people/" + h.owner().personId() + "/role", body));
      long owners =
          founding.as(
              h.owner(),
              () ->
                  jdbc.sql("select count(*) from membership where role = 'OWNER'")
                      .query(Long.class)
                      .single());
      assertTrue(owners >= 1, "no owner is left");
    }
  }
}
