package org.yewledger.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import org.testng.annotations.Test;

/** Tags across categories, and entries that are typed after others. */
public class TagsAndTemplatesTest extends BrowserTest {
  private static Locator row(Page page, String name) {
    return page.locator("tr[data-row]").filter(new Locator.FilterOptions().setHasText(name));
  }

  private static Locator quick(Page page, String label) {
    return page.getByRole(AriaRole.FORM, new Page.GetByRoleOptions().setName("New entry"))
        .getByLabel(label, new Locator.GetByLabelOptions().setExact(true));
  }

  private void enter(Page page, String payee, String amount, String tags) {
    quick(page, "Payee").fill(payee);
    quick(page, "Amount").fill(amount);
    quick(page, "Tags").fill(tags);
    button(page, "Enter it").click();
    assertThat(page.getByText("entered: %s, \u2212%s".formatted(payee, amount))).isVisible();
  }

  @Test
  public void aTagIsTypedRenamedMergedAndPutAway() {
    Page page = signedInAt("/journal?month=2026-09");
    page.keyboard().press("n");
    quick(page, "Payee").fill("Quay Ferries");
    quick(page, "Amount").fill("12.50");
    quick(page, "Tags").fill("weding");
    assertThat(page.getByText("New tag: weding")).isVisible();
    enter(page, "Quay Ferries", "12.50", "weding");
    enter(page, "Quay Ferries", "7.00", "wedding");
    open(page, "/tags?month=2026-09");
    row(page, "weding").click();
    assertThat(row(page, "weding")).containsText("\u221212.50");
    page.keyboard().press("m");
    Locator dialog = page.getByRole(AriaRole.DIALOG);
    dialog.getByLabel("It is the same as").fill("wedding");
    page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName("wedding")).waitFor();
    page.keyboard().press("Enter");
    button(page, "Merge Enter").click();
    assertThat(row(page, "weding")).hasCount(0);
    assertThat(row(page, "wedding")).containsText("\u221219.50");
    row(page, "wedding").click();
    page.keyboard().press("e");
    page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)).fill("Isla's wedding");
    button(page, "Rename it").click();
    assertThat(row(page, "Isla's wedding")).hasCount(1);
    assertThat(dialog).hasCount(0);
    row(page, "Isla's wedding").click();
    page.keyboard().press("p");
    assertThat(row(page, "Isla's wedding")).containsText("put away");
    page.keyboard().press("Enter");
    assertThat(row(page, "Quay Ferries")).hasCount(2);
  }

  @Test
  public void anEntryIsKeptAsATemplateAndBegunByItsNumber() {
    Page page = signedInAt("/journal?month=2026-08");
    rows(page, "Lamplight Cinema").first().click();
    page.keyboard().press("s");
    page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)).fill("Cinema");
    button(page, "Keep it").click();
    assertThat(page.getByText("Cinema is kept as a template.")).isVisible();
    assertThat(page.getByRole(AriaRole.DIALOG)).hasCount(0);
    page.keyboard().press("t");
    assertThat(button(page, "Cinema").first()).isFocused();
    assertNoViolations(page, "templates");
    page.keyboard().press("1");
    assertThat(quick(page, "Payee")).hasValue("Lamplight Cinema");
    assertThat(quick(page, "To")).hasValue("Outings and gifts");
    assertThat(quick(page, "Day")).isFocused();
    page.keyboard().press("Control+Enter");
    assertThat(page.getByText("entered: Lamplight Cinema")).isVisible();
  }

  /**
   * Half of it, a net amount and the rest by one key: what is typed is worked out where it stands.
   */
  @Test
  public void aSplitIsTypedInSharesAndItsRestIsPlacedByOneKey() {
    Page page = signedInAt("/journal?month=2026-09");
    page.keyboard().press("n");
    quick(page, "Payee").fill("Greengage Market");
    quick(page, "Amount").fill("48.20");
    button(page, "Split").click();
    Locator dialog = page.getByRole(AriaRole.DIALOG);
    for (String[] part : new String[][] {{"1", "Groceries", "25%"}, {"2", "House upkeep", ""}}) {
      Locator to =
          dialog.getByRole(
              AriaRole.COMBOBOX,
              new Locator.GetByRoleOptions().setName("Books to, part " + part[0]));
      to.fill(part[1]);
      to.press("Enter");
      Locator amount = dialog.getByLabel("Amount, part " + part[0]);
      amount.fill(part[2]);
      if (part[2].isEmpty()) {
        amount.press("=");
      } else {
        amount.press("Tab");
      }
    }
    assertThat(dialog.getByLabel("Amount, part 1")).hasValue("12.05");
    assertThat(dialog.getByLabel("Amount, part 2")).hasValue("36.15");
    assertThat(dialog.getByText("Still to place")).hasCount(0);
    dialog.getByText("Take it").click();
    assertThat(page.getByText("entered: Greengage Market, \u221248.20")).isVisible();
  }
}
