package org.yewledger.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.KeyboardModifier;
import com.microsoft.playwright.options.MouseButton;
import java.util.List;
import java.util.regex.Pattern;
import org.testng.annotations.Test;

/** Selecting in lists: one row or several, by keyboard, pointer and menu. */
public class SelectingTest extends BrowserTest {
  private static Locator selected(Page page) {
    return page.locator("tr[aria-selected=true]");
  }

  private static Locator sum(Page page) {
    return page.getByRole(AriaRole.STATUS, new Page.GetByRoleOptions().setName("Selected"));
  }

  private static Page journal(BrowserTest test) {
    Page page = test.signedIn();
    test.open(page, "/journal?month=2026-08");
    page.locator("tr[data-row]").first().waitFor();
    return page;
  }

  @Test
  public void rowsAreWalkedByTheKeyboardAndTheFocusGoesWithThem() {
    Page page = journal(this);
    List<String> rows = page.locator("tr[data-row]").allInnerTexts();
    page.keyboard().press("ArrowDown");
    assertThat(selected(page)).hasCount(1);
    assertThat(selected(page)).isFocused();
    assertEquals(selected(page).innerText(), rows.get(1));
    assertThat(page.locator("tr[data-row][tabindex='0']")).hasCount(1);
    page.keyboard().press("End");
    assertThat(selected(page)).isFocused();
    assertThat(selected(page)).isInViewport();
    String last = selected(page).innerText();
    page.keyboard().press("ArrowDown");
    assertEquals(selected(page).innerText(), last);
    page.keyboard().press("PageUp");
    assertTrue(!selected(page).innerText().equals(last));
    page.keyboard().press("Home");
    assertEquals(selected(page).innerText(), rows.getFirst());
    assertThat(page.getByRole(AriaRole.TREEGRID))
        .hasAttribute("aria-rowcount", Pattern.compile("\\d+"));
  }

  @Test
  public void severalAreSelectedAndTheirSumIsOfTheirParts() {
    Page page = signedIn();
    open(page, "/accounts/" + harbourCurrent(page));
    page.locator("tr[data-row]").first().waitFor();
    page.keyboard().press("Home");
    page.keyboard().press("Shift+ArrowDown");
    page.keyboard().press("Shift+ArrowDown");
    assertThat(sum(page)).containsText("3 postings selected");
    assertEquals(cents(sum(page).locator("b").nth(1).innerText()), shown(page));
    page.locator("tr[data-row]")
        .nth(6)
        .click(new Locator.ClickOptions().setModifiers(List.of(KeyboardModifier.CONTROL)));
    assertThat(sum(page)).containsText("4 postings selected");
    assertEquals(cents(sum(page).locator("b").nth(1).innerText()), shown(page));
    page.locator("tr[data-row]")
        .nth(9)
        .click(new Locator.ClickOptions().setModifiers(List.of(KeyboardModifier.SHIFT)));
    assertThat(selected(page)).hasCount(4);
    assertEquals(cents(sum(page).locator("b").nth(1).innerText()), shown(page));
    page.keyboard().press("Escape");
    assertThat(selected(page)).hasCount(1);
    assertThat(sum(page)).isHidden();
  }

  /** In less out of the selected rows, as the columns show them. */
  private static long shown(Page page) {
    long sum = 0;
    for (Locator row : selected(page).all()) {
      List<String> cells = row.locator("td").allInnerTexts();
      sum += cents(cells.get(6)) - cents(cells.get(5));
    }
    return sum;
  }

  private static long cents(String figure) {
    String digits = figure.replaceAll("[^0-9]", "");
    long size = digits.isEmpty() ? 0 : Long.parseLong(digits);
    return figure.startsWith("\u2212") ? -size : size;
  }

  private static String harbourCurrent(Page page) {
    return link(page, "Harbour Current")
        .first()
        .getAttribute("href")
        .replaceAll(".*/accounts/([0-9a-f-]+).*", "$1");
  }

  @Test
  public void theMenuOfARowOffersWhatItsKeysDo() {
    Page page = signedInAt("/chart");
    rows(page, "Groceries").click(new Locator.ClickOptions().setButton(MouseButton.RIGHT));
    assertThat(rows(page, "Groceries")).hasAttribute("aria-selected", "true");
    Locator menu = page.getByRole(AriaRole.MENU);
    assertThat(menu).containsText("Open the register");
    assertNoViolations(page, "the menu of a row");
    // A key of the view means nothing while the menu is open.
    page.keyboard().press("n");
    assertThat(page.getByRole(AriaRole.DIALOG)).isHidden();
    page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Edit the account"))
        .click();
    assertThat(page.getByRole(AriaRole.DIALOG)).containsText("Edit Groceries");
    page.keyboard().press("Escape");
    assertThat(page.getByRole(AriaRole.DIALOG)).isHidden();
    rows(page, "Groceries").click();
    page.keyboard().press("Shift+F10");
    assertThat(menu).isVisible();
    page.keyboard().press("Escape");
    assertThat(menu).isHidden();
  }

  @Test
  public void severalWaitingLinesArePostedTogetherAndTheSelectionGoesOn() {
    Page page = signedInAt("/post");
    Locator pool = rows(page, "OTTERDALE POOL");
    found(page, "OTTERDALE POOL");
    assertThat(pool).hasCount(2);
    for (int i = 0; i < 2; i++) {
      pool.nth(i).click();
      page.keyboard().press("c");
      Locator box =
          page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName("Books to"));
      box.fill("outings");
      box.press("Enter");
      button(page, "Take it").click();
      assertThat(pool.nth(i)).containsText("Outings and gifts");
    }
    pool.first().click();
    page.keyboard().press("Shift+ArrowDown");
    assertThat(selected(page)).hasCount(2);
    assertThat(sum(page)).containsText("2 lines selected");
    String next = page.locator("tr[data-now] + tr").innerText();
    page.keyboard().press("Enter");
    assertThat(page.getByText("2 lines posted as nos.")).isVisible();
    assertThat(pool).hasCount(0);
    assertThat(selected(page)).hasCount(1);
    assertEquals(selected(page).innerText(), next);
    page.keyboard().press("Control+z");
    assertThat(pool).hasCount(2);
  }
}
