package org.yewledger.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.testng.annotations.Test;

/** A rule is written as one sentence, tried before it is saved, moved, warned of, and applied. */
public class RulesTest extends BrowserTest {
  private static Locator editor(Page page) {
    return page.getByRole(AriaRole.COMPLEMENTARY, new Page.GetByRoleOptions().setName("rule"));
  }

  private static Locator combobox(Locator within, String name) {
    return within.getByRole(
        AriaRole.COMBOBOX, new Locator.GetByRoleOptions().setName(name).setExact(true));
  }

  private static void pick(Page page, String combobox, String option) {
    choose(combobox(editor(page), combobox), option);
  }

  private static void bookTo(Page page, String name, String typed) {
    Locator box = combobox(editor(page), name);
    box.fill(typed);
    box.press("Enter");
  }

  /** Rows of the list; what the trial shows are rows too. */
  private static Locator listed(Page page, String text) {
    return page.getByRole(AriaRole.GRID, new Page.GetByRoleOptions().setName("Rules"))
        .getByRole(AriaRole.ROW)
        .filter(new Locator.FilterOptions().setHasText(text));
  }

  private static Locator trial(Page page) {
    return page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Trial"));
  }

  @Test
  public void aSentenceOfNestedConditionsIsTriedAsItIsWritten() {
    Page page = signedInAt("/rules?month=2026-08");
    found(page, "QUILLON CARD").waitFor();
    page.keyboard().press("n");
    editor(page).getByLabel("Text to look for").fill("greengage");
    // What it looks for is tried before it is said what it books.
    assertThat(trial(page)).containsText("booked,");
    pick(page, "Add a condition", "either of several");
    Locator second = editor(page).getByLabel("Text to look for").nth(1);
    second.fill("(garden");
    choose(combobox(editor(page), "How it compares").nth(1), "is like the pattern");
    editor(page).getByLabel("Text to look for").nth(2).fill("MKT 114");
    assertThat(editor(page).getByRole(AriaRole.ALERT)).containsText("The pattern cannot be read");
    assertThat(second).hasAttribute("aria-invalid", "true");
    second.fill("mkt 2\\\\d+");
    assertThat(editor(page).getByRole(AriaRole.ALERT)).hasCount(0);
    pick(page, "Add a condition", "an amount");
    editor(page).getByLabel("To amount").fill("9*5");
    bookTo(page, "Book to", "grocer");
    assertThat(trial(page)).containsText("booked the same way");
    assertThat(trial(page)).containsText("GREENGAGE MKT");
    assertNoViolations(page, "a rule being written");
    button(page, "Make the rule").click();
    Locator row = listed(page, "greengage");
    assertThat(row)
        .containsText(
            "(any text is like the pattern mkt 2\\\\d+ or any text has the words MKT 114)");
    assertThat(row).containsText("up to 45");
    row.click();
    page.keyboard().press("Delete");
    assertThat(row).hasCount(0);
  }

  @Test
  public void anAllocationOverHundredPercentIsRefusedAtItsPart() {
    Page page = signedInAt("/rules");
    found(page, "QUILLON CARD").waitFor();
    page.keyboard().press("n");
    editor(page).getByLabel("Text to look for").fill("TOWN RATE");
    button(page, "divide it").click();
    pick(page, "How much, part 1", "percent");
    editor(page).getByLabel("Percent, part 1").fill("120");
    bookTo(page, "Book to, part 1", "grocer");
    bookTo(page, "Book to, part 2", "town");
    assertThat(editor(page).getByRole(AriaRole.ALERT))
        .containsText("at most 100 can be given away");
    editor(page).getByLabel("Percent, part 1").fill("20");
    assertThat(trial(page)).containsText("Would catch");
    button(page, "Discard").click();
    assertThat(editor(page)).containsText("Rule 1");
  }

  /** One that can never fire says so, and is moved above the one that takes its lines. */
  @Test
  public void aRuleThatCanNeverFireIsMovedAboveTheOneThatTakesItsLines() {
    Page page = signedInAt("/rules");
    Locator dental = found(page, "MILL LANE DENTAL");
    assertThat(dental).containsText("can never fire: rule 9 fits whatever fits this one");
    assertThat(dental.getByRole(AriaRole.GRIDCELL).first()).hasText("10");
    dental
        .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Move above rule 9"))
        .click();
    assertThat(dental.getByRole(AriaRole.GRIDCELL).first()).hasText("9");
    assertThat(dental).not().containsText("can never fire");
    // By the pointer it is put back where it was.
    dental.dragTo(found(page, "MILL LANE and"));
    assertThat(dental.getByRole(AriaRole.GRIDCELL).first()).hasText("10");
    assertThat(dental).containsText("can never fire");
  }

  @Test
  public void aRuleIsSwitchedOffAndOnAgainAndCopied() {
    Page page = signedInAt("/rules");
    Locator row = found(page, "FAMILY OFFICE");
    row.click();
    page.keyboard().press("o");
    assertThat(row).containsText("switched off");
    page.keyboard().press("o");
    assertThat(row).containsText("waits for you");
    choose(combobox(editor(page), "Copy the rule"), "Household");
    assertThat(rows(page, "FAMILY OFFICE")).hasCount(2);
    assertThat(rows(page, "FAMILY OFFICE").last()).containsText("can never fire: rule 4");
    page.keyboard().press("Control+z");
    assertThat(rows(page, "FAMILY OFFICE")).hasCount(1);
  }

  @Test
  public void aSuggestedRuleIsBegunAndNotMadeByItself() {
    Page page = signedInAt("/rules");
    button(page, "rules suggested").click();
    Locator dialog = page.getByRole(AriaRole.DIALOG);
    assertThat(dialog).containsText("LAMPLIGHT CINEMA");
    assertNoViolations(page, "suggested rules");
    dialog
        .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Begin it LAMPLIGHT"))
        .click();
    assertThat(editor(page).getByLabel("Text to look for")).hasValue("LAMPLIGHT CINEMA");
    assertThat(combobox(editor(page), "Book to")).hasValue("Outings and gifts");
    assertThat(trial(page)).containsText(Pattern.compile("2\\d booked the same way"));
    assertThat(listed(page, "LAMPLIGHT")).hasCount(0);
    button(page, "Discard").click();
  }

  @Test
  public void whatIsBookedIsLookedThroughBeforeARuleIsAppliedToIt() {
    Page page = signedInAt("/rules");
    found(page, "NORTHGATE FUEL").click();
    bookTo(page, "Book to", "grocer");
    assertThat(trial(page)).containsText(Pattern.compile("2\\d booked differently"));
    button(page, "Save the rule").click();
    assertThat(page.getByText("changed.")).isVisible();
    page.keyboard().press("a");
    Locator dialog = page.getByRole(AriaRole.DIALOG);
    // All of them are reconciled: the list says so, and nothing can be changed.
    assertThat(dialog.getByText("It is ticked for a statement.").last()).isVisible();
    assertThat(
            dialog.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Change 0")))
        .hasAttribute("aria-disabled", "true");
    button(page, "Leave them").click();
    page.keyboard().press("Control+z");
    assertThat(found(page, "NORTHGATE FUEL")).containsText("book to Fuel");
  }
}
