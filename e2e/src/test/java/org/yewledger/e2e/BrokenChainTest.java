package org.yewledger.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import org.testng.annotations.Test;

/** A statement that agreed is opened again, parts from what was agreed, and is put back. */
public class BrokenChainTest extends BrowserTest {
  @Test
  public void whatChangedIsSaidWithWhoAndHowMuchAndPutBack() {
    Page page = signedInAt("/?month=2026-08");
    page.getByLabel("Harbour Savings, August 2026: agreed to zero").click();
    assertThat(page.getByText("Agreed, nothing apart")).isVisible();
    page.keyboard().press("o");
    page.getByLabel("Why it is opened again").fill("the bank wrote of an error");
    page.keyboard().press("Enter");
    assertThat(page.getByText("opened it again")).containsText("the bank wrote of an error");
    assertThat(page.getByText("nothing changed since")).isVisible();

    rows(page, "To savings").first().waitFor();
    page.keyboard().press("Home");
    page.keyboard().press("Space");
    assertThat(page.getByText("0 of 1 lines ticked")).isVisible();
    assertThat(page.getByText("1 posting changed since")).isVisible();
    page.keyboard().press("c");
    Locator changed =
        page.getByRole(AriaRole.COMPLEMENTARY, new Page.GetByRoleOptions().setName("What changed"));
    assertThat(changed).containsText("is ticked no more");
    assertThat(changed).containsText("Wren Aldercott");
    assertThat(changed).containsText("\u2212220.00");
    assertNoViolations(page, "what changed in a statement");

    open(page, "/?month=2026-08");
    link(page, "Harbour Savings").first().click();
    assertThat(page.getByText("The chain is broken at")).containsText("1 posting changed since");
    assertNoViolations(page, "an account with a broken chain");
    link(page, "31 August 2026").click();
    page.getByLabel("The proof").waitFor();
    button(page, "What changed").click();
    button(page, "Restore it").click();
    assertThat(page.getByText("Everything is as it was agreed.")).isVisible();
    assertThat(page.getByText("nothing is apart")).isVisible();
    page.keyboard().press("g");
    assertThat(page.getByText("Harbour Savings agrees through 31 August 2026")).isVisible();
    assertEquals(complaints(), List.of());
  }
}
