package org.yewledger.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import org.testng.annotations.Test;

/** Budgets: planned, carried over, held against what is booked, seen in the income statement. */
public class BudgetsTest extends BrowserTest {
  private static Locator year(Page page, String category) {
    return page.getByRole(
        AriaRole.TABLE, new Page.GetByRoleOptions().setName("The year of " + category));
  }

  private static Locator sum(Page page) {
    return page.getByLabel("The month as a sum");
  }

  @Test
  public void aCategoryIsPlannedByKeysAndEverythingIsTakenBack() {
    Page page = signedInAt("/?month=2026-08");
    link(page, "Plan").click();
    assertThat(heading(page, "Budgets, August 2026")).isVisible();
    assertThat(page.getByText("plan it").first()).isVisible();
    rows(page, "Fuel").click();
    assertThat(sum(page)).containsText("110.00");
    page.keyboard().press("Enter");
    Locator amount = page.getByLabel("What may be spent, EUR");
    assertThat(amount).isFocused();
    amount.fill("-5");
    button(page, "Plan it").click();
    assertThat(page.getByText("A plan is what may be spent: zero or more.")).isVisible();
    amount.fill("130");
    choose(page.getByLabel("For which months"), "each month from August on");
    button(page, "Plan it").click();
    assertThat(page.getByText("Fuel is planned.")).isVisible();
    assertThat(sum(page)).containsText("130.00");
    assertThat(year(page, "Fuel").getByRole(AriaRole.ROW).nth(10)).containsText("110.00");
    assertThat(year(page, "Fuel").getByRole(AriaRole.ROW).nth(12)).containsText("130.00");

    String left = sum(page).textContent();
    page.keyboard().press("c");
    assertThat(page.getByText("What is left of Fuel is carried over.")).isVisible();
    assertThat(rows(page, "Fuel")).containsText("carried");
    assertTrue(!sum(page).textContent().equals(left), "nothing was brought");
    undo(page, 2);
    assertThat(sum(page)).containsText("110.00");
    assertThat(rows(page, "Fuel")).not().containsText("carried");
    assertEquals(complaints(), List.of());
  }

  @Test
  public void aGroupIsPlannedTogetherForWhatHasNoPlanOfItsOwn() {
    Page page = signedInAt("/plan?month=2026-08");
    rows(page, "Bakery").click();
    assertThat(sum(page)).isVisible();
    page.keyboard().press("Enter");
    choose(page.getByLabel("For which months"), "nothing from August on");
    button(page, "Plan it").click();
    assertThat(page.getByText("Planned: nothing yet")).isVisible();
    page.keyboard().press("t");
    page.getByLabel("What may be spent, EUR").fill("40");
    button(page, "Plan it").click();
    assertThat(page.getByText("Food is planned.")).isVisible();
    assertThat(rows(page, "together").first()).containsText("Bakery");
    assertThat(rows(page, "together").first()).containsText("40.00");
    assertNoViolations(page, "a group that is planned together");
    undo(page, 2);
    assertThat(rows(page, "together")).hasCount(0);
    assertEquals(complaints(), List.of());
  }

  @Test
  public void severalMonthsAreSpentTogetherAndAnOverlapIsSaid() {
    Page page = signedInAt("/plan?month=2026-08");
    rows(page, "Stalls").click();
    assertThat(year(page, "Stalls").getByRole(AriaRole.ROW).nth(1)).containsText("300.00 to Sep");
    page.keyboard().press("Enter");
    page.getByLabel("What may be spent, EUR").fill("60");
    button(page, "Plan it").click();
    assertThat(page.getByText("is planned as one already").first()).isVisible();
    assertThat(page.getByLabel("What may be spent, EUR")).hasValue("60.00");
    page.keyboard().press("Escape");
    assertThat(sum(page)).isVisible();
    page.keyboard().press("o");
    assertThat(heading(page, "Stalls").first()).isVisible();
    assertEquals(complaints(), List.of());
  }

  @Test
  public void theNextYearIsPlannedFromThisOneAndTheStatementSeesIt() {
    Page page = signedInAt("/plan?month=2026-11");
    assertThat(heading(page, "Budgets, November 2026")).isVisible();
    assertThat(page.getByText("from last year")).isVisible();
    page.keyboard().press("f");
    assertThat(page.getByText("of Household planned from the year before")).isVisible();
    rows(page, "Groceries").click();
    assertThat(sum(page)).containsText("355.00");
    undo(page, 1);
    assertThat(rows(page, "Groceries")).hasCount(0);

    open(page, "/reports/income?month=2026-08");
    choose(page.getByLabel("Seen"), "beside the budget");
    Locator household =
        page.getByRole(AriaRole.TABLE, new Page.GetByRoleOptions().setName("Household"));
    assertThat(household).containsText("Planned");
    assertThat(
            household
                .getByRole(AriaRole.ROW)
                .filter(new Locator.FilterOptions().setHasText("Groceries")))
        .containsText("480.00");
    page.keyboard().press("3");
    assertThat(heading(page, "Cash flow")).isVisible();
    assertThat(household).containsText("Money after");
    assertEquals(complaints(), List.of());
  }

  @Test
  public void goalsAreSetHeldAgainstTheBooksAndGivenUp() {
    Page page = signedInAt("/plan?month=2026-08");
    Locator goals = page.getByLabel("Goals", new Page.GetByLabelOptions().setExact(true));
    assertThat(goals).containsText("14,396.26 of 18,000.00 EUR");
    button(page, "Give up the goal of Saltmarsh Letterpress").click();
    assertThat(goals).not().containsText("Saltmarsh Letterpress");
    page.keyboard().press("g");
    page.getByLabel("Amount, EUR").fill("9700");
    button(page, "Set it").click();
    assertThat(goals).containsText("Saltmarsh Letterpress");
    assertThat(goals).containsText("9,700.00 EUR from October 2025 to September 2026");
    Locator months =
        page.getByRole(
            AriaRole.TABLE,
            new Page.GetByRoleOptions().setName("The goal of Saltmarsh Letterpress"));
    assertThat(months.getByRole(AriaRole.ROW)).hasCount(3);

    page.keyboard().press("g");
    choose(page.getByLabel("A goal of"), "what stands on an account");
    page.getByLabel("Account", new Page.GetByLabelOptions().setExact(true)).fill("Harbour Sav");
    page.getByRole(AriaRole.OPTION)
        .filter(new Locator.FilterOptions().setHasText("Harbour Savings"))
        .click();
    page.getByLabel("Amount, EUR").fill("20000");
    page.getByLabel("By").fill("1 Jan 2020");
    button(page, "Set it").click();
    assertThat(page.getByText("That day is not to come. Choose a later one.")).isVisible();
    page.getByLabel("By").fill("31 Dec 2027");
    button(page, "Set it").click();
    assertThat(goals).containsText("14,396.26 of 20,000.00 EUR by 31 December 2027");
    assertNoViolations(page, "goals");

    button(page, "Give up the goal of Harbour Savings").click();
    assertThat(goals).not().containsText("Harbour Savings");
    undo(page, 2);
    assertThat(goals).containsText("14,396.26 of 18,000.00 EUR");
    undo(page, 2);
    assertThat(goals).containsText("9,600.00 EUR from October 2025 to September 2026");
    assertEquals(complaints(), List.of());
  }
}
