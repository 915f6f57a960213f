package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.UUID;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.testng.annotations.Test;
import org.yewledger.core.ledger.Account;
import tools.jackson.databind.JsonNode;

public class PostTest extends AppTest {
  @Autowired private JdbcClient jdbc;

  private Household gathered(String name) {
    Household h = found(name);
    assertEquals(gather(h, september()).status(), 201);
    return h;
  }

  private static JsonNode line(Household h, String text) {
    for (JsonNode stack : h.api().get("/api/waiting-lines").json().path("stacks")) {
      for (JsonNode line : stack.path("lines")) {
        if (line.path("text").asString().startsWith(text)) {
          return line;
        }
      }
    }
    throw new AssertionError("no line " + text);
  }

  private static String accepted(JsonNode line, String parts) {
    return """
    {"lines":[{"lineId":"%s","version":%d,"booking":{"payee":"Greengage Market","note":"","parts":[%s]}}]}\
    """
        .formatted(line.path("id").asString(), line.path("version").asInt(), parts);
  }

  private static String part(UUID account, String amount) {
    return """
    {"accountId":"%s","amount":"%s"}\
    """
        .formatted(account, amount);
  }

  private Api.Answer post(Household h, JsonNode line, UUID account) {
    return h.api()
        .post(
            "/api/waiting-lines/post",
            accepted(line, part(account, line.path("amount").asString())));
  }

  @Test
  public void aRuleAppliesAtOnceToWhatWaitsAndItsStackIsPosted() {
    Household h = gathered("rule");
    assertEquals(
        h.api().get("/api/waiting-lines").json().at("/stacks/0/reason").asString(),
        "OPEN_QUESTION");
    Api.Answer rule =
        h.api().post("/api/rules", RuleDrafts.out("greengage", "Greengage Market", h.groceries()));
    assertEquals(rule.status(), 201);
    assertEquals(rule.json().path("waiting").asInt(), 2);

    JsonNode stack = h.api().get("/api/waiting-lines").json().at("/stacks/0");
    assertEquals(stack.path("reason").asString(), "RULE");
    assertEquals(stack.path("count").asInt(), 2);
    JsonNode postings = stack.at("/lines/0/proposal/books/0/postings");
    assertEquals(postings.at("/0/accountName").asString(), "Groceries");
    assertEquals(postings.at("/0/debit").asString(), "48.20");
    assertEquals(postings.at("/1/credit").asString(), "48.20");
  }

  @Test
  public void aPostedLineIsInJournalRegisterAndTrialBalance() {
    Household h = gathered("posted");
    assertEquals(post(h, line(h, "GREENGAGE MKT 114"), h.groceries().id()).status(), 200);
    JsonNode entry = h.api().get("/api/entries?text=greengage").json().at("/entries/0");
    assertEquals(entry.path("amount").asString(), "-48.20");
    assertEquals(entry.path("state").asString(), "CLEARED");
    JsonNode register = h.api().get("/api/accounts/" + h.current().id() + "/register").json();
    assertEquals(register.path("balance").asString(), "951.80");
    assertEquals(register.at("/rows/0/balance").asString(), "951.80");
    assertEquals(register.at("/rows/1/balance").asString(), "1000.00");
    JsonNode trial = h.api().get("/api/trial-balance?on=2026-09-30").json().get(0);
    assertTrue(trial.path("balances").asBoolean());
    assertEquals(trial.path("debit").asString(), trial.path("credit").asString());
  }

  @Test
  public void aLineIsSplitInTwoAndThePartsMustAddUp() {
    Household h = gathered("split");
    JsonNode line = line(h, "GREENGAGE MKT 114");
    String bad = part(h.groceries().id(), "-40.00") + "," + part(h.school().id(), "-8.00");
    Api.Answer refused = h.api().post("/api/waiting-lines/post", accepted(line, bad));
    assertEquals(refused.problem(), "still-to-place");
    assertTrue(refused.json().path("detail").asString().contains("0.20"));
    String good = part(h.groceries().id(), "-40.00") + "," + part(h.school().id(), "-8.20");
    assertEquals(h.api().post("/api/waiting-lines/post", accepted(line, good)).status(), 200);
    assertEquals(
        h.api().get("/api/entries?text=school").json().at("/entries/0/books/0/postings").size(), 3);
  }

  /** As one act: what takes the posting back puts it back as well. */
  @Test
  public void whatAPurposePaysForIsTakenOutAsTheLineIsPosted() {
    Household h = gathered("posted from a purpose");
    Account food = account(h, "Food", "SET_ASIDE", h.current(), false);
    String pays = "{\"categories\":[\"%s\"],\"since\":\"2026-09-01\",\"asPosted\":true}";
    assertEquals(
        h.api()
            .put("/api/set-asides/%s/pays".formatted(food.id()), pays.formatted(h.groceries().id()))
            .status(),
        204);
    JsonNode line = line(h, "GREENGAGE MKT 114");
    String parts = part(h.groceries().id(), "-40.00") + "," + part(h.school().id(), "-8.20");
    Api.Answer posted = h.api().post("/api/waiting-lines/post", accepted(line, parts));
    assertEquals(posted.json().path("entryNos").size(), 1, posted.toString());
    String path = "/api/set-asides?book=" + h.current().bookId();
    JsonNode aside = h.api().get(path).json().path(0);
    assertEquals(aside.at("/purposes/0/stands").asString(), "-40.00", aside.toString());
    assertEquals(aside.path("whole").asString(), "951.80");
    assertEquals(aside.path("toTakeOut").asString(), "0.00");
    String act = h.api().get("/api/acts/next").json().at("/undo/id").asString();
    assertEquals(h.api().post("/api/acts/" + act + "/undo", "").status(), 200);
    aside = h.api().get(path).json().path(0);
    assertEquals(aside.at("/purposes/0/stands").asString(), "0.00");
    assertEquals(aside.path("toTakeOut").asString(), "0.00");
    assertEquals(post(h, line(h, "GREENGAGE MKT 114"), h.groceries().id()).status(), 200);
    aside = h.api().get(path).json().path(0);
    assertEquals(aside.at("/purposes/0/stands").asString(), "-48.20");
  }

  private static String of(JsonNode line, UUID account) {
    String whole = accepted(line, part(account, line.path("amount").asString()));
    return whole.substring(whole.indexOf('[') + 1, whole.lastIndexOf(']'));
  }

  @Test
  public void whatCannotBePostedStaysAndTheRestIsPosted() {
    Household h = gathered("stays");
    JsonNode closed = line(h, "GREENGAGE MKT 114");
    JsonNode taken = line(h, "GREENGAGE MKT 207");
    JsonNode good = line(h, "MARRAM");
    assertEquals(post(h, taken, h.groceries().id()).status(), 200);
    String path = "/api/accounts/" + h.school().id();
    int version = 0;
    for (JsonNode account : h.api().get("/api/accounts").json()) {
      if (account.path("id").asString().equals(h.school().id().toString())) {
        version = account.path("version").asInt();
      }
    }
    assertEquals(h.api().post(path + "/close?version=" + version, "").status() / 100, 2);
    String lines =
        String.join(
            ",",
            of(closed, h.school().id()),
            of(taken, h.groceries().id()),
            of(good, h.pay().id()));
    String all = "{\"lines\":[" + lines + "]";
    assertEquals(h.api().post("/api/waiting-lines/post", all + "}").status() / 100, 4);
    assertEquals(h.api().get("/api/waiting-lines").json().path("count").asInt(), 2);
    JsonNode some = h.api().post("/api/waiting-lines/post", all + ",\"someMayStay\":true}").json();
    assertEquals(some.path("entryNos").size(), 1);
    assertEquals(some.path("stayed").size(), 2);
    assertTrue(some.at("/stayed/0/why").asString().contains("posted at"), some.toString());
    assertTrue(some.at("/stayed/1/why").asString().contains("School was closed"), some.toString());
    assertEquals(h.api().get("/api/waiting-lines").json().path("count").asInt(), 1);
  }

  @Test
  public void aLongStackIsReadByPages() {
    Household h = found("pages");
    var csv = new StringBuilder("Date;Text;Amount\n");
    for (int i = 0; i < 1_007; i++) {
      csv.append("2026-09-04;SHOP ").append(1_000 + i).append(";-1.00\n");
    }
    h.api()
        .takeIn(
            h.current().id(),
            "a.csv",
            csv.toString().getBytes(StandardCharsets.UTF_8),
            null,
            false);
    var seen = new HashSet<String>();
    for (int page = 1; page <= 3; page++) {
      JsonNode stack =
          h.api().get("/api/waiting-lines?of=OPEN_QUESTION&page=" + page).json().at("/stacks/0");
      assertEquals(stack.path("count").asInt(), 1_007);
      assertEquals(stack.path("pages").asInt(), 3);
      assertEquals(stack.path("page").asInt(), page);
      stack.path("lines").forEach(line -> seen.add(line.path("id").asString()));
    }
    assertEquals(seen.size(), 1_007);
    // What is beyond the last page, after some were posted, is the last page.
    assertEquals(
        h.api()
            .get("/api/waiting-lines?of=OPEN_QUESTION&page=90")
            .json()
            .at("/stacks/0/page")
            .asInt(),
        3);
  }

  @Test
  public void aBranchThatNobodyHasNamedIsTakenForItsPayeeAndSaidToBeNew() {
    Household h = found("branches");
    String lines =
        "Date;Text;Amount\n2026-09-01;KIOSK LYNHAM;-3.10\n2026-09-02;KIOSK OSTWICK;-4.20\n";
    h.api().takeIn(h.current().id(), "a.csv", lines.getBytes(StandardCharsets.UTF_8), null, false);
    post(h, line(h, "KIOSK LYNHAM"), h.groceries().id());
    post(h, line(h, "KIOSK OSTWICK"), h.groceries().id());
    h.api()
        .takeIn(
            h.current().id(),
            "b.csv",
            (lines + "2026-09-03;KIOSK ELLERY;-5.30\n").getBytes(StandardCharsets.UTF_8),
            null,
            false);
    JsonNode line = line(h, "KIOSK ELLERY");
    assertEquals(line.path("name").asString(), "Greengage Market");
    JsonNode proposal = line.path("proposal");
    assertEquals(
        proposal.at("/before/likeTexts").toString(), "[\"KIOSK LYNHAM\",\"KIOSK OSTWICK\"]");
    assertEquals(proposal.path("sure").asBoolean(), false);
    JsonNode rule =
        h.api()
            .post("/api/rules/beginning", "{\"lineIds\":[\"" + line.path("id").asString() + "\"]}")
            .json();
    assertEquals(rule.path("words").asString(), "KIOSK", rule.toString());
  }

  @Test
  public void twoWindowsPostingTheSameLineOneWinsTheOtherIsTold() throws Exception {
    Household h = gathered("race");
    JsonNode line = line(h, "MARRAM");
    List<Api.Answer> answers = Collections.synchronizedList(new ArrayList<>());
    var threads = new ArrayList<Thread>();
    for (int i = 0; i < 4; i++) {
      threads.add(Thread.startVirtualThread(() -> answers.add(post(h, line, h.pay().id()))));
    }
    for (Thread thread : threads) {
      thread.join();
    }
    assertEquals(answers.stream().filter(a -> a.status() == 200).count(), 1, answers.toString());
    assertEquals(answers.stream().filter(a -> a.status() == 409).count(), 3, answers.toString());
    assertEquals(
        h.api().get("/api/entries/totals?text=pay").json().path(0).path("count").asInt(), 1);
  }

  @Test
  public void aLateWindowIsToldWhoPostedTheLine() {
    Household h = gathered("late");
    JsonNode line = line(h, "MARRAM");
    post(h, line, h.pay().id());
    Api.Answer late = post(h, line, h.pay().id());
    assertEquals(late.problem(), "line-already-posted");
    assertTrue(late.json().path("detail").asString().contains("by late"), late.json().toString());
  }

  @Test
  public void oneBadLineOfAStackPostsNoneOfIt() {
    Household h = gathered("stack");
    JsonNode first = line(h, "GREENGAGE MKT 114");
    JsonNode second = line(h, "GREENGAGE MKT 207");
    String body =
        accepted(first, part(h.groceries().id(), "-48.20")).replace("]}}]}", "]}},")
            + accepted(second, part(h.current().id(), "-31.80")).replace("{\"lines\":[", "");
    assertEquals(h.api().post("/api/waiting-lines/post", body).problem(), "same-account");
    assertEquals(h.api().get("/api/waiting-lines").json().path("count").asInt(), 3);
  }

  @Test
  public void takenBackItWaitsAgainAndTheBooksForgetIt() {
    Household h = gathered("back");
    JsonNode line = line(h, "MARRAM");
    post(h, line, h.pay().id());
    String ids = "{\"lineIds\":[\"" + line.path("id").asString() + "\"]}";
    assertEquals(h.api().post("/api/waiting-lines/take-back", ids).status(), 204);
    assertEquals(h.api().get("/api/waiting-lines").json().path("count").asInt(), 3);
    assertEquals(
        h.api().get("/api/entries/totals?text=pay").json().path(0).path("count").asInt(), 0);
    assertEquals(
        h.api()
            .get("/api/accounts/" + h.current().id() + "/register")
            .json()
            .path("balance")
            .asString(),
        "1000.00");
  }

  @Test
  public void theOtherHalfOfATransferIsPairedRatherThanBookedTwice() {
    Household h = gathered("pair");
    post(h, line(h, "GREENGAGE MKT 114"), h.card().id());
    byte[] card =
        new String(
                ofx(
                    "<STMTTRN><TRNTYPE>CREDIT<DTPOSTED>20260905<TRNAMT>48.20<FITID>9<NAME>PAYMENT"
                        + " RECEIVED</STMTTRN>",
                    "0.00"))
            .replace("NL4417", "6650")
            .getBytes();
    assertEquals(h.api().takeIn(h.card().id(), "card.ofx", card, null, false).status(), 201);
    JsonNode half = line(h, "PAYMENT RECEIVED");
    JsonNode alternative = half.at("/alternatives/0");
    assertEquals(alternative.path("daysApart").asInt(), 1);
    String body =
        "{\"version\":%d,\"postingId\":\"%s\"}"
            .formatted(half.path("version").asInt(), alternative.path("postingId").asString());
    String pair = "/api/waiting-lines/" + half.path("id").asString() + "/pair";
    assertEquals(h.api().post(pair, body).status(), 200);
    assertEquals(h.api().post(pair, body).status(), 409);
    JsonNode register = h.api().get("/api/accounts/" + h.card().id() + "/register").json();
    assertEquals(register.path("balance").asString(), "48.20");
    assertEquals(register.path("rows").size(), 1);
  }
}
