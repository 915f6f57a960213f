package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.springframework.beans.factory.annotation.Autowired;
import org.testng.annotations.Test;
import org.yewledger.app.journal.EntryStore;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.ledger.Posting;
import org.yewledger.core.money.Amount;
import tools.jackson.databind.JsonNode;

/** Loans: the split of each payment, the table, what-ifs, and the lender's year. */
public class LoanTest extends AppTest {
  @Autowired EntryStore store;

  private static LocalDate today(Household h) {
    return LocalDate.parse(
        h.api().get("/api/due-items?through=2026-01-01").json().path("today").asString());
  }

  /** Borrows 10,000.00, three months ago. */
  private Account borrowed(Household h) {
    Account loan = account(h, "Home loan", "LOAN");
    Amount whole = Amount.ofMinor(1_000_000, loan.currency());
    var entry =
        new Entry(
            today(h).minusMonths(3),
            "Harbour Bank",
            "",
            Entry.Origin.BY_HAND,
            List.of(new Posting(h.current(), whole), new Posting(loan, whole.negated())));
    inAct(h, ActKind.TRANSFER, () -> store.add(List.of(entry)));
    return loan;
  }

  private String draft(Household h, Account loan, LocalDate first, String terms, String more) {
    return """
    {"version":0,"payee":"Harbour Bank","accountId":"%s","fromId":"%s","interestId":"%s","months":1,"lastDay":false,
     "first":"%s","shift":"NONE","count":"MONTHS","trusted":false,"terms":[%s]%s}\
    """
        .formatted(loan.id(), h.current().id(), h.school().id(), first, terms, more);
  }

  private static String terms(String payment) {
    return "{\"from\":\"2020-01-01\",\"rate\":\"12\",\"payment\":%s}".formatted(payment);
  }

  /** Its first payment is due on the first of next month. */
  private String told(Household h, Account loan) {
    Api.Answer told =
        h.api().post("/api/loans", draft(h, loan, firstDue(h), terms("\"1000.00\""), ""));
    assertEquals(told.status(), 201, told.toString());
    return told.json().path("id").asString();
  }

  private static LocalDate firstDue(Household h) {
    return today(h).withDayOfMonth(1).plusMonths(1);
  }

  private static List<String> rows(JsonNode page) {
    List<String> rows = new ArrayList<>();
    for (JsonNode year : page.at("/table/years")) {
      for (JsonNode row : year.path("rows")) {
        rows.add(
            "%s %s %s %s"
                .formatted(
                    row.path("kind").asString(),
                    row.path("interest").asString(),
                    row.path("repaid").asString(),
                    row.path("owed").asString()));
      }
    }
    return rows;
  }

  @Test
  public void eachPaymentIsSplitByWhatIsOwedOnItsDay() {
    Household h = found("loan-split");
    String id = told(h, borrowed(h));
    JsonNode page = h.api().get("/api/loans/" + id).json();
    assertEquals(
        rows(page).subList(0, 3),
        List.of(
            "EXTRA 0.00 -10000.00 10000.00",
            "DUE 100.00 900.00 9100.00",
            "DUE 91.00 909.00 8191.00"));
    assertEquals(page.at("/table/sum/owed").asString(), "0.00", page.toString());
    assertEquals(page.at("/table/sum/repaid").asString(), "10000.00");
    assertEquals(page.at("/table/sum/extra").asString(), "-10000.00");
    assertEquals(page.path("owed").asString(), "10000.00");
    JsonNode due =
        h.api().get("/api/due-items?through=" + firstDue(h).plusMonths(30)).json().path("items");
    assertEquals(due.size(), 11, due.toString());
    assertEquals(due.at("/10/amount").asString(), "-589.85");
  }

  @Test
  public void aPaymentIsEnteredWithItsSplitAndTakenBack() {
    Household h = found("loan-entered");
    String id = told(h, borrowed(h));
    String schedule = h.api().get("/api/loans/" + id).json().path("scheduleId").asString();
    Api.Answer entered =
        h.api()
            .post(
                "/api/schedules/%s/due-items".formatted(schedule),
                "{\"day\":\"%s\",\"on\":\"%s\",\"amount\":\"-1200.00\"}"
                    .formatted(firstDue(h), today(h)));
    assertEquals(entered.status(), 201, entered.toString());
    assertEquals(
        rows(h.api().get("/api/loans/" + id).json()).subList(1, 3),
        List.of("PAID 100.00 1100.00 8900.00", "DUE 89.00 911.00 7989.00"));
    undo(h);
    assertEquals(rows(h.api().get("/api/loans/" + id).json()).get(1), "DUE 100.00 900.00 9100.00");
    undo(h);
    assertEquals(h.api().get("/api/loans").json().size(), 0);
    assertEquals(h.api().get("/api/schedules").json().size(), 0);
  }

  private static void undo(Household h) {
    String act = h.api().get("/api/acts/next").json().at("/undo/id").asString();
    assertEquals(h.api().post("/api/acts/" + act + "/undo", "").status(), 200);
  }

  @Test
  public void itsScheduleIsChangedByItsTermsOnly() {
    Household h = found("loan-schedule");
    String id = told(h, borrowed(h));
    JsonNode page = h.api().get("/api/loans/" + id).json();
    String schedule = "/api/schedules/" + page.path("scheduleId").asString();
    assertEquals(h.api().delete(schedule + "?version=0").problem(), "schedule-of-loan");
    Account loan =
        founding.as(
            h.owner(),
            () -> charts.chart().account(UUID.fromString(page.path("accountId").asString())));
    String raised =
        terms("\"1000.00\"")
            + ",{\"from\":\"%s\",\"rate\":\"6\",\"payment\":\"900.00\"}"
                .formatted(firstDue(h).plusMonths(1));
    Api.Answer changed = h.api().put("/api/loans/" + id, draft(h, loan, firstDue(h), raised, ""));
    assertEquals(
        rows(changed.json()).subList(2, 4),
        List.of("DUE 91.00 809.00 8291.00", "DUE 41.46 858.54 7432.46"));
    assertEquals(
        h.api().put("/api/loans/" + id, draft(h, loan, firstDue(h), raised, "")).problem(),
        "changed-meanwhile");
    assertEquals(
        h.api().post("/api/loans", draft(h, loan, firstDue(h), raised, "")).problem(),
        "loan-twice");
    assertEquals(h.api().delete("/api/loans/" + id + "?version=1").status(), 204);
    assertEquals(h.api().get("/api/schedules").json().size(), 0);
  }

  @Test
  public void thePaymentFollowsFromTheEndThatIsAgreed() {
    Household h = found("loan-term");
    Account loan = borrowed(h);
    JsonNode page =
        h.api()
            .post(
                "/api/loans",
                draft(
                    h,
                    loan,
                    firstDue(h),
                    terms("null"),
                    ",\"lastOn\":\"%s\"".formatted(firstDue(h).plusMonths(11))))
            .json();
    // The annuity of 10,000 over twelve months at 1 % a month is 888.49.
    assertEquals(page.at("/terms/0/payment").asString(), "888.49", page.toString());
    assertEquals(page.at("/left/payments").asInt(), 12);
  }

  @Test
  public void anExtraPaymentIsTriedAndPutInThePlan() {
    Household h = found("loan-what-if");
    String id = told(h, borrowed(h));
    String extra = "{\"amount\":\"2000.00\",\"often\":\"ONCE\",\"from\":\"%s\",\"keep\":\"%s\"}";
    JsonNode sooner =
        h.api()
            .get(
                "/api/loans/%s/what-if?amount=2000.00&often=ONCE&from=%s&keep=PAYMENT"
                    .formatted(id, firstDue(h)))
            .json();
    assertEquals(sooner.at("/compared/left/payments").asInt(), 9, sooner.toString());
    assertEquals(rows(sooner).get(2), "PLANNED 0.00 2000.00 7100.00");
    assertEquals(sooner.at("/others/0/extra/keep").asString(), "END");
    Api.Answer planned =
        h.api()
            .post(
                "/api/loans/%s/extra-payments".formatted(id),
                "{\"fromId\":\"%s\",\"extra\":%s}"
                    .formatted(h.current().id(), extra.formatted(firstDue(h), "END")));
    assertEquals(planned.status(), 204, planned.toString());
    JsonNode page = h.api().get("/api/loans/" + id).json();
    assertEquals(rows(page).get(2), "PLANNED 0.00 2000.00 7100.00");
    assertEquals(page.at("/terms/1/payment").asString(), sooner.at("/others/0/payment").asString());
    assertEquals(page.at("/left/payments").asInt(), 11);
    undo(h);
    assertEquals(h.api().get("/api/loans/" + id).json().path("terms").size(), 1);
  }

  @Test
  public void aLendersYearIsHeldAgainstTheBooks() {
    Household h = found("loan-year");
    String id = told(h, borrowed(h));
    String year =
        "{\"after\":\"%s\",\"through\":\"%s\",\"owedBefore\":\"0.00\",\"paid\":\"-10000.00\",\"interest\":\"0.00\",\"owedAfter\":\"%s\",\"note\":\"letter\"}";
    LocalDate after = today(h).minusMonths(4);
    assertEquals(
        h.api()
            .put("/api/loans/%s/years".formatted(id), year.formatted(after, today(h), "9999.00"))
            .problem(),
        "year-not-in-itself");
    h.api().put("/api/loans/%s/years".formatted(id), year.formatted(after, today(h), "10000.00"));
    JsonNode kept = h.api().get("/api/loans/" + id).json().at("/lenderYears/0");
    assertTrue(kept.path("agrees").asBoolean(), kept.toString());
    assertEquals(kept.at("/books/owedAfter").asString(), "10000.00");
    assertEquals(kept.path("entries").asInt(), 1);
    h.api().delete("/api/loans/%s/years?through=%s".formatted(id, today(h)));
    assertEquals(h.api().get("/api/loans/" + id).json().path("lenderYears").size(), 0);
  }

  @Test
  public void whatNoLoanCanBeIsRefusedAndChangesNothing() {
    Household h = found("loan-refused");
    Account loan = borrowed(h);
    assertEquals(
        h.api().post("/api/loans", draft(h, loan, firstDue(h), terms("\"99.00\""), "")).problem(),
        "payment-below-interest");
    assertEquals(
        h.api().post("/api/loans", draft(h, loan, firstDue(h), terms("null"), "")).problem(),
        "payment-missing");
    assertEquals(
        h.api()
            .post("/api/loans", draft(h, h.current(), firstDue(h), terms("\"9.00\""), ""))
            .problem(),
        "not-a-loan");
    assertEquals(h.api().get("/api/loans").json().size(), 0);
    assertEquals(h.api().get("/api/schedules").json().size(), 0);
  }
}
