package org.yewledger.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.LoadState;
import java.nio.file.Path;
import org.testng.annotations.Test;

/** Takes the pictures of docs/screenshots; run by {@code ./yew screenshots}, not as a test. */
public class Screenshots extends BrowserTest {
  private final Path folder = Path.of(System.getProperty("yew.screenshots", "target/screenshots"));
  private Page page;

  @Test
  public void ofEveryMainView() {
    page = window(1280, 800, ColorScheme.LIGHT);
    open(page, "/");
    shoot("sign-in");
    page = signedIn();
    gatherHarbour();
    shoot("almanac");
    open(page, "/gather");
    chooseFile(page, "Kestrel Current", SAMPLES.resolve("kestrel-2208-2026-09.csv"));
    assertThat(page.getByText("settles.")).isVisible();
    shoot("gather-table");
    open(page, "/post");
    page.locator("tr[data-row]").first().waitFor();
    row("rule 8: COBBLERS ROW").first().click();
    assertThat(page.getByText("Would book")).isVisible();
    shoot("post");
    open(page, "/rules");
    row("NORTHGATE FUEL").click();
    shoot("rules");
    postAllByRule();
    open(page, "/reconcile");
    row("Harbour Current").click();
    page.keyboard().press("Enter");
    assertThat(page.getByText("Only on the statement")).isVisible();
    page.keyboard().press("a");
    assertThat(page.getByText("still apart")).isVisible();
    page.keyboard().press("w");
    page.getByText("What may be apart").waitFor();
    page.getByLabel("Reasons").waitFor();
    shoot("reconcile");
    open(page, "/journal?month=2026-08");
    row("Greengage Market").first().click();
    page.getByLabel("Files to attach")
        .first()
        .setInputFiles(SAMPLES.resolve("receipt-greengage-2026-08.pdf"));
    button(page, "Look at receipt-greengage-2026-08.pdf").click();
    page.getByAltText("page 1 of 1").waitFor();
    shoot("receipts");
    open(page, "/journal?text=amount:%3E%3D10%20from:harbour");
    row("Northgate Fuel").first().click();
    assertThat(page.getByText("balances, EUR").first()).isVisible();
    page.keyboard().press("n");
    assertThat(page.getByLabel("Day", new Page.GetByLabelOptions().setExact(true))).isFocused();
    page.keyboard().press("Enter");
    page.keyboard().type("green");
    page.getByRole(AriaRole.OPTION).first().waitFor();
    page.keyboard().press("Enter");
    assertThat(page.getByLabel("Amount", new Page.GetByLabelOptions().setExact(true))).isFocused();
    page.keyboard().type("3*6.20-2");
    assertThat(page.getByText("= \u221216.60")).isVisible();
    shoot("journal");
    page.keyboard().press("Escape");
    open(page, "/reports/income?month=2026-08&span=TWELVE_MONTHS&every=MONTH");
    page.getByText("Together").first().waitFor();
    shoot("reports");
    open(page, "/plan?month=2026-08");
    rows(page, "Energy").click();
    page.getByText("House and home").waitFor();
    shoot("budgets");
    open(page, "/plan/ahead?month=2026-08");
    page.getByLabel("Last times").waitFor();
    shoot("year-ahead");
    open(page, "/plan/loans?month=2026-09");
    page.getByLabel("Pay more, EUR").fill("5000");
    page.getByLabel("On", new Page.GetByLabelOptions().setExact(true)).fill("1 Dec 2026");
    page.getByText("Interest saved").waitFor();
    page.getByRole(AriaRole.HEADING).first().click();
    shoot("loan");
    open(page, "/reports/sales-tax?month=2026-09");
    page.getByText("due to the tax office").waitFor();
    shoot("sales-tax");
    open(page, "/chart");
    row("Quillon Card").click();
    assertThat(page.getByText("Seen at the bank")).isVisible();
    shoot("chart");
    page.keyboard().press("Enter");
    page.getByText("Books say").waitFor();
    shoot("account");
    open(page, "/close?month=2026-08");
    rows(page, "Every account agrees").first().click();
    shoot("close");
    connections();
    NewHousehold.begin(page, "rowan@aldercott.example", "Aldercotts of Ellery");
    NewHousehold.fillIn(page);
    shoot("setup");
  }

  private void gatherHarbour() {
    open(page, "/gather");
    chooseFile(page, "Harbour Current", SAMPLES.resolve("harbour-4417-2026-09.ofx"));
    button(page, "Take in 33 lines").click();
    assertThat(page.getByText("33 lines taken in")).isVisible();
    open(page, "/");
  }

  /** Connects the current account, whose file is here already: some of its lines are in doubt. */
  private void connections() {
    open(page, "/gather/connections");
    page.keyboard().press("n");
    page.getByLabel("Search by name, town or code").fill("harb");
    button(page, "Go to Harbour Bank").click();
    page.getByLabel("User").fill("wren");
    page.getByLabel("Password").fill("tidewrack");
    button(page, "Agree and go on").click();
    Page phone = page.context().newPage();
    phone.navigate(bankAddress() + "/phone");
    String code = phone.locator(".message b").first().textContent();
    phone.close();
    page.getByLabel("Code").fill(code);
    button(page, "Give consent").click();
    button(page, "Fetch").click();
    assertThat(page.getByText("new line")).hasCount(2);
    shoot("connections");
    open(page, "/gather?month=2026-09");
    assertThat(page.getByText("One line twice, or two?")).isVisible();
    shoot("gather");
  }

  private void postAllByRule() {
    open(page, "/post");
    row("rule 8: COBBLERS ROW").first().click();
    page.keyboard().press("Shift+Enter");
    assertThat(page.getByText("posted as nos.")).isVisible();
  }

  private Locator row(String text) {
    return page.getByRole(AriaRole.ROW).filter(new Locator.FilterOptions().setHasText(text));
  }

  private void shoot(String name) {
    page.waitForLoadState(LoadState.NETWORKIDLE);
    page.waitForTimeout(400); // fonts and rings settle
    page.screenshot(new Page.ScreenshotOptions().setPath(folder.resolve(name + ".png")));
  }
}
