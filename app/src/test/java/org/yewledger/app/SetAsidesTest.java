package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.springframework.beans.factory.annotation.Autowired;
import org.testng.annotations.Test;
import org.yewledger.app.chart.AccountBalances;
import org.yewledger.app.journal.EntryStore;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.ledger.Posting;
import org.yewledger.core.money.Amount;
import tools.jackson.databind.JsonNode;

/** A bank knows nothing of what is set aside in an account: it means the account with it. */
public class SetAsidesTest extends AppTest {
  private static final LocalDate DAY = LocalDate.of(2026, 9, 4);

  @Autowired AccountBalances balances;
  @Autowired EntryStore store;

  private static String draft(Household h, String parent, String name) {
    return """
    {"bookId":"%s","parentId":%s,"name":"%s","kind":"SET_ASIDE","currency":"EUR","group":false,
     "facts":{"number":"","tail":"","institution":"","webPage":"","contact":"","notes":"","pinned":false,"taxFormLine":""}}\
    """
        .formatted(h.current().bookId(), parent, name);
  }

  private Account setAside(Household h, String name) {
    return account(h, name, "SET_ASIDE", h.current(), false);
  }

  private EntryStore.Stored book(Household h, String payee, Account from, Account to, long minor) {
    var amount = Amount.ofMinor(minor, from.currency());
    List<Posting> postings = List.of(new Posting(from, amount.negated()), new Posting(to, amount));
    var entry = new Entry(DAY, payee, "", Entry.Origin.BY_HAND, postings);
    return inAct(h, ActKind.TRANSFER, () -> store.add(List.of(entry))).getFirst();
  }

  @Test
  public void itStandsInAnAccountAtABankAndItsBalanceIsPartOfTheBanks() {
    Household h = found("set-aside");
    assertEquals(
        h.api().post("/api/accounts", draft(h, "null", "Loose")).problem(), "set-aside-where");
    Account holiday = setAside(h, "Holiday");
    book(h, "Put aside", h.current(), holiday, 4_820);
    assertEquals(
        founding.as(h.owner(), () -> balances.of(h.current(), DAY)).amount().minor(), 95_180);
    assertEquals(
        founding.as(h.owner(), () -> balances.whole(h.current(), DAY)).amount().minor(), 100_000);
    assertEquals(
        h.api().post("/api/accounts/" + h.current().id() + "/close?version=0", "").problem(),
        "group-in-use");
  }

  @Test
  public void aStatementCoversTheAccountWithWhatIsSetAsideInIt() {
    Household h = found("set-aside-agrees");
    Account holiday = setAside(h, "Holiday");
    book(h, "Put aside", h.current(), holiday, 4_820);
    book(h, "Quay Ferries", holiday, h.school(), 2_000);
    JsonNode statement =
        h.api()
            .post(
                "/api/statements",
                "{\"accountId\":\"%s\",\"closesOn\":\"2026-09-30\",\"closing\":\"980.00\"}"
                    .formatted(h.current().id()))
            .json();
    String path = "/api/statements/" + statement.path("id").asString();
    var ids = new ArrayList<String>();
    int setAside = 0;
    for (JsonNode posting : h.api().get(path).json().path("postings")) {
      setAside += posting.path("setAside").asString("").equals("Holiday") ? 1 : 0;
      ids.add('"' + posting.path("postingId").asString() + '"');
    }
    assertEquals(ids.size(), 3, h.api().get(path).json().toString());
    assertEquals(setAside, 2);
    JsonNode left = h.api().get("/api/statements").json().at("/0/statements/0");
    assertEquals(left.path("toTick").asInt(), 3, left.toString());
    JsonNode sheet =
        h.api()
            .put(
                path + "/ticks",
                "{\"postingIds\":[%s],\"ticked\":true}".formatted(String.join(",", ids)))
            .json();
    assertEquals(sheet.path("difference").asString(), "0.00", sheet.toString());
    Api.Answer agreed = h.api().post(path + "/finish?version=" + sheet.path("version").asInt(), "");
    assertTrue(agreed.status() < 300, agreed.json().toString());
    assertEquals(h.api().get(path + "/agreement").json().path("postings").size(), 3);
  }

  @Test
  public void thePostingOfAnotherAccountIsNotTicked() {
    Household h = found("set-aside-elsewhere");
    Account holiday = setAside(h, "Holiday");
    EntryStore.Stored stored = book(h, "Put aside", h.card(), holiday, 500);
    String path =
        "/api/statements/"
            + h.api()
                .post(
                    "/api/statements",
                    "{\"accountId\":\"%s\",\"closesOn\":\"2026-09-30\",\"closing\":\"-5.00\"}"
                        .formatted(h.card().id()))
                .json()
                .path("id")
                .asString();
    String elsewhere = stored.postings().get(1).id().toString();
    assertEquals(
        h.api()
            .put(path + "/ticks", "{\"postingIds\":[\"%s\"],\"ticked\":true}".formatted(elsewhere))
            .status(),
        404);
    assertEquals(h.api().get(path).json().path("postings").size(), 1);
  }

  private static JsonNode aside(Household h) {
    return h.api().get("/api/set-asides?book=" + h.current().bookId()).json().path(0);
  }

  private static Api.Answer divide(Household h, String toPlace, Account... to) {
    List<String> placed = new ArrayList<>();
    for (int i = 0; i < to.length; i++) {
      placed.add(
          "{\"accountId\":\"%s\",\"amount\":\"%s\"}"
              .formatted(to[i].id(), i == 0 ? "30.00" : "-10.00"));
    }
    return h.api()
        .post(
            "/api/set-asides/%s/divisions".formatted(h.current().id()),
            "{\"day\":\"2026-09-25\",\"toPlace\":\"%s\",\"placed\":[%s]}"
                .formatted(toPlace, String.join(",", placed)));
  }

  @Test
  public void aPayPacketIsDividedAndTheBankSeesNoDifference() {
    Household h = found("division");
    assertTrue(aside(h).isMissingNode());
    Account holiday = setAside(h, "Holiday");
    Account roof = setAside(h, "Roof");
    assertEquals(divide(h, "20.00", holiday).problem(), "division-too-much");
    assertEquals(divide(h, "20.00", h.school()).problem(), "purpose-elsewhere");
    Api.Answer divided = divide(h, "50.00", holiday, roof);
    assertEquals(divided.status(), 201, divided.toString());
    JsonNode aside = aside(h);
    assertEquals(aside.path("setAside").asString(), "20.00");
    assertEquals(aside.path("free").asString(), "980.00");
    assertEquals(aside.path("whole").asString(), "1000.00");
    assertEquals(aside.path("lastDivided").asString(), "2026-09-25");
    assertEquals(aside.at("/purposes/0/lastTime").asString(), "30.00");
    assertEquals(aside.at("/purposes/1/stands").asString(), "-10.00");
    String act = h.api().get("/api/acts/next").json().at("/undo/id").asString();
    assertEquals(h.api().post("/api/acts/" + act + "/undo", "").status(), 200);
    assertEquals(aside(h).path("setAside").asString(), "0.00");
  }
}
