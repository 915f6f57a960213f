package org.yewledger.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.regex.Pattern;
import org.testng.annotations.Test;

/** A month that is closed, stays as it is, and is opened again with a reason. */
public class CloseMonthTest extends BrowserTest {
  @Test
  public void anAgreedMonthIsClosedRefusesEntriesAndIsOpenedAgain() {
    Page page = signedInAt("/close?month=2026-08");
    assertThat(heading(page, "August 2026")).isVisible();
    Locator inspector =
        page.getByRole(
            AriaRole.COMPLEMENTARY, new Page.GetByRoleOptions().setName("Closing Household"));
    assertThat(inspector).containsText("August 2026, this book only");
    assertThat(rows(page, "Harbour Current")).containsText("agreed through 31 August 2026");
    assertThat(link(page, "Close, 2 left")).isVisible();
    page.keyboard().press("Enter");
    assertThat(page.getByText("Household is closed through August 2026.")).isVisible();
    assertThat(inspector).containsText("August is closed");
    assertNoViolations(page, "a closed month");
    assertThat(link(page, "Close, 1 left")).isVisible();
    open(page, "/?month=2026-08");
    assertThat(page.getByLabel("Harbour Current, August 2026: closed")).isVisible();
    assertThat(button(page, "Close August for Saltmarsh Letterpress; all its accounts agree"))
        .isVisible();

    open(page, "/journal?month=2026-08");
    rows(page, "Greengage Market").first().waitFor();
    page.keyboard().press("n");
    assertThat(page.getByLabel("Day")).isFocused();
    page.keyboard().type("12 8");
    page.keyboard().press("Enter");
    page.keyboard().type("Lantern Energy");
    page.getByRole(AriaRole.OPTION).first().waitFor();
    page.keyboard().press("Enter");
    Locator amount = page.getByLabel("Amount", new Page.GetByLabelOptions().setExact(true));
    assertThat(amount).isFocused();
    // What is usual with the payee is there, and taken.
    assertThat(amount).hasAttribute("placeholder", Pattern.compile("\\d"));
    page.keyboard().press("Control+Enter");
    assertThat(page.getByText("The month is closed.").first()).isVisible();
    assertThat(page.getByLabel("Day")).hasValue("12 8");

    // The other book can still be closed: the first row of what is left is in hand.
    open(page, "/close?month=2026-08");
    rows(page, "Harbour Current").click();
    assertThat(inspector).containsText("August is closed");
    page.keyboard().press("o");
    page.getByLabel("Why it is opened again").fill("a bill came late");
    page.keyboard().press("Enter");
    assertThat(page.getByText("Household is open from August 2026 on.")).isVisible();
    assertThat(inspector).containsText("Closing August");
    assertEquals(complaints(), List.of());
  }

  @Test
  public void whatIsLeftIsSaidWhereItIsSettled() {
    Page page = signedInAt("/close?month=2026-09");
    Locator accounts = rows(page, "Every account agrees").first();
    assertThat(accounts).containsText("Harbour Current");
    page.keyboard().press("Enter");
    assertThat(page.getByRole(AriaRole.ALERT)).containsText("cannot be closed through 2026-09");
    accounts.getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName("Reconcile")).click();
    assertThat(page.getByText("agreed when nothing is apart")).isVisible();
  }
}
