package org.yewledger.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import org.testng.annotations.Test;

/** The demo's home loan: its table, an extra payment tried out and planned, the lender's year. */
public class LoansTest extends BrowserTest {
  private Page opened() {
    Page page = signedInAt("/plan/ahead?month=2026-09");
    assertThat(heading(page, "The year ahead")).isVisible();
    page.keyboard().press("5");
    assertThat(page.getByRole(AriaRole.TREEGRID)).containsText("588.11");
    return page;
  }

  private static Locator field(Page page, String label) {
    return page.getByLabel(label, new Page.GetByLabelOptions().setExact(true));
  }

  @Test
  public void anExtraPaymentIsTriedAndPutInThePlan() {
    Page page = opened();
    Locator beside = page.getByLabel("From today on");
    assertThat(beside).containsText("1 Nov 2046");
    assertThat(page.getByRole(AriaRole.TREEGRID)).containsText("588.11");
    field(page, "Pay more, EUR").fill("5000");
    field(page, "On").fill("1 Sep 2026");
    assertThat(page.getByText("Choose today or later")).isVisible();
    field(page, "On").fill("1 Dec 2026");
    assertThat(beside).containsText("1 Jan 2046");
    assertThat(beside).containsText("Interest saved");
    assertNoViolations(page, "an extra payment that is tried out");
    page.getByLabel("Or", new Page.GetByLabelOptions().setExact(true))
        .getByRole(AriaRole.BUTTON)
        .first()
        .click();
    assertThat(beside).containsText("1 Nov 2046");
    button(page, "Put it in the plan").click();
    assertThat(page.getByText("5,000.00 more for Home loan is in the plan.")).isVisible();
    assertThat(page.getByRole(AriaRole.TREEGRID)).containsText("5,000.00");
    assertThat(field(page, "Pay more, EUR")).hasValue("");
    heading(page, "Home loan").click();
    undo(page, 1);
    assertThat(page.getByRole(AriaRole.TREEGRID)).not().containsText("5,000.00");
    assertEquals(complaints(), List.of());
  }

  @Test
  public void aLendersYearIsHeldAgainstTheBooks() {
    Page page = opened();
    Locator year =
        page.getByLabel("The lender’s year", new Page.GetByLabelOptions().setExact(true));
    assertThat(year).containsText("the payment of 1 Sep is not in the books");
    page.keyboard().press("y");
    field(page, "From the end of").fill("31 Dec 2025");
    page.getByLabel("Owed then, EUR").first().fill("186751.97");
    field(page, "Paid in the year, EUR").fill("8691.20");
    field(page, "Of it interest, EUR").fill("4749.25");
    field(page, "To the end of").fill("31 Aug 2026");
    page.getByLabel("Owed then, EUR").last().fill("182810.20");
    button(page, "Hold it against the books").click();
    assertThat(page.getByText("which is 0.18 apart")).isVisible();
    assertNoViolations(page, "a lender's year being told");
    page.getByLabel("Owed then, EUR").last().fill("182810.02");
    button(page, "Hold it against the books").click();
    assertThat(page.getByText("The lender’s year to 31 August 2026 is kept.")).isVisible();
    heading(page, "Home loan").click();
    choose(field(page, "Year"), "Year to 31 Aug 2026");
    assertThat(year).containsText("The books agree with the lender to the cent.");
    heading(page, "Home loan").click();
    undo(page, 1);
    assertThat(field(page, "Year")).hasCount(0);
    assertEquals(complaints(), List.of());
  }

  @Test
  public void theTermsAreChangedOnTheirFormAndThePaymentsFollow() {
    Page page = opened();
    page.keyboard().press("e");
    button(page, "A later rate").click();
    field(page, "Then from").fill("1 3 2031");
    page.getByLabel("Rate, %").last().fill("120");
    page.getByLabel("Payment, EUR").last().fill("1200");
    button(page, "Change them").click();
    assertThat(page.getByText("A rate is from 0 to 100 percent in a year.")).isVisible();
    assertNoViolations(page, "the terms of a loan");
    page.getByLabel("Rate, %").last().fill("5,1");
    button(page, "Change them").click();
    assertThat(page.getByText("Home loan is paid every month on the 1st")).isVisible();
    assertThat(page.getByLabel("From today on")).not().containsText("1 Nov 2046");
    page.keyboard().press("1");
    assertThat(heading(page, "The year ahead")).isVisible();
    rows(page, "Home loan").first().click();
    assertThat(page.getByLabel("Where it goes")).containsText("586.52");
    undo(page, 1);
    assertEquals(complaints(), List.of());
  }
}
