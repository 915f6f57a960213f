package org.yewledger.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import org.testng.annotations.Test;

/** Schedules and what is due: expected, entered, skipped, moved, changed, ended. */
public class SchedulesTest extends BrowserTest {
  private static final String SOMEBODY = "Rowan Reading Club";

  private static Locator dialog(Page page) {
    return page.getByRole(AriaRole.DIALOG);
  }

  private static Locator due(Page page) {
    return rows(page, SOMEBODY);
  }

  private static Locator inspector(Page page) {
    return page.getByLabel("The selected due item");
  }

  private static void pick(Page page, String label, String text, String account) {
    page.getByLabel(label, new Page.GetByLabelOptions().setExact(true)).fill(text);
    page.getByRole(AriaRole.OPTION)
        .filter(new Locator.FilterOptions().setHasText(account))
        .first()
        .click();
  }

  @Test
  public void whatComesEveryMonthIsExpectedAndEachItemIsDealtWith() {
    Page page = signedInAt("/plan?month=2026-09");
    assertThat(heading(page, "Budgets, September 2026")).isVisible();
    page.keyboard().press("1");
    assertThat(heading(page, "The year ahead")).isVisible();
    assertThat(page.getByText("overdue").first()).isVisible();
    page.keyboard().press("n");
    page.getByLabel("Payee", new Page.GetByLabelOptions().setExact(true)).fill(SOMEBODY);
    pick(page, "Account", "Harbour Cur", "Harbour Current");
    pick(page, "For", "School", "School");
    page.getByLabel("Amount, EUR").fill("12.50");
    page.getByLabel("First due on").fill("31 1 2027");
    button(page, "Expect it").click();
    assertThat(page.getByText("Not every month has a day 31")).isVisible();
    page.getByLabel("First due on").fill("tomorrow");
    choose(
        page.getByLabel("Day", new Page.GetByLabelOptions().setExact(true)),
        "on the weekday of the first");
    assertNoViolations(page, "a schedule being made");
    button(page, "Expect it").click();
    assertThat(page.getByText(SOMEBODY + " is expected every month on the")).isVisible();
    assertThat(due(page).first()).containsText("12.50");

    due(page).first().click();
    assertThat(inspector(page)).containsText("pay 12.50 from Harbour Current");
    assertNoViolations(page, "what is due");
    page.keyboard().press("x");
    button(page, "Skip it").click();
    assertThat(dialog(page)).containsText("Say why it does not come this time.");
    page.getByLabel("Why it does not come").fill("no meeting");
    button(page, "Skip it").click();
    assertThat(due(page).first()).containsText("skipped, no meeting");
    page.keyboard().press("a");
    assertThat(due(page).first()).not().containsText("skipped");
    page.keyboard().press("Enter");
    assertThat(dialog(page)).containsText("Due ");
    page.getByLabel("Amount, EUR").fill("-13");
    button(page, "Enter it").last().click();
    assertThat(due(page).first()).containsText("on its day");
    assertThat(due(page).first()).containsText("13.00");

    page.keyboard().press("e");
    page.getByLabel("May differ by, EUR").fill("20");
    button(page, "Change it").click();
    assertThat(page.getByText("less than the amount itself")).isVisible();
    page.getByLabel("May differ by, EUR").fill("1");
    button(page, "Change it").click();
    assertThat(due(page).nth(1)).containsText("about 12.50");
    undo(page, 5);
    assertThat(due(page)).hasCount(0);
    assertEquals(complaints(), List.of());
  }

  @Test
  public void theForecastTellsWhereAnAccountStandsLowest() {
    Page page = signedInAt("/plan/ahead?month=2026-09");
    assertThat(heading(page, "The year ahead")).isVisible();
    page.keyboard().press("2");
    assertThat(heading(page, "Forecast")).isVisible();
    Locator method = page.getByLabel("How it is worked out");
    assertThat(method).containsText("Stands there today");
    rows(page, "Harbour Savings").last().click();
    assertThat(page.getByLabel("The selected account")).containsText("Harbour Savings");
    choose(page.getByLabel("How far"), "eighteen months ahead");
    assertThat(page.getByText("Harbour Savings: what is due and usual")).isVisible();
    assertNoViolations(page, "a forecast");
    assertEquals(complaints(), List.of());
  }

  @Test
  public void aHolidayMovesWhatIsDueOnIt() {
    Page page = signedInAt("/plan/ahead?month=2026-09");
    assertThat(heading(page, "The year ahead")).isVisible();
    page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("Saltmarsh Letterpress"))
        .click();
    page.keyboard().press("h");
    page.getByLabel("Day", new Page.GetByLabelOptions().setExact(true)).fill("3 2 2027");
    button(page, "Keep it").click();
    assertThat(dialog(page)).containsText("Say which holiday it is.");
    page.getByLabel("Holiday", new Page.GetByLabelOptions().setExact(true)).fill("Harbour fair");
    assertNoViolations(page, "holidays");
    button(page, "Keep it").click();
    assertThat(page.getByRole(AriaRole.LIST, new Page.GetByRoleOptions().setName("Holidays")))
        .containsText("Harbour fair");
    button(page, "Done").click();
    choose(page.getByLabel("How far"), "a year ahead");
    assertThat(workshop(page, "4 Feb 2027")).hasCount(1);
    undo(page, 1);
    assertThat(workshop(page, "3 Feb 2027")).hasCount(1);
  }

  private static Locator workshop(Page page, String day) {
    return rows(page, "Saltmarsh Yard").filter(new Locator.FilterOptions().setHasText(day));
  }

  @Test
  public void whatCameRegularlyAndAnEntryOfTheJournalCanBeExpected() {
    Page page = signedInAt("/plan/ahead?month=2026-09");
    assertThat(heading(page, "The year ahead")).isVisible();
    page.keyboard().press("r");
    assertThat(dialog(page)).containsText("Account fee");
    assertNoViolations(page, "payments that came regularly");
    button(page, "Expect it Account fee").click();
    assertThat(page.getByLabel("Amount, EUR").first()).not().hasValue("");
    page.keyboard().press("Escape");

    open(page, "/journal?every=1&text=payee:reedmere");
    page.locator("tr[data-row]").first().click();
    page.keyboard().press("x");
    assertThat(heading(page, "The year ahead")).isVisible();
    assertThat(page.getByLabel("Payee", new Page.GetByLabelOptions().setExact(true)))
        .hasValue("Reedmere Water");
    button(page, "Expect it").click();
    assertThat(page.getByText("Reedmere Water is expected every month on the")).isVisible();
    undo(page, 1);
    assertEquals(complaints(), List.of());
  }
}
