package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.UUID;
import org.testng.annotations.Test;
import org.yewledger.core.ledger.Account;
import tools.jackson.databind.JsonNode;

/** Budgets of categories by months, against what the books say. */
public class BudgetTest extends AppTest {
  private static void spend(Household h, String day, String amount, Account category) {
    Api.Answer entered =
        h.api()
            .post(
                "/api/entries",
                "{\"day\":\"%s\",\"base\":\"2026-10-10\",\"payee\":\"Greengage\",\"amount\":\"%s\",\"fromId\":\"%s\",\"toId\":\"%s\"}"
                    .formatted(day, amount, h.current().id(), category.id()));
    assertEquals(entered.status(), 201, entered.toString());
  }

  private static Api.Answer plan(Household h, Account category, String months, String amount) {
    String[] ends = months.split("\\.\\.");
    return h.api()
        .put(
            "/api/budgets/" + category.id(),
            "{\"first\":\"%s\",\"last\":\"%s\",\"amount\":%s,\"together\":false}"
                .formatted(ends[0], ends[ends.length - 1], amount));
  }

  private static JsonNode book(Household h, String month) {
    Api.Answer answer =
        h.api().get("/api/budgets?month=%s&book=%s".formatted(month, h.current().bookId()));
    assertEquals(answer.status(), 200, answer.toString());
    return answer.json().at("/books/0");
  }

  private static JsonNode row(JsonNode book, String name) {
    for (JsonNode group : book.path("groups")) {
      for (JsonNode row : group.path("rows")) {
        if (row.path("name").asString().equals(name)) {
          return row;
        }
      }
    }
    throw new AssertionError("no " + name + " in " + book);
  }

  private static void undo(Household h) {
    String act = h.api().get("/api/acts/next").json().at("/undo/id").asString();
    assertEquals(h.api().post("/api/acts/" + act + "/undo", "").status(), 200);
  }

  @Test
  public void broughtPlannedBookedAndLeftAddUpCategoryByCategory() {
    Household h = found("budgets");
    spend(h, "2026-08-04", "150.00", h.groceries());
    spend(h, "2026-09-03", "20.00", h.groceries());
    spend(h, "2026-09-03", "5.00", h.groceries());
    spend(h, "2026-09-09", "12.00", h.school());
    assertEquals(plan(h, h.groceries(), "2026-08..2026-12", "\"200.00\"").status(), 204);
    JsonNode book = book(h, "2026-09");
    JsonNode groceries = row(book, "Groceries");
    assertEquals(groceries.at("/month/brought").asString(), "0.00");
    assertEquals(groceries.at("/month/left").asString(), "175.00");
    assertEquals(groceries.path("year").asString(), "1000.00");
    assertEquals(groceries.path("days").size(), 1);
    assertEquals(groceries.at("/days/0/amount").asString(), "25.00");
    // What was spent without a plan stands in the sums too.
    assertFalse(row(book, "School").path("planned").asBoolean());
    assertEquals(book.at("/all/left").asString(), "163.00");
    assertEquals(book.at("/groups/0/left").asString(), "163.00");

    assertEquals(
        h.api()
            .put("/api/budgets/%s/carrying".formatted(h.groceries().id()), "{\"carries\":true}")
            .status(),
        204);
    JsonNode carried = row(book(h, "2026-09"), "Groceries");
    assertEquals(carried.at("/month/brought").asString(), "50.00");
    assertEquals(carried.at("/month/left").asString(), "225.00");
    undo(h);
    assertEquals(row(book(h, "2026-09"), "Groceries").at("/month/brought").asString(), "0.00");
    undo(h);
    assertFalse(row(book(h, "2026-09"), "Groceries").path("planned").asBoolean());
  }

  @Test
  public void severalMonthsArePlannedTogetherAndNeverTwice() {
    Household h = found("budget spans");
    spend(h, "2026-08-04", "300.00", h.groceries());
    String summer =
        "{\"first\":\"2026-08\",\"last\":\"2026-10\",\"amount\":\"900.00\",\"together\":true}";
    String path = "/api/budgets/" + h.groceries().id();
    assertEquals(h.api().put(path, summer).status(), 204);
    JsonNode september = row(book(h, "2026-09"), "Groceries");
    assertTrue(september.path("planned").asBoolean());
    assertEquals(september.at("/month/brought").asString(), "600.00");
    assertEquals(september.at("/month/planned").asString(), "0.00");
    assertEquals(plan(h, h.groceries(), "2026-10..2026-11", "\"5\"").problem(), "budget-overlaps");
    JsonNode year = h.api().get(path + "?month=2026-09").json().path("months");
    assertEquals(year.size(), 12);
    assertEquals(year.at("/8/first").asString(), "2026-08");
    assertEquals(year.at("/8/planned").asString(), "900.00");
    assertEquals(year.at("/7/booked").asString(), "300.00");
    assertEquals(plan(h, h.groceries(), "2026-08..2026-10", "null").status(), 204);
    assertFalse(row(book(h, "2026-08"), "Groceries").path("planned").asBoolean());
  }

  @Test
  public void aYearIsPlannedFromTheOneBeforeInOneAct() {
    Household h = found("budget year");
    spend(h, "2026-08-04", "131.96", h.groceries());
    String body = "{\"bookId\":\"%s\",\"month\":\"2027-03\"}".formatted(h.current().bookId());
    Api.Answer planned = h.api().post("/api/budgets/from-last-year", body);
    assertEquals(planned.json().path("categories").asInt(), 1, planned.toString());
    JsonNode august = row(book(h, "2027-08"), "Groceries");
    assertEquals(august.at("/month/planned").asString(), "135.00");
    assertEquals(august.path("year").asString(), "135.00");
    assertEquals(h.api().post("/api/budgets/from-last-year", body).problem(), "nothing-last-year");
    undo(h);
    assertEquals(book(h, "2027-08").path("groups").size(), 0);
  }

  @Test
  public void theIncomeStatementIsSeenBesideTheBudget() {
    Household h = found("budget beside");
    spend(h, "2026-08-04", "150.00", h.groceries());
    assertEquals(plan(h, h.groceries(), "2026-08..2026-09", "\"200.00\"").status(), 204);
    assertEquals(
        h.api()
            .put(
                "/api/budgets/" + h.school().id(),
                "{\"first\":\"2026-08\",\"last\":\"2026-10\",\"amount\":\"100.00\",\"together\":true}")
            .status(),
        204);
    String asked = "&span=MONTH&month=2026-08&every=WHOLE&beside=BUDGET&book=";
    JsonNode table =
        h.api()
            .get("/api/reports?kind=INCOME_STATEMENT" + asked + h.current().bookId())
            .json()
            .at("/tables/0");
    assertEquals(table.at("/columns/1/besides").asString(), "PLANNED", table.toString());
    String rows = table.path("rows").toString();
    assertTrue(rows.contains("[\"150.00\",\"200.00\"]"), rows);
    assertTrue(rows.contains("[\"0.00\",\"33.33\"]"), rows);
    assertEquals(
        h.api().get("/api/reports?kind=CASH_FLOW" + asked + h.current().bookId()).problem(),
        "no-budget-beside");
  }

  @Test
  public void aGroupIsPlannedTogetherAndItsPlannedCategoriesApart() {
    Household h = found("budget groups");
    Account together = account(h, "Getting about", "EXPENSE", null, true);
    Account inFuel = account(h, "Fuel", "EXPENSE", together, false);
    Account inBus = account(h, "Bus", "EXPENSE", together, false);
    spend(h, "2026-08-04", "30.00", inFuel);
    spend(h, "2026-08-05", "4.00", inBus);
    assertEquals(plan(h, together, "2026-08..2026-09", "\"50.00\"").status(), 204);
    JsonNode row = row(book(h, "2026-08"), "Getting about");
    assertEquals(row.at("/month/left").asString(), "16.00");
    assertEquals(row.path("holds").toString(), "[\"Fuel\",\"Bus\"]");
    assertEquals(row.path("days").size(), 2);
    JsonNode year = h.api().get("/api/budgets/%s?month=2026-08".formatted(together.id())).json();
    assertEquals(year.at("/months/7/booked").asString(), "34.00", year.toString());
    assertEquals(plan(h, inFuel, "2026-08", "\"40.00\"").status(), 204);
    JsonNode apart = book(h, "2026-08");
    assertEquals(row(apart, "Getting about").at("/month/left").asString(), "46.00");
    assertEquals(row(apart, "Fuel").at("/month/left").asString(), "10.00");
    assertEquals(apart.at("/all/booked").asString(), "34.00");
    assertEquals(apart.at("/groups/0/name").asString(), "Getting about");
    JsonNode report =
        h.api()
            .get(
                "/api/reports?kind=INCOME_STATEMENT&span=MONTH&month=2026-08&every=WHOLE&beside=BUDGET&book="
                    + h.current().bookId())
            .json();
    assertTrue(report.toString().contains("\"90.00\""), report.toString());
    undo(h);
    assertEquals(row(book(h, "2026-08"), "Getting about").at("/month/left").asString(), "16.00");
  }

  /** What is planned falls on the account that paid so far, in place of what was spent there. */
  @Test
  public void theForecastFollowsWhatIsPlanned() {
    Household h = found("budget forecast");
    LocalDate today = LocalDate.parse(h.api().get("/api/session").json().path("today").asString());
    YearMonth next = YearMonth.from(today).plusMonths(1);
    spend(h, next.minusMonths(2).atDay(4).toString(), "120.00", h.groceries());
    Account holiday = account(h, "Holiday", "SET_ASIDE", h.current(), false);
    spend(h, today.toString(), "100.00", holiday);
    String path =
        "/api/forecast?through=%s&book=%s".formatted(next.atEndOfMonth(), h.current().bookId());
    JsonNode before = h.api().get(path).json().at("/accounts/0");
    assertEquals(before.path("now").asString(), "880.00");
    assertEquals(before.path("setAside").asString(), "100.00");
    assertEquals(before.path("planned").asString(), "0.00");
    assertEquals(plan(h, h.groceries(), next.toString(), "\"300.00\"").status(), 204);
    assertEquals(plan(h, h.school(), next.toString(), "\"55.00\"").status(), 204);
    JsonNode page = h.api().get(path).json();
    JsonNode after = page.at("/accounts/0");
    assertEquals(after.path("planned").asString(), "300.00");
    assertEquals(after.path("inPlaceOf").asString(), "10.00");
    assertEquals(after.path("usualThrough"), before.path("usualThrough"));
    assertEquals(end(after), end(before).subtract(new BigDecimal("290.00")));
    // Nobody paid for school so far.
    assertEquals(page.path("plannedWithout").toString(), "[\"School\"]");
  }

  private static BigDecimal end(JsonNode forecast) {
    JsonNode days = forecast.path("days");
    return new BigDecimal(days.get(days.size() - 1).path("usual").asString());
  }

  @Test
  public void whatCannotBePlannedIsRefusedAtItsField() {
    Household h = found("budget refusals");
    Api.Answer below = plan(h, h.groceries(), "2026-08", "\"-1\"");
    assertEquals(below.problem(), "planned-below-zero");
    assertEquals(below.json().path("field").asString(), "amount");
    assertEquals(plan(h, h.groceries(), "2026-10..2026-08", "\"1\"").problem(), "span-backwards");
    assertEquals(plan(h, h.groceries(), "2026-08..2096-08", "\"1\"").problem(), "budget-too-long");
    assertEquals(plan(h, h.current(), "2026-08", "\"1\"").problem(), "budget-not-of-expenses");
    assertEquals(h.api().get("/api/budgets/" + UUID.randomUUID() + "?month=2026-08").status(), 404);
    assertEquals(plan(h, h.school(), "2026-08", "\"1\"").status(), 204);
    assertEquals(h.api().get("/api/budgets?month=2150-01").problem(), "span-too-long");
    Api.Answer merged =
        h.api()
            .post(
                "/api/accounts/%s/merge".formatted(h.school().id()),
                "{\"intoId\":\"%s\"}".formatted(h.groceries().id()));
    assertEquals(merged.problem(), "account-planned", merged.toString());
    assertEquals(plan(h, h.school(), "2026-08", "null").status(), 204);
    assertEquals(
        h.api()
            .post(
                "/api/accounts/%s/merge".formatted(h.school().id()),
                "{\"intoId\":\"%s\"}".formatted(h.groceries().id()))
            .status(),
        200);
  }
}
