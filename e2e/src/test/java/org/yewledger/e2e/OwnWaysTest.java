package org.yewledger.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import java.util.List;
import org.testng.annotations.Test;

/** A person's own formats, and the parts that open over the page in both palettes. */
public class OwnWaysTest extends BrowserTest {
  private static void write(Page page, String decimals, String thousands) {
    choose(page.getByLabel("Before decimals"), decimals);
    choose(page.getByLabel("Between thousands"), thousands);
    button(page, "Write so").click();
    assertThat(page.getByText("Figures and days are written your way.")).isVisible();
  }

  @Test
  public void figuresAreWrittenAndReadTheWayOfThePerson() {
    Page page = signedInAt("/you");
    write(page, "comma, 0,50", "point, 1.000");
    open(page, "/reports/trial-balance?month=2026-09");
    assertThat(page.getByText("182.810,02").first()).isVisible();
    open(page, "/reconcile");
    rows(page, "Home loan").click();
    page.getByLabel("Closing balance, EUR").fill("3*12,50+4");
    assertThat(page.getByText("41,50 EUR")).isVisible();
    page.getByLabel("Closing balance, EUR").fill("1,234");
    button(page, "Begin to tick").click();
    assertThat(page.getByRole(AriaRole.ALERT)).containsText("more than one way");
    button(page, "1.234,00").click();
    assertThat(page.getByLabel("Closing balance, EUR")).hasValue("1.234,00");
    open(page, "/you");
    write(page, "point, 0.50", "comma, 1,000");
  }

  @Test
  public void daysAreTypedShownInWordsAndPickedFromACalendar() {
    Page page = signedInAt("/reconcile");
    rows(page, "Home loan").click();
    Locator day = page.getByLabel("Closes on");
    day.fill("28");
    assertThat(page.getByText("Monday, 28 September 2026")).isVisible();
    day.press("ArrowUp");
    assertThat(day).hasValue("29 Sep 2026");
    day.press("Shift+ArrowDown");
    assertThat(page.getByRole(AriaRole.GRID, new Page.GetByRoleOptions().setName("September 2026")))
        .isVisible();
    page.keyboard().press("ArrowRight");
    page.keyboard().press("Enter");
    assertThat(day).hasValue("30 Sep 2026");
    assertThat(day).isFocused();
    day.fill("5 13");
    button(page, "Begin to tick").click();
    assertThat(page.getByRole(AriaRole.ALERT).first()).containsText("There is no month 13.");
  }

  @Test
  public void aCategoryThatIsMissingIsMadeInPlace() {
    Page page = signedInAt("/post");
    rows(page, "OTTERDALE POOL").first().click();
    page.keyboard().press("c");
    Locator box =
        page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName("Books to"));
    box.fill("Lido and pool");
    box.press("Enter");
    Locator form = page.getByRole(AriaRole.FORM, new Page.GetByRoleOptions().setName("Make it"));
    assertThat(form.getByLabel("Name")).hasValue("Lido and pool");
    form.getByLabel("Name").press("Enter");
    assertThat(page.getByText("Lido and pool is in the chart of Household.")).isVisible();
    assertThat(box).hasValue("Lido and pool");
    box.fill("nothing like it");
    page.getByLabel("Payee").focus();
    // It can be reached and says why it cannot be pressed.
    button(page, "Take it").click(new Locator.ClickOptions().setForce(true));
    assertThat(page.getByRole(AriaRole.ALERT)).containsText("is no category");
    button(page, "Leave it").click();
    page.keyboard().press("Control+z");
    assertThat(page.getByText("Undid")).isVisible();
  }

  @Test
  public void goingFromOneTypeAheadToAnotherKeepsTheFocusThere() {
    Page page = signedInAt("/currencies");
    Locator form = page.getByRole(AriaRole.FORM, new Page.GetByRoleOptions().setName("A new rate"));
    Locator from = form.getByLabel("1 of");
    Locator to = form.getByLabel("of", new Locator.GetByLabelOptions().setExact(true));
    assertThat(from).hasValue("USD, US Dollar");
    from.click();
    page.keyboard().type("pou");
    assertThat(page.getByRole(AriaRole.OPTION).first()).isVisible();
    to.click();
    assertThat(page.getByRole(AriaRole.OPTION)).hasCount(0);
    assertThat(to).isFocused();
    page.keyboard().type("yen");
    assertThat(to).isFocused();
    to.press("Enter");
    assertThat(to).hasValue("JPY, Japanese Yen");
    assertThat(form).containsText("\u201cpou\u201d is no currency");
  }

  /** Every part that opens over the page writes its styles with the nonce of the answer. */
  @Test
  public void whatOpensOverThePageKeepsThePolicyAndIsAccessible() {
    for (ColorScheme scheme : List.of(ColorScheme.LIGHT, ColorScheme.DARK)) {
      Page page = signedIn(1280, 800, scheme);
      open(page, "/chart");
      page.keyboard().press("n");
      // A dialog takes the focus to its first field once it is there.
      page.locator("[role=dialog] :focus").waitFor();
      page.getByLabel("Currency").fill("dol");
      assertThat(page.getByRole(AriaRole.OPTION).first()).isVisible();
      assertNoViolations(page, "a type-ahead over a dialog");
      page.keyboard().press("Escape");
      page.getByLabel("Kind").click();
      assertThat(page.getByRole(AriaRole.OPTION).first()).isVisible();
      page.keyboard().press("Escape");
      page.getByLabel("Opens on").fill("9");
      page.getByLabel("Opens on").press("Shift+ArrowDown");
      assertThat(page.getByRole(AriaRole.GRID)).isVisible();
      assertNoViolations(page, "a calendar over a dialog");
      page.keyboard().press("Escape");
      button(page, "Leave it").click();
      page.keyboard().press("?");
      assertNoViolations(page, "all keys");
    }
    assertEquals(complaints(), List.of());
  }

  @Test
  public void keysOfOneLetterCanBeOthersOrSwitchedOff() {
    Page page = signedInAt("/rules");
    Locator editor =
        page.getByRole(AriaRole.COMPLEMENTARY, new Page.GetByRoleOptions().setName("New rule"));
    page.keyboard().press("?");
    button(page, "another key for New rule").click();
    button(page, "press the new key for New rule").press("z");
    assertThat(button(page, "as before for New rule")).isVisible();
    page.keyboard().press("Escape");
    page.keyboard().press("n");
    assertThat(editor).hasCount(0);
    page.keyboard().press("z");
    assertThat(editor).isVisible();
    button(page, "Discard").click();
    page.keyboard().press("?");
    button(page, "as before for New rule").click();
    page.getByLabel("Keys of one letter work").click();
    assertThat(button(page, "another key for New rule")).hasCount(0);
    page.keyboard().press("Escape");
    page.keyboard().press("n");
    assertThat(editor).hasCount(0);
    page.keyboard().press("Control+k");
    page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName("Show all keys")).click();
    page.getByLabel("Keys of one letter work").click();
    assertThat(button(page, "another key for New rule")).isVisible();
  }

  @Test
  public void viewsNameThemselvesAndTakeTheFocus() {
    Page page = signedIn();
    link(page, "Chart").click();
    assertThat(heading(page, "Chart")).isFocused();
    assertTrue(page.title().startsWith("Chart \u00b7 Aldercott"), page.title());
  }
}
