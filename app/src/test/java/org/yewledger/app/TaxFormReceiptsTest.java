package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import javax.imageio.ImageIO;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.testng.annotations.Test;
import org.yewledger.core.ledger.Account;
import tools.jackson.databind.JsonNode;

/** The receipts behind the lines of a tax form, counted and as one document. */
public class TaxFormReceiptsTest extends AppTest {
  private static final String YEAR = "span=YEAR&month=2026-08&every=WHOLE&beside=NOTHING";

  private static String enter(Household h, String payee, String amount, Account category) {
    Api.Answer entered =
        h.api()
            .post(
                "/api/entries",
                "{\"day\":\"2026-08-04\",\"payee\":\"%s\",\"amount\":\"%s\",\"fromId\":\"%s\",\"toId\":\"%s\"}"
                    .formatted(payee, amount, h.current().id(), category.id()));
    assertEquals(entered.status(), 201, entered.toString());
    return entered.json().path("id").asString();
  }

  private static void attach(Household h, String entry, String name, byte[] content) {
    Api.Answer attached = h.api().upload("/api/attachments?entry=" + entry, name, content, null);
    assertEquals(attached.status(), 201, attached.toString());
  }

  private static byte[] picture(int colour) throws IOException {
    var image = new BufferedImage(60, 40, BufferedImage.TYPE_INT_RGB);
    image.setRGB(3, 3, colour);
    var bytes = new ByteArrayOutputStream();
    ImageIO.write(image, "png", bytes);
    return bytes.toByteArray();
  }

  @Test
  public void aLinesReceiptsAreOneDocumentWithTheListBeforeThem() throws IOException {
    Household h = found("receipts");
    onLine(h, h.groceries(), "2 Materials");
    onLine(h, h.school(), "2 Materials");
    String paper = enter(h, "Fennel Paper", "40.00", h.groceries());
    attach(h, paper, "fennel.png", picture(1));
    attach(h, paper, "torn.pdf", "%PDF-1.4 and then nothing".getBytes(StandardCharsets.US_ASCII));
    enter(h, "Quince Inks", "2.50", h.school());

    JsonNode counts = h.api().get("/api/tax-form-receipts?" + YEAR).json();
    assertEquals(counts.size(), 1, counts.toString());
    assertEquals(counts.at("/0/entries").asInt(), 2);
    assertEquals(counts.at("/0/withReceipt").asInt(), 1);
    assertEquals(counts.at("/0/files").asInt(), 2);
    JsonNode without =
        h.api()
            .get("/api/entries?text=" + counts.at("/0/without").asString().replace(" ", "%20"))
            .json()
            .path("entries");
    assertEquals(without.size(), 1, without.toString());

    byte[] pdf = h.api().file("/api/tax-form-receipts/paper?of=EXPENSE&line=2%20Materials&" + YEAR);
    try (PDDocument document = Loader.loadPDF(pdf)) {
      assertEquals(document.getNumberOfPages(), 3);
      String text = new PDFTextStripper().getText(document);
      assertTrue(text.contains("2 Materials"), text);
      assertTrue(text.contains("42.50"), text);
      assertTrue(text.contains("fennel.png"), text);
      assertTrue(text.contains("torn.pdf"), text);
      assertTrue(text.contains("Open the file to see it"), text);
      assertEquals(document.getPage(1).getResources().getXObjectNames().iterator().hasNext(), true);
    }
  }

  @Test
  public void aLineThatIsNotThereIsNotFound() {
    Household h = found("no line");
    assertEquals(
        h.api().get("/api/tax-form-receipts/paper?of=EXPENSE&line=9%20Nothing&" + YEAR).status(),
        404);
    assertEquals(h.api().get("/api/tax-form-receipts?" + YEAR).json().size(), 0);
  }
}
