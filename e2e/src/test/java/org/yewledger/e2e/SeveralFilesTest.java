package org.yewledger.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.FileChooser;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.util.UUID;
import org.testng.annotations.Test;

/** Several files at once, a line in doubt, and a batch taken back; in a household of their own. */
public class SeveralFilesTest extends BrowserTest {
  private static final String OFX =
      """
      <OFX><BANKMSGSRSV1><STMTTRNRS><STMTRS><CURDEF>EUR</CURDEF>
      <BANKACCTFROM><ACCTID>NL00DEMO004417</ACCTID></BANKACCTFROM><BANKTRANLIST>
      <STMTTRN><DTPOSTED>20261002</DTPOSTED><TRNAMT>-40.00</TRNAMT><FITID>a</FITID><NAME>ATM HARBOUR SQ 3</NAME></STMTTRN>
      <STMTTRN><DTPOSTED>20261003</DTPOSTED><TRNAMT>-12.40</TRNAMT><FITID>b</FITID><NAME>GREENGAGE</NAME></STMTTRN>
      </BANKTRANLIST></STMTRS></STMTTRNRS></BANKMSGSRSV1></OFX>
      """;
  private static final String TABLE =
      "Date;Text;Amount\n13.10.2026;CARD FEE;-1,00\n14.10.2026;REFUND;2,50\n";
  private static final String AGAIN =
      "Date;Text;Amount\n02.10.2026;CASH AT THE SQUARE;-40,00\n13.10.2026;GREENGAGE;-5,00\n";

  private static FilePayload file(String name, String content) {
    return new FilePayload(name, "text/plain", content.getBytes(StandardCharsets.UTF_8));
  }

  private static void choose(Page page, FilePayload... files) {
    FileChooser chooser =
        page.waitForFileChooser(() -> button(page, "Choose files").first().click());
    chooser.setFiles(files);
  }

  @Test
  public void filesFindTheirAccountsDoubtIsDecidedAndABatchTakenBack() {
    Page page = window(1280, 800, ColorScheme.LIGHT);
    open(page, "/");
    NewHousehold.begin(page, UUID.randomUUID() + "@aldercott.example", "Files of Ellery");
    NewHousehold.fillIn(page);
    page.keyboard().press("Control+Enter");
    assertThat(heading(page, "Chart")).isVisible();
    open(page, "/gather?month=2026-10");

    choose(page, file("harbour.ofx", OFX), file("card.csv", TABLE), file("letter.txt", "Dear you"));
    assertThat(heading(page, "3 files")).isVisible();
    Locator files =
        page.getByRole(AriaRole.GRID, new Page.GetByRoleOptions().setName("Files to take in"));
    assertThat(files).containsText("Harbour Current");
    assertThat(files).containsText("cannot be read");
    rows(page, "card.csv").first().click();
    page.getByLabel("For account").first().fill("Quillon");
    page.keyboard().press("Enter");
    assertThat(page.getByText("2 files of 3 settled")).isVisible();
    assertNoViolations(page, "several files");
    button(page, "Take in 4 lines").click();
    assertThat(page.getByText("2 batches: 4 lines taken in")).isVisible();
    assertThat(heading(page, "letter.txt")).isVisible();
    page.keyboard().press("Escape");

    choose(page, file("card-again.csv", AGAIN));
    // The same column names were read for the card last time.
    assertThat(page.getByLabel("For account").first()).hasValue("Quillon Card");
    page.getByLabel("For account").first().fill("Harbour Current");
    page.keyboard().press("Enter");
    assertThat(page.getByText("doubtful, held back")).isVisible();
    button(page, "Take in 2 lines").click();
    assertThat(page.getByText("One line twice, or two?")).isVisible();
    assertNoViolations(page, "a doubt");
    page.keyboard().press("s");
    assertThat(page.getByText("The same line, kept once.")).isVisible();

    button(page, "Take back batch 1").click();
    button(page, "Take it back").click();
    assertThat(page.getByText("Batch 1: 2 lines taken back")).isVisible();
    assertThat(page.getByText("taken back", new Page.GetByTextOptions().setExact(true)).first())
        .isVisible();
  }
}
