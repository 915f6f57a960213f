package org.yewledger.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import org.testng.annotations.Test;

/** What becomes of entries once they are typed: changed, copied, merged, taken back. */
public class EntriesTest extends BrowserTest {
  /** What could be taken back is answered late, when it may be another act already. */
  private static final String SLOW =
      """
      const ask = window.fetch
      window.fetch = async (...what) => {
        const answer = await ask(...what)
        if (answer.url.endsWith('/api/acts/next')) await new Promise((go) => setTimeout(go, 400))
        return answer
      }
      """;

  private static Locator dialog(Page page) {
    return page.getByRole(AriaRole.DIALOG);
  }

  /** The rows of entries, without what they open to. */
  private static Locator entries(Page page, String text) {
    return page.locator("tr[data-row]").filter(new Locator.FilterOptions().setHasText(text));
  }

  private static Locator option(Page page, String name) {
    return page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName(name)).first();
  }

  /** Types an entry with somebody new, by keyboard. */
  private static void enter(Page page, String payee, String amount) {
    page.keyboard().press("n");
    Locator form = page.getByRole(AriaRole.FORM, new Page.GetByRoleOptions().setName("New entry"));
    assertThat(form.getByLabel("Day")).isFocused();
    page.keyboard().press("Enter");
    Locator who = form.getByLabel("Payee");
    who.fill(payee);
    who.press("Enter");
    form.getByLabel("Amount").fill(amount);
    form.getByLabel("Amount").press("Enter");
    Locator from = form.getByLabel("From");
    from.fill("harbour cur");
    option(page, "Harbour Current").waitFor();
    from.press("Enter");
    Locator to = form.getByLabel("To", new Locator.GetByLabelOptions().setExact(true));
    to.fill("bakery");
    option(page, "Bakery").waitFor();
    page.waitForResponse("**/api/entries", () -> to.press("Enter"));
    assertThat(page.getByText("entered: " + payee)).isVisible();
    page.keyboard().press("Escape");
    assertThat(form).hasCount(0);
  }

  /** Keys are not lost, nor do they take back one thing twice, while an answer is slow. */
  @Test
  public void whoTakesBackTwiceInAHurryTakesBackTwoThings() {
    Page page = signedIn();
    page.addInitScript(SLOW);
    open(page, "/journal?month=2026-10");
    enter(page, "Quay Kiosk", "4.44");
    enter(page, "Tide Kiosk", "5.55");
    assertThat(entries(page, "Kiosk")).hasCount(2);
    page.keyboard().press("Control+z");
    page.keyboard().press("Control+z");
    assertThat(entries(page, "Kiosk")).hasCount(0);
    page.keyboard().press("Control+Shift+z");
    page.keyboard().press("Control+Shift+z");
    assertThat(entries(page, "Kiosk")).hasCount(2);
    undo(page, 2);
    assertEquals(complaints(), List.of());
  }

  @Test
  public void anEntryIsChangedCopiedVoidedAndDeleted() {
    Page page = signedInAt("/journal?month=2026-10");
    enter(page, "Quay Kiosk", "4.44");
    Locator row = entries(page, "Quay Kiosk");
    row.click();
    page.keyboard().press("e");
    assertThat(dialog(page)).containsText("Change no.");
    page.getByLabel("Credit, posting 2").fill("5.55");
    assertThat(dialog(page)).containsText("1.11 apart");
    page.getByLabel("Debit, posting 1").fill("5.55");
    page.getByLabel("Note", new Page.GetByLabelOptions().setExact(true)).fill("two rolls");
    assertNoViolations(page, "an entry being changed");
    button(page, "Change it").click();
    assertThat(page.getByText("changed.")).isVisible();
    assertThat(row).containsText("5.55");
    assertThat(row).containsText("two rolls");

    page.keyboard().press("d");
    page.getByLabel("To the day").fill("12 10 2026");
    button(page, "Copy it").click();
    assertThat(page.getByText("is like no.")).isVisible();
    assertThat(row).hasCount(2);
    assertThat(row.first()).containsText("12 Oct");

    row.last().click();
    page.keyboard().press("v");
    assertNoViolations(page, "ways to take an entry back");
    button(page, "Void it").click();
    assertThat(page.getByText("back.")).isVisible();
    assertThat(row).hasCount(3);

    row.first().click();
    page.keyboard().press("v");
    button(page, "Delete it").click();
    assertThat(page.getByText("is deleted")).isVisible();
    assertThat(row).hasCount(2);
    undo(page, 5);
    assertThat(row).hasCount(0);
  }

  @Test
  public void anEntryBookedTwiceIsMadeOneAndTwoAgainByUndo() {
    Page page = signedInAt("/journal?month=2026-10");
    enter(page, "Twice Kiosk", "7.77");
    enter(page, "Twice Kiosk again", "7.77");
    Locator row = entries(page, "Twice Kiosk");
    assertThat(row).hasCount(2);
    row.first().click();
    page.keyboard().press("m");
    assertThat(dialog(page)).containsText("Booked twice?");
    assertNoViolations(page, "two entries that are one");
    button(page, "Merge into no.").click();
    assertThat(page.getByText("is part of no.")).isVisible();
    assertThat(row).hasCount(1);
    undo(page, 1);
    assertThat(row).hasCount(2);
    undo(page, 2);
    assertThat(row).hasCount(0);
  }

  @Test
  public void severalAreChangedAtOnceCountedFirstAndTakenBackAtOnce() {
    Page page = signedInAt("/journal?month=2026-10");
    enter(page, "Quay Stall", "2.20");
    enter(page, "Quay Stall", "3.30");
    open(page, "/journal?month=2026-10&text=payee:stall");
    assertThat(entries(page, "Quay Stall")).hasCount(2);
    page.keyboard().press("b");
    choose(page.getByLabel("Which entries"), "all that fit what is looked for");
    page.getByLabel("Days to move by").fill("soon");
    button(page, "Change them").click();
    assertThat(dialog(page)).containsText("is not a number");
    page.getByLabel("Days to move by").fill("1");
    page.getByLabel("Tags to add").fill("stall, autumn");
    assertThat(dialog(page)).containsText("2 entries would change");
    assertNoViolations(page, "several entries being changed");
    button(page, "Change 2 entries").click();
    assertThat(page.getByText("2 entries changed.")).isVisible();
    assertThat(entries(page, "autumn")).hasCount(2);
    assertThat(dialog(page)).hasCount(0);
    undo(page, 1);
    assertThat(entries(page, "autumn")).hasCount(0);
    undo(page, 2);
    assertThat(entries(page, "Quay Stall")).hasCount(0);
  }
}
