package org.yewledger.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.util.concurrent.atomic.AtomicInteger;
import javax.imageio.ImageIO;
import org.testng.annotations.Test;

/** Receipts: attached to entries and to lines, seen beside them, waiting for their entry. */
public class AttachmentsTest extends BrowserTest {
  private static final AtomicInteger COLOURS = new AtomicInteger(1);

  /** Each is another one: a file is kept once. */
  private static FilePayload receipt(String name) throws IOException {
    var image = new BufferedImage(200, 300, BufferedImage.TYPE_INT_RGB);
    image.setRGB(1, 1, COLOURS.getAndIncrement());
    var bytes = new ByteArrayOutputStream();
    ImageIO.write(image, "png", bytes);
    return new FilePayload(name, "image/png", bytes.toByteArray());
  }

  private static void choose(Page page, Runnable opens, FilePayload file) {
    page.waitForFileChooser(opens).setFiles(file);
  }

  private static Locator beside(Page page, String name) {
    return page.getByRole(AriaRole.COMPLEMENTARY, new Page.GetByRoleOptions().setName(name));
  }

  private static Locator page(Page page, String name) {
    return page.getByRole(AriaRole.IMG, new Page.GetByRoleOptions().setName(name));
  }

  @Test
  public void aReceiptIsAttachedByKeySeenBesideItsEntryAndDownloaded() throws IOException {
    Page page = signedIn();
    // A key is quicker than the driver begins to listen for choosers; it listens from now on.
    page.onFileChooser(chooser -> {});
    open(page, "/journal?month=2026-08");
    Locator row = rows(page, "Greengage Market").first();
    row.click();
    FilePayload file = receipt("greengage.png");
    choose(page, () -> page.keyboard().press("f"), file);
    assertThat(page.getByText("greengage.png is attached.")).isVisible();
    assertThat(row.getByRole(AriaRole.IMG, new Locator.GetByRoleOptions().setName("1 attachment")))
        .isVisible();
    button(page, "Look at greengage.png").click();
    assertThat(page(page, "greengage.png, page 1 of 1")).isVisible();
    assertNoViolations(page, "a receipt beside the journal");
    Download sent = page.waitForDownload(() -> link(page, "Open the file").click());
    org.testng.Assert.assertEquals(Files.readAllBytes(sent.path()), file.buffer);
    button(page, "Take it off").click();
    assertThat(page.getByText("greengage.png waits for its entry.")).isVisible();
    assertThat(button(page, "1 receipt")).isVisible();
    page.keyboard().press("Control+z");
    assertThat(row.getByRole(AriaRole.IMG, new Locator.GetByRoleOptions().setName("1 attachment")))
        .isVisible();
  }

  @Test
  public void aReceiptComesFirstAndIsPutToItsEntry() throws IOException {
    Page page = signedInAt("/journal?month=2026-08");
    rows(page, "Quay Ferries").first().waitFor();
    page.keyboard().press("r");
    Locator waiting = beside(page, "Receipts that wait");
    choose(
        page,
        () -> waiting.getByText("Attach a receipt").click(),
        new FilePayload("bill.png", "image/png", "no picture".getBytes(StandardCharsets.US_ASCII)));
    assertThat(page.getByText("bill.png is no PDF, JPEG, PNG or HEIC by its content.")).isVisible();
    choose(page, () -> waiting.getByText("Attach a receipt").click(), receipt("ferry.png"));
    assertThat(waiting).containsText("ferry.png");
    rows(page, "Quay Ferries").first().click();
    waiting.getByText("Attach to no.").click();
    assertThat(waiting).containsText("None waits for its entry.");
    assertThat(
            rows(page, "Quay Ferries")
                .first()
                .getByRole(AriaRole.IMG, new Locator.GetByRoleOptions().setName("1 attachment")))
        .isVisible();
  }

  @Test
  public void whatIsAttachedInPostGoesWithTheLineIntoTheJournal() throws IOException {
    Page page = signedInAt("/post");
    found(page, "HARROW HARDWARE").click();
    Locator line = beside(page, "Selected line");
    choose(page, () -> line.getByText("Attach a receipt").click(), receipt("hinges.png"));
    line.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Look at hinges.png"))
        .click();
    assertThat(page(page, "hinges.png, page 1 of 1")).isVisible();
    page.keyboard().press("Escape");
    assertThat(page.getByRole(AriaRole.DIALOG)).isHidden();
    line.getByText("Post this line").click();
    assertThat(page.getByText("posted as no.")).isVisible();
    open(page, "/journal?month=2026-09&every=1&text=has:attachment%20payee:harrow");
    assertThat(page.locator("tr[data-row]")).hasCount(1);
  }

  /** Whatever a dialog was opened for, the keys go on from there. */
  @Test
  public void theFocusComesBackToTheRowThatADialogWasOpenedOn() {
    Page page = signedInAt("/journal?month=2026-08");
    Locator row = rows(page, "Lamplight Cinema").first();
    row.click();
    page.keyboard().press("d");
    assertThat(page.getByRole(AriaRole.DIALOG)).isVisible();
    page.keyboard().press("Escape");
    assertThat(page.getByRole(AriaRole.DIALOG)).isHidden();
    assertThat(row).isFocused();
  }
}
