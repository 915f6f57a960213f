package org.yewledger.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.KeyboardModifier;
import java.util.List;
import org.testng.annotations.Test;

/** A statement's lines beside the books: each row is settled where it stands. */
public class CompareStatementTest extends BrowserTest {
  private Page atTheStatement() {
    Page page = signedInAt("/gather");
    chooseFile(page, "Harbour Current", SAMPLES.resolve("harbour-4417-2026-09.ofx"));
    button(page, "Take in 33 lines").click();
    assertThat(page.getByText("33 lines taken in, 0 known already")).isVisible();
    open(page, "/reconcile");
    rows(page, "Harbour Current").click();
    page.keyboard().press("Enter");
    assertThat(page.getByText("Only on the statement")).isVisible();
    return page;
  }

  /**
   * Types an entry where one stands, on the account of the statement.
   *
   * @param open how many postings are open then
   */
  private static void type(
      Page page, String day, String payee, String amount, String category, String open) {
    // The strip shows keys once they work.
    assertThat(page.getByText("new entry")).isVisible();
    page.keyboard().press("n");
    assertThat(page.getByLabel("Day")).isFocused();
    page.getByLabel("Day").fill(day);
    for (String text : List.of("", payee, amount, category)) {
      page.keyboard().type(text);
      page.keyboard().press("Enter");
    }
    assertThat(page.getByLabel("The proof")).containsText("Still open " + open);
    page.keyboard().press("Escape");
  }

  private static Locator row(Page page, String... texts) {
    Locator row = rows(page, texts[0]);
    for (String text : List.of(texts).subList(1, texts.length)) {
      row = row.filter(new Locator.FilterOptions().setHasText(text));
    }
    return row;
  }

  @Test
  public void rowsAreCorrectedPostedAndPairedByKey() {
    Page page = atTheStatement();
    Locator apart = page.getByLabel("The proof").locator("td[aria-live]");
    assertThat(apart).hasText("628.31");
    type(page, "2 9", "Pinfold School", "26.00", "School", "2 postings");
    assertThat(rows(page, "Amount or day disagrees")).containsText("\u221262.00");
    row(page, "PINFOLD SCHOOL LUNCH", "\u221226.00").click();
    assertThat(page.getByLabel("Selected line"))
        .containsText("Both say PINFOLD SCHOOL. The same day.");
    assertNoViolations(page, "the comparison");
    page.keyboard().press("Enter");
    assertThat(page.getByText("1 line settled and ticked.")).isVisible();
    assertThat(rows(page, "Amount or day disagrees")).hasCount(0);
    assertThat(apart).hasText("690.31");

    row(page, "COBBLERS ROW BKRY CARD 0509", "Post to Bakery").click();
    page.keyboard().press("Enter");
    assertThat(row(page, "COBBLERS ROW BKRY CARD 0509")).hasCount(0);
    assertThat(apart).hasText("698.93");
    page.keyboard().press("Control+z");
    assertThat(apart).hasText("690.31");
    assertThat(row(page, "COBBLERS ROW BKRY CARD 0509", "Post to Bakery")).isVisible();

    // Nothing makes them one but the person, who knows.
    type(page, "12 9", "Tansy & Thread", "48.20", "Clothes", "2 postings");
    Locator stays = row(page, "Tansy & Thread no.", "stays open");
    row(page, "GREENGAGE MKT 114 CARD 1209").click();
    // Of a long list only the rows in sight are in the page.
    page.mouse().wheel(0, 2_000);
    stays.click(new Locator.ClickOptions().setModifiers(List.of(KeyboardModifier.CONTROL)));
    Locator chosen = page.getByLabel("Selected", new Page.GetByLabelOptions().setExact(true));
    assertThat(chosen).containsText("Statement \u221236.67");
    assertThat(chosen).containsText("Books \u221248.20");
    assertThat(button(page, "to \u221236.67 and pair P")).isVisible();
    page.keyboard().press("p");
    assertThat(stays).hasCount(0);
    assertThat(apart).hasText("726.98");
    rows(page, "Agreed").getByRole(AriaRole.BUTTON).first().click();
    Locator paired = row(page, "Tansy & Thread", "GREENGAGE MKT 114 CARD 1209", "\u221236.67");
    for (int turns = 0; !paired.isVisible() && turns < 40; turns++) {
      page.mouse().wheel(0, 100);
      page.waitForTimeout(50);
    }
    assertThat(paired).isVisible();
    assertEquals(complaints(), List.of());
  }
}
