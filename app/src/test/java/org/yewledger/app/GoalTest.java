package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.UUID;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** What a book is to earn in a year, and what is to stand on an account by a day. */
public class GoalTest extends AppTest {
  private static void enter(Household h, String day, String amount, UUID from, UUID to) {
    Api.Answer entered =
        h.api()
            .post(
                "/api/entries",
                "{\"day\":\"%s\",\"base\":\"2026-10-10\",\"payee\":\"Greengage\",\"amount\":\"%s\",\"fromId\":\"%s\",\"toId\":\"%s\"}"
                    .formatted(day, amount, from, to));
    assertEquals(entered.status(), 201, entered.toString());
  }

  private static Api.Answer earn(Household h, String amount) {
    return h.api()
        .put(
            "/api/goals/profit",
            "{\"bookId\":\"%s\",\"month\":\"2026-08\",\"amount\":%s}"
                .formatted(h.current().bookId(), amount));
  }

  private static Api.Answer save(Household h, UUID account, String amount, String by) {
    return h.api()
        .put(
            "/api/goals/balance",
            "{\"accountId\":\"%s\",\"amount\":%s,\"by\":%s}".formatted(account, amount, by));
  }

  private static JsonNode goals(Household h, String month) {
    Api.Answer answer = h.api().get("/api/goals?month=" + month);
    assertEquals(answer.status(), 200, answer.toString());
    return answer.json();
  }

  @Test
  public void aProfitGoalIsHeldAgainstTheResultsOfItsYear() {
    Household h = found("profit goal");
    enter(h, "2026-08-06", "500.00", h.pay().id(), h.current().id());
    enter(h, "2026-08-07", "100.00", h.current().id(), h.groceries().id());
    assertEquals(earn(h, "\"1200.00\"").status(), 204);
    JsonNode goal = goals(h, "2026-08").at("/profits/0");
    assertEquals(goal.path("yearFirst").asString(), "2026-01");
    assertEquals(goal.at("/progress/stands").asString(), "400.00");
    assertEquals(goal.at("/progress/ahead").asString(), "-400.00");
    assertEquals(goal.at("/progress/toGo").asString(), "800.00");
    assertEquals(goal.at("/progress/perMonth").asString(), "200.00");
    assertEquals(goal.at("/months/7/reached").asString(), "400.00");
    assertEquals(goal.at("/months/6/against").asString(), "-700.00");
    assertTrue(goal.at("/months/8/reached").isMissingNode());
    // Of another year there is none.
    assertEquals(goals(h, "2025-12").path("profits").size(), 0);

    assertEquals(earn(h, "\"400.00\"").status(), 204);
    assertTrue(goals(h, "2026-08").at("/profits/0/progress/reached").asBoolean());
    String act = h.api().get("/api/acts/next").json().at("/undo/id").asString();
    assertEquals(h.api().post("/api/acts/" + act + "/undo", "").status(), 200);
    assertFalse(goals(h, "2026-08").at("/profits/0/progress/reached").asBoolean());
    assertEquals(earn(h, "null").status(), 204);
    assertEquals(goals(h, "2026-08").path("profits").size(), 0);
    assertEquals(earn(h, "\"0\"").problem(), "goal-not-positive");
  }

  @Test
  public void aBalanceGoalSaysWhatIsToGoUntilItsDay() {
    Household h = found("balance goal");
    assertEquals(save(h, h.current().id(), "\"3000.00\"", "\"2099-01-01\"").status(), 204);
    JsonNode goal = goals(h, "2098-12").at("/balances/0");
    assertEquals(goal.path("accountName").asString(), "Harbour Current");
    assertEquals(goal.path("start").asString(), "1000.00");
    assertEquals(goal.at("/progress/stands").asString(), "1000.00");
    assertEquals(goal.at("/progress/toGo").asString(), "2000.00");
    assertFalse(goal.at("/progress/reached").asBoolean());

    Api.Answer past = save(h, h.current().id(), "\"3000.00\"", "\"2020-01-01\"");
    assertEquals(past.problem(), "goal-past");
    assertEquals(past.json().path("field").asString(), "by");
    assertEquals(save(h, h.current().id(), "\"3000.00\"", "null").problem(), "goal-past");
    assertEquals(
        save(h, h.card().id(), "\"1.00\"", "\"2099-01-01\"").problem(), "goal-not-of-assets");
    assertEquals(save(h, h.current().id(), "null", "null").status(), 204);
    assertEquals(goals(h, "2026-08").path("balances").size(), 0);
  }
}
