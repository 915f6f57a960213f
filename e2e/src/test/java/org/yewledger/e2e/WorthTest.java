package org.yewledger.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import org.testng.annotations.Test;

/**
 * A holding in the demo's books from its first share to its worth, and the demo's house and press.
 */
public class WorthTest extends BrowserTest {
  /** Makes an account of the household as the chart's form does. */
  private static final String MAKE =
      """
      async ([name, kind]) => {
        const all = await (await fetch('/api/accounts')).json()
        const { bookId } = all.find((account) => account.name === 'Harbour Current')
        const token = document.cookie.split('; ').find((c) => c.startsWith('XSRF-TOKEN=')).slice(11)
        const facts = { number: '', tail: '', institution: '', webPage: '', contact: '', notes: '', pinned: false, taxFormLine: '' }
        const answer = await fetch('/api/accounts', {
          method: 'POST',
          headers: { 'Content-Type': 'application/json', 'X-XSRF-TOKEN': decodeURIComponent(token) },
          body: JSON.stringify({ bookId, name, kind, currency: 'EUR', group: false, facts }),
        })
        return answer.status
      }\
      """;

  private static Locator selected(Page page) {
    return page.getByLabel("What is selected");
  }

  private static Locator field(Page page, String label) {
    return page.getByLabel(label, new Page.GetByLabelOptions().setExact(true));
  }

  private static void pick(Page page, String label, String account) {
    field(page, label).fill(account);
    page.getByRole(AriaRole.OPTION)
        .filter(new Locator.FilterOptions().setHasText(account))
        .first()
        .click();
  }

  private static void trade(Page page, String day, String kind, String many, String amount) {
    assertThat(button(page, "Book a trade")).isVisible();
    page.keyboard().press("t");
    field(page, "On").fill(day);
    choose(field(page, "It was"), kind);
    field(page, "How many").fill(many);
    page.getByLabel("for all, EUR").fill(amount);
    button(page, "Book it").click();
  }

  @Test
  public void aHoldingIsBoughtSoldAndValued() {
    Page page = signedInAt("/plan?month=2026-09");
    assertThat(heading(page, "Budgets")).isVisible();
    assertEquals(page.evaluate(MAKE, List.of("Heron Depot", "INVESTMENT")), 201);
    assertEquals(page.evaluate(MAKE, List.of("Gains and losses", "INCOME")), 201);
    open(page, "/plan/worth?month=2026-09");
    assertThat(heading(page, "Worth")).isVisible();
    page.getByText("say how its trades are booked").click();
    page.keyboard().press("e");
    pick(page, "Paid from and to", "Harbour Savings");
    pick(page, "Gains and losses of sales", "Gains and losses");
    pick(page, "Dividends", "Gains and losses");
    pick(page, "Fees for keeping", "Bank charges");
    assertNoViolations(page, "how trades are booked");
    button(page, "Keep it so").click();
    assertThat(page.getByText("Heron Depot: nothing is held yet")).isVisible();
    assertThat(button(page, "Book a trade")).isVisible();
    page.keyboard().press("t");
    choose(field(page, "Security"), "a new one");
    field(page, "Its name").fill("Estuary World Fund");
    field(page, "On").fill("3 Sep 2026");
    field(page, "How many").fill("20");
    field(page, "Paid for all, EUR").fill("1420");
    field(page, "Fee").fill("4.50");
    assertNoViolations(page, "a trade");
    button(page, "Book it").click();
    Locator holdings = page.getByLabel("Holdings of Heron Depot");
    assertThat(holdings).containsText("1,424.50");
    trade(page, "21 Sep 2026", "sold", "21", "1600");
    assertThat(page.getByText("20 are held on 2026-09-21, not 21.")).isVisible();
    field(page, "How many").fill("5");
    button(page, "Book it").click();
    assertThat(page.getByLabel("Trades").first()).containsText("sold 5");
    assertThat(button(page, "Book a trade")).isVisible();
    page.keyboard().press("p");
    field(page, "Price").fill("76.35");
    button(page, "Keep it").click();
    assertThat(holdings).containsText("1,145.25");
    assertThat(holdings).containsText("The books have it at 1,068.37");
    button(page, "Book +76.88 on 30 Sep").click();
    assertThat(holdings).containsText("booked of its worth +76.88");
    assertNoViolations(page, "what is owned");
    undo(page, 8);
    assertThat(page.getByText("Heron Depot")).hasCount(0);
    assertEquals(complaints(), List.of());
  }

  @Test
  public void theHouseIsValuedAndThePressWrittenDown() {
    Page page = signedInAt("/plan/worth?month=2026-09");
    assertThat(heading(page, "Worth")).isVisible();
    rows(page, "House in Ferrygate").first().click();
    assertThat(selected(page)).containsText("243,000.00");
    page.keyboard().press("v");
    field(page, "Worth, EUR").fill("250000");
    assertNoViolations(page, "a valuation");
    button(page, "Keep it").click();
    assertThat(rows(page, "House in Ferrygate").first()).containsText("+11,500.00");
    rows(page, "Platen press").first().click();
    assertThat(selected(page)).containsText("Written down from 1,480.00");
    page.keyboard().press("w");
    field(page, "Over months").fill("0");
    button(page, "Write it down so").click();
    assertThat(page.getByText("Choose from a month to a hundred years.")).isVisible();
    field(page, "Over months").fill("40");
    button(page, "Write it down so").click();
    assertThat(page.getByText("over 40 months, from")).isVisible();
    button(page, "Book 1 month through September 2026").click();
    assertThat(rows(page, "Platen press").first()).containsText("1,443.00");
    open(page, "/reports/worth?month=2026-09");
    assertThat(page.getByText("Worth beyond the books").first()).isVisible();
    undo(page, 3);
    assertEquals(complaints(), List.of());
  }
}
