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
    undo(h);
    assertEquals(aside(h).path("setAside").asString(), "0.00");
  }

  private static void undo(Household h) {
    String act = h.api().get("/api/acts/next").json().at("/undo/id").asString();
    assertEquals(h.api().post("/api/acts/" + act + "/undo", "").status(), 200);
  }

  private static Api.Answer pays(Household h, Account purpose, Account category) {
    return pays(h, purpose, '"' + category.id().toString() + '"', false);
  }

  private static Api.Answer pays(
      Household h, Account purpose, String categories, boolean asPosted) {
    return h.api()
        .put(
            "/api/set-asides/%s/pays".formatted(purpose.id()),
            "{\"categories\":[%s],\"since\":\"2026-09-02\",\"asPosted\":%s}"
                .formatted(categories, asPosted));
  }

  private static Api.Answer takeOut(Household h) {
    return h.api()
        .post("/api/set-asides/%s/takings".formatted(h.current().id()), "{\"day\":\"2026-09-30\"}");
  }

  /**
   * Whatever is booked, changed or taken back meanwhile: nothing is taken out twice or forgotten.
   */
  @Test
  public void whatAPurposePaysForIsTakenOutOfIt() {
    Household h = found("taking");
    Account children = setAside(h, "Children");
    Account food = setAside(h, "Food");
    book(h, "Put aside", h.current(), children, 20_000);
    assertEquals(takeOut(h).problem(), "nothing-to-take");
    assertEquals(pays(h, children, h.school()).status(), 204);
    assertEquals(pays(h, food, h.school()).problem(), "pays-already");
    assertEquals(pays(h, food, h.card()).problem(), "pays-no-expense");
    assertEquals(pays(h, h.current(), h.groceries()).status(), 404);
    book(h, "Pinfold School", h.current(), h.school(), 6_200);
    // Paid from the purpose itself, or by the card: neither is taken out.
    book(h, "Pinfold School", children, h.school(), 1_000);
    book(h, "Pinfold School", h.card(), h.school(), 700);
    assertEquals(aside(h).path("toTakeOut").asString(), "62.00");
    assertEquals(aside(h).at("/purposes/0/pays/0/name").asString(), "School");
    Api.Answer taken = takeOut(h);
    assertEquals(taken.status(), 201, taken.toString());
    assertEquals(taken.json().path("placed").asString(), "62.00");
    assertEquals(aside(h).at("/purposes/0/stands").asString(), "128.00");
    assertEquals(aside(h).path("toTakeOut").asString(), "0.00");
    assertEquals(takeOut(h).problem(), "nothing-to-take");
    undo(h);
    assertEquals(aside(h).path("toTakeOut").asString(), "62.00");
    assertEquals(takeOut(h).status(), 201);
    // Part of it comes back.
    book(h, "Pinfold School", h.school(), h.current(), 1_200);
    assertEquals(aside(h).path("toTakeOut").asString(), "-12.00");
    assertEquals(takeOut(h).status(), 201);
    assertEquals(aside(h).at("/purposes/0/stands").asString(), "140.00");
    assertEquals(pays(h, food, h.groceries()).status(), 204);
    String path = "/api/accounts/%s?version=0".formatted(food.id());
    assertEquals(h.api().delete(path).problem(), "account-planned");
  }

  /**
   * What a purpose pays for may change: what was covered stays so, and nothing is counted again.
   */
  @Test
  public void whatWasTakenOutStaysSoWhateverPaysLater() {
    Household h = found("taking remembers");
    Account children = setAside(h, "Children");
    Account food = setAside(h, "Food");
    pays(h, children, h.school());
    EntryStore.Stored paid = book(h, "Pinfold School", h.current(), h.school(), 6_200);
    assertEquals(takeOut(h).status(), 201);
    pays(h, children, "", false);
    assertEquals(aside(h).path("toTakeOut").asString(), "0.00");
    pays(h, food, h.school());
    assertEquals(aside(h).path("toTakeOut").asString(), "0.00");
    book(h, "Pinfold School", h.current(), h.school(), 500);
    assertEquals(aside(h).at("/purposes/1/toTakeOut").asString(), "5.00");
    // A void is made up for by the one that paid.
    Api.Answer voided =
        h.api()
            .post(
                "/api/entries/%s/counter".formatted(paid.entry().id()),
                "{\"version\":0,\"how\":\"VOID\"}");
    assertTrue(voided.status() < 300, voided.toString());
    assertEquals(aside(h).at("/purposes/0/toTakeOut").asString(), "-62.00");
    assertEquals(aside(h).at("/purposes/1/toTakeOut").asString(), "5.00");
    assertEquals(takeOut(h).json().path("placed").asString(), "-57.00");
    assertEquals(aside(h).at("/purposes/0/stands").asString(), "0.00");
    assertEquals(takeOut(h).problem(), "nothing-to-take");
  }

  @Test
  public void aDivisionIsKeptByName() {
    Household h = found("division template");
    Account holiday = setAside(h, "Holiday");
    String path = "/api/set-asides/%s/templates".formatted(h.current().id());
    String draft = "{\"name\":\"%s\",\"placed\":[{\"accountId\":\"%s\",\"amount\":\"%s\"}]}";
    assertEquals(
        h.api().put(path, draft.formatted(" ", holiday.id(), "5")).problem(), "template-unnamed");
    assertEquals(
        h.api().put(path, draft.formatted("Pay", h.school().id(), "5")).problem(),
        "purpose-elsewhere");
    assertEquals(
        h.api().put(path, draft.formatted("Pay", holiday.id(), "0")).problem(), "division-empty");
    assertEquals(h.api().put(path, draft.formatted("Pay", holiday.id(), "5")).status(), 204);
    assertEquals(h.api().put(path, draft.formatted("pay", holiday.id(), "40.50")).status(), 204);
    JsonNode templates = aside(h).path("templates");
    assertEquals(templates.size(), 1);
    assertEquals(templates.at("/0/placed/0/amount").asString(), "40.50");
    String one = "/api/set-asides/templates/" + templates.at("/0/id").asString();
    assertEquals(h.api().delete(one).status(), 204);
    assertEquals(aside(h).path("templates").size(), 0);
    undo(h);
    assertEquals(aside(h).at("/templates/0/name").asString(), "pay");
    assertEquals(h.api().delete("/api/set-asides/templates/" + holiday.id()).status(), 404);
  }
}
