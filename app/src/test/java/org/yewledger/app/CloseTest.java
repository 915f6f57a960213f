package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Months that are closed: when they can be, and that nothing in them changes. */
public class CloseTest extends AppTest {
  private static JsonNode book(Household h, String month) {
    JsonNode books = h.api().get("/api/closed-months?month=" + month).json();
    for (JsonNode book : books) {
      if (book.path("bookId").asString().equals(h.current().bookId().toString())) {
        return book;
      }
    }
    throw new AssertionError("no book in " + books);
  }

  private static String of(Household h, String month, String more) {
    return "{\"bookId\":\"%s\",\"month\":\"%s\"%s}".formatted(h.current().bookId(), month, more);
  }

  private static Api.Answer close(Household h, String month) {
    return h.api().post("/api/closed-months", of(h, month, ""));
  }

  private static Api.Answer reopen(Household h, String month, String because) {
    return h.api()
        .post("/api/closed-months/reopen", of(h, month, ",\"because\":\"%s\"".formatted(because)));
  }

  private static Api.Answer enter(Household h, String day) {
    return h.api()
        .post(
            "/api/entries",
            """
            {"day":"%s","base":"2026-09-10","payee":"Greengage","amount":"5","fromId":"%s","toId":"%s"}\
            """
                .formatted(day, h.current().id(), h.groceries().id()));
  }

  /** Nothing was on the card. */
  private static void agreeCard(Household h) {
    String body =
        "{\"accountId\":\"%s\",\"closesOn\":\"2026-09-30\",\"closing\":0}".formatted(h.card().id());
    String id = h.api().post("/api/statements", body).json().path("id").asString();
    assertEquals(h.api().post("/api/statements/" + id + "/finish?version=0", "").status(), 200);
  }

  @Test
  public void whatIsNotAgreedIsNotClosedAndSaysWhatIsLeft() {
    Household h = found("close early");
    gather(h, september());
    JsonNode book = book(h, "2026-09");
    assertFalse(book.path("ready").asBoolean());
    assertFalse(book.path("closed").asBoolean());
    Api.Answer refused = close(h, "2026-09");
    assertEquals(refused.problem(), "month-not-ready");
    String why = refused.json().path("detail").asString();
    assertTrue(why.contains("Harbour Current") && why.contains("3 lines wait"), why);
  }

  @Test
  public void nothingInAClosedMonthChangesUntilItIsOpenedWithTheReason() {
    Household h = found("close");
    gather(h, september());
    agree(h);
    agreeCard(h);
    JsonNode before = book(h, "2026-09");
    assertTrue(before.path("ready").asBoolean(), before.toString());
    assertEquals(before.path("entries").asInt(), 4, "the opening balance among them");
    assertEquals(close(h, "2026-09").status(), 204);
    JsonNode closed = book(h, "2026-09");
    assertTrue(closed.path("closed").asBoolean());
    assertEquals(closed.path("closedThrough").asString(), "2026-09");
    assertTrue(book(h, "2026-08").path("closed").asBoolean(), "all before it are closed too");
    assertEquals(close(h, "2026-09").problem(), "month-closed-already");
    assertEquals(close(h, "2026-08").problem(), "month-closed-already");

    assertEquals(enter(h, "2026-09-12").problem(), "month-closed");
    assertEquals(enter(h, "2026-10-01").status(), 201);

    assertEquals(reopen(h, "2026-09", "").problem(), "reason-missing");
    assertEquals(reopen(h, "2026-10", "a slip").problem(), "month-open");
    assertEquals(reopen(h, "2026-09", "a bill came late").status(), 204);
    assertFalse(book(h, "2026-09").path("closed").asBoolean());
    assertTrue(book(h, "2026-08").path("closed").asBoolean());
    String words = h.api().get("/api/acts").json().at("/acts/0/words").asString();
    assertTrue(words.endsWith("a bill came late"), words);
  }

  @Test
  public void closingIsUndoneAndDoneAgain() {
    Household h = found("close undone");
    gather(h, september());
    agree(h);
    agreeCard(h);
    close(h, "2026-09");
    String act = h.api().get("/api/acts/next").json().at("/undo/id").asString();
    assertEquals(h.api().post("/api/acts/" + act + "/undo", "").status(), 200);
    assertFalse(book(h, "2026-09").path("closed").asBoolean());
    assertFalse(book(h, "2026-08").path("closed").asBoolean());
    String redo = h.api().get("/api/acts/next").json().at("/redo/id").asString();
    assertEquals(h.api().post("/api/acts/" + redo + "/undo", "").status(), 200);
    assertTrue(book(h, "2026-08").path("closed").asBoolean());
  }

  @Test
  public void aFiscalYearIsOneDocumentThatSaysHowFarItIsClosed() throws IOException {
    Household h = found("year pack");
    gather(h, september());
    agree(h);
    agreeCard(h);
    assertTrue(yearPack(h).contains("No month of it is closed yet"));
    close(h, "2026-09");
    String pack = yearPack(h);
    assertTrue(pack.contains("It is closed through September 2026"), pack);
    assertTrue(pack.contains("Income statement, Household"), pack);
    assertTrue(pack.contains("Balance sheet, Household"), pack);
    assertTrue(pack.contains("Cash flow, Household"), pack);
    // The book is not registered, and no category is on a line of a form.
    assertFalse(pack.contains("Sales tax, Household"), pack);
    assertFalse(pack.contains("Tax form"), pack);
  }

  private static String yearPack(Household h) throws IOException {
    String path = "/api/closed-months/year-pack?month=2026-09&book=" + h.current().bookId();
    try (PDDocument document = Loader.loadPDF(h.api().file(path))) {
      return new PDFTextStripper().getText(document);
    }
  }
}
