package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.YearMonth;
import java.util.UUID;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.testng.annotations.Test;
import org.yewledger.app.act.Acts;
import org.yewledger.app.journal.ClosedMonths;
import org.yewledger.core.act.ActKind;
import tools.jackson.databind.JsonNode;

/** Sales tax by periods, from totals that are kept with the postings. */
public class TaxReturnTest extends AppTest {
  @Autowired private JdbcClient jdbc;
  @Autowired private Acts acts;
  @Autowired private ClosedMonths closed;

  private record Registered(Household h, String standard) {
    String book() {
      return h.current().bookId().toString();
    }

    JsonNode tax(String month) {
      Api.Answer answer = h.api().get("/api/sales-tax?month=" + month);
      assertEquals(answer.status(), 200, answer.toString());
      assertEquals(answer.json().path("tables").size(), 1);
      return answer.json().at("/tables/0");
    }

    Api.Answer giveBack(String month, String due) {
      return h.api()
          .post(
              "/api/sales-tax/returns",
              "{\"bookId\":\"%s\",\"month\":\"%s\",\"due\":\"%s\"}".formatted(book(), month, due));
    }

    String enter(String day, String amount, UUID from, UUID to) {
      Api.Answer entered =
          h.api()
              .post(
                  "/api/entries",
                  "{\"day\":\"%s\",\"base\":\"2026-10-10\",\"payee\":\"Greengage\",\"amount\":\"%s\",\"fromId\":\"%s\",\"toId\":\"%s\"}"
                      .formatted(day, amount, from, to));
      assertEquals(entered.status(), 201, entered.toString());
      return entered.json().path("id").asString();
    }
  }

  private Registered registered(String name) {
    Household h = found(name);
    String standard =
        h.api()
            .post(
                "/api/tax-rates",
                "{\"bookId\":\"%s\",\"name\":\"standard\",\"steps\":[{\"from\":\"2024-01-01\",\"percent\":\"21\"}]}"
                    .formatted(h.current().bookId()))
            .json()
            .path("id")
            .asString();
    String facts =
        "{\"name\":\"Household\",\"fiscalYearStartsIn\":1,\"taxNumber\":\"SL 1\",\"taxedFrom\":\"2026-01-01\",\"usualTaxRateId\":\"%s\",\"taxPeriod\":\"QUARTER\"}"
            .formatted(standard);
    Api.Answer changed =
        h.api().put("/api/books/%s?version=0".formatted(h.current().bookId()), facts);
    assertEquals(changed.status(), 204, changed.toString());
    return new Registered(h, standard);
  }

  /** In another way than triggers keep them: over the postings, pairing tax with its net. */
  private String apart(Household h) {
    return founding.as(
        h.owner(),
        () ->
            jdbc.sql(
                    """
                    select count(*)::text from (
                      select account_id, rate_id, month, net_minor, tax_minor from tax_month where (net_minor, tax_minor) <> (0, 0)
                      except
                      select account_id, rate_id, month, sum(net)::bigint, sum(tax)::bigint from (
                        select case tax_role when 'NET' then account_id
                                 else lag(account_id) over (partition by entry_id, tax_rate_id order by place) end as account_id,
                               tax_rate_id as rate_id, date_trunc('month', date)::date as month,
                               case tax_role when 'NET' then base_minor else 0 end as net,
                               case tax_role when 'TAX' then base_minor else 0 end as tax
                          from posting where tax_rate_id is not null) p group by 1, 2, 3) d\
                    """)
                .query(String.class)
                .single());
  }

  @Test
  public void aPeriodSaysWhatIsDueAndItsPartsAddUp() {
    Registered press = registered("due");
    Household h = press.h();
    press.enter("2026-08-03", "121.00", h.pay().id(), h.current().id());
    press.enter("2026-09-03", "12.10", h.current().id(), h.groceries().id());
    press.enter("2026-10-03", "24.20", h.current().id(), h.groceries().id());
    JsonNode tax = press.tax("2026-09");
    assertEquals(tax.path("first").asString(), "2026-07");
    JsonNode line = tax.at("/lines/0");
    assertEquals(line.path("sales").asString(), "100.00");
    assertEquals(line.path("collected").asString(), "21.00");
    assertEquals(line.path("purchases").asString(), "10.00");
    assertEquals(line.path("paid").asString(), "2.10");
    assertEquals(line.path("due").asString(), "18.90");
    assertEquals(
        line.path("salesQuery").asString(), "rate:standard category:Pay date:2026-07..2026-09");
    assertEquals(tax.path("due").asString(), "18.90");
    assertEquals(tax.at("/account/owed").asString(), "18.90");
    assertEquals(tax.at("/account/settled").asString(), "0.00");
    assertEquals(apart(h), "0");
    String csv =
        new String(h.api().file("/api/sales-tax/table?month=2026-09"), StandardCharsets.UTF_8);
    assertTrue(
        csv.contains(
            "Household,SL 1,rate,2026-07,2026-09,standard,21,EUR,100.00,21.00,10.00,2.10,18.90"),
        csv);
    assertEquals(groceries(h, "NET"), "10.00");
    assertEquals(groceries(h, "GROSS"), "12.10");
    assertEquals(groceries(h, "TAX"), "2.10");
    JsonNode found =
        h.api()
            .get("/api/entries?text=rate:standard%20date:2026-07..2026-09")
            .json()
            .path("entries");
    assertEquals(found.size(), 2, found.toString());
  }

  /** What the income statement of September says of them. */
  private static String groceries(Household h, String tax) {
    JsonNode page =
        h.api()
            .get(
                "/api/reports?kind=INCOME_STATEMENT&span=MONTH&month=2026-09&every=WHOLE&beside=NOTHING&tax="
                    + tax)
            .json();
    for (JsonNode row : page.at("/tables/0/rows")) {
      if (row.path("name").asString().equals("Groceries")) {
        return row.at("/amounts/0").asString();
      }
    }
    throw new AssertionError(page.toString());
  }

  @Test
  public void aReturnStaysAsItWasAndLaterChangesAreCorrections() {
    Registered press = registered("returned");
    Household h = press.h();
    press.enter("2026-08-03", "121.00", h.pay().id(), h.current().id());
    assertEquals(press.giveBack("2026-09", "20.00").problem(), "tax-changed");
    assertEquals(press.giveBack("2026-09", "21.00").status(), 204);
    assertEquals(press.giveBack("2026-08", "21.00").problem(), "returned-already");

    String late = press.enter("2026-09-29", "12.10", h.current().id(), h.groceries().id());
    JsonNode third = press.tax("2026-09");
    assertEquals(third.path("due").asString(), "18.90");
    assertEquals(third.at("/returned/due").asString(), "21.00");
    assertEquals(third.at("/returned/since").asString(), "-2.10");
    JsonNode fourth = press.tax("2026-12");
    assertEquals(fourth.path("lines").size(), 0);
    assertEquals(fourth.at("/corrections/0/paid").asString(), "2.10");
    assertEquals(fourth.path("due").asString(), "-2.10");

    // Taken out again, nothing is left to correct.
    assertEquals(h.api().delete("/api/entries/" + late + "?version=0").status(), 204);
    assertEquals(press.tax("2026-12").path("corrections").size(), 0);
    assertEquals(apart(h), "0");
  }

  @Test
  public void theLastReturnIsTakenBackAndUndoneLikeAnyAct() {
    Registered press = registered("undone");
    Household h = press.h();
    press.enter("2026-08-03", "121.00", h.pay().id(), h.current().id());
    assertEquals(press.giveBack("2026-09", "21.00").status(), 204);
    String id = press.tax("2026-09").at("/returned/id").asString();
    assertTrue(press.tax("2026-09").path("mayTakeBack").asBoolean());
    assertEquals(h.api().delete("/api/sales-tax/returns/" + id).status(), 204);
    assertTrue(press.tax("2026-09").path("returned").isMissingNode());
    String act = h.api().get("/api/acts/next").json().at("/undo/id").asString();
    assertEquals(h.api().post("/api/acts/" + act + "/undo", "").status(), 200);
    assertEquals(press.tax("2026-09").at("/returned/due").asString(), "21.00");
    assertEquals(h.api().delete("/api/sales-tax/returns/" + UUID.randomUUID()).status(), 404);
  }

  @Test
  public void aReturnStaysWhileTheMonthItEndsWithIsClosed() {
    Registered press = registered("closed with");
    Household h = press.h();
    press.enter("2026-08-03", "121.00", h.pay().id(), h.current().id());
    assertEquals(press.giveBack("2026-09", "21.00").status(), 204);
    String act = h.api().get("/api/acts/next").json().at("/undo/id").asString();
    String id = press.tax("2026-09").at("/returned/id").asString();
    closeSeptember(h);
    assertEquals(h.api().delete("/api/sales-tax/returns/" + id).problem(), "return-closed");
    Api.Answer undone = h.api().post("/api/acts/" + act + "/undo", "");
    assertTrue(undone.toString().contains("Open the month again first"), undone.toString());
    assertEquals(press.tax("2026-09").at("/returned/due").asString(), "21.00");
    assertFalse(press.tax("2026-09").path("mayTakeBack").asBoolean());
  }

  private void closeSeptember(Household h) {
    founding.as(
        h.owner(),
        () -> {
          acts.begin(ActKind.CLOSE_MONTH, "Closed September");
          YearMonth september = YearMonth.of(2026, 9);
          closed.close(h.current().bookId(), september, september, Instant.now());
          return true;
        });
  }

  @Test
  public void aPaymentComesBeforeAnythingWasTaxedToo() {
    Registered press = registered("paid first");
    String body =
        "{\"bookId\":\"%s\",\"month\":\"2026-08\",\"accountId\":\"%s\",\"date\":\"2026-09-20\",\"amount\":\"-21.00\",\"payee\":\"Tax office\"}"
            .formatted(press.book(), press.h().current().id());
    Api.Answer paid = press.h().api().post("/api/sales-tax/payments", body);
    assertEquals(paid.status(), 201, paid.toString());
    assertEquals(press.tax("2026-09").at("/account/owed").asString(), "21.00");
  }

  @Test
  public void aPaymentStandsOnTheAccountAndInNoPeriodsTax() {
    Registered press = registered("paid");
    Household h = press.h();
    press.enter("2026-08-03", "121.00", h.pay().id(), h.current().id());
    String body =
        "{\"bookId\":\"%s\",\"month\":\"2026-08\",\"accountId\":\"%s\",\"date\":\"2026-09-20\",\"amount\":\"21.00\",\"payee\":\"Tax office\"}";
    Api.Answer paid =
        h.api().post("/api/sales-tax/payments", body.formatted(press.book(), h.current().id()));
    assertEquals(paid.status(), 201, paid.toString());
    JsonNode tax = press.tax("2026-09");
    assertEquals(tax.path("due").asString(), "21.00");
    assertEquals(tax.at("/account/arose").asString(), "21.00");
    assertEquals(tax.at("/account/settled").asString(), "21.00");
    assertEquals(tax.at("/account/owed").asString(), "0.00");
    assertEquals(
        h.api()
            .post("/api/sales-tax/payments", body.formatted(press.book(), h.press().id()))
            .problem(),
        "payment-abroad");
    assertFalse(
        h.api()
            .get("/api/sales-tax?month=2026-09&book=" + h.press().bookId())
            .json()
            .toString()
            .contains("bookId"));
  }
}
