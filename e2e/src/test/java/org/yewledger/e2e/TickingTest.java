package org.yewledger.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.regex.Pattern;
import org.testng.annotations.Test;

/** Ticking a statement off by keys. */
public class TickingTest extends BrowserTest {
  /** What waits for the next turn of the page waits long, as it does on a machine that is busy. */
  private static final String BUSY =
      """
      const soon = window.setTimeout
      window.setTimeout = (work, after, ...rest) => soon(work, Math.max(after ?? 0, 400), ...rest)
      """;

  /** Of what was answered nothing older is shown again, so that a key never acts on it. */
  @Test
  public void aTickThatWasAnsweredStaysSeenUntilTheNextKey() {
    Page page = signedIn();
    page.addInitScript(BUSY);
    open(page, "/reconcile");
    rows(page, "Quillon Card").click();
    page.keyboard().press("Enter");
    Locator ticked = page.getByText(Pattern.compile("^\\d+ of \\d+ lines ticked"));
    assertThat(ticked).containsText("0 of");

    page.keyboard().press("End");
    for (String seen : List.of("1 of", "0 of", "1 of", "0 of")) {
      page.waitForResponse(
          answer -> answer.url().endsWith("/ticks"), () -> page.keyboard().press("Space"));
      page.waitForTimeout(60);
      assertTrue(ticked.textContent().startsWith(seen), ticked.textContent());
      page.keyboard().press("End");
    }
    assertEquals(complaints(), List.of());
  }

  /** What is missing is typed where one stands; what was typed wrong is found and put right. */
  @Test
  public void swappedDigitsAreFoundAndPutInOrderByOneKey() {
    Page page = signedInAt("/reconcile");
    rows(page, "Home loan").click();
    page.getByLabel("Closing balance, EUR").fill("\u2212182,310.14");
    button(page, "Begin to tick").click();
    assertThat(page.getByText("Nothing to tick yet")).isVisible();

    // The strip shows keys once they work.
    assertThat(page.getByText("new entry")).isVisible();
    page.keyboard().press("n");
    assertThat(page.getByLabel("Day")).isFocused();
    page.keyboard().press("Enter");
    page.keyboard().type("Harbour Bank");
    page.keyboard().press("Enter");
    page.keyboard().type("+498.98");
    page.keyboard().press("Enter");
    page.keyboard().type("Harbour Cur");
    page.keyboard().press("Enter");
    Locator typed = rows(page, "Harbour Bank");
    assertThat(typed).containsText("30 Sep");
    page.keyboard().press("Escape");
    typed.click();
    page.keyboard().press("Space");
    assertThat(page.getByText("1 of 1 lines ticked")).isVisible();
    Locator proof = page.getByLabel("The proof");
    assertThat(proof).containsText("0.90");

    page.keyboard().press("w");
    Locator reasons = page.getByRole(AriaRole.LIST, new Page.GetByRoleOptions().setName("Reasons"));
    assertThat(reasons).containsText("Digits swapped");
    assertThat(reasons).containsText("499.88 with two digits the other way round");
    assertNoViolations(page, "what may be apart");
    page.keyboard().press("1");
    assertThat(page.getByText("nothing is apart")).isVisible();
    assertThat(button(page, "Agree G")).isEnabled();
    page.keyboard().press("Control+z");
    assertThat(proof).containsText("0.90");
    page.keyboard().press("Control+Shift+z");
    assertThat(page.getByText("nothing is apart")).isVisible();
    assertEquals(complaints(), List.of());
  }
}
