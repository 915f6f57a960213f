package org.yewledger.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import org.testng.annotations.Test;

/** What is set aside in the demo's current account: divided, and taken back. */
public class SetAsidesTest extends BrowserTest {
  /** Makes a set-aside in Harbour Current as the chart's form does. */
  private static final String MAKE =
      """
      async (name) => {
        const all = await (await fetch('/api/accounts')).json()
        const { id, bookId } = all.find((account) => account.name === 'Harbour Current')
        const token = document.cookie.split('; ').find((c) => c.startsWith('XSRF-TOKEN=')).slice(11)
        const facts = { number: '', tail: '', institution: '', webPage: '', contact: '', notes: '', pinned: false, taxFormLine: '' }
        const answer = await fetch('/api/accounts', {
          method: 'POST',
          headers: { 'Content-Type': 'application/json', 'X-XSRF-TOKEN': decodeURIComponent(token) },
          body: JSON.stringify({ bookId, parentId: id, name, kind: 'SET_ASIDE', currency: 'EUR', group: false, facts }),
        })
        return answer.status
      }\
      """;

  @Test
  public void whatIsFreeIsDividedUntilNothingIsLeftToPlace() {
    Page page = signedInAt("/plan?month=2026-09");
    for (String name : List.of("Holiday", "Roof")) {
      assertEquals(page.evaluate(MAKE, name), 201);
    }
    page.keyboard().press("4");
    assertThat(heading(page, "Set-asides")).isVisible();
    Locator table =
        page.getByRole(
            AriaRole.GRID, new Page.GetByRoleOptions().setName("Set aside in Harbour Current"));
    assertThat(table).containsText("Holiday");
    rows(page, "Holiday").first().click();
    page.keyboard().press("b");
    page.getByLabel("Needed, EUR").fill("1200");
    page.getByLabel("By", new Page.GetByLabelOptions().setExact(true)).fill("1 9 2026");
    button(page, "Keep it").click();
    assertThat(page.getByText("That day is not to come.")).isVisible();
    assertNoViolations(page, "what a purpose needs");
    page.getByLabel("By", new Page.GetByLabelOptions().setExact(true)).fill("1 10 2027");
    button(page, "Keep it").click();
    assertThat(rows(page, "Holiday").first()).containsText("100.00");
    page.keyboard().press("d");
    button(page, "As needed a month").click();
    assertThat(page.getByLabel("Holiday", new Page.GetByLabelOptions().setExact(true)))
        .hasValue("100.00");
    page.getByLabel("On", new Page.GetByLabelOptions().setExact(true)).fill("1 10 2026");
    page.getByLabel("To place, EUR").fill("100");
    page.getByLabel("Holiday", new Page.GetByLabelOptions().setExact(true)).fill("120/2");
    assertThat(page.getByLabel("Dividing")).containsText("40.00");
    page.getByLabel("Roof", new Page.GetByLabelOptions().setExact(true)).fill("50");
    button(page, "Set it aside").click();
    assertThat(page.getByText("10.00 too much")).isVisible();
    assertNoViolations(page, "a division");
    page.getByLabel("Roof", new Page.GetByLabelOptions().setExact(true)).fill("40");
    button(page, "Set it aside").click();
    assertThat(page.getByText("sets 100.00 aside")).isVisible();
    assertThat(table).containsText("60.00");
    undo(page, 4);
    assertThat(page.getByText("Nothing is set aside")).isVisible();
    assertEquals(complaints(), List.of());
  }
}
