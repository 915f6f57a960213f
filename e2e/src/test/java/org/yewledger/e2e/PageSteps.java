package org.yewledger.e2e;

import static org.testng.Assert.assertEquals;

import com.deque.html.axecore.args.AxeRunOptions;
import com.deque.html.axecore.playwright.AxeBuilder;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Response;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Path;
import java.util.List;
import org.springframework.test.context.testng.AbstractTestNGSpringContextTests;

/** What a person finds and does on any page, and what axe says of it. */
abstract class PageSteps extends AbstractTestNGSpringContextTests {
  protected static Locator button(Page page, String name) {
    return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name));
  }

  protected static Locator link(Page page, String name) {
    return page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(name));
  }

  protected static Locator heading(Page page, String name) {
    return page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName(name));
  }

  /** Takes back what was done last, so many times; each is answered before the next. */
  protected static void undo(Page page, int times) {
    for (int i = 0; i < times; i++) {
      Response answer =
          page.waitForResponse("**/api/acts/*/undo", () -> page.keyboard().press("Control+z"));
      assertEquals(answer.status(), 200, answer.text());
    }
  }

  /** The rows that have the text in them. */
  protected static Locator rows(Page page, String text) {
    return page.getByRole(AriaRole.ROW).filter(new Locator.FilterOptions().setHasText(text));
  }

  /**
   * Brings the first row of the list that has the text in it into sight: of a long list, only the
   * rows around those in sight are in the page.
   */
  protected static Locator found(Page page, String text) {
    Locator row = rows(page, text).first();
    page.getByRole(AriaRole.ROW).nth(1).waitFor();
    page.keyboard().press("Home");
    for (int pages = 0; !row.isVisible() && pages < 60; pages++) {
      page.keyboard().press("PageDown");
      page.waitForTimeout(30);
    }
    return row;
  }

  /** Chooses one of a few by its name. */
  protected static void choose(Locator select, String name) {
    select.click();
    select
        .page()
        .getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName(name).setExact(true))
        .click();
  }

  /** Chooses a sample file on the Gather page, for the account. */
  protected static void chooseFile(Page page, String account, Path file) {
    page.waitForFileChooser(() -> button(page, "Choose files for " + account).click())
        .setFiles(file);
  }

  /**
   * Checks the page by axe against WCAG 2.1 A and AA. The legacy mode is for pages without frames,
   * as ours are; the other opens a window more for each check.
   */
  protected static void assertNoViolations(Page page, String view) {
    assertNone(axe(page).withTags(List.of("wcag2a", "wcag2aa", "wcag21a", "wcag21aa")), view);
  }

  /** Checks what a palette alone can break. */
  protected static void assertContrast(Page page, String view) {
    assertNone(axe(page).withRules(List.of("color-contrast", "link-in-text-block")), view);
  }

  private static AxeBuilder axe(Page page) {
    var onlyViolations = new AxeRunOptions();
    onlyViolations.setResultTypes(List.of("violations"));
    return new AxeBuilder(page).setLegacyMode(true).options(onlyViolations);
  }

  private static void assertNone(AxeBuilder check, String view) {
    assertEquals(
        check.analyze().getViolations().stream()
            .map(v ->
                v.getId() + " at " + v.getNodes().stream().limit(3).map(n -> n.getHtml()).toList())
            .toList()
            .toString(),
        "[]",
        view);
  }
}
