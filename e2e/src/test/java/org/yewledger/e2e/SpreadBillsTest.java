package org.yewledger.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import org.testng.annotations.Test;

/** A yearly bill seen in the months that it serves. */
public class SpreadBillsTest extends BrowserTest {
  private static Locator dialog(Page page) {
    return page.getByRole(AriaRole.DIALOG);
  }

  @Test
  public void aYearlyBillIsSpreadSeenSoAndTakenBack() {
    Page page = signedInAt("/journal?every=1&text=payee:reedmere%20date:2026-07");
    page.locator("tr[data-row]").first().click();
    page.keyboard().press("p");
    assertThat(dialog(page)).containsText("over 12 months");
    page.getByLabel("Through").fill("2026-06");
    button(page, "Spread it").click();
    assertThat(dialog(page)).containsText("before it begins");
    page.getByLabel("Through").fill("2026-09");
    assertThat(dialog(page)).containsText("over 3 months");
    assertNoViolations(page, "a bill being spread");
    button(page, "Spread it").click();
    assertThat(page.getByText("serves July 2026 to September 2026.").first()).isVisible();

    open(page, "/reports/income?month=2026-09&bills=SPREAD&beside=BOOKED");
    Locator bills =
        page.getByRole(
            AriaRole.TABLE, new Page.GetByRoleOptions().setName("Bills spread for Household"));
    assertThat(bills).containsText("Reedmere Water");
    assertThat(bills).containsText("Jul 2026 to Sep 2026");
    assertNoViolations(page, "bills spread in a report");
    undo(page, 1);
    assertThat(bills).not().containsText("Reedmere Water");
  }
}
