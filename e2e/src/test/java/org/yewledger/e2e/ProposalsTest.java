package org.yewledger.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import org.testng.annotations.Test;

/** What is proposed for a line is taken, changed, or left out, with the reason in sight. */
public class ProposalsTest extends BrowserTest {
  private static Locator inspector(Page page) {
    return page.getByRole(
        AriaRole.COMPLEMENTARY, new Page.GetByRoleOptions().setName("Selected line"));
  }

  private static void gather(Page page, String account, String number, String line) {
    String ofx =
        """
        <?xml version="1.0" encoding="UTF-8" standalone="no"?>
        <?OFX OFXHEADER="200" VERSION="220" SECURITY="NONE" OLDFILEUID="NONE" NEWFILEUID="NONE"?>
        <OFX><BANKMSGSRSV1><STMTTRNRS><TRNUID>0</TRNUID><STATUS><CODE>0</CODE><SEVERITY>INFO</SEVERITY></STATUS>
        <STMTRS><CURDEF>EUR</CURDEF><BANKACCTFROM><BANKID>DEMO</BANKID><ACCTID>%s</ACCTID><ACCTTYPE>CHECKING</ACCTTYPE>
        </BANKACCTFROM><BANKTRANLIST><DTSTART>20261001</DTSTART><DTEND>20261004</DTEND>%s</BANKTRANLIST></STMTRS>
        </STMTTRNRS></BANKMSGSRSV1></OFX>
        """
            .formatted(number, line);
    page.waitForFileChooser(() -> button(page, "Choose files for " + account).click())
        .setFiles(
            new FilePayload(
                "october.ofx", "application/x-ofx", ofx.getBytes(StandardCharsets.UTF_8)));
    button(page, "Take in").click();
    page.getByText("taken in,").waitFor();
  }

  @Test
  public void aTransferBookedFromOneSideIsKnownWhenTheOtherSidesLineComes() {
    Page page = signedInAt("/gather?month=2026-10");
    gather(
        page,
        "Harbour Current",
        "NL00DEMO004417",
        "<STMTTRN><TRNTYPE>XFER</TRNTYPE><DTPOSTED>20261002</DTPOSTED><TRNAMT>-77.31</TRNAMT>"
            + "<FITID>o1</FITID><NAME>SAVINGS 9023 OCT</NAME></STMTTRN>");
    open(page, "/post");
    found(page, "SAVINGS 9023 OCT").click();
    assertThat(inspector(page)).containsText("Harbour Savings");
    page.keyboard().press("Enter");
    assertThat(page.getByText("1 line posted as no.")).isVisible();

    open(page, "/gather?month=2026-10");
    gather(
        page,
        "Harbour Savings",
        "NL00DEMO009023",
        "<STMTTRN><TRNTYPE>XFER</TRNTYPE><DTPOSTED>20261003</DTPOSTED><TRNAMT>77.31</TRNAMT>"
            + "<FITID>o2</FITID><NAME>ARRIVED OCT</NAME></STMTTRN>");
    open(page, "/post");
    found(page, "ARRIVED OCT").click();
    assertThat(rows(page, "ARRIVED OCT")).containsText("1 day apart");
    assertThat(inspector(page)).containsText("In the books already");
    assertNoViolations(page, "a known entry");
    button(page, "It is no.").click();
    assertThat(page.getByText("1 line posted: in the books as no.")).isVisible();
    open(page, "/journal?month=2026-10&text=savings");
    assertThat(rows(page, "77.31")).hasCount(1);
  }

  @Test
  public void whatIsSaidOfOneLineIsOfferedForThoseThatLookLikeIt() {
    Page page = signedInAt("/gather?month=2026-10");
    String tea =
        "<STMTTRN><TRNTYPE>POS</TRNTYPE><DTPOSTED>20261004</DTPOSTED><TRNAMT>-%d.50</TRNAMT>"
            + "<FITID>t%d</FITID><NAME>WHIMBREL TEAROOM %d</NAME></STMTTRN>";
    gather(
        page,
        "Harbour Current",
        "NL00DEMO004417",
        tea.formatted(3, 3, 3) + tea.formatted(4, 4, 4) + tea.formatted(5, 5, 5));
    open(page, "/post");
    found(page, "WHIMBREL").click();
    page.keyboard().press("c");
    Locator box =
        page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName("Books to"));
    box.fill("outings");
    box.press("Enter");
    button(page, "Take it").click();
    assertThat(page.getByText("2 more lines like Whimbrel Tearoom: the same?")).isVisible();
    page.keyboard().press("a");
    Locator alike = rows(page, "WHIMBREL");
    assertThat(alike.filter(new Locator.FilterOptions().setHasText("Outings and gifts")))
        .hasCount(3);
    alike.first().click();
    page.keyboard().press("Shift+ArrowDown");
    page.keyboard().press("Shift+ArrowDown");
    page.keyboard().press("Enter");
    assertThat(page.getByText("3 lines posted as nos.")).isVisible();
  }

  /**
   * A few letters and Enter for each, one after the other. No other test answers all of the card.
   */
  @Test
  public void openQuestionsAreAnsweredOnTheirLines() {
    Page page = signedInAt("/gather?month=2026-10");
    String line =
        "<STMTTRN><TRNTYPE>POS</TRNTYPE><DTPOSTED>20261004</DTPOSTED><TRNAMT>-%d.10</TRNAMT>"
            + "<FITID>q%d</FITID><NAME>%s</NAME></STMTTRN>";
    gather(
        page,
        "Quillon Card",
        "6650",
        line.formatted(6, 1, "DUNE PAPERS") + line.formatted(7, 2, "REED BOATYARD"));
    open(page, "/post");
    page.getByLabel("Find waiting lines").fill("10");
    found(page, "DUNE PAPERS").click();
    page.keyboard().press("b");
    Locator dune = page.getByLabel("Books to, DUNE PAPERS");
    assertThat(dune).isFocused();
    page.keyboard().type("outi");
    assertThat(page.getByRole(AriaRole.OPTION).first()).isVisible();
    page.keyboard().press("Enter");
    assertThat(rows(page, "DUNE PAPERS")).containsText("Outings and gifts");
    Locator reed = page.getByLabel("Books to, REED BOATYARD");
    assertThat(reed).isFocused();
    page.keyboard().type("groc");
    assertThat(page.getByRole(AriaRole.OPTION).first()).isVisible();
    page.keyboard().press("Enter");
    assertThat(rows(page, "REED BOATYARD")).containsText("Groceries");
    page.keyboard().press("Escape");
    assertNoViolations(page, "lines answered in their rows");
    rows(page, "DUNE PAPERS").click();
    page.keyboard().press("Enter");
    assertThat(page.getByText("1 line posted as no.")).isVisible();
    page.keyboard().press("Control+z");
    assertThat(page.getByText("Undid: Posted")).isVisible();
  }

  @Test
  public void aLineIsLeftOutWithTheReasonAndTakenInAgain() {
    Page page = signedInAt("/post");
    found(page, "LAMPLIGHT CINEMA").click();
    int before = rows(page, "LAMPLIGHT CINEMA").count();
    page.keyboard().press("o");
    Locator form =
        page.getByRole(AriaRole.FORM, new Page.GetByRoleOptions().setName("Leave the line out"));
    button(page, "Leave it out").last().click();
    assertThat(form.getByRole(AriaRole.ALERT)).containsText("Type the reason");
    form.getByLabel("Why it is no business of the books").fill("paid by a friend");
    page.keyboard().press("Enter");
    assertThat(page.getByText("is left out.")).isVisible();
    assertThat(rows(page, "LAMPLIGHT CINEMA")).hasCount(before - 1);
    page.keyboard().press("l");
    Locator dialog = page.getByRole(AriaRole.DIALOG);
    assertThat(dialog).containsText("paid by a friend");
    assertNoViolations(page, "lines left out");
    button(page, "take in LAMPLIGHT CINEMA").first().click();
    assertThat(page.getByText("waits again.")).isVisible();
    assertThat(dialog).containsText("No line is left out");
    page.keyboard().press("Escape");
    assertThat(rows(page, "LAMPLIGHT CINEMA")).hasCount(before);
  }

  /** Typed before they came: a line that is an entry, and one that two entries add up to. */
  @Test
  public void whatWasTypedAheadIsKnownAlsoWhenEntriesAddUpToTheLine() {
    Page page = signedInAt("/post?month=2026-09");
    found(page, "TANSY & THREAD ELLERY").waitFor();
    Locator clothes = rows(page, "TANSY & THREAD ELLERY").first();
    assertThat(clothes).containsText("78.40");
    assertThat(clothes).containsText("is no.");
    Locator two = rows(page, "add up to it");
    assertThat(two).containsText("46.11");
    two.click();
    assertThat(inspector(page)).containsText("In the books already");
    assertThat(inspector(page).getByText("balances, EUR")).hasCount(2);
    assertNoViolations(page, "a line of two entries");
    button(page, "It is nos.").click();
    assertThat(page.getByText("1 line posted: in the books as nos.")).isVisible();
    page.keyboard().press("Control+z");
    assertThat(page.getByText("Undid: ")).isVisible();
    assertThat(rows(page, "add up to it")).hasCount(1);
  }

  @Test
  public void anEntryIsFoundAndWhatTheBankTookBeyondItIsPlaced() {
    Page page = signedInAt("/gather?month=2026-10");
    gather(
        page,
        "Quillon Card",
        "6650",
        "<STMTTRN><TRNTYPE>POS</TRNTYPE><DTPOSTED>20261006</DTPOSTED><TRNAMT>-82.40</TRNAMT>"
            + "<FITID>f1</FITID><NAME>MARKET HALL 9</NAME></STMTTRN>");
    open(page, "/post");
    page.keyboard().press("/");
    page.getByLabel("Find waiting lines").fill("market hall");
    assertThat(heading(page, "1 line to post")).isVisible();
    rows(page, "MARKET HALL").click();
    page.keyboard().press("e");
    page.getByLabel("Find an entry").fill("tansy");
    inspector(page)
        .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("78.40"))
        .click();
    Locator is = button(page, "It is no.");
    assertThat(is).hasAttribute("aria-disabled", "true");
    Locator difference =
        inspector(page)
            .getByRole(
                AriaRole.COMBOBOX, new Locator.GetByRoleOptions().setName("The difference is for"));
    difference.fill("outings");
    difference.press("Enter");
    // Said otherwise, the line is booked; found again, it is the entry: what is said last holds.
    page.keyboard().press("Escape");
    button(page, "No, book it anew").click();
    Locator books =
        inspector(page)
            .getByRole(AriaRole.COMBOBOX, new Locator.GetByRoleOptions().setName("Books to"));
    books.fill("outings");
    books.press("Enter");
    button(page, "Take it").click();
    assertThat(button(page, "Post this line")).isVisible();
    button(page, "Find entry").click();
    page.getByLabel("Find an entry").fill("tansy");
    inspector(page)
        .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("78.40"))
        .click();
    is.click();
    assertThat(page.getByText("1 line posted: in the books as no.")).isVisible();
    page.keyboard().press("Control+z");
    assertThat(page.getByText("Undid: ")).isVisible();
  }

  @Test
  public void twoLinesAreSaidToBeOneTransfer() {
    Page page = signedInAt("/gather?month=2026-10");
    gather(
        page,
        "Harbour Current",
        "NL00DEMO004417",
        "<STMTTRN><TRNTYPE>XFER</TRNTYPE><DTPOSTED>20261008</DTPOSTED><TRNAMT>-61.07</TRNAMT>"
            + "<FITID>h1</FITID><NAME>OUT ALONE</NAME></STMTTRN>");
    open(page, "/gather?month=2026-10");
    gather(
        page,
        "Harbour Savings",
        "NL00DEMO009023",
        "<STMTTRN><TRNTYPE>XFER</TRNTYPE><DTPOSTED>20261030</DTPOSTED><TRNAMT>61.07</TRNAMT>"
            + "<FITID>h2</FITID><NAME>IN MUCH LATER</NAME></STMTTRN>");
    open(page, "/post");
    page.getByLabel("Find waiting lines").fill("61.07");
    assertThat(heading(page, "2 lines to post")).isVisible();
    rows(page, "OUT ALONE").click();
    rows(page, "IN MUCH LATER")
        .click(
            new Locator.ClickOptions()
                .setModifiers(
                    java.util.List.of(com.microsoft.playwright.options.KeyboardModifier.CONTROL)));
    page.keyboard().press("t");
    assertThat(page.getByText("2 lines posted as no.")).isVisible();
    page.keyboard().press("Control+z");
    assertThat(page.getByText("Undid: Posted")).isVisible();
    assertThat(heading(page, "2 lines to post")).isVisible();
    page.keyboard().press("Control+Shift+z");
    assertThat(page.getByText("Redid: Posted")).isVisible();
  }
}
