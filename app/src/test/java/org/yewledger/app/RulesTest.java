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

  private static String share(Account account, String size) {
    return "{\"accountId\":\"%s\"%s}".formatted(account.id(), size);
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
                    share(h.groceries(), ",\"fixed\":\"10\"")
                        + ","
                        + share(h.school(), ",\"percent\":\"25\"")
                        + ","
                        + share(h.pay(), ""),
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
  public void saysBeforehandWhatWouldBeCaught() {
    Household h = found("reach");
    gather(h, september());
    JsonNode trial =
        h.api().post("/api/rules/trial", "{\"draft\":" + draft(h, "greengage") + "}").json();
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
    assertEquals(order(h), List.of());
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
                    share(h.school(), ",\"fixed\":\"15\"") + "," + share(h.groceries(), ""),
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
                share(h.groceries(), ""),
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

  @Test
  public void isCopiedAndFollowsWhenAnAccountIsMerged() {
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
}
