package org.yewledger.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import java.util.List;
import java.util.UUID;
import org.testng.annotations.Test;

/** From the search for a bank over its own pages to lines that are here. */
public class ConnectionsTest extends BrowserTest {
  private Page household() {
    Page page = window(1280, 800, ColorScheme.LIGHT);
    open(page, "/");
    NewHousehold.begin(page, UUID.randomUUID() + "@aldercott.example", "Feeds of Ellery");
    NewHousehold.fillIn(page);
    page.keyboard().press("Control+Enter");
    assertThat(heading(page, "Chart")).isVisible();
    return page;
  }

  private void giveConsent(Page page) {
    assertThat(page.getByText("may not pay, move or change anything")).isVisible();
    page.getByLabel("User").fill("wren");
    page.getByLabel("Password").fill("tidewrack");
    button(page, "Agree and go on").click();
    Page phone = page.context().newPage();
    phone.navigate(bankAddress() + "/phone");
    String code = phone.locator(".message b").first().textContent();
    phone.close();
    page.getByLabel("Code").fill(code);
    button(page, "Give consent").click();
  }

  @Test
  public void aBankIsFoundConsentGivenAndLinesFetched() {
    Page page = household();
    open(page, "/gather/connections");
    assertThat(page.getByText("No bank is connected yet")).isVisible();
    page.keyboard().press("n");
    page.getByLabel("Search by name, town or code").fill("harb ellery");
    Locator banks = page.getByRole(AriaRole.GRID, new Page.GetByRoleOptions().setName("Banks"));
    assertThat(banks.getByRole(AriaRole.ROW)).hasCount(3);
    assertThat(page.getByText("The consent is read-only")).isVisible();
    assertNoViolations(page, "new connection");
    page.keyboard().press("Enter");
    giveConsent(page);

    assertThat(page.getByText("healthy, until 3 Jan")).isVisible();
    Locator current = page.getByLabel("Account of the books for Harbour Current");
    assertThat(current).hasValue("Harbour Current");
    assertThat(page.getByLabel("First day for Harbour Current")).hasValue("1 Oct 2026");
    page.getByLabel("Use Harbour Savings").click();
    button(page, "make a new account").last().click();
    page.getByLabel("Name of the new account for Harbour Savings").fill("Savings at Harbour");
    page.getByLabel("First day for Harbour Savings").fill("2026-09-01");
    assertNoViolations(page, "accounts of a bank");
    button(page, "Fetch").click();

    Locator accounts =
        page.getByRole(
            AriaRole.TABLE, new Page.GetByRoleOptions().setName("Accounts at Harbour Bank"));
    assertThat(accounts).containsText("Savings at Harbour");
    assertThat(accounts.getByText("new line").first()).isVisible();
    assertThat(accounts.getByText("new line")).hasCount(2);
    assertThat(accounts.getByText("fetching")).hasCount(0);
    open(page, "/gather?month=2026-10");
    assertThat(page.getByText("pending").first()).isVisible();
    assertEquals(complaints(), List.of());
  }

  @Test
  public void aRefusedConsentConnectsNothingAndSaysSo() {
    Page page = household();
    open(page, "/gather/connections");
    page.keyboard().press("n");
    page.getByLabel("Search by name, town or code").fill("quill");
    button(page, "Go to Quillon Cards").click();
    button(page, "Refuse").click();
    assertThat(page.getByRole(AriaRole.ALERT)).containsText("has not received your consent");
    button(page, "To the connections").click();
    assertThat(page.getByText("consent not given yet")).isVisible();
    button(page, "disconnect").click();
    button(page, "Disconnect").last().click();
    assertThat(page.getByText("No bank is connected yet")).isVisible();
  }
}
