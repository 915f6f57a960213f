package org.yewledger.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
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
}
