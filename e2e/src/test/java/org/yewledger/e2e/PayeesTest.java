package org.yewledger.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.testng.annotations.Test;

/** The directory of payees: found, renamed, merged, and followed to their entries. */
public class PayeesTest extends BrowserTest {
  private static Locator row(Page page, String name) {
    return page.locator("tr[data-row]").filter(new Locator.FilterOptions().setHasText(name));
  }

  @Test
  public void aPayeeIsFoundAndItsEntriesAreOneKeyAway() {
    Page page = signedInAt("/payees?month=2026-09");
    page.keyboard().press("/");
    page.getByLabel("Find payees").fill("greengage");
    assertThat(page.locator("tr[data-row]")).hasCount(1);
    assertThat(row(page, "Greengage Market")).containsText("Groceries");
    row(page, "Greengage Market").click();
    page.keyboard().press("Enter");
    assertThat(page).hasURL(Pattern.compile("/journal\\?.*payee"));
    assertThat(button(page, "Without payee:\"Greengage Market\"")).isVisible();
    assertThat(row(page, "Greengage Market").first()).isVisible();
  }

  @Test
  public void twoNamesOfOneAreMergedAndUndoPartsThemAgain() {
    Page page = signedInAt("/payees?month=2026-09");
    page.getByLabel("Find payees").fill("lamplight");
    row(page, "Lamplight Cinema").click();
    page.keyboard().press("m");
    Locator dialog = page.getByRole(AriaRole.DIALOG);
    button(page, "Merge Enter").click();
    assertThat(dialog).containsText("Choose which stays.");
    dialog.getByLabel("It is the same as").fill("otterdale");
    page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName("Otterdale Pool"))
        .waitFor();
    page.keyboard().press("Enter");
    assertNoViolations(page, "a payee being merged");
    button(page, "Merge Enter").click();
    assertThat(page.getByText("Lamplight Cinema is merged.")).isVisible();
    assertThat(row(page, "Otterdale Pool")).hasCount(1);
    assertThat(dialog).hasCount(0);
    undo(page, 1);
    assertThat(row(page, "Lamplight Cinema")).hasCount(1);
    row(page, "Lamplight Cinema").click();
    page.keyboard().press("e");
    page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)).fill("Lamplight Pictures");
    button(page, "Change it").click();
    assertThat(row(page, "Lamplight Pictures")).hasCount(1);
    assertThat(dialog).hasCount(0);
    undo(page, 1);
    assertThat(row(page, "Lamplight Cinema")).hasCount(1);
  }
}
