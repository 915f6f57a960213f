package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yewledger.app.platform.Ids;
import org.yewledger.core.ledger.Account;
import tools.jackson.databind.JsonNode;

public class RulesTest extends AppTest {
  private static String draft(Household h, String words) {
    return RuleDrafts.out(words, words, h.groceries());
  }

  private static List<String> order(Household h) {
    var words = new ArrayList<String>();
    h.api()
        .get("/api/rules")
        .json()
        .forEach(r -> words.add(r.at("/rule/when/parts/0/text").asString()));
    return words;
  }

  @Test
  public void areKeptInOrderMovedChangedAndRemoved() {
    Household h = found("order");
    for (String words : List.of("A", "B", "C")) {
      assertEquals(h.api().post("/api/rules", draft(h, words)).status(), 201);
    }
    JsonNode last = h.api().get("/api/rules").json().get(2);
    assertEquals(
        h.api().post("/api/rules/" + last.path("id").asString() + "/move", "{\"no\":1}").status(),
        204);
    assertEquals(order(h), List.of("C", "A", "B"));
    JsonNode first = h.api().get("/api/rules").json().get(0);
    String path =
        "/api/rules/" + first.path("id").asString() + "?version=" + first.path("version").asInt();
    assertEquals(h.api().put(path, draft(h, "D")).status(), 200);
    assertEquals(h.api().put(path, draft(h, "E")).status(), 409);
    assertEquals(h.api().delete(path).status(), 409);
    JsonNode now = h.api().get("/api/rules").json().get(0);
    h.api()
        .delete(
            "/api/rules/" + now.path("id").asString() + "?version=" + now.path("version").asInt());
    assertEquals(order(h), List.of("A", "B"));
    String act = h.api().get("/api/acts/next").json().at("/undo/id").asString();
    assertEquals(h.api().post("/api/acts/" + act + "/undo", "").status(), 200);
    assertEquals(order(h), List.of("D", "A", "B"));
  }

  /** A tree comes back as it was written, and is told in words. */
  @Test
  public void areTreesOfConditions() {
    Household h = found("trees");
    String when =
        RuleDrafts.all(
            RuleDrafts.text("STARTS", "card"),
            """
            {"kind":"ANY","parts":[{"kind":"AMOUNT","from":"40","to":"180"},\
            {"kind":"DAYS","firstDay":28,"lastDay":3},{"kind":"ON","accountIds":["%s"]}]}\
            """
                .formatted(h.card().id()));
    JsonNode made =
        h.api()
            .post(
                "/api/rules",
                RuleDrafts.draft(
                    h.groceries(),
                    when,
                    "Somebody",
                    RuleDrafts.share(h.groceries(), ",\"fixed\":\"10\"")
                        + ","
                        + RuleDrafts.share(h.school(), ",\"percent\":\"25\"")
                        + ","
                        + RuleDrafts.share(h.pay(), ""),
                    ",\"trustedUpTo\":\"50\""))
            .json();
    assertEquals(
        made.path("told").asString(),
        "any text begins with \"card\" and (amount 40 to 180 or days 28 to 3 or on \"Quillon Card\")");
    JsonNode kept = h.api().get("/api/rules").json().get(0).path("rule");
    assertEquals(kept, made.path("rule"));
    assertEquals(kept.at("/shares/0/fixed").asString(), "10");
    assertEquals(kept.at("/shares/1/percent").asString(), "25");
    assertEquals(kept.path("trustedUpTo").asString(), "50");
    assertEquals(
        kept.at("/when/parts/1/parts/2/accountIds/0").asString(), h.card().id().toString());
  }

  @DataProvider
  public Object[][] refused() {
    String groceries = "{\"accountId\":\"GROCERIES\"}";
    return new Object[][] {
      {RuleDrafts.text("HAS_WORDS", " - "), groceries, "rule-without-words", "when.parts.0.text"},
      {RuleDrafts.text("LIKE", "(a"), groceries, "pattern-unreadable", "when.parts.0.text"},
      {
        RuleDrafts.text("LIKE", "((a{99}){99}){99}"),
        groceries,
        "pattern-unreadable",
        "when.parts.0.text"
      },
      {"{\"kind\":\"AMOUNT\"}", groceries, "amount-missing", "when.parts.0.from"},
      {
        "{\"kind\":\"DAYS\",\"firstDay\":0,\"lastDay\":4}",
        groceries,
        "day-out-of-range",
        "when.parts.0.from"
      },
      {"{\"kind\":\"WAY\"}", groceries, "condition-unfinished", "when.parts.0.direction"},
      {
        "{\"kind\":\"ANY\",\"parts\":[]}",
        groceries,
        "rule-without-conditions",
        "when.parts.0.parts"
      },
      {
        RuleDrafts.text("IS", "x"),
        groceries
            + ",{\"accountId\":\"SCHOOL\",\"percent\":\"60\"},{\"accountId\":\"PAY\",\"percent\":\"41\"}",
        "over-hundred-percent",
        "shares.2.percent"
      },
      {RuleDrafts.text("IS", "x"), groceries + "," + groceries, "rest-to-one", "shares"},
      {
        "{\"kind\":\"AMOUNT\",\"to\":\"50\"}",
        groceries + ",{\"accountId\":\"SCHOOL\",\"fixed\":\"60\"}",
        "fixed-over-line",
        "shares"
      },
      {
        "{\"kind\":\"ON\",\"accountIds\":[\"CURRENT\"]}",
        "{\"accountId\":\"CURRENT\"}",
        "transfer-to-itself",
        "shares"
      },
    };
  }

  @Test(dataProvider = "refused")
  public void areRefusedAtTheField(String condition, String shares, String code, String field) {
    Household h = refusing();
    String body =
        RuleDrafts.draft(h.groceries(), RuleDrafts.all(condition), "", shares, "")
            .replace("GROCERIES", h.groceries().id().toString())
            .replace("SCHOOL", h.school().id().toString())
            .replace("PAY", h.pay().id().toString())
            .replace("CURRENT", h.current().id().toString());
    Api.Answer answer = h.api().post("/api/rules", body);
    assertEquals(answer.problem(), code, answer.json().toString());
    assertEquals(answer.json().path("field").asString(), field);
    Api.Answer tried = h.api().post("/api/rules/trial", "{\"draft\":" + body + "}");
    assertEquals(tried.problem(), code);
  }

  private Household refusing;

  private Household refusing() {
    if (refusing == null) {
      refusing = found("refused");
    }
    return refusing;
  }

  @Test
  public void areRefusedForUnknownAccountsAndClosedOnes() {
    Household h = found("closed");
    assertEquals(
        h.api()
            .post(
                "/api/rules",
                draft(h, "X").replace(h.groceries().id().toString(), Ids.next().toString()))
            .status(),
        404);
    JsonNode rule = h.api().post("/api/rules", draft(h, "GREENGAGE")).json();
    assertEquals(close(h, h.groceries()).status(), 204);
    assertEquals(h.api().post("/api/rules", draft(h, "Y")).problem(), "account-closed");
    // The one that is there goes quiet, and says so.
    gather(h, september());
    JsonNode quiet = h.api().get("/api/rules").json().get(0);
    assertEquals(quiet.path("quiet").asString(), "Groceries");
    assertEquals(quiet.path("waiting").asInt(), 0);
    JsonNode review = h.api().get("/api/rules/review").json().at("/results/0");
    assertEquals(review.path("ruleId").asString(), rule.path("id").asString());
    assertEquals(review.at("/warnings/0/kind").asString(), "QUIET");
    assertEquals(review.at("/warnings/0/accountName").asString(), "Groceries");
  }

  private static Api.Answer close(Household h, Account account) {
    int version = -1;
    for (JsonNode one : h.api().get("/api/accounts").json()) {
      if (one.path("id").asString().equals(account.id().toString())) {
        version = one.path("version").asInt();
      }
    }
    return h.api()
        .post(
            "/api/accounts/" + account.id() + "/close?version=" + version,
            "{\"on\":\"2026-09-30\"}");
  }

  @Test
  public void isCopiedWithWhatItNames() {
    Household h = found("copied");
    JsonNode rule = h.api().post("/api/rules", draft(h, "GREENGAGE")).json();
    String copy = "/api/rules/" + rule.path("id").asString() + "/copy";
    assertEquals(
        h.api().post(copy, "{\"bookId\":\"%s\"}".formatted(h.groceries().bookId())).status(), 201);
    assertEquals(
        h.api().post(copy, "{\"bookId\":\"%s\"}".formatted(h.press().bookId())).problem(),
        "unknown-account");
    assertEquals(order(h), List.of("GREENGAGE", "GREENGAGE"));
    JsonNode review = h.api().get("/api/rules/review").json();
    assertEquals(review.at("/results/1/warnings/0/kind").asString(), "NEVER_FIRES");
    assertEquals(review.at("/results/1/warnings/0/proved").asBoolean(), true);
  }

  /** Two of its accounts become one: it names that once merged, and stays readable. */
  @Test
  public void followsWhenItsAccountsAreMerged() {
    Household h = found("merged");
    h.api()
        .post(
            "/api/rules",
            RuleDrafts.draft(
                h.groceries(),
                RuleDrafts.all(RuleDrafts.text("HAS_WORDS", "GREENGAGE")),
                "",
                RuleDrafts.share(h.groceries(), ",\"fixed\":\"5\"")
                    + ","
                    + RuleDrafts.share(h.school(), ""),
                ""));
    Api.Answer merged =
        h.api()
            .post(
                "/api/accounts/" + h.groceries().id() + "/merge",
                "{\"intoId\":\"" + h.school().id() + "\"}");
    assertEquals(merged.status() / 100, 2, merged.json().toString());
    JsonNode shares = h.api().get("/api/rules").json().get(0).at("/rule/shares");
    assertEquals(shares.at("/0/accountId").asString(), h.school().id().toString());
    assertEquals(shares.at("/1/accountId").asString(), h.school().id().toString());
    gather(h, september());
    JsonNode proposal =
        h.api().get("/api/waiting-lines?text=greengage").json().at("/stacks/0/lines/0/proposal");
    assertEquals(proposal.path("parts").size(), 2);
    String act = h.api().get("/api/acts/next").json().at("/undo/words").asString();
    assertTrue(act.startsWith("Gathered"), act);
  }
}
