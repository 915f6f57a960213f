package org.yewledger.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import org.testng.annotations.Test;

public class ChartViewTest extends BrowserTest {
  private static Locator row(Page page, String text) {
    return SettingUpTest.row(page, text);
  }

  private static Locator dialog(Page page) {
    return page.getByRole(AriaRole.DIALOG);
  }

  private static void add(Page page, String name, String kind) {
    page.keyboard().press("n");
    dialog(page).getByLabel("Name").fill(name);
    choose(dialog(page).getByLabel("Kind"), kind);
    button(page, "Add to the chart").click();
    assertThat(page.getByText(name + " is in the chart.")).isVisible();
  }

  @Test
  public void accountsAreAddedRenamedMovedMergedAndDeletedByKeyboard() {
    Page page = signedInAt("/chart");
    row(page, "Groceries").click();
    add(page, "Market stalls", "expense");
    page.keyboard().press("e");
    dialog(page).getByLabel("Name").fill("Weekly market");
    page.keyboard().press("Enter");
    assertThat(page.getByText("Weekly market is changed.")).isVisible();

    page.keyboard().press("v");
    Locator group = dialog(page).getByRole(AriaRole.COMBOBOX);
    group.fill("ourselv");
    group.press("Enter");
    button(page, "Move").last().click();
    assertThat(page.getByText("Weekly market is moved.")).isVisible();

    page.keyboard().press("m");
    Locator into = dialog(page).getByRole(AriaRole.COMBOBOX);
    into.fill("pay");
    into.press("Enter");
    button(page, "Merge").last().click();
    assertThat(page.getByRole(AriaRole.ALERT)).containsText("Weekly market is an expense");
    page.keyboard().press("Escape");
    page.keyboard().press("Delete");
    assertThat(page.getByText("Weekly market is deleted. It was never used.")).isVisible();
    assertEquals(complaints(), List.of());
  }

  private static int placeOf(Page page, String account) {
    List<String> rows = page.getByRole(AriaRole.ROW).allInnerTexts();
    return rows.indexOf(
        rows.stream().filter(text -> text.contains(account)).findFirst().orElse(""));
  }

  @Test
  public void anAccountIsDraggedIntoAGroupAndBack() {
    Page page = signedInAt("/chart");
    // All that is dragged stands in sight then: what scrolls under a drag lets it go elsewhere.
    found(page, "Day care").click();
    assertThat(row(page, "Food")).isInViewport();
    int before = placeOf(page, "Bakery");
    row(page, "Bakery").dragTo(row(page, "Children"));
    assertThat(page.getByText("Bakery is in Children now.")).isVisible();
    // The rows are read anew after that is said; a drag from where it was would take another one.
    page.waitForCondition(() -> placeOf(page, "Bakery") != before);
    row(page, "Bakery").dragTo(row(page, "Food"));
    assertThat(page.getByText("Bakery is in Food now.")).isVisible();
  }

  @Test
  public void closingIsRefusedWhileSomethingStandsThereAndFindingIsByAnyPart() {
    Page page = signedInAt("/chart");
    row(page, "Purse").click();
    page.keyboard().press("x");
    assertThat(page.getByRole(AriaRole.ALERT)).containsText("Purse still stands at 42.50 EUR");
    page.keyboard().press("/");
    page.getByLabel("Find an account").fill("house ener");
    assertThat(row(page, "Energy")).isVisible();
    assertThat(page.getByRole(AriaRole.ROW).filter(SettingUpTest.rowWith("Groceries"))).hasCount(0);
  }

  @Test
  public void aTransferInDollarsShowsItsRateAndWhatIsLost() {
    Page page = signedInAt("/currencies?month=2026-09");
    Locator form = page.getByRole(AriaRole.FORM, new Page.GetByRoleOptions().setName("Transfer"));
    pick(form, "From", "Shop tak");
    pick(form, "To", "Kestrel Curr");
    form.getByLabel("Left, USD").fill("20.00");
    form.getByLabel("Arrived, EUR").fill("17.00");
    assertThat(form.getByText("1 USD was 0.850000 EUR.")).isVisible();
    assertThat(form.getByText("Lost by the exchange")).isVisible();
    assertThat(form).containsText("Exchange gains and losses");
  }

  private static void pick(Locator form, String label, String typed) {
    Locator box =
        form.getByRole(
            AriaRole.COMBOBOX, new Locator.GetByRoleOptions().setName(label).setExact(true));
    box.fill(typed);
    // The accounts may still be on their way.
    form.page().getByRole(AriaRole.OPTION).first().waitFor();
    box.press("Enter");
  }
}
