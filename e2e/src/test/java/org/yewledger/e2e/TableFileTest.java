package org.yewledger.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.FileChooser;
import com.microsoft.playwright.JSHandle;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Map;
import org.testng.annotations.Test;

/** Files of tables, and files that are nothing of the kind. */
public class TableFileTest extends BrowserTest {

  @Test
  public void aTableIsMappedCorrectedAndTakenIn() {
    Page page = signedInAt("/gather");
    chooseFile(page, "Kestrel Current", SAMPLES.resolve("kestrel-2208-2026-09.csv"));
    assertThat(page.getByLabel("Meaning of Booked")).hasText("Date");
    assertThat(page.getByLabel("Meaning of Credit")).hasText("In");
    assertThat(page.getByLabel("Decimal mark")).hasText("decimal comma");
    assertThat(page.getByText("settles.")).isVisible();

    choose(page.getByLabel("Date order"), "month day year");
    assertThat(page.getByRole(AriaRole.ALERT)).containsText("not a day of the calendar");
    assertThat(button(page, "Take in")).isDisabled();
    choose(page.getByLabel("Date order"), "day month year");
    assertThat(page.getByRole(AriaRole.ALERT)).isHidden();

    button(page, "Take in 15 lines").click();
    assertThat(page.getByText("15 lines taken in")).isVisible();
    assertThat(page.getByRole(AriaRole.ROW).filter(hasText("Kestrel Current")).first())
        .containsText("here, 30 Sep");
  }

  @Test
  public void whatTheFileLeavesOpenIsAskedOneByOne() {
    Page page = signedInAt("/gather");
    choose(
        page,
        "open.csv",
        "Date;Text;Amount;Note\n03/04/2026;Ladder;12.34;a\n05/06/2026;Paint;23.45;b\n");
    page.getByLabel("For account").first().fill("Kestrel Current");
    assertThat(
            page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName("Kestrel Current")))
        .isVisible();
    page.keyboard().press("Enter");
    assertThat(page.getByLabel("Date order")).hasText("choose the order");
    assertThat(page.getByLabel("Sign of money out")).hasText("choose: no amount has a minus");
    choose(page.getByLabel("Meaning of Note"), "Reference");
    assertThat(page.getByLabel("Date order")).hasText("choose the order");
    choose(page.getByLabel("Sign of money out"), "without a minus");
    assertThat(page.getByLabel("Sign of money out")).hasText("without a minus");
    assertThat(page.getByLabel("Date order")).hasText("choose the order");
    assertThat(button(page, "Take in")).isDisabled();
    choose(page.getByLabel("Date order"), "day month year");
    assertThat(page.getByLabel("Meaning of Note")).hasText("Reference");
    assertThat(button(page, "Take in 2 lines")).isEnabled();
  }

  @Test
  public void rowsThatAreNoLinesAreShownAndLeftOutWhenThePersonSaysSo() {
    Page page = signedInAt("/gather");
    choose(
        page,
        "total.csv",
        "Date;Text;Amount\n2026-09-04;Ladder;-12.34\n2026-09-05;Paint;-23.45\nTotal;;-35.79\n");
    page.getByLabel("For account").first().fill("Kestrel Current");
    assertThat(
            page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName("Kestrel Current")))
        .isVisible();
    page.keyboard().press("Enter");
    assertThat(page.getByText("Row 4")).isVisible();
    assertThat(button(page, "Take in")).isDisabled();
    button(page, "Leave it out").click();
    assertThat(button(page, "Take in 2 lines")).isEnabled();
  }

  @Test
  public void aFileIsDroppedOntoItsAccount() throws java.io.IOException {
    Page page = signedInAt("/gather");
    Locator row = page.getByRole(AriaRole.ROW).filter(hasText("Harbour Savings")).first();
    row.waitFor();
    String text = java.nio.file.Files.readString(SAMPLES.resolve("harbour-9023-2026-09.ofx"));
    JSHandle dropped =
        page.evaluateHandle(
            "text => { const d = new DataTransfer(); d.items.add(new File([text], 'savings.ofx'));"
                + " return d }",
            text);
    row.dispatchEvent("dragenter", Map.of("dataTransfer", dropped));
    assertThat(page.getByText("Let go to read the file")).isVisible();
    row.dispatchEvent("drop", Map.of("dataTransfer", dropped));
    assertThat(heading(page, "savings.ofx")).isVisible();
    assertThat(page.getByLabel("For account").first()).hasValue("Harbour Savings");
    button(page, "Take in 2 lines").click();
    assertThat(page.getByText("2 lines taken in, 0 known already")).isVisible();
  }

  @Test
  public void aFileThatIsNoStatementIsToldFromOneThatIsBroken() {
    Page page = signedInAt("/gather");
    choose(page, "letter.pdf", "%PDF-1.7 Dear customer");
    assertThat(page.getByRole(AriaRole.ALERT)).containsText("letter.pdf: This is a PDF");
    assertThat(page.getByRole(AriaRole.ALERT)).containsText("Nothing was taken in");
    page.keyboard().press("Escape");

    choose(
        page,
        "broken.ofx",
        "OFXHEADER:100\n\n"
            + "<OFX><STMTRS><CURDEF>EUR\n"
            + "<BANKACCTFROM><ACCTID>4417</BANKACCTFROM>\n"
            + "<STMTTRN><DTPOSTED>20260231<TRNAMT>1</STMTTRN></STMTRS></OFX>");
    assertThat(page.getByRole(AriaRole.ALERT))
        .containsText("Line 5, DTPOSTED: \u201c20260231\u201d is not a day of the calendar");
  }

  @Test
  public void aFileOverTheLimitIsRefusedByItsSize() throws java.io.IOException {
    Page page = signedInAt("/gather");
    Path huge = java.nio.file.Files.createTempFile("huge", ".csv");
    java.nio.file.Files.writeString(
        huge, "Date;Text;Amount\n" + "01.09.2026;x;1,00\n".repeat(3_600_000));
    FileChooser chooser =
        page.waitForFileChooser(() -> button(page, "Choose files").first().click());
    chooser.setFiles(huge);
    assertThat(page.getByRole(AriaRole.ALERT)).containsText("over 60 MB");
    java.nio.file.Files.delete(huge);
  }

  private static Locator.FilterOptions hasText(String text) {
    return new Locator.FilterOptions().setHasText(text);
  }

  private static void choose(Page page, String name, String content) {
    FileChooser chooser =
        page.waitForFileChooser(() -> button(page, "Choose files").first().click());
    chooser.setFiles(new FilePayload(name, "text/plain", content.getBytes(StandardCharsets.UTF_8)));
  }
}
