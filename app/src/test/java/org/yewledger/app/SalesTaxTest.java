package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.UUID;
import org.testng.annotations.Test;
import org.yewledger.core.ledger.Account;
import tools.jackson.databind.JsonNode;

/** On a book registered for sales tax, what is posted is taken apart into net and tax. */
public class SalesTaxTest extends AppTest {
  private static String rate(Household h, String name, String percent) {
    Api.Answer made =
        h.api()
            .post(
                "/api/tax-rates",
                "{\"bookId\":\"%s\",\"name\":\"%s\",\"steps\":[{\"from\":\"2024-01-01\",\"percent\":\"%s\"}]}"
                    .formatted(h.current().bookId(), name, percent));
    return made.json().path("id").asString();
  }

  private static Api.Answer register(Household h, String from, String usual) {
    JsonNode book = null;
    for (JsonNode one : h.api().get("/api/books").json()) {
      if (one.path("id").asString().equals(h.current().bookId().toString())) {
        book = one;
      }
    }
    return h.api()
        .put(
            "/api/books/%s?version=%d"
                .formatted(book.path("id").asString(), book.path("version").asInt()),
            "{\"name\":\"%s\",\"fiscalYearStartsIn\":10,\"taxNumber\":\"SL 1\",\"taxedFrom\":\"%s\",\"usualTaxRateId\":%s,\"taxPeriod\":\"QUARTER\"}"
                .formatted(
                    book.path("name").asString(),
                    from,
                    usual == null ? "null" : '"' + usual + '"'));
  }

  private static byte[] couriers(int count) {
    var lines = new StringBuilder();
    for (int i = 1; i <= count; i++) {
      lines.append(
          "<STMTTRN><TRNTYPE>DEBIT<DTPOSTED>202609%02d<TRNAMT>-12.10<FITID>k%d<NAME>POSTBARROW %d COLLECT</STMTTRN>"
              .formatted(i, i, 700 + i));
    }
    return ofx(lines.toString(), "0.00");
  }

  private static JsonNode line(Household h, int day) {
    for (JsonNode stack : h.api().get("/api/waiting-lines").json().path("stacks")) {
      for (JsonNode line : stack.path("lines")) {
        if (line.path("bookedOn").asString().equals("2026-09-%02d".formatted(day))) {
          return line;
        }
      }
    }
    throw new AssertionError("no line of day " + day);
  }

  private static String booking(Account to, String more) {
    return "{\"payee\":\"Postbarrow\",\"parts\":[{\"accountId\":\"%s\",\"amount\":\"-12.10\"%s}]}"
        .formatted(to.id(), more);
  }

  private static JsonNode post(Household h, int day, String booking) {
    JsonNode line = line(h, day);
    Api.Answer posted =
        h.api()
            .post(
                "/api/waiting-lines/post",
                "{\"lines\":[{\"lineId\":\"%s\",\"version\":%d,\"booking\":%s}]}"
                    .formatted(line.path("id").asString(), line.path("version").asInt(), booking));
    assertEquals(posted.status(), 200, posted.json().toString());
    return posted.json();
  }

  private static String balance(Household h, UUID account) {
    return h.api().get("/api/accounts/" + account + "/register").json().path("balance").asString();
  }

  private static UUID salesTax(Household h) {
    for (JsonNode account : h.api().get("/api/accounts").json()) {
      if (account.path("name").asString().equals("Sales tax")) {
        return UUID.fromString(account.path("id").asString());
      }
    }
    throw new AssertionError("no account of sales tax");
  }

  @Test
  public void aLineIsTakenApartAndThePartsAddUp() {
    Household h = found("taxed");
    String standard = rate(h, "standard", "21");
    assertEquals(register(h, "2026-01-01", standard).status(), 204);
    gather(h, couriers(3));
    JsonNode entry =
        h.api()
            .post(
                "/api/waiting-lines/" + line(h, 1).path("id").asString() + "/preview",
                booking(h.groceries(), ""))
            .json()
            .at("/books/0");
    assertEquals(entry.at("/postings/0/debit").asString(), "10.00");
    assertEquals(entry.at("/postings/0/taxRole").asString(), "NET");
    assertEquals(entry.at("/postings/1/accountName").asString(), "Sales tax");
    assertEquals(entry.at("/postings/1/debit").asString(), "2.10");
    assertEquals(entry.at("/postings/1/taxRateId").asString(), standard);
    assertEquals(entry.path("total").asString(), "12.10");
    post(h, 1, booking(h.groceries(), ""));
    post(h, 2, booking(h.groceries(), ""));
    assertEquals(balance(h, h.groceries().id()), "20.00");
    assertEquals(balance(h, salesTax(h)), "4.20");

    // What is proposed as last time is the whole amount again, and taken apart again.
    JsonNode proposal = line(h, 3).path("proposal");
    assertEquals(proposal.at("/parts/0/amount").asString(), "-12.10");
    assertEquals(proposal.path("parts").size(), 1);
    assertEquals(proposal.at("/books/0/postings").size(), 3);

    String act = h.api().get("/api/acts/next").json().at("/undo/id").asString();
    assertEquals(h.api().post("/api/acts/" + act + "/undo", "").status(), 200);
    assertEquals(balance(h, salesTax(h)), "2.10");
  }

  @Test
  public void oneLineAndOneRuleMaySayAnotherRate() {
    Household h = found("override");
    String standard = rate(h, "standard", "21");
    String reduced = rate(h, "reduced", "10");
    register(h, "2026-01-01", standard);
    gather(h, couriers(4));
    post(h, 1, booking(h.groceries(), ",\"taxRateId\":\"" + reduced + '"'));
    assertEquals(balance(h, h.groceries().id()), "11.00");
    post(h, 2, booking(h.groceries(), ",\"untaxed\":true"));
    assertEquals(balance(h, h.groceries().id()), "23.10");
    Api.Answer both =
        h.api()
            .post(
                "/api/waiting-lines/" + line(h, 3).path("id").asString() + "/preview",
                booking(h.groceries(), ",\"untaxed\":true,\"taxRateId\":\"" + reduced + '"'));
    assertEquals(both.problem(), "tax-twice");
    String rule =
        RuleDrafts.draft(
            h.groceries(),
            RuleDrafts.all(RuleDrafts.text("HAS_WORDS", "POSTBARROW")),
            "Postbarrow",
            "{\"accountId\":\"%s\",\"taxRateId\":\"%s\"}".formatted(h.groceries().id(), reduced),
            "");
    JsonNode made = h.api().post("/api/rules", rule).json();
    assertEquals(made.at("/rule/shares/0/taxRateId").asString(), reduced);
    JsonNode proposal = line(h, 3).path("proposal");
    assertEquals(proposal.at("/parts/0/taxRateId").asString(), reduced);
    assertEquals(proposal.at("/books/0/postings/0/debit").asString(), "11.00");
    // Taken as proposed, it is booked by the rule.
    post(h, 3, booking(h.groceries(), ",\"taxRateId\":\"" + reduced + '"'));
    assertEquals(h.api().get("/api/rules/review").json().at("/results/0/fired").asInt(), 1);
    String elsewhere = rule.replace(reduced, UUID.randomUUID().toString());
    assertEquals(h.api().post("/api/rules", elsewhere).status(), 404);
  }

  @Test
  public void thereIsNoneBeforeRegistrationAndARateInUseStays() {
    Household h = found("before");
    String standard = rate(h, "standard", "21");
    register(h, "2026-09-02", standard);
    gather(h, couriers(2));
    post(h, 1, booking(h.groceries(), ""));
    assertEquals(balance(h, h.groceries().id()), "12.10");
    Api.Answer early =
        h.api()
            .post(
                "/api/waiting-lines/" + line(h, 2).path("id").asString() + "/preview",
                booking(h.pay(), ""));
    assertEquals(early.status(), 200, early.json().toString());
    Api.Answer used = h.api().delete("/api/tax-rates/" + standard);
    assertEquals(used.problem(), "tax-rate-used");
    assertTrue(used.json().path("detail").asString().contains("usual rate"), "" + used.json());
    assertEquals(register(h, "2026-09-02", UUID.randomUUID().toString()).status(), 404);
  }
}
