package org.yewledger.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.testng.annotations.Test;

/** What is typed survives leaving, reloading, a session that ends and an answer that fails. */
public class NothingLostTest extends BrowserTest {
  private static Locator splitForm(Page page) {
    return page.getByRole(AriaRole.FORM, new Page.GetByRoleOptions().setName("Split the line"));
  }

  @Test
  public void aHalfWrittenSplitIsThereAgainAfterLeavingAndReloading() {
    Page page = signedInAt("/post");
    rows(page, "HARROW HARDWARE").first().click();
    page.keyboard().press("s");
    splitForm(page).getByLabel("Payee").fill("Harrow, two things");
    splitForm(page).getByLabel("Amount, part 1").fill("20.00");
    link(page, "Journal").click();
    heading(page, "Journal").waitFor();
    page.goBack();
    rows(page, "HARROW HARDWARE").first().click();
    page.keyboard().press("s");
    assertThat(splitForm(page).getByLabel("Payee")).hasValue("Harrow, two things");
    page.reload();
    rows(page, "HARROW HARDWARE").first().click();
    page.keyboard().press("s");
    assertThat(splitForm(page).getByLabel("Amount, part 1")).hasValue("20.00");
    button(page, "Leave it").click();
    page.keyboard().press("s");
    assertThat(splitForm(page).getByLabel("Payee")).not().hasValue("Harrow, two things");
  }

  @Test
  public void aHalfWrittenFormIsThereAgainAndCanBeBegunAfresh() {
    Page page = signedInAt("/people");
    page.getByLabel("Name").fill("Rowan");
    open(page, "/rules");
    open(page, "/people");
    assertThat(page.getByLabel("Name")).hasValue("Rowan");
    button(page, "Begin afresh").click();
    assertThat(page.getByLabel("Name")).hasValue("");
  }

  @Test
  public void aSessionThatEndedIsTakenUpAgainInPlace() {
    Page page = signedInAt("/reconcile");
    rows(page, "Home loan").click();
    page.getByLabel("Closing balance, EUR").fill("-182810.02");
    page.keyboard().press("Tab");
    page.context().clearCookies(new BrowserContext.ClearCookiesOptions().setName("yew_session"));
    button(page, "Begin to tick").click();
    Locator again = page.getByRole(AriaRole.DIALOG);
    assertThat(again).containsText("What you typed is still here");
    again.getByLabel("Password").fill("saltmarsh");
    again.getByLabel("Password").press("Enter");
    assertThat(again).hasCount(0);
    assertThat(page.getByLabel("Closing balance, EUR")).hasValue("\u2212182,810.02");
    button(page, "Begin to tick").click();
    assertThat(page.getByLabel("The proof")).isVisible();
    page.keyboard().press("e");
    button(page, "Put the statement away").click();
    assertThat(rows(page, "Home loan")).containsText("no statement yet");
  }

  /** What an own sheet of lines was settled to mean, without the file, which nothing may keep. */
  @Test
  public void theMappingOfATableSurvivesLeavingTheViewAndAReload() throws IOException {
    Page page = signedInAt("/gather");
    Path table = Files.createTempDirectory("yew").resolve("sheet.csv");
    Files.writeString(
        table, "a;b;c\n03.09.2026;SALTMARSH YARD;-240,00\n13.09.2026;TYPEFOLD;-29,04\n");
    Runnable choose = () -> chooseFile(page, "Kestrel Card", table);
    choose.run();
    Locator meaning = page.getByLabel("Meaning of b");
    choose(meaning, "Reference");
    assertThat(meaning).containsText("Reference");

    link(page, "Rules").click();
    heading(page, "Rules").waitFor();
    link(page, "Gather").click();
    assertThat(heading(page, "sheet.csv")).isVisible();
    assertThat(meaning).containsText("Reference");

    page.reload();
    heading(page, "to come").waitFor();
    choose.run();
    assertThat(meaning).containsText("Reference");
    page.keyboard().press("Escape");
    heading(page, "to come").waitFor();
  }

  @Test
  public void anAnswerThatFailsDoesNotHideWhatIsThere() {
    Page page = signedInAt("/rules");
    assertThat(rows(page, "QUILLON CARD").first()).isVisible();
    page.route("**/api/rules", Route::abort);
    page.evaluate("window.dispatchEvent(new Event('visibilitychange'))");
    link(page, "Chart").click();
    heading(page, "Chart").waitFor();
    page.waitForTimeout(5_200); // What was read is fresh so long.
    link(page, "Rules").click();
    assertThat(page.getByRole(AriaRole.ALERT)).containsText("cannot be reached");
    assertThat(rows(page, "QUILLON CARD").first()).isVisible();
    page.unroute("**/api/rules");
    button(page, "Try again").click();
    assertThat(page.getByRole(AriaRole.ALERT)).hasCount(0);
  }

  @Test
  public void aViewThatBreaksSaysSoAndOffersTheWayBack() {
    Page page = signedIn();
    page.route(
        "**/api/rules",
        route ->
            route.fulfill(
                new Route.FulfillOptions().setContentType("application/json").setBody("{}")));
    open(page, "/rules");
    assertThat(heading(page, "This page could not be shown")).isVisible();
    page.unroute("**/api/rules");
    button(page, "Show it again").click();
    assertThat(rows(page, "QUILLON CARD").first()).isVisible();
    complaints().clear();
  }
}
