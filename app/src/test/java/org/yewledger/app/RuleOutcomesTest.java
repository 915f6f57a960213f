package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import org.testng.annotations.Test;
import org.yewledger.core.ledger.Account;
import tools.jackson.databind.JsonNode;

/** What comes of rules: what they would catch, what they book, what they post by themselves. */
public class RuleOutcomesTest extends AppTest {
  @Test
  public void saysBeforehandWhatWouldBeCaught() {
    Household h = found("reach");
    gather(h, september());
    JsonNode trial =
        h.api()
            .post(
                "/api/rules/trial",
                "{\"draft\":" + RuleDrafts.out("greengage", "greengage", h.groceries()) + "}")
            .json();
    assertEquals(trial.path("caught").asInt(), 2);
    assertEquals(trial.path("waiting").asInt(), 2);
    assertEquals(trial.at("/lines/0/standing").asString(), "WAITS");
    JsonNode stacks = h.api().get("/api/waiting-lines").json();
    String line = stacks.at("/stacks/0/lines/0/id").asString();
    JsonNode beginning =
        h.api().post("/api/rules/beginning", "{\"lineIds\":[\"" + line + "\"]}").json();
    assertEquals(beginning.path("words").asString(), "GREENGAGE MKT");
    assertEquals(beginning.path("payee").asString(), "Greengage Mkt");
    assertEquals(beginning.path("direction").asString(), "OUT");
  }

  /** Posts all lines with a text to an account by hand. */
  private static void post(Household h, String text, String payee, Account to) {
    var accepted = new ArrayList<String>();
    for (JsonNode stack : h.api().get("/api/waiting-lines").json().path("stacks")) {
      for (JsonNode line : stack.path("lines")) {
        if (line.path("text").asString().contains(text)) {
          accepted.add(
              "{\"lineId\":\"%s\",\"version\":%d,\"booking\":{\"payee\":\"%s\",\"parts\":[{\"accountId\":\"%s\",\"amount\":\"%s\"}]}}"
                  .formatted(
                      line.path("id").asString(),
                      line.path("version").asInt(),
                      payee,
                      to.id(),
                      line.path("amount").asString()));
        }
      }
    }
    Api.Answer posted =
        h.api().post("/api/waiting-lines/post", "{\"lines\":[" + String.join(",", accepted) + "]}");
    assertEquals(posted.status(), 200, posted.json().toString());
  }

  private static byte[] bakery(int lines) {
    var all = new StringBuilder();
    for (int i = 1; i <= lines; i++) {
      all.append(
          "<STMTTRN><TRNTYPE>DEBIT<DTPOSTED>202609%02d<TRNAMT>-%d.00<FITID>b%d<NAME>CARD %d COBBLERS ROW BKRY</STMTTRN>"
              .formatted(i, 10 * i, i, 2700 + i));
    }
    return ofx(all.toString(), "0.00");
  }

  @Test
  public void aTrialComparesWithHowLinesWereBookedAndTheRuleIsAppliedToThem() {
    Household h = found("apply");
    gather(h, bakery(4));
    post(h, "2701", "Cobblers Row", h.school());
    post(h, "2702", "Cobblers Row", h.school());
    post(h, "2703", "Cobblers Row", h.groceries());
    String draft = RuleDrafts.out("COBBLERS ROW", "Cobblers Row Bakery", h.groceries());
    JsonNode trial = h.api().post("/api/rules/trial", "{\"draft\":" + draft + "}").json();
    assertEquals(trial.path("agreeing").asInt(), 1);
    assertEquals(trial.path("differing").asInt(), 2);
    assertEquals(trial.path("waiting").asInt(), 1);
    String id = h.api().post("/api/rules", draft).json().path("id").asString();

    JsonNode applicable = h.api().get("/api/rules/" + id + "/applicable").json();
    assertEquals(applicable.size(), 2);
    assertEquals(applicable.at("/0/from/0").asString(), "School");
    assertEquals(applicable.at("/0/to/0").asString(), "Groceries");
    assertEquals(applicable.at("/0/stays").asString(), "");
    var wanted = new ArrayList<String>();
    applicable.forEach(e ->
        wanted.add(
            "{\"entryId\":\"%s\",\"version\":%d}"
                .formatted(e.path("entryId").asString(), e.path("version").asInt())));
    String body = "{\"entries\":[" + String.join(",", wanted) + "]}";
    Api.Answer applied = h.api().post("/api/rules/" + id + "/apply", body);
    assertEquals(applied.json().path("changed").asInt(), 2, applied.json().toString());
    assertEquals(h.api().get("/api/rules/" + id + "/applicable").json().size(), 0);
    assertEquals(balance(h, h.school()), "0.00");
    assertEquals(balance(h, h.groceries()), "60.00");
    JsonNode result = h.api().get("/api/rules/review").json().at("/results/0");
    assertEquals(result.path("fired").asInt(), 2);
    assertEquals(result.path("decides").asInt(), 4);
    assertEquals(result.path("lastFired").asString(), "2026-09-02");
    // Listed before somebody else changed them: nothing is changed.
    assertEquals(h.api().post("/api/rules/" + id + "/apply", body).status(), 409);

    String act = h.api().get("/api/acts/next").json().at("/undo/id").asString();
    assertEquals(h.api().post("/api/acts/" + act + "/undo", "").status(), 200);
    assertEquals(balance(h, h.school()), "30.00");
    assertEquals(h.api().get("/api/rules/" + id + "/applicable").json().size(), 2);
  }

  private static String balance(Household h, Account account) {
    return h.api()
        .get("/api/accounts/" + account.id() + "/register")
        .json()
        .path("balance")
        .asString();
  }

  @Test
  public void suggestsARuleFromLinesBookedByHand() {
    Household h = found("suggest");
    gather(h, bakery(3));
    post(h, "COBBLERS", "Cobblers Row Bakery", h.groceries());
    JsonNode suggested = h.api().get("/api/rules/review").json().path("suggested");
    assertEquals(suggested.size(), 1);
    assertEquals(suggested.at("/0/words").asString(), "COBBLERS ROW");
    assertEquals(suggested.at("/0/accountName").asString(), "Groceries");
    assertEquals(suggested.at("/0/payee").asString(), "Cobblers Row Bakery");
    assertEquals(suggested.at("/0/lines").asInt(), 3);
    assertEquals(suggested.at("/0/newest").size(), 3);
    assertEquals(h.api().get("/api/rules").json().size(), 0);
  }

  @Test
  public void aRuleBooksPartsTagsAndANote() {
    Household h = found("parts");
    gather(h, bakery(3));
    h.api()
        .post(
            "/api/rules",
            RuleDrafts.draft(
                    h.groceries(),
                    RuleDrafts.all(RuleDrafts.text("HAS_WORDS", "cobblers")),
                    "",
                    RuleDrafts.share(h.school(), ",\"fixed\":\"15\"")
                        + ","
                        + RuleDrafts.share(h.groceries(), ""),
                    "")
                .replace("\"tags\":[]", "\"tags\":[\"fair\"]")
                .replace("\"note\":\"\"", "\"note\":\"bread\""));
    JsonNode lines = h.api().get("/api/waiting-lines").json().at("/stacks/0/lines");
    assertEquals(lines.size(), 3);
    // The first is of 10.00: the rule's fixed part is more, so it says so and books nothing.
    JsonNode small = lines.get(0).path("proposal");
    assertTrue(small.path("refusal").asString().contains("15"), small.toString());
    assertEquals(small.path("parts").size(), 0);
    assertEquals(small.path("sure").asBoolean(), false);
    JsonNode large = lines.get(1).path("proposal");
    assertEquals(large.path("payee").asString(), "Cobblers Row");
    assertEquals(large.path("note").asString(), "bread");
    assertEquals(large.at("/tags/0").asString(), "fair");
    assertEquals(large.at("/parts/0/amount").asString(), "-15.00");
    assertEquals(large.at("/parts/1/amount").asString(), "-5.00");
  }

  @Test
  public void aTrustedRulePostsWhatArrivesUpToItsLimitAndIsUndoneAtOnce() {
    Household h = found("trusted");
    h.api()
        .post(
            "/api/rules",
            RuleDrafts.draft(
                h.groceries(),
                RuleDrafts.all(RuleDrafts.text("HAS_WORDS", "COBBLERS ROW")),
                "Cobblers Row Bakery",
                RuleDrafts.share(h.groceries(), ""),
                ",\"trustedUpTo\":\"25\""));
    gather(h, bakery(3));
    assertEquals(h.api().get("/api/waiting-lines").json().path("count").asInt(), 1);
    assertEquals(balance(h, h.groceries()), "30.00");
    JsonNode trusted = h.api().get("/api/trusted-posts").json();
    assertEquals(trusted.size(), 1);
    assertEquals(trusted.at("/0/lines").size(), 2);
    assertEquals(trusted.at("/0/lines/0/payee").asString(), "Cobblers Row Bakery");
    JsonNode act = h.api().get("/api/acts").json().at("/acts/0");
    assertEquals(act.path("words").asString(), "Posted 2 lines by trusted rules");

    String line = trusted.at("/0/lines/0/lineId").asString();
    h.api().post("/api/waiting-lines/take-back", "{\"lineIds\":[\"" + line + "\"]}");
    assertEquals(h.api().get("/api/trusted-posts").json().at("/0/lines").size(), 1);
    String again = h.api().get("/api/acts/next").json().at("/undo/id").asString();
    assertEquals(h.api().post("/api/acts/" + again + "/undo", "").status(), 200);
    String all = trusted.at("/0/actId").asString();
    Api.Answer undone = h.api().post("/api/acts/" + all + "/undo", "");
    assertEquals(undone.status(), 200, undone.json().toString());
    assertEquals(h.api().get("/api/waiting-lines").json().path("count").asInt(), 3);
    assertEquals(h.api().get("/api/trusted-posts").json().size(), 0);
  }
}
