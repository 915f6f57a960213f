package org.yewledger.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import org.testng.annotations.Test;

/** Sales tax is read, led to its entries, returned, and paid. */
public class SalesTaxTest extends BrowserTest {
  private static Locator table(Page page) {
    return page.getByRole(
        AriaRole.TABLE, new Page.GetByRoleOptions().setName("Sales tax of Saltmarsh Letterpress"));
  }

  @Test
  public void aFigureOfTaxLeadsToItsEntriesAndBack() {
    Page page = signedInAt("/reports/income?month=2026-09");
    assertThat(heading(page, "Income statement")).isVisible();
    page.keyboard().press("8");
    Locator standard =
        table(page)
            .getByRole(AriaRole.ROW)
            .filter(new Locator.FilterOptions().setHasText("standard"));
    String collected = standard.getByRole(AriaRole.LINK).nth(1).textContent();
    standard.getByRole(AriaRole.LINK).nth(1).click();
    assertThat(heading(page, "Journal")).isVisible();
    assertTrue(page.url().contains("rate%3Astandard"), page.url());
    page.goBack();
    assertThat(table(page)).containsText(collected);
    assertEquals(complaints(), List.of());
  }

  @Test
  public void aReturnIsKeptTakenBackAndPaid() {
    Page page = signedInAt("/reports/sales-tax?month=2026-09");
    button(page, "Record the return").waitFor();
    page.keyboard().press("Enter");
    assertThat(page.getByText("The return of July to September 2026 is kept.")).isVisible();
    assertThat(heading(page, "Returned")).isVisible();

    page.keyboard().press("y");
    Locator dialog = page.getByRole(AriaRole.DIALOG);
    var exactly = new Locator.GetByLabelOptions().setExact(true);
    dialog.getByLabel("Paid on", exactly).fill("2026-10-20");
    dialog.getByLabel("From", exactly).fill("Kestrel Current");
    dialog.getByLabel("From", exactly).press("Enter");
    button(page, "Enter it").click();
    assertThat(page.getByText("The payment is entered; its bank line will find it.")).isVisible();
    assertThat(page.getByLabel("The account Sales tax")).containsText("settled");

    button(page, "Take the return back").click();
    assertThat(heading(page, "The return")).isVisible();
    page.setViewportSize(900, 800);
    assertThat(table(page)).isVisible();
    assertEquals(complaints(), List.of());
  }
}
