package org.yewledger.app;

import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Objects;
import java.util.concurrent.atomic.AtomicInteger;
import javax.imageio.ImageIO;
import org.springframework.mock.web.MockHttpServletResponse;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Receipts: attached, waiting, drawn, handed out, and following what happens to entries. */
public class AttachmentTest extends AppTest {
  private static final AtomicInteger COLOURS = new AtomicInteger(1);

  private Household h;

  @BeforeClass
  void foundOne() {
    h = found("papers");
  }

  /** A picture that is like no other. */
  private static byte[] picture() throws IOException {
    var image = new BufferedImage(60, 40, BufferedImage.TYPE_INT_RGB);
    image.setRGB(3, 3, COLOURS.getAndIncrement());
    var bytes = new ByteArrayOutputStream();
    ImageIO.write(image, "png", bytes);
    return bytes.toByteArray();
  }

  private JsonNode entered(String payee) {
    return h.api()
        .post(
            "/api/entries",
            """
            {"day": "4 8 2026", "payee": "%s", "amount": "10", "fromId": "%s", "toId": "%s"}\
            """
                .formatted(payee, h.current().id(), h.groceries().id()))
        .json();
  }

  private static String id(JsonNode node) {
    return node.path("id").asString();
  }

  private JsonNode attached(String place, byte[] content) {
    Api.Answer answer = h.api().upload("/api/attachments" + place, "receipt.png", content, null);
    assertEquals(answer.status(), 201, answer.json().toString());
    return answer.json();
  }

  private JsonNode of(String place) {
    return h.api().get("/api/attachments" + place).json();
  }

  private Api.Answer put(JsonNode file, String place) {
    return h.api()
        .put(
            "/api/attachments/" + id(file) + "/place",
            "{\"version\":%d%s}".formatted(file.path("version").asInt(), place));
  }

  private void undo() {
    String act = h.api().get("/api/acts/next").json().at("/undo/id").asString();
    assertEquals(h.api().post("/api/acts/" + act + "/undo", "{}").status(), 200);
  }

  private MockHttpServletResponse raw(Household of, String path) throws Exception {
    return mvc.perform(get(path).with(Api.signedIn(of.owner()))).andReturn().getResponse();
  }

  @Test
  public void aReceiptIsKeptWithItsEntryAndFoundByIt() throws Exception {
    JsonNode entry = entered("Yarrow Books");
    byte[] content = picture();
    JsonNode file = attached("?entry=" + id(entry), content);
    assertEquals(of("?entry=" + id(entry)).size(), 1);
    JsonNode found = h.api().get("/api/entries?text=has:attachment%20payee:yarrow").json();
    assertEquals(found.at("/entries/0/attachments").asInt(), 1);
    assertEquals(
        h.api()
            .get("/api/entries?text=-has:attachment%20payee:yarrow")
            .json()
            .at("/entries")
            .size(),
        0);
    MockHttpServletResponse sent = raw(h, "/api/attachments/" + id(file) + "/file");
    assertEquals(sent.getContentAsByteArray(), content);
    assertEquals(sent.getContentType(), "image/png");
    assertTrue(
        Objects.requireNonNull(sent.getHeader("Content-Disposition")).startsWith("attachment;"));
    assertTrue(
        Objects.requireNonNull(sent.getHeader("Content-Security-Policy")).startsWith("sandbox;"));
    assertEquals(sent.getHeader("X-Content-Type-Options"), "nosniff");
    assertEquals(sent.getHeader("Cross-Origin-Resource-Policy"), "same-origin");
  }

  @Test
  public void itsPagesAreDrawnAsPicturesOfOurOwn() throws Exception {
    JsonNode file = attached("", picture());
    String pages = "/api/attachments/" + id(file) + "/pages";
    assertEquals(h.api().get(pages).json().path("drawn").asInt(), 1);
    for (int page = 0; page <= 1; page++) {
      MockHttpServletResponse drawn = raw(h, pages + "/" + page);
      assertEquals(drawn.getContentType(), "image/png");
      assertEquals(
          ImageIO.read(new ByteArrayInputStream(drawn.getContentAsByteArray())).getWidth(), 60);
    }
    assertEquals(raw(h, pages + "/2").getStatus(), 404);
  }

  @Test
  public void whatCannotBeDrawnIsKeptAndSaysSo() throws Exception {
    byte[] torn = "%PDF-1.4 and then nothing".getBytes(StandardCharsets.US_ASCII);
    JsonNode file = h.api().upload("/api/attachments", "torn.pdf", torn, null).json();
    JsonNode pages = h.api().get("/api/attachments/" + id(file) + "/pages").json();
    assertEquals(pages.path("drawn").asInt(), 0);
    assertTrue(pages.path("problem").asString().contains("Open the file"), pages.toString());
    assertEquals(raw(h, "/api/attachments/" + id(file) + "/file").getContentAsByteArray(), torn);
  }

  @Test
  public void whatIsNoReceiptIsRefusedAndNothingOfItIsKept() throws Exception {
    int before = of("").size();
    byte[] page = "<script>alert(1)</script>".getBytes(StandardCharsets.US_ASCII);
    assertEquals(
        h.api().upload("/api/attachments", "bill.pdf", page, null).problem(), "attachment-unknown");
    assertEquals(
        h.api().upload("/api/attachments", "bill.pdf", picture(), null).problem(),
        "attachment-misnamed");
    assertEquals(
        h.api().upload("/api/attachments", "none.pdf", new byte[0], null).problem(),
        "attachment-empty");
    byte[] large = new byte[(20 << 20) + 1];
    assertEquals(
        h.api().upload("/api/attachments", "large.pdf", large, null).problem(),
        "attachment-too-large");
    assertEquals(of("").size(), before);
  }

  @Test
  public void aReceiptComesFirstWaitsAndIsPutToItsEntry() throws Exception {
    byte[] content = picture();
    JsonNode file = attached("", content);
    assertEquals(
        h.api().upload("/api/attachments", "again.png", content, null).problem(),
        "attachment-known");
    JsonNode entry = entered("Tansy & Thread");
    JsonNode put = put(file, ",\"entryId\":\"%s\"".formatted(id(entry))).json();
    assertEquals(of("?entry=" + id(entry)).size(), 1);
    assertEquals(put(file, "").status(), 409, "seen before it was put there");
    assertEquals(put(put, "").status(), 200);
    assertEquals(of("?entry=" + id(entry)).size(), 0);
    undo();
    assertEquals(of("?entry=" + id(entry)).size(), 1);
    JsonNode now = of("?entry=" + id(entry)).path(0);
    String one = "/api/attachments/" + id(file);
    assertEquals(h.api().delete(one + "?version=" + now.path("version").asInt()).status(), 204);
    assertEquals(raw(h, one + "/file").getStatus(), 404);
    undo();
    assertEquals(raw(h, one + "/file").getContentAsByteArray(), content);
    assertTrue(
        h.api()
            .get("/api/acts?entry=" + id(entry))
            .json()
            .toString()
            .contains("Attached receipt.png"));
  }

  @Test
  public void anEntryThatIsDeletedLeavesItsReceiptWaitingAndUndoBringsBoth() throws Exception {
    JsonNode entry = entered("Otterdale Pool");
    JsonNode file = attached("?entry=" + id(entry), picture());
    String path = "/api/entries/" + id(entry);
    assertEquals(h.api().delete(path + "?version=" + entry.path("version").asInt()).status(), 204);
    assertTrue(of("").toString().contains(id(file)));
    undo();
    assertEquals(id(of("?entry=" + id(entry)).path(0)), id(file));
  }

  @Test
  public void theReceiptsOfAnEntryThatIsMergedGoWithIt() throws Exception {
    JsonNode stays = entered("Lamplight Cinema");
    JsonNode goes = entered("Lamplight Cinema");
    attached("?entry=" + id(stays), picture());
    attached("?entry=" + id(goes), picture());
    assertEquals(
        h.api()
            .post(
                "/api/entries/" + id(stays) + "/merge",
                "{\"version\":%d,\"goes\":\"%s\",\"goesVersion\":%d}"
                    .formatted(
                        stays.path("version").asInt(), id(goes), goes.path("version").asInt()))
            .status(),
        200);
    assertEquals(of("?entry=" + id(stays)).size(), 2);
    undo();
    assertEquals(of("?entry=" + id(stays)).size(), 1);
    assertEquals(of("?entry=" + id(goes)).size(), 1);
  }

  @Test
  public void whatIsAttachedToAWaitingLineGoesToTheEntryThatItBecomes() throws Exception {
    byte[] lines =
        "Date;Text;Amount\n2026-09-04;QUAY FERRIES;-48.20\n".getBytes(StandardCharsets.UTF_8);
    h.api().takeIn(h.current().id(), "a.csv", lines, null, false);
    JsonNode line = h.api().get("/api/waiting-lines").json().at("/stacks/0/lines/0");
    JsonNode file = attached("?line=" + id(line), picture());
    assertEquals(id(of("?line=" + id(line)).path(0)), id(file));
    JsonNode made = h.api().post("/api/waiting-lines/post", posting(line, h.school().id())).json();
    String entryId = h.api().get("/api/entries?text=ferries").json().at("/entries/0/id").asString();
    assertEquals(id(of("?entry=" + entryId).path(0)), id(file), made.toString());
    undo();
    JsonNode back = of("?line=" + id(line)).path(0);
    assertEquals(id(back), id(file));
    assertTrue(back.path("entryId").isMissingNode(), back.toString());
  }

  @Test
  public void anotherHouseholdSeesNothingOfIt() throws Exception {
    Household other = found("strangers");
    JsonNode entry = entered("Greengage Market");
    JsonNode file = attached("?entry=" + id(entry), picture());
    assertEquals(raw(other, "/api/attachments/" + id(file) + "/file").getStatus(), 404);
    assertEquals(raw(other, "/api/attachments/" + id(file) + "/pages/1").getStatus(), 404);
    assertEquals(other.api().get("/api/attachments?entry=" + id(entry)).json().size(), 0);
    assertEquals(
        other
            .api()
            .upload("/api/attachments?entry=" + id(entry), "a.png", picture(), null)
            .status(),
        404);
  }

  /** The statement itself: put away, it leaves its paper waiting; undone, it has it again. */
  @Test
  public void aStatementHasItsPaperAndLetsItGo() throws IOException {
    String paper =
        "{\"accountId\":\"%s\",\"closesOn\":\"2026-11-30\",\"closing\":\"5.00\"}"
            .formatted(h.current().id());
    JsonNode statement = h.api().post("/api/statements", paper).json();
    JsonNode file = attached("?statement=" + id(statement), picture());
    assertEquals(file.path("statementId").asString(), id(statement));
    assertEquals(of("?statement=" + id(statement)).size(), 1);
    int waiting = of("").size();
    String path = "/api/statements/" + id(statement);
    assertEquals(h.api().delete(path + "?version=0").status(), 204);
    assertEquals(of("").size(), waiting + 1);
    undo();
    assertEquals(of("?statement=" + id(statement)).size(), 1);
    assertEquals(of("").size(), waiting);
    JsonNode again = of("?statement=" + id(statement)).get(0);
    assertEquals(put(again, "").status(), 200);
    assertEquals(of("?statement=" + id(statement)).size(), 0);
    Api.Answer nowhere =
        h.api()
            .upload("/api/attachments?statement=" + h.groceries().id(), "x.png", picture(), null);
    assertEquals(nowhere.status(), 404);
  }
}
