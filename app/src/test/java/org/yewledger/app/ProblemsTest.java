package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;

import java.util.UUID;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * Whatever is asked wrongly is answered as a problem with a status that fits, and never with a 500.
 */
public class ProblemsTest extends AppTest {
  private Household h;

  @BeforeClass
  void found() {
    h = found("problems");
  }

  @DataProvider
  Object[][] questions() {
    String nobody = UUID.randomUUID().toString();
    return new Object[][] {
      {"/api/accounts/" + nobody + "/register", 404},
      {"/api/accounts/not-an-id/register", 400},
      {"/api/entries/" + nobody, 404},
      {"/api/entries?after=yesterday", 422},
      {"/api/entries?month=September", 400},
      {"/api/almanac?month=2026-13", 400},
      {"/api/almanac?book=" + nobody, 404},
      {"/api/trial-balance", 400},
      {"/api/trial-balance?on=2026-02-31", 400},
      {"/api/statements/" + nobody, 404},
      {"/api/rules/" + nobody + "/applicable", 404},
      {"/api/nothing", 404},
    };
  }

  @Test(dataProvider = "questions")
  public void aQuestionThatMakesNoSense(String path, int status) {
    Api.Answer answer = h.api().get(path);
    assertEquals(answer.status(), status, answer.json().toString());
    assertEquals(answer.json().path("status").asInt(), status);
    assertFalse(answer.json().path("detail").asString().isBlank());
  }

  @DataProvider
  Object[][] orders() {
    String nobody = UUID.randomUUID().toString();
    return new Object[][] {
      {"/api/waiting-lines/post", "{}", 400},
      {"/api/waiting-lines/post", "{\"lines\":[]}", 400},
      {"/api/waiting-lines/post", "not json", 400},
      {
        "/api/waiting-lines/post",
        "{\"lines\":[{\"lineId\":\""
            + nobody
            + "\",\"version\":0,\"booking\":{\"payee\":\"x\",\"parts\":[{\"accountId\":\""
            + nobody
            + "\",\"amount\":\"1\"}]}}]}",
        404
      },
      {"/api/waiting-lines/take-back", "{\"lineIds\":[\"" + nobody + "\"]}", 404},
      {"/api/rules", "{\"words\":\"X\"}", 400},
      {"/api/rules", "{\"when\":{\"kind\":\"SIDEWAYS\"}}", 400},
      {"/api/rules/beginning", "{\"lineIds\":[\"" + nobody + "\"]}", 404},
      {"/api/rules/" + nobody + "/move", "{\"no\":1}", 404},
      {
        "/api/statements",
        "{\"accountId\":\"" + nobody + "\",\"closesOn\":\"2026-09-30\",\"closing\":\"1.00\"}",
        404
      },
      {"/api/statements", "{\"closesOn\":\"tomorrow\"}", 400},
      {"/api/statements/" + nobody + "/finish?version=0", "", 404},
    };
  }

  @Test(dataProvider = "orders")
  public void anOrderThatCannotBeCarriedOut(String path, String body, int status) {
    Api.Answer answer = h.api().post(path, body);
    assertEquals(answer.status(), status, answer.json().toString());
    assertFalse(answer.json().path("detail").asString().isBlank(), answer.json().toString());
  }

  @Test
  public void aFieldAtFaultIsNamed() {
    Api.Answer answer = h.api().post("/api/rules", RuleDrafts.out("-", "", h.groceries()));
    assertEquals(answer.json().path("field").asString(), "when.parts.0.text");
    Api.Answer missing =
        h.api()
            .post(
                "/api/rules",
                RuleDrafts.out("X", "", h.groceries()).replace("\"payee\":\"\",", ""));
    assertEquals(missing.json().path("field").asString(), "payee");
  }
}
