package org.yewledger.app;

import static org.testng.Assert.assertEquals;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.testng.annotations.Test;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.ledger.Posting;
import org.yewledger.core.money.Amount;
import tools.jackson.databind.JsonNode;

/** Lines that are several entries, a part of one, or one but for a tip. */
public class KnownLinesTest extends AppTest {
  private void typed(Household h, int day, String payee, long minor, Account to) {
    Amount amount = Amount.ofMinor(minor, h.current().currency());
    var entry =
        new Entry(
            LocalDate.of(2026, 9, day),
            payee,
            "",
            Entry.Origin.BY_HAND,
            List.of(new Posting(h.current(), amount), new Posting(to, amount.negated())));
    inAct(h, ActKind.TRANSFER, () -> entries.add(List.of(entry)));
  }

  private static String line(int day, String amount, String text) {
    return "<STMTTRN><TRNTYPE>DEBIT<DTPOSTED>202609%02d<TRNAMT>%s<FITID>%s%d<NAME>%s</STMTTRN>"
        .formatted(day, amount, amount, day, text);
  }

  private static List<JsonNode> known(Household h) {
    JsonNode stack = h.api().get("/api/waiting-lines").json().at("/stacks/0");
    assertEquals(stack.path("reason").asString(), "KNOWN_ENTRY");
    var lines = new ArrayList<JsonNode>();
    stack.path("lines").forEach(lines::add);
    return lines;
  }

  private static Api.Answer post(Household h, JsonNode line, String known) {
    return h.api()
        .post(
            "/api/waiting-lines/post",
            "{\"lines\":[{\"lineId\":\"%s\",\"version\":%d,\"known\":%s}]}"
                .formatted(line.path("id").asString(), line.path("version").asInt(), known));
  }

  private static String balance(Household h, Account account) {
    return h.api()
        .get("/api/accounts/" + account.id() + "/register")
        .json()
        .path("balance")
        .asString();
  }

  private static void undo(Household h) {
    String act = h.api().get("/api/acts/next").json().at("/undo/id").asString();
    assertEquals(h.api().post("/api/acts/" + act + "/undo", "").status(), 200);
  }

  @Test
  public void aDepositConfirmsTheChequesThatAddUpToIt() {
    Household h = found("deposit");
    typed(h, 1, "Oakshott", 4_000, h.pay());
    typed(h, 2, "Penrose", 2_510, h.pay());
    typed(h, 2, "Ashby", 9_999, h.pay());
    gather(h, ofx(line(4, "65.10", "PAYING IN 000123"), "0.00"));
    JsonNode line = known(h).getFirst();
    JsonNode several = line.at("/proposal/several");
    assertEquals(several.path("entries").size(), 2);
    String ids =
        "{\"postingIds\":[\"%s\",\"%s\"]}"
            .formatted(
                several.at("/entries/0/postingId").asString(),
                several.at("/entries/1/postingId").asString());
    String one =
        "{\"postingIds\":[\"%s\"]}".formatted(several.at("/entries/0/postingId").asString());
    assertEquals(post(h, line, one).problem(), "not-the-same");
    Api.Answer posted = post(h, line, ids);
    assertEquals(posted.status(), 200, posted.json().toString());
    assertEquals(posted.json().path("knownNos").size(), 2);
    assertEquals(balance(h, h.current()), "1165.09");
    assertEquals(h.api().get("/api/waiting-lines").json().path("count").asInt(), 0);
    undo(h);
    assertEquals(known(h).size(), 1);
    // Taken back by the line as well: both cheques are open again.
    post(h, known(h).getFirst(), ids);
    h.api()
        .post(
            "/api/waiting-lines/take-back",
            "{\"lineIds\":[\"" + line.path("id").asString() + "\"]}");
    assertEquals(known(h).getFirst().at("/proposal/several/entries").size(), 2);
  }

  @Test
  public void twoDeliveriesConfirmTheOneOrder() {
    Household h = found("deliveries");
    typed(h, 2, "Inkwell & Sons", -3_710, h.school());
    gather(
        h, ofx(line(3, "-25.00", "INKWELL 1 OF 2") + line(5, "-12.10", "INKWELL 2 OF 2"), "0.00"));
    List<JsonNode> lines = known(h);
    assertEquals(lines.size(), 2);
    JsonNode part = lines.getFirst().at("/proposal/part");
    assertEquals(part.path("others").size(), 1);
    String known =
        "{\"postingIds\":[\"%s\"],\"withLines\":[{\"lineId\":\"%s\",\"version\":%d}]}"
            .formatted(
                part.at("/entry/postingId").asString(),
                part.at("/others/0/lineId").asString(),
                part.at("/others/0/version").asInt());
    Api.Answer posted = post(h, lines.getFirst(), known);
    assertEquals(posted.status(), 200, posted.json().toString());
    assertEquals(h.api().get("/api/waiting-lines").json().path("count").asInt(), 0);
    assertEquals(balance(h, h.school()), "37.10");
    undo(h);
    assertEquals(known(h).size(), 2);
  }

  @Test
  public void aTipIsBookedWhereThePersonSays() {
    Household h = found("tip");
    typed(h, 2, "Whimbrel Tearoom", -4_000, h.groceries());
    gather(h, ofx(line(3, "-44.00", "WHIMBREL TEAROOM 12"), "0.00"));
    JsonNode line = known(h).getFirst();
    JsonNode nearly = line.at("/proposal/nearly");
    assertEquals(nearly.path("difference").asString(), "-4.00");
    assertEquals(line.at("/proposal/sure").asBoolean(), false);
    String known =
        "{\"postingIds\":[\"%s\"],\"differenceTo\":\"%s\"}"
            .formatted(nearly.at("/entry/postingId").asString(), h.school().id());
    Api.Answer posted = post(h, line, known);
    assertEquals(posted.status(), 200, posted.json().toString());
    assertEquals(balance(h, h.groceries()), "40.00");
    assertEquals(balance(h, h.school()), "4.00");
    assertEquals(balance(h, h.current()), "956.00");
    JsonNode entry = h.api().get("/api/entries").json().at("/entries/0");
    assertEquals(entry.path("state").asString(), "CLEARED");
    undo(h);
    assertEquals(balance(h, h.school()), "0.00");
    assertEquals(balance(h, h.current()), "960.00");
    assertEquals(known(h).size(), 1);
  }

  /**
   * Two differences in one request: the books change with the first, and the second is as it was
   * seen.
   */
  @Test
  public void severalTipsArePostedTogether() {
    Household h = found("tips");
    typed(h, 2, "Whimbrel Tearoom", -4_000, h.groceries());
    typed(h, 12, "Lamplight Tearoom", -2_000, h.groceries());
    gather(
        h,
        ofx(
            line(3, "-44.00", "WHIMBREL TEAROOM 12") + line(13, "-22.00", "LAMPLIGHT TEAROOM"),
            "0.00"));
    var accepted = new ArrayList<String>();
    for (JsonNode line : known(h)) {
      accepted.add(
          "{\"lineId\":\"%s\",\"version\":%d,\"known\":{\"postingIds\":[\"%s\"],\"differenceTo\":\"%s\"}}"
              .formatted(
                  line.path("id").asString(),
                  line.path("version").asInt(),
                  line.at("/proposal/nearly/entry/postingId").asString(),
                  h.school().id()));
    }
    assertEquals(accepted.size(), 2);
    Api.Answer posted =
        h.api().post("/api/waiting-lines/post", "{\"lines\":[" + String.join(",", accepted) + "]}");
    assertEquals(posted.status(), 200, posted.json().toString());
    assertEquals(balance(h, h.school()), "6.00");
    assertEquals(balance(h, h.current()), "934.00");
    undo(h);
    assertEquals(balance(h, h.current()), "940.00");
  }

  @Test
  public void theEntryIsFoundByAPersonAndLinesByWhatTheySay() {
    Household h = found("finding");
    typed(h, 2, "Something for Tobias", -4_000, h.groceries());
    typed(h, 9, "Lanterns", -4_400, h.groceries());
    typed(h, 3, "Paid in", 4_400, h.pay());
    gather(
        h, ofx(line(28, "-44.00", "TANSY THREAD") + line(27, "-60.50", "NORTHGATE FUEL"), "0.00"));
    JsonNode page = h.api().get("/api/waiting-lines?text=northgate").json();
    assertEquals(page.path("count").asInt(), 1);
    assertEquals(page.at("/stacks/0/lines/0/text").asString(), "NORTHGATE FUEL");
    assertEquals(h.api().get("/api/waiting-lines?text=60.50").json().path("count").asInt(), 1);
    assertEquals(h.api().get("/api/waiting-lines?text=nothing").json().path("count").asInt(), 0);
    JsonNode byAmount =
        h.api().get("/api/waiting-lines?order=AMOUNT").json().at("/stacks/0/lines/0");
    assertEquals(byAmount.path("amount").asString(), "-60.50");

    JsonNode line = h.api().get("/api/waiting-lines?text=tansy").json().at("/stacks/0/lines/0");
    String path = "/api/waiting-lines/" + line.path("id").asString() + "/entries";
    JsonNode all = h.api().get(path).json();
    assertEquals(all.size(), 2);
    assertEquals(all.at("/0/entry/payee").asString(), "Lanterns");
    assertEquals(all.at("/0/beyond").asString(), "0.00");
    JsonNode tobias = h.api().get(path + "?text=tobias").json();
    assertEquals(tobias.size(), 1);
    assertEquals(tobias.at("/0/beyond").asString(), "-4.00");
    String known =
        "{\"postingIds\":[\"%s\"],\"differenceTo\":\"%s\"}"
            .formatted(tobias.at("/0/entry/postingId").asString(), h.school().id());
    Api.Answer posted = post(h, line, known);
    assertEquals(posted.status(), 200, posted.json().toString());
    assertEquals(balance(h, h.school()), "4.00");
    assertEquals(h.api().get(path).status(), 200);
  }
}
