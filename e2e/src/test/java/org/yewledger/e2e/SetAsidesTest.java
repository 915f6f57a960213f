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
  private static final String SLOW_CHANGES =
      """
      const real = window.fetch
      window.fetch = async (what, how) => {
        const answer = await real(what, how)
        if (what instanceof Request && what.url.endsWith('/takings')) await new Promise(r => setTimeout(r, 800))
        return answer
      }\
      """;

  private static final String SLOW_READS =
      """
      const real = window.fetch
      let slow = false
      window.fetch = async (what, how) => {
        if (what instanceof Request && what.method === 'PUT') slow = true
        const wait = slow && what instanceof Request && what.method === 'GET' && what.url.includes('/api/set-asides')
        const answer = await real(what, how)
        if (wait) await new Promise(r => setTimeout(r, 2000))
        return answer
      }\
      """;

  private static Locator field(Page page, String label) {
    return page.getByLabel(label, new Page.GetByLabelOptions().setExact(true));
  }

  private Page setAsides() {
    Page page = signedInAt("/plan/set-asides?month=2026-09");
    assertThat(heading(page, "Set-asides")).isVisible();
    return page;
  }

  @Test
  public void whatIsFreeIsDividedUntilNothingIsLeftToPlace() {
    Page page = setAsides();
    Locator table =
        page.getByRole(
            AriaRole.GRID, new Page.GetByRoleOptions().setName("Set aside in Harbour Current"));
    assertThat(table).containsText("2,304.00");
    rows(page, "Winter gifts").first().click();
    page.keyboard().press("b");
    field(page, "Needed, EUR").fill("1560");
    field(page, "By").fill("1 9 2026");
    button(page, "Keep it").click();
    assertThat(page.getByText("That day is not to come.")).isVisible();
    assertNoViolations(page, "what a purpose needs");
    field(page, "By").fill("1 10 2027");
    button(page, "Keep it").click();
    assertThat(rows(page, "Winter gifts").first()).containsText("100.00");
    page.keyboard().press("d");
    button(page, "As needed a month").click();
    assertThat(field(page, "Winter gifts")).hasValue("100.00");
    field(page, "On").fill("2 10 2026");
    page.getByLabel("To place, EUR").fill("100");
    for (String none : List.of("Summer on the coast", "Insurance next year")) {
      field(page, none).fill("");
    }
    field(page, "Winter gifts").fill("120/2");
    field(page, "Roof").fill("");
    assertThat(page.getByLabel("Dividing")).containsText("40.00");
    field(page, "Roof").fill("50");
    button(page, "Set it aside").click();
    assertThat(page.getByText("10.00 too much")).isVisible();
    assertNoViolations(page, "a division");
    field(page, "Roof").fill("40");
    button(page, "Templates").click();
    field(page, "Keep what is typed by the name").fill("Wren's pay");
    button(page, "Keep it").click();
    assertThat(button(page, "Wren's pay").first()).isVisible();
    assertNoViolations(page, "templates of divisions");
    button(page, "Close").click();
    field(page, "Roof").fill("1");
    button(page, "Templates").click();
    button(page, "Wren's pay").first().click();
    assertThat(field(page, "Roof")).hasValue("40.00");
    button(page, "Set it aside").click();
    assertThat(page.getByText("sets 100.00 aside")).isVisible();
    assertThat(table).containsText("2,404.00");
    undo(page, 3);
    assertThat(table).containsText("2,304.00");
    assertEquals(complaints(), List.of());
  }

  /**
   * A key pressed before the answer is there takes back what was asked for last, not the one
   * before.
   */
  @Test
  public void whoTakesBackAtOnceTakesBackTheLastThing() {
    Page page = signedIn();
    page.addInitScript(SLOW_CHANGES);
    open(page, "/plan/set-asides");
    rows(page, "Roof").first().click();
    paysForInternet(page, "1 8 2026");
    assertThat(rows(page, "Roof").first()).containsText("39.90 spent, not taken out yet");
    assertThat(form(page, "What Roof pays for")).hasCount(0);
    page.keyboard().press("o");
    page.keyboard().press("Control+z");
    assertThat(page.getByText("Undid: Took 39.90 out")).isVisible();
    assertThat(rows(page, "Roof").first()).containsText("39.90 spent, not taken out yet");
    undo(page, 1);
    assertEquals(complaints(), List.of());
  }

  /** The form stands until the books are read anew: what is typed there meanwhile is kept. */
  @Test
  public void whoTypesOnWhileTheAnswerIsReadLosesNothing() {
    Page page = signedIn();
    page.addInitScript(SLOW_READS);
    open(page, "/plan/set-asides");
    rows(page, "Roof").first().click();
    paysForInternet(page, "1 8 2026");
    assertThat(page.getByText("Roof pays from 1 August 2026.")).isVisible();
    field(page, "From").fill("2 9 2026");
    assertThat(rows(page, "Roof").first()).containsText("pays for Internet and phone");
    assertThat(field(page, "From")).hasValue("2 9 2026");
    button(page, "Keep it").click();
    assertThat(page.getByText("Roof pays from 2 September 2026.")).isVisible();
    assertThat(form(page, "What Roof pays for")).hasCount(0);
    undo(page, 2);
    assertEquals(complaints(), List.of());
  }

  private static Locator form(Page page, String name) {
    return page.getByRole(AriaRole.FORM, new Page.GetByRoleOptions().setName(name));
  }

  private static void paysForInternet(Page page, String since) {
    page.keyboard().press("f");
    field(page, "From").fill(since);
    field(page, "Category").fill("internet");
    page.getByRole(AriaRole.OPTION).first().click();
    button(page, "Keep it").click();
  }

  @Test
  public void whatAPurposePaysForIsTakenOutOfIt() {
    Page page = setAsides();
    rows(page, "Roof").first().click();
    page.keyboard().press("f");
    field(page, "From").fill("1 8 2026");
    field(page, "Category").fill("internet");
    page.getByRole(AriaRole.OPTION).first().click();
    assertNoViolations(page, "what a purpose pays for");
    button(page, "Keep it").click();
    assertThat(rows(page, "Roof").first()).containsText("pays for Internet and phone");
    assertThat(rows(page, "Roof").first()).containsText("39.90 spent, not taken out yet");
    page.keyboard().press("o");
    assertThat(page.getByText("39.90 is taken out of what is set aside")).isVisible();
    assertThat(rows(page, "Roof").first()).containsText("680.10");
    undo(page, 2);
    assertThat(rows(page, "Roof").first()).not().containsText("pays for");
    page.keyboard().press("f");
    field(page, "From").fill("1 10 2026");
    page.getByLabel("It is taken out").click();
    page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName("as lines are posted"))
        .click();
    field(page, "Category").fill("internet");
    page.getByRole(AriaRole.OPTION).first().click();
    button(page, "Keep it").click();
    assertThat(rows(page, "Roof").first())
        .containsText("pays for Internet and phone as lines are posted");
    undo(page, 1);
    assertEquals(complaints(), List.of());
  }
}
