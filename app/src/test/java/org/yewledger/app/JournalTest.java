package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** A household with 260 posted lines: pages, balances and filters of journal and register. */
public class JournalTest extends AppTest {
  private static final int LINES = 260;
  private Household h;

  @BeforeClass
  void postManyLines() {
    h = found("journal");
    var csv = new StringBuilder("Date,Text,Amount\n");
    for (int i = 0; i < LINES; i++) {
      LocalDate day = LocalDate.of(2026, 8, 1).plusDays(i / 5);
      csv.append("%s,SHOP 100%% no_%d,-%d.50%n".formatted(day, i, 1 + i % 40));
    }
    Api.Answer taken =
        h.api()
            .takeIn(
                h.current().id(),
                "many.csv",
                csv.toString().getBytes(StandardCharsets.UTF_8),
                null,
                false);
    assertEquals(taken.json().path("newLines").asInt(), LINES, taken.json().toString());
    var lines = new ArrayList<String>();
    for (JsonNode line : h.api().get("/api/waiting-lines").json().at("/stacks/0/lines")) {
      lines.add(
          """
          {"lineId":"%s","version":0,"booking":{"payee":"%s","parts":[{"accountId":"%s","amount":"%s"}]}}\
          """
              .formatted(
                  line.path("id").asString(),
                  line.path("text").asString(),
                  h.groceries().id(),
                  line.path("amount").asString()));
    }
    Api.Answer posted =
        h.api().post("/api/waiting-lines/post", "{\"lines\":[" + String.join(",", lines) + "]}");
    assertEquals(posted.json().path("entryNos").size(), LINES);
  }

  private List<JsonNode> allPages(String path, String rows) {
    var all = new ArrayList<JsonNode>();
    String after = "";
    do {
      JsonNode page =
          h.api().get(path + (path.contains("?") ? "&" : "?") + "after=" + after).json();
      page.path(rows).forEach(all::add);
      after = page.path("next").asString("");
    } while (!after.isEmpty());
    return all;
  }

  @Test
  public void pagesOfTheJournalAreDisjointCompleteAndNewestFirst() {
    List<JsonNode> entries = allPages("/api/entries", "entries");
    assertEquals(entries.size(), LINES + 1);
    var numbers = new HashSet<Long>();
    String before = "9999-12-31";
    for (JsonNode entry : entries) {
      assertTrue(numbers.add(entry.path("no").asLong()));
      assertTrue(entry.path("date").asString().compareTo(before) <= 0);
      before = entry.path("date").asString();
    }
  }

  @Test
  public void theRegistersBalanceRunsOverItsPages() {
    List<JsonNode> rows = allPages("/api/accounts/" + h.current().id() + "/register", "rows");
    assertEquals(rows.size(), LINES + 1);
    for (int i = 0; i + 1 < rows.size(); i++) {
      BigDecimal out = new BigDecimal(rows.get(i).path("out").asString("0"));
      BigDecimal in = new BigDecimal(rows.get(i).path("in").asString("0"));
      BigDecimal before = new BigDecimal(rows.get(i + 1).path("balance").asString());
      assertEquals(
          new BigDecimal(rows.get(i).path("balance").asString()),
          before.add(in).subtract(out),
          "row " + i);
    }
    assertEquals(rows.getLast().path("balance").asString(), "1000.00");
    assertEquals(rows.getLast().path("otherSide").asString(), "Opening equity");
  }

  @Test
  public void balancesStayRightUnderAQueryAndFromADayOn() {
    String register = "/api/accounts/" + h.current().id() + "/register";
    Map<String, String> balances = new HashMap<>();
    List<JsonNode> all = allPages(register, "rows");
    all.forEach(r -> balances.put(r.path("postingId").asString(), r.path("balance").asString()));
    for (String query :
        List.of("amount:>5", "no:20..60", "opening", "-groceries", "date:2026-08-10")) {
      List<JsonNode> found = allPages(register + "?text=" + query.replace(">", "%3E"), "rows");
      assertTrue(!found.isEmpty() && found.size() < all.size(), query + " finds " + found.size());
      for (JsonNode row : found) {
        assertEquals(
            row.path("balance").asString(),
            balances.get(row.path("postingId").asString()),
            query + ", no. " + row.path("entryNo"));
      }
      JsonNode totals = h.api().get(register + "/totals?text=" + query.replace(">", "%3E")).json();
      assertEquals(totals.path("count").asInt(), found.size(), query);
    }
    List<JsonNode> from = allPages(register + "?at=2026-08-12", "rows");
    assertEquals(from.getFirst().path("date").asString(), "2026-08-12");
    assertEquals(
        from.getFirst().path("balance").asString(),
        balances.get(from.getFirst().path("postingId").asString()));
  }

  /** Each order has every posting once, in that order, with the balance that it has by day. */
  @Test
  public void aRegisterIsSortedByEveryColumnAndItsBalancesStay() {
    String register = "/api/accounts/" + h.current().id() + "/register";
    Map<String, String> balances = new HashMap<>();
    allPages(register, "rows")
        .forEach(r -> balances.put(r.path("postingId").asString(), r.path("balance").asString()));
    Map<String, Function<JsonNode, BigDecimal>> sorted =
        Map.of(
            "amount",
            JournalTest::amount,
            "date",
            r -> new BigDecimal(r.path("date").asString().replace("-", "")));
    for (String column : List.of("date", "amount", "payee", "state")) {
      for (String order : List.of(column, "-" + column)) {
        List<JsonNode> rows = allPages(register + "?order=" + order, "rows");
        assertEquals(rows.size(), balances.size(), order);
        Map<String, String> seen = new HashMap<>();
        rows.forEach(r -> seen.put(r.path("postingId").asString(), r.path("balance").asString()));
        assertEquals(seen, balances, order);
        if (sorted.containsKey(column)) {
          List<BigDecimal> by = rows.stream().map(sorted.get(column)).toList();
          Comparator<BigDecimal> way = Comparator.naturalOrder();
          assertEquals(
              by, by.stream().sorted(order.equals(column) ? way : way.reversed()).toList(), order);
        }
      }
    }
    assertEquals(h.api().get(register + "?order=colour").problem(), "bad-order");
    assertEquals(h.api().get(register + "?order=amount&after=x.y").problem(), "bad-page");
  }

  private static BigDecimal amount(JsonNode row) {
    return new BigDecimal(row.path("in").asString("0"))
        .subtract(new BigDecimal(row.path("out").asString("0")));
  }

  @Test
  public void aMonthABookAndATextNarrowIt() {
    assertEquals(
        h.api().get("/api/entries/totals?month=2026-08").json().path(0).path("count").asInt(), 155);
    assertEquals(
        h.api()
            .get("/api/entries/totals?book=" + h.press().bookId())
            .json()
            .path(0)
            .path("count")
            .asInt(),
        0);
    assertEquals(
        h.api().get("/api/entries/totals?text=opening").json().path(0).path("count").asInt(), 1);
    assertEquals(
        h.api().get("/api/entries/totals?text=GROCER").json().path(0).path("count").asInt(), LINES);
  }

  @Test
  public void signsOfSearchPatternsAreTakenLiterally() {
    assertEquals(
        h.api().get("/api/entries/totals?text=100%25").json().path(0).path("count").asInt(), LINES);
    assertEquals(
        h.api().get("/api/entries/totals?text=no_25").json().path(0).path("count").asInt(), 11);
    assertEquals(
        h.api().get("/api/entries/totals?text=noX25").json().path(0).path("count").asInt(), 0);
    assertEquals(h.api().get("/api/entries/totals?text=!").json().path(0).path("count").asInt(), 0);
  }

  @Test
  public void anEntryIsFoundByItsNumberAndReadByItself() {
    JsonNode entry = h.api().get("/api/entries?text=1").json().at("/entries/0");
    JsonNode alone = h.api().get("/api/entries/" + entry.path("id").asString()).json();
    assertEquals(alone, entry);
    assertEquals(alone.at("/books/0/postings").size(), 2);
  }

  @Test
  public void theTrialBalanceOfADayWithinAMonthCountsUpToThatDay() {
    JsonNode first = h.api().get("/api/trial-balance?on=2026-08-01").json().get(0);
    JsonNode last = h.api().get("/api/trial-balance?on=2026-08-31").json().get(0);
    assertEquals(debitOf(first, "Groceries"), "17.50");
    assertTrue(new BigDecimal(debitOf(last, "Groceries")).compareTo(new BigDecimal("1000")) > 0);
    for (JsonNode trial : List.of(first, last)) {
      assertEquals(trial.path("debit").asString(), trial.path("credit").asString());
    }
    assertEquals(
        h.api().get("/api/trial-balance?on=2026-07-30").json().get(0).path("rows").size(), 0);
  }

  private static String debitOf(JsonNode trial, String account) {
    for (JsonNode row : trial.path("rows")) {
      if (row.path("accountName").asString().equals(account)) {
        return row.path("debit").asString();
      }
    }
    throw new AssertionError("no row of " + account);
  }
}
