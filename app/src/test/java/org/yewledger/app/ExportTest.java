package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import com.github.kagkarlsson.scheduler.task.ExecutionContext;
import com.github.kagkarlsson.scheduler.task.TaskInstance;
import com.github.kagkarlsson.scheduler.task.helper.RecurringTask;
import java.io.IOException;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Base64;
import java.util.List;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.mockito.Mockito;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpHeaders;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.security.test.context.TestSecurityContextHolder;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yewledger.app.platform.Role;
import org.yewledger.core.act.ActKind;
import org.yewledger.formats.camt.CamtReader;
import org.yewledger.formats.ofx.OfxReader;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Saved exports: in the form that is wanted, fetched by a token, written into a folder. */
public class ExportTest extends AppTest {
  private static final JsonMapper JSON = JsonMapper.builder().build();

  @Autowired private RecurringTask<Void> exportsTask;

  private Household h;

  @BeforeMethod
  void foundOne() {
    h = found("exports");
    entry("3 8 2026", "Corner Shop", "12.50");
    entry("4 8 2026", "=Mill", "3");
  }

  private void entry(String day, String payee, String amount) {
    String body =
        "{\"day\":\"%s\",\"payee\":\"%s\",\"amount\":\"%s\",\"fromId\":\"%s\",\"toId\":\"%s\"}"
            .formatted(day, payee, amount, h.current().id(), h.groceries().id());
    assertEquals(h.api().post("/api/entries", body).status(), 201);
  }

  private static String wanted(
      String of, @Nullable String account, String columns, String form, String delivery) {
    return """
    {"name":"For the adviser","of":"%s","filter":"","days":"EVERYTHING","columns":[%s],%s,"decimalComma":false%s%s}\
    """
        .formatted(
            of,
            columns,
            form.contains("dayForm") ? form : form + ",\"dayForm\":\"ISO\"",
            account == null ? "" : ",\"accountId\":\"" + account + "\"",
            delivery);
  }

  private static String columns(String... named) {
    return Stream.of(named)
        .map(n -> n.split("="))
        .map(n -> "{\"column\":\"%s\",\"title\":\"%s\"}".formatted(n[0], n[1]))
        .collect(java.util.stream.Collectors.joining(","));
  }

  private static String into(String file, String mode) {
    return """
    ,"delivery":{"file":"%s","mode":"%s","every":"DAY","on":1,"at":"06:00","zone":"Europe/Amsterdam"}\
    """
        .formatted(file, mode);
  }

  private static final String SOME = columns("DATE=Day", "PAYEE=Who", "AMOUNT=Sum", "ID=No");

  private String saved(String wanted) {
    Api.Answer answer = h.api().post("/api/exports", wanted);
    assertEquals(answer.status(), 201, answer.toString());
    return answer.json().asString();
  }

  private MockHttpServletResponse file(String id) throws Exception {
    return mvc.perform(
            MockMvcRequestBuilders.get("/api/exports/" + id + "/file")
                .with(Api.signedIn(h.owner())))
        .andReturn()
        .getResponse();
  }

  private String text(String id) throws Exception {
    return file(id).getContentAsString(StandardCharsets.UTF_8);
  }

  private Path folder() {
    return Path.of("target/exports", h.owner().householdId().toString());
  }

  private JsonNode kept() {
    return h.api().get("/api/exports").json().at("/exports/0");
  }

  private static String problem(Api.Answer answer) {
    return answer.json().path("type").asString().replaceFirst(".*:", "");
  }

  @Test
  public void columnsAreNamedOrderedAndWrittenAsWanted() throws Exception {
    String id = saved(wanted("ENTRIES", null, SOME, "\"format\":\"CSV\"", ""));
    List<String> rows = text(id).lines().toList();
    assertEquals(rows.getFirst(), "Day,Who,Sum,No");
    assertTrue(
        rows.get(rows.size() - 2).startsWith("2026-08-03,Corner Shop,-12.50,"), rows.toString());
    assertTrue(rows.getLast().startsWith("2026-08-04,'=Mill,-3.00,"), rows.toString());
    String changed =
        wanted("ENTRIES", null, SOME, "\"format\":\"CSV\",\"dayForm\":\"DOTS\"", "")
            .replace("\"decimalComma\":false", "\"decimalComma\":true")
            .replace("\"filter\":\"\"", "\"filter\":\"payee:corner\"");
    assertEquals(h.api().put("/api/exports/" + id + "?version=0", changed).status(), 204);
    assertEquals(text(id).lines().toList().getFirst(), "Day;Who;Sum;No");
    assertEquals(text(id).lines().count(), 2);
    assertTrue(text(id).contains("03.08.2026;Corner Shop;-12,50;"), text(id));
    // Somebody in another window has seen the one before.
    assertEquals(h.api().put("/api/exports/" + id + "?version=0", changed).status(), 409);
  }

  @Test
  public void thePartsOfEntriesAddUpToNothing() throws Exception {
    String id =
        saved(
            wanted(
                "POSTINGS",
                null,
                columns("DEBIT=Debit", "CREDIT=Credit", "ACCOUNT=Account", "CLASS=Class"),
                "\"format\":\"JSON\"",
                ""));
    BigDecimal sum = BigDecimal.ZERO;
    int rows = 0;
    for (JsonNode row : JSON.readTree(text(id))) {
      sum = sum.add(number(row, "Debit")).subtract(number(row, "Credit"));
      rows++;
    }
    assertTrue(rows >= 4);
    assertEquals(sum.signum(), 0);
    assertTrue(text(id).contains("\"Class\":\"expense\""), text(id));
  }

  private static BigDecimal number(JsonNode row, String name) {
    return row.path(name).isNumber() ? row.path(name).decimalValue() : BigDecimal.ZERO;
  }

  @Test
  public void bankLinesLeaveAsATableOrAsAStatement() throws Exception {
    String csv = "Date;Text;Amount\n2026-08-05;LEDGE BAKERY;-3.15\n2026-08-06;OTTER MILL;-4.25\n";
    h.api().takeIn(h.current().id(), "a.csv", csv.getBytes(StandardCharsets.UTF_8), null, false);
    String account = h.current().id().toString();
    String table =
        saved(
            wanted(
                "LINES",
                null,
                columns("DATE=Day", "TEXT=Text", "AMOUNT=Sum", "STATE=State", "ACCOUNT=Account"),
                "\"format\":\"CSV\"",
                ""));
    assertTrue(text(table).contains("2026-08-05,LEDGE BAKERY,-3.15,waiting,"), text(table));
    String some =
        saved(
            wanted("LINES", null, columns("TEXT=Text"), "\"format\":\"CSV\"", "")
                .replace("adviser", "baker")
                .replace("\"filter\":\"\"", "\"filter\":\"bakery  Ledge\""));
    assertEquals(text(some), "Text\r\nLEDGE BAKERY\r\n");
    String ofx =
        saved(wanted("LINES", account, "", "\"format\":\"OFX\"", "").replace("adviser", "one"));
    assertEquals(OfxReader.read(file(ofx).getContentAsByteArray()).getFirst().lines().size(), 2);
    String camt =
        saved(wanted("LINES", account, "", "\"format\":\"CAMT\"", "").replace("adviser", "two"));
    assertEquals(CamtReader.read(file(camt).getContentAsByteArray()).getFirst().lines().size(), 2);
    assertTrue(file(camt).getHeader(HttpHeaders.CONTENT_DISPOSITION).contains(".xml"));
  }

  @Test
  public void aTokenThatReadsFetchesItAndDoesNothingElse() throws Exception {
    String id = saved(wanted("ENTRIES", null, SOME, "\"format\":\"CSV\"", ""));
    String token =
        h.api()
            .post(
                "/api/session/tokens",
                "{\"name\":\"Sheet\",\"scope\":\"READ\",\"lastDay\":\"%s\"}"
                    .formatted(java.time.LocalDate.now(java.time.ZoneOffset.UTC).plusDays(30)))
            .json()
            .path("token")
            .asString();
    assertTrue(by("Bearer " + token, id).getContentAsString().contains("Corner Shop"));
    assertTrue(by(basic("anything:" + token), id).getContentAsString().contains("Corner Shop"));
    assertEquals(by(basic("anything:yew_none"), id).getStatus(), 401);
    assertEquals(by("Basic %%%", id).getStatus(), 401);
    TestSecurityContextHolder.clearContext();
    assertEquals(
        mvc.perform(
                MockMvcRequestBuilders.delete("/api/exports/" + id + "?version=0")
                    .header(HttpHeaders.AUTHORIZATION, basic("x:" + token)))
            .andReturn()
            .getResponse()
            .getStatus(),
        403);
  }

  private static String basic(String pair) {
    return "Basic " + Base64.getEncoder().encodeToString(pair.getBytes(StandardCharsets.UTF_8));
  }

  private MockHttpServletResponse by(String authorization, String id) throws Exception {
    // Nobody else is signed in on this thread.
    TestSecurityContextHolder.clearContext();
    return mvc.perform(
            MockMvcRequestBuilders.get("/api/exports/" + id + "/file")
                .header(HttpHeaders.AUTHORIZATION, authorization))
        .andReturn()
        .getResponse();
  }

  @Test
  public void rowsAreAddedToAFileOnceHoweverOftenItIsWritten() throws Exception {
    String id =
        saved(wanted("ENTRIES", null, SOME, "\"format\":\"CSV\"", into("taxes/all.csv", "APPEND")));
    String write = "/api/exports/" + id + "/write";
    int first = h.api().post(write, "").json().path("rows").asInt();
    assertTrue(first >= 2);
    Path file = folder().resolve("taxes/all.csv");
    String edited = Files.readString(file).replace("Corner Shop", "Corner Shop of old");
    Files.writeString(file, edited);
    entry("5 8 2026", "Kiosk", "1");
    assertEquals(h.api().post(write, "").json().path("rows").asInt(), 1);
    assertEquals(h.api().post(write, "").json().path("rows").asInt(), 0);
    String there = Files.readString(file);
    assertTrue(there.startsWith(edited), there);
    assertEquals(there.lines().count(), first + 2);

    String other =
        wanted(
            "ENTRIES",
            null,
            columns("ID=No"),
            "\"format\":\"CSV\"",
            into("taxes/all.csv", "APPEND"));
    assertEquals(h.api().put("/api/exports/" + id + "?version=0", other).status(), 204);
    Api.Answer refused = h.api().post(write, "");
    assertTrue(refused.toString().contains("other columns"), refused.toString());
    assertEquals(Files.readString(file), there);
  }

  @Test
  public void itIsWrittenWhenItsTimeComesAndSaysWhatWentWrong() throws Exception {
    saved(wanted("ENTRIES", null, SOME, "\"format\":\"XLSX\"", into("all.xlsx", "REPLACE")));
    assertTrue(kept().path("nextAt").asString().matches("\\d{4}-.*T0[45]:00:00Z"), "" + kept());
    Path file = folder().resolve("all.xlsx");
    due();
    assertFalse(Files.exists(file), "its time has not come");
    long before = System.currentTimeMillis();
    itsTimeComes();
    due();
    assertTrue(Files.size(file) > 1_000);
    assertTrue(kept().path("rows").asInt() >= 2);
    assertTrue(java.time.Instant.parse(kept().path("nextAt").asString()).toEpochMilli() > before);

    Files.delete(file);
    Files.createDirectories(file.resolve("in-the-way"));
    itsTimeComes();
    due();
    assertTrue(kept().path("problem").asString().contains("is a folder"), "" + kept());
    assertTrue(kept().path("rows").isMissingNode());
    assertEquals(
        h.api().get("/api/almanac?month=2026-08").json().at("/unwritten/0").asString(),
        "For the adviser");
    Files.delete(file.resolve("in-the-way"));
    Files.delete(file);
    itsFilterBecomes("colour:red");
    itsTimeComes();
    due();
    assertTrue(kept().path("problem").asString().contains("colour"), "" + kept());
    assertTrue(
        java.time.Instant.parse(kept().path("nextAt").asString()).toEpochMilli() > before,
        "it is not tried again at once");
    itsFilterBecomes("");
    itsTimeComes();
    due();
    assertTrue(Files.exists(file));
    assertTrue(kept().path("problem").isMissingNode());
    assertEquals(h.api().get("/api/almanac?month=2026-08").json().path("unwritten").size(), 0);
  }

  @SuppressWarnings("unchecked")
  private void due() {
    exportsTask.execute(
        new TaskInstance<>("exports", "recurring"), Mockito.mock(ExecutionContext.class));
  }

  /** As if a later version read queries otherwise. */
  private void itsFilterBecomes(String filter) {
    founding.as(
        h.owner(),
        () -> {
          acts.begin(ActKind.KEPT_VIEWS, "Another filter");
          return entities
              .createNativeQuery("update kept_export set filter = :filter")
              .setParameter("filter", filter)
              .executeUpdate();
        });
  }

  private void itsTimeComes() {
    founding.as(
        h.owner(),
        () ->
            entities
                .createNativeQuery("update export_run set next_at = now() - interval '1 minute'")
                .executeUpdate());
  }

  @Test
  public void twoExportsDoNotWriteIntoOneFile() {
    String csv = "\"format\":\"CSV\"";
    String first = wanted("ENTRIES", null, SOME, csv, into("all.csv", "REPLACE"));
    String id = saved(first);
    Api.Answer second =
        h.api()
            .post(
                "/api/exports",
                wanted("POSTINGS", null, SOME, csv, into("ALL.csv", "REPLACE"))
                    .replace("For the adviser", "For the bank"));
    assertEquals(problem(second), "export-file-shared", second.toString());
    assertTrue(second.toString().contains("For the adviser"), "it says whose the file is");
    Api.Answer changed = h.api().put("/api/exports/" + id + "?version=0", first);
    assertEquals(changed.status() / 100, 2, "its own file it keeps: " + changed);
  }

  @DataProvider
  public Object[][] refused() {
    String csv = "\"format\":\"CSV\"";
    return new Object[][] {
      {wanted("ENTRIES", null, SOME, csv, into("../out.csv", "REPLACE")), "export-file"},
      {
        wanted("ENTRIES", null, SOME, csv, into("taken/out.csv", "REPLACE")),
        "export-folder-unwritable"
      },
      {wanted("ENTRIES", null, columns("DATE=D"), csv, into("a.csv", "APPEND")), "export-append"},
      {
        wanted(
            "ENTRIES", null, SOME, csv, into("a.csv", "REPLACE").replace("Amsterdam", "Nowhere")),
        "unknown-zone"
      },
      {wanted("ENTRIES", null, SOME, "\"format\":\"OFX\"", ""), "export-format"},
      {
        wanted("ENTRIES", null, SOME, csv, "")
            .replace("\"filter\":\"\"", "\"filter\":\"colour:red\""),
        "query-unclear"
      },
    };
  }

  @Test(dataProvider = "refused")
  public void whatCannotBeIsRefusedAndNothingIsKept(String wanted, String code) throws IOException {
    Files.createDirectories(folder());
    Files.writeString(folder().resolve("taken"), "");
    Api.Answer answer = h.api().post("/api/exports", wanted);
    assertEquals(answer.status(), 422, answer.toString());
    assertEquals(problem(answer), code, answer.toString());
    assertEquals(h.api().get("/api/exports").json().path("exports").size(), 0);
    assertFalse(Files.exists(folder().resolve("../out.csv")));
  }

  @Test
  public void itIsGivenUpAndComesBackByUndo() {
    String id =
        saved(wanted("ENTRIES", null, SOME, "\"format\":\"CSV\"", into("a.csv", "REPLACE")));
    assertEquals(h.api().delete("/api/exports/" + id + "?version=0").status(), 204);
    assertEquals(h.api().get("/api/exports").json().path("exports").size(), 0);
    String act = h.api().get("/api/acts/next").json().at("/undo/id").asString();
    assertEquals(h.api().post("/api/acts/" + act + "/undo", "").status(), 200);
    assertEquals(kept().at("/wanted/columns").size(), 4);
    due();
    assertTrue(kept().has("nextAt"), "its time is known again");
  }

  @Test
  public void itGoesWithItsAccountAndOthersSeeNothingOfIt() throws Exception {
    String id = saved(wanted("LINES", h.card().id().toString(), "", "\"format\":\"OFX\"", ""));
    Household other = found("others");
    assertEquals(other.api().get("/api/exports/" + id + "/file").status(), 404);
    assertEquals(new Api(mvc, as(h, Role.READER)).get("/api/exports").status(), 200);
    assertEquals(
        new Api(mvc, as(h, Role.READER)).delete("/api/exports/" + id + "?version=0").status(), 403);
  }
}
