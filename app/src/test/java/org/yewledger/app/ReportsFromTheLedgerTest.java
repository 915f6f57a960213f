package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.UUID;
import java.util.function.Predicate;
import org.springframework.http.HttpMethod;
import org.springframework.mock.web.MockHttpServletResponse;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/**
 * What the reports say, worked out anew from the rows of the general ledger as it is downloaded.
 */
public class ReportsFromTheLedgerTest extends AppTest {
  private static final String SPAN = "span=MONTH&month=2026-10&beside=NOTHING&every=";
  private static final List<String> MONEY = List.of("Harbour Current", "Quillon Card");
  private static final List<String> EXPENSES = List.of("Groceries", "School");

  /** A row of the file. */
  private record Row(String account, String date, BigDecimal debit, BigDecimal credit) {
    BigDecimal moved() {
      return debit.subtract(credit);
    }
  }

  private MockHttpServletResponse download(Household h, String path) throws Exception {
    return mvc.perform(Api.plain(HttpMethod.GET, path).with(Api.signedIn(h.owner())))
        .andReturn()
        .getResponse();
  }

  private List<Row> ledger(Household h) throws Exception {
    String csv =
        download(
                h,
                "/api/general-ledger/table?%sWHOLE&first=2026-07&last=2026-10&book=%s"
                    .formatted(SPAN, h.current().bookId()))
            .getContentAsString(StandardCharsets.UTF_8);
    return csv.lines()
        .skip(1)
        .map(line -> line.split(","))
        .map(cells ->
            new Row(cells[1], cells[2], new BigDecimal(cells[6]), new BigDecimal(cells[7])))
        .toList();
  }

  private static BigDecimal sum(List<Row> rows, Predicate<Row> which) {
    return rows.stream()
        .filter(which)
        .map(Row::moved)
        .reduce(new BigDecimal("0.00"), BigDecimal::add);
  }

  private static JsonNode table(Household h, String kind, String every) {
    return h.api()
        .get(
            "/api/reports?kind=%s&%s%s&first=2026-08&last=2026-10&book=%s"
                .formatted(kind, SPAN, every, h.current().bookId()))
        .json()
        .at("/tables/0");
  }

  private static Map<String, JsonNode> byName(JsonNode table) {
    Map<String, JsonNode> rows = new TreeMap<>();
    table
        .path("rows")
        .forEach(
            row -> rows.put(row.path("look").asString() + " " + row.path("name").asString(), row));
    return rows;
  }

  private static BigDecimal amount(JsonNode table, String row, int column) {
    JsonNode found = byName(table).get(row);
    return found == null
        ? new BigDecimal("0.00")
        : new BigDecimal(found.at("/amounts/" + column).asString());
  }

  @Test
  public void everyReportAgreesWithTheRowsOfTheLedger() throws Exception {
    Household h = found("recomputed");
    var random = new Random(1616);
    UUID[] accounts = {
      h.current().id(), h.card().id(), h.groceries().id(), h.school().id(), h.pay().id()
    };
    for (int i = 0; i < 60; i++) {
      int from = random.nextInt(accounts.length);
      int to = (from + 1 + random.nextInt(accounts.length - 1)) % accounts.length;
      String body =
          "{\"day\":\"2026-%02d-%02d\",\"base\":\"2026-10-10\",\"payee\":\"Greengage\",\"amount\":\"%s\",\"fromId\":\"%s\",\"toId\":\"%s\"}"
              .formatted(
                  8 + random.nextInt(3),
                  1 + random.nextInt(28),
                  BigDecimal.valueOf(1 + random.nextInt(90_000), 2).toPlainString(),
                  accounts[from],
                  accounts[to]);
      assertEquals(h.api().post("/api/entries", body).status(), 201);
    }
    List<Row> rows = ledger(h);
    assertEquals(sum(rows, row -> true).signum(), 0, "debits equal credits");

    JsonNode income = table(h, "INCOME_STATEMENT", "MONTH");
    JsonNode sheet = table(h, "BALANCE_SHEET", "MONTH");
    JsonNode flow = table(h, "CASH_FLOW", "MONTH");
    JsonNode own = table(h, "OWN", "MONTH");
    for (int column = 0; column < 3; column++) {
      String month = "2026-%02d".formatted(8 + column);
      Predicate<Row> within = row -> row.date().startsWith(month);
      Predicate<Row> through = row -> row.date().compareTo(month + "-31") <= 0;
      BigDecimal earned = sum(rows, within.and(row -> row.account().equals("Pay"))).negate();
      BigDecimal spent = sum(rows, within.and(row -> EXPENSES.contains(row.account())));
      assertEquals(amount(income, "SUM Income", column), earned);
      assertEquals(amount(income, "SUM Expenses", column), spent);
      assertEquals(amount(income, "TOTAL Result", column), earned.subtract(spent));
      assertEquals(amount(own, "TOTAL Spent", column), spent);
      for (String category : EXPENSES) {
        assertEquals(
            amount(income, "ACCOUNT " + category, column),
            sum(rows, within.and(row -> row.account().equals(category))));
      }
      BigDecimal worth = sum(rows, through.and(row -> MONEY.contains(row.account())));
      assertEquals(amount(sheet, "TOTAL Assets less liabilities", column), worth);
      assertEquals(amount(sheet, "TOTAL Equity", column), worth);
      assertEquals(amount(flow, "TOTAL Money after", column), worth);
      assertEquals(
          amount(flow, "SUM What it moved", column),
          sum(rows, within.and(row -> MONEY.contains(row.account()))));
    }
  }

  @Test
  public void theLedgerIsPrintedPostingByPosting() throws Exception {
    Household h = found("ledger paper");
    MockHttpServletResponse paper =
        download(h, "/api/general-ledger/paper?" + SPAN + "WHOLE&first=2026-07&last=2026-10");
    assertEquals(paper.getContentType(), "application/pdf");
    assertTrue(paper.getContentAsString(StandardCharsets.ISO_8859_1).startsWith("%PDF-"));
    MockHttpServletResponse workbook =
        download(h, "/api/general-ledger/workbook?" + SPAN + "WHOLE&first=2026-07&last=2026-10");
    assertTrue(workbook.getContentAsByteArray().length > 1_000);
  }
}
