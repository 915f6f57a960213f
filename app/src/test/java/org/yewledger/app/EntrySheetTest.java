package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import org.yewledger.app.platform.Role;
import tools.jackson.databind.JsonNode;

/** A person's own sheet of entries: mapped, previewed, and taken in whole or not at all. */
public class EntrySheetTest extends AppTest {
  private static final String SHEET =
      """
      Date,Shop,Amount,Category,Paid from,Note,Tags
      2026-08-03,Corner Shop,-12.50,Groceries,%1$s,feast,"a, b"
      2026-08-04,Baker,-3.00,Bread & Cakes,%1$s,,
      2026-08-05,Mill,-4.00,bread &  cakes,%1$s,,
      2026-08-28,Marram Council,900.00,Pay,%1$s,,
      """;
  private static final String SAID =
      "{\"side\":\"CATEGORY\",\"name\":\"Bread & Cakes\",\"make\":\"EXPENSE\"}";

  private Household h;

  @BeforeMethod
  void found() {
    h = found("sheet");
  }

  private String sheet() {
    return SHEET.formatted(h.current().name());
  }

  private String asked(String names, String more) {
    return "{\"bookId\":\"%s\",\"names\":[%s]%s}".formatted(h.current().bookId(), names, more);
  }

  private Api.Answer preview(String sheet, String asked) {
    return h.api()
        .uploadAsked(
            "/api/entry-sheet/preview", "past.csv", sheet.getBytes(StandardCharsets.UTF_8), asked);
  }

  private Api.Answer takeIn(Api api, String sheet, String asked) {
    return api.uploadAsked(
        "/api/entry-sheet", "past.csv", sheet.getBytes(StandardCharsets.UTF_8), asked);
  }

  private List<String> entries() {
    var entries = new ArrayList<String>();
    for (JsonNode e : h.api().get("/api/entries?order=no").json().path("entries")) {
      entries.add(
          "%s %s %s %s>%s"
              .formatted(
                  e.path("date").asString(),
                  e.path("payee").asString(),
                  e.path("amount").asString(),
                  e.path("from").asString(),
                  e.path("to").asString()));
    }
    return entries;
  }

  private String problem(Api.Answer answer) {
    return answer.json().path("type").asString().replaceFirst(".*:", "");
  }

  @Test
  public void itIsPreviewedAndNothingIsKept() {
    int before = entries().size();
    JsonNode open = preview(sheet(), asked("", "")).json();
    assertEquals(open.path("entryCount").asInt(), 2);
    JsonNode name = open.path("names").get(2);
    assertEquals(name.path("name").asString(), "Bread & Cakes");
    assertEquals(name.path("rows").asInt(), 2);
    assertFalse(name.path("known").asBoolean());

    JsonNode all = preview(sheet(), asked(SAID, "")).json();
    assertEquals(all.path("entryCount").asInt(), 4);
    assertEquals(all.path("problemCount").asInt(), 0);
    assertEquals(all.at("/totals/0/in").asString(), "900.00");
    assertEquals(all.at("/totals/0/out").asString(), "-19.50");
    assertEquals(all.at("/totals/0/sum").asString(), "880.50");
    assertEquals(all.at("/entries/1/category").asString(), "Bread & Cakes");
    assertEquals(entries().size(), before);
  }

  @Test
  public void itIsTakenInAsOneActAndTakenBackAsOne() {
    List<String> before = entries();
    JsonNode taken = takeIn(h.api(), sheet(), asked(SAID, "")).json();
    assertEquals(taken.path("entries").asInt(), 4, taken.toString());
    assertEquals(taken.path("categories").asInt(), 1);
    String current = h.current().name();
    List<String> added = new ArrayList<>(entries());
    added.removeAll(before);
    added.sort(String::compareTo);
    assertEquals(
        added,
        List.of(
            "2026-08-03 Corner Shop -12.50 %s>Groceries".formatted(current),
            "2026-08-04 Baker -3.00 %s>Bread & Cakes".formatted(current),
            "2026-08-05 Mill -4.00 %s>Bread & Cakes".formatted(current),
            "2026-08-28 Marram Council 900.00 %s>%s".formatted(h.pay().name(), current)));
    String act = h.api().get("/api/acts/next").json().at("/undo/id").asString();
    assertEquals(h.api().post("/api/acts/" + act + "/undo", "").status(), 200);
    assertEquals(entries(), before);
    assertTrue(
        preview(sheet(), asked("", "")).json().at("/names/2/accountId").isMissingNode(),
        "the category went with its entries");
  }

  @Test
  public void withOneBadRowNothingComes() {
    List<String> before = entries();
    String bad = sheet() + "2026-08-30,Shop,-1.005,Groceries,%s,,\n".formatted(h.current().name());
    JsonNode preview = preview(bad, asked(SAID, "")).json();
    assertEquals(preview.path("problemCount").asInt(), 1);
    assertEquals(preview.at("/problems/0/line").asInt(), 6);
    Api.Answer refused = takeIn(h.api(), bad, asked(SAID, ""));
    assertEquals(refused.status(), 422);
    assertEquals(refused.json().at("/rows/0/line").asInt(), 6, refused.json().toString());
    assertEquals(entries(), before);
    assertFalse(
        preview(sheet(), asked("", "")).json().at("/names/2/known").asBoolean(),
        "no category was left behind");
  }

  @Test
  public void whatIsOpenIsRefusedByItsName() {
    assertEquals(problem(takeIn(h.api(), sheet(), asked("", ""))), "sheet-name-open");
    String dates = sheet().replace("2026-08-0", "0").replace("2026-08-28", "08/08/2026");
    dates = dates.replaceAll("\n0(\\d)", "\n0$1/08/2026");
    assertEquals(problem(takeIn(h.api(), dates, asked(SAID, ""))), "layout-open");
    String plain = sheet().replace(",-", ",");
    assertEquals(problem(takeIn(h.api(), plain, asked(SAID, ""))), "layout-open");
    String total = sheet() + "Total,,880.50,,,,\n";
    assertTrue(takeIn(h.api(), total, asked(SAID, "")).json().toString().contains("no entry"));
  }

  @Test
  public void bySignOfItsCategoryASheetWithoutSignsIsRead() {
    String plain = sheet().replace(",-", ",");
    String layout =
        ",\"layout\":{\"meanings\":[],\"sign\":\"BY_CATEGORY\",\"leaveOutOthers\":false}";
    JsonNode read = preview(plain, asked(SAID, layout)).json();
    assertEquals(read.at("/totals/0/sum").asString(), "880.50", read.toString());
  }

  @Test
  public void whatMayBeThereIsAskedForAndLeftOut() {
    takeIn(h.api(), sheet(), asked(SAID, ""));
    List<String> once = entries();
    assertEquals(preview(sheet(), asked("", "")).json().path("alikeCount").asInt(), 4);
    assertEquals(problem(takeIn(h.api(), sheet(), asked("", ""))), "sheet-alike-open");
    JsonNode left =
        takeIn(
                h.api(),
                sheet() + "2026-08-29,Kiosk,-2.00,Groceries,%s,,\n".formatted(h.current().name()),
                asked("", ",\"alike\":\"LEAVE_OUT\""))
            .json();
    assertEquals(left.path("leftOut").asInt(), 4, left.toString());
    assertEquals(left.path("entries").asInt(), 1);
    assertEquals(entries().size(), once.size() + 1);
    JsonNode again = takeIn(h.api(), sheet(), asked("", ",\"alike\":\"TAKE_IN\"")).json();
    assertEquals(again.path("entries").asInt(), 4);
  }

  @Test
  public void aTransferThatStandsTwiceComesOnceIfThatIsSaid() {
    String current = h.current().name();
    String card = h.card().name();
    String both =
        """
        Date,Who,Amount,Category,Account
        2026-08-03,Card bill,-80.00,%2$s,%1$s
        2026-08-04,Card bill,80.00,%1$s,%2$s
        2026-08-05,Mill,-4.00,Groceries,%2$s
        """
            .formatted(current, card);
    JsonNode open = preview(both, asked("", "")).json();
    assertEquals(open.path("twinCount").asInt(), 1, open.toString());
    assertEquals(open.at("/entries/1/twin").asBoolean(), true);
    assertEquals(problem(takeIn(h.api(), both, asked("", ""))), "sheet-twins-open");

    String once = ",\"twins\":\"LEAVE_OUT\"";
    JsonNode left = preview(both, asked("", once)).json();
    assertEquals(left.path("entryCount").asInt(), 2);
    var sums = new TreeMap<String, String>();
    left.path("totals")
        .forEach(t -> sums.put(t.path("account").asString(), t.path("sum").asString()));
    assertEquals(sums, Map.of(current, "-80.00", card, "76.00"), "what comes to both of its ends");
    JsonNode taken = takeIn(h.api(), both, asked("", once)).json();
    assertEquals(taken.path("entries").asInt(), 2, taken.toString());
    assertEquals(taken.path("leftOut").asInt(), 1);
    assertEquals(
        preview(both, asked("", "")).json().path("twinCount").asInt(),
        1,
        "it came on another day than its twin, so it is not there already");
  }

  @Test
  public void theSheetOfTheNextYearIsReadAsThisOne() {
    String layout =
        ",\"layout\":{\"meanings\":[\"DATE\",\"PAYEE\",\"AMOUNT\",\"CATEGORY\",\"ACCOUNT\",\"IGNORE\",\"TAGS\"]"
            + ",\"dateOrder\":\"DAY_MONTH_YEAR\",\"decimalMark\":\"POINT\",\"sign\":\"OUT_IS_NEGATIVE\"}";
    String dated =
        sheet().replace("2026-08-28", "08/08/2026").replaceAll("2026-08-(\\d\\d)", "$1/08/2026");
    Api.Answer first = takeIn(h.api(), dated, asked(SAID, layout));
    assertEquals(first.status(), 201, first.toString());

    String next = dated.replace("/08/2026", "/09/2026");
    JsonNode read = preview(next, asked("", "")).json();
    assertTrue(read.at("/table/remembered").asBoolean());
    assertEquals(read.at("/table/layout/meanings/5").asString(), "IGNORE", "as it was said");
    assertEquals(read.path("firstDay").asString(), "2026-09-03");
    assertTrue(read.at("/names/2/asBefore").asBoolean(), read.toString());
    assertEquals(takeIn(h.api(), next, asked("", "")).json().path("entries").asInt(), 4);
    JsonNode other =
        preview(
                next,
                asked("", "")
                    .replace(h.current().bookId().toString(), h.press().bookId().toString()))
            .json();
    assertFalse(other.at("/table/remembered").asBoolean(), "another book is read by itself");
  }

  @Test
  public void whatANameMeantFollowsItsCategoryAndGoesWithItsEntries() {
    takeIn(h.api(), sheet(), asked(SAID, ""));
    JsonNode made = preview(sheet(), asked("", "")).json().at("/names/2");
    assertTrue(made.path("asBefore").asBoolean());
    Api.Answer merged =
        h.api()
            .post(
                "/api/accounts/" + made.path("accountId").asString() + "/merge",
                "{\"intoId\":\"%s\"}".formatted(h.groceries().id()));
    assertEquals(merged.status(), 200, merged.toString());
    assertEquals(
        preview(sheet(), asked("", "")).json().at("/names/2/accountId").asString(),
        h.groceries().id().toString());
    for (int step = 0; step < 2; step++) {
      String act = h.api().get("/api/acts/next").json().at("/undo/id").asString();
      assertEquals(h.api().post("/api/acts/" + act + "/undo", "").status(), 200);
    }
    assertFalse(preview(sheet(), asked("", "")).json().at("/names/2/known").asBoolean());
  }

  @Test
  public void aSheetWithLongNamesIsKnownToo() {
    var random = new Random(7);
    var header = new StringBuilder("Date,Who,Amount,Category,Account");
    for (int column = 0; column < 90; column++) {
      header.append(',');
      random.ints(70, 'a', 'z' + 1).forEach(header::appendCodePoint);
    }
    String row = "\n2026-08-03,Mill,-4.00,Groceries," + h.current().name() + ",".repeat(90) + "\n";
    Api.Answer first = takeIn(h.api(), header + row, asked("", ""));
    assertEquals(first.status(), 201, first.toString());
    JsonNode next = preview(header + row.replace("08-03", "08-04"), asked("", "")).json();
    assertTrue(next.at("/table/remembered").asBoolean());
  }

  @Test
  public void rowsWithoutANameAreAskedAboutInEachSheet() {
    String unnamed = "Date,Who,Amount,Category\n2026-08-03,Mill,-4.00,Groceries\n";
    String said =
        "{\"side\":\"ACCOUNT\",\"name\":\"\",\"accountId\":\"%s\"}".formatted(h.current().id());
    assertEquals(takeIn(h.api(), unnamed, asked(said, "")).status(), 201);
    assertFalse(preview(unnamed, asked("", "")).json().at("/names/0/known").asBoolean());
  }

  @Test
  public void aLookerTakesNothingIn() {
    Api looker = new Api(mvc, as(h, Role.READER));
    assertEquals(takeIn(looker, sheet(), asked(SAID, "")).status(), 403);
  }

  @Test
  public void anAccountOfAnotherHouseholdIsNotThere() {
    Household other = found("others");
    String said =
        "{\"side\":\"CATEGORY\",\"name\":\"Bread & Cakes\",\"accountId\":\"%s\"}"
            .formatted(other.groceries().id());
    assertEquals(takeIn(h.api(), sheet(), asked(said, "")).status(), 404);
  }
}
