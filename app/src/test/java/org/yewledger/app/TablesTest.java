package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.nio.charset.StandardCharsets;
import java.util.List;
import org.springframework.http.HttpMethod;
import org.springframework.mock.web.MockHttpServletResponse;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Charts, opening balances and rules as tables, and copied from book to book. */
public class TablesTest extends AppTest {
  private static Api.Answer takeIn(Household h, String bookId, String table) {
    return h.api()
        .upload(
            "/api/books/" + bookId + "/chart-table",
            "chart.csv",
            table.getBytes(StandardCharsets.UTF_8),
            null);
  }

  private String download(Household h, String path) throws Exception {
    return mvc.perform(Api.plain(HttpMethod.GET, path).with(Api.signedIn(h.owner())))
        .andReturn()
        .getResponse()
        .getContentAsString(StandardCharsets.UTF_8);
  }

  @Test
  public void aChartGoesOutAndComesIntoAnotherHousehold() throws Exception {
    Household h = found("out");
    Household other = found("in");
    String table = download(h, "/api/books/" + h.current().bookId() + "/chart-table");
    assertTrue(table.contains("Harbour Current,current,,EUR,,4417"), table);
    assertTrue(table.contains("2026-08-01,1000.00"), table);
    String renamed =
        table.replace("Harbour", "Otter").replace("Quillon", "Vole").replace("Groceries", "Food");
    JsonNode taken = takeIn(other, other.current().bookId().toString(), renamed).json();
    assertEquals(taken.path("added").asInt(), 3);
    assertEquals(taken.path("known").asInt(), 2);
    JsonNode trial = other.api().get("/api/trial-balance?on=2026-12-31").json().get(0);
    assertEquals(trial.path("debit").asString(), "2000.00");
  }

  @Test
  public void everyBadRowIsListedAndNothingIsTakenIn() {
    Household h = found("rows");
    String table =
        """
        name,kind,group,currency,opens on,opening balance
        New savings,savings,,EUR,2026-08-01,50.00
        Groceries,income,,,,
        Bakery,expense,Fodder,,,
        Lone,wallet,,,,
        Far,current,,XQX,,
        Off,current,,EUR,2026-02-31,
        Much,card,,EUR,,12.5.0
        """;
    Api.Answer refused = takeIn(h, h.current().bookId().toString(), table);
    assertEquals(refused.problem(), "bad-rows");
    JsonNode rows = refused.json().path("rows");
    assertEquals(rows.size(), 6, rows.toString());
    assertTrue(!h.api().get("/api/accounts").json().toString().contains("New savings"));
    Api.Answer missing =
        takeIn(h, h.current().bookId().toString(), "title,kind\nNew savings,savings\n");
    assertEquals(missing.problem(), "unreadable-file");
  }

  @Test
  public void theTemplateCanBeTakenInAsItIs() throws Exception {
    Household h = found("template");
    String path = "/api/books/" + h.press().bookId() + "/chart-table";
    String template = download(h, path + "/template");
    JsonNode would =
        h.api()
            .upload(path + "/check", "t.csv", template.getBytes(StandardCharsets.UTF_8), null)
            .json();
    assertEquals(would.path("added").asInt(), 5);
    assertEquals(would.path("openings").asInt(), 2);
    assertEquals(takeIn(h, h.press().bookId().toString(), template).status(), 200);
  }

  @Test
  public void whatWasAgreedIsDownloadedAsATable() throws Exception {
    Household h = found("agreement table");
    gather(h, september());
    String table = download(h, "/api/statements/" + agree(h) + "/agreement-table");
    List<String> lines = table.lines().toList();
    assertEquals(lines.getFirst(), "date,no,payee,amount,state");
    assertEquals(lines.size(), 4);
    assertTrue(lines.stream().skip(1).allMatch(line -> line.endsWith(",agreed")), table);
  }

  @Test
  public void whatWasAgreedIsPrinted() throws Exception {
    Household h = found("agreement paper");
    gather(h, september());
    String path = "/api/statements/" + agree(h) + "/agreement-paper";
    MockHttpServletResponse answer =
        mvc.perform(Api.plain(HttpMethod.GET, path).with(Api.signedIn(h.owner())))
            .andReturn()
            .getResponse();
    assertEquals(answer.getContentType(), "application/pdf");
    assertEquals(
        answer.getHeader("Content-Disposition"), "attachment; filename=\"agreed-2026-09-30.pdf\"");
    String pdf = answer.getContentAsString(StandardCharsets.ISO_8859_1);
    assertTrue(pdf.startsWith("%PDF-"), pdf.substring(0, 20));
    assertTrue(pdf.contains("/Count 1"), "one page");
  }

  @Test
  public void rulesGoOutAndInAndCategoriesAreCopied() throws Exception {
    Household h = found("copy");
    h.api().post("/api/rules", RuleDrafts.out("GREENGAGE", "Greengage Market", h.groceries()));
    h.api()
        .post(
            "/api/tax-rates",
            "{\"bookId\":\"%s\",\"name\":\"standard\",\"steps\":[{\"from\":\"2024-01-01\",\"percent\":\"21\"}]}"
                .formatted(h.current().bookId()));
    String rules = download(h, "/api/books/" + h.current().bookId() + "/rule-table");
    assertTrue(
        rules.contains(
            "\"any text has the words \"\"GREENGAGE\"\" and paid out\",Greengage Market,Groceries,,,on,"),
        rules);
    String copy =
        "{\"fromId\":\"%s\",\"chart\":true,\"rules\":true,\"taxRates\":true}"
            .formatted(h.current().bookId());
    String path = "/api/books/" + h.press().bookId() + "/copy";
    JsonNode copied = h.api().post(path, copy).json();
    assertEquals(copied.path("categories").asInt(), 3);
    assertEquals(copied.path("rules").asInt(), 1);
    assertEquals(copied.path("taxRates").asInt(), 1);
    JsonNode again = h.api().post(path, copy).json();
    assertEquals(again.path("categories").asInt(), 0);
    assertEquals(again.path("rules").asInt(), 0);
    Api.Answer bad =
        h.api()
            .upload(
                "/api/books/" + h.current().bookId() + "/rule-table",
                "r.csv",
                "when,book to\nany text is \"\"\"X\"\"\",Nowhere\n,Groceries\n"
                    .getBytes(StandardCharsets.UTF_8),
                null);
    assertEquals(bad.json().path("rows").size(), 2);
  }
}
