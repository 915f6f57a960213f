package org.yewledger.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Keyboard;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.testng.annotations.Test;

/**
 * Finding in the journal and in registers: queries, their chips, what is kept, columns and order.
 */
public class JournalQueryTest extends BrowserTest {
  private static Locator box(Page page) {
    return page.getByLabel("Find entries");
  }

  private static Locator option(Page page, String name) {
    return page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName(name));
  }

  private static Locator entries(Page page) {
    return page.locator("tr[data-row]");
  }

  private static void allHave(Page page, Pattern text) {
    assertThat(entries(page).filter(new Locator.FilterOptions().setHasNotText(text))).hasCount(0);
  }

  private static Locator exactly(Page page, String name) {
    return page.getByRole(
        AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
  }

  private static Locator chip(Page page, String without) {
    return button(page, "Without " + without);
  }

  @Test
  public void aQueryIsTypedWithHelpAndItsConditionsBecomeChips() {
    Page page = signedInAt("/journal?month=2026-08");
    assertThat(entries(page).first()).isVisible();
    page.keyboard().press("/");
    assertThat(box(page)).isFocused();
    page.keyboard().type("categ");
    option(page, "category:").waitFor();
    page.keyboard().press("ArrowDown");
    page.keyboard().press("Enter");
    assertThat(box(page)).hasValue("category:");
    page.keyboard().type("groc");
    option(page, "Groceries").waitFor();
    assertNoViolations(page, "a query being typed");
    page.keyboard().press("ArrowDown");
    page.keyboard().press("Enter");
    assertThat(chip(page, "category:Groceries")).isVisible();
    page.keyboard().type("amount:>50 ");
    assertThat(chip(page, "amount:>50")).isVisible();
    assertThat(entries(page).first()).isVisible();
    allHave(page, Pattern.compile("[5-9]\\d\\.\\d\\d|\\d{3}\\.\\d\\d"));
    allHave(page, Pattern.compile("Groceries|places"));
    assertThat(page).hasURL(Pattern.compile("text=category"));

    page.keyboard().type("amount:abc");
    assertThat(page.getByText("is not an amount")).isVisible();
    assertThat(entries(page).first()).isVisible();
    box(page).fill("tag:unheard ");
    assertThat(page.getByText("none is called so")).isVisible();
    assertThat(page.getByText("No entry is like that")).isVisible();
    page.keyboard().press("Backspace");
    page.keyboard().press("Control+a");
    page.keyboard().press("Delete");
    chip(page, "amount:>50").click();
    assertThat(chip(page, "amount:>50")).hasCount(0);
    assertThat(chip(page, "category:Groceries")).isVisible();
  }

  @Test
  public void whatIsSoughtOftenIsKeptByAName() {
    Page page = signedInAt("/journal?every=1&text=payee:greengage%20is:out&order=amount");
    assertThat(chip(page, "payee:greengage")).isVisible();
    assertThat(entries(page).first()).containsText("Greengage");
    page.keyboard().press("l");
    page.getByLabel("Keep what is sought now by the name").fill("Dear greengages");
    assertNoViolations(page, "kept views");
    button(page, "Keep it").click();
    assertThat(exactly(page, "Dear greengages")).isVisible();
    button(page, "Close").click();
    open(page, "/journal?month=2026-08");
    page.keyboard().press("l");
    exactly(page, "Dear greengages").click();
    assertThat(page).hasURL(Pattern.compile("order=amount"));
    assertThat(chip(page, "is:out")).isVisible();
    assertThat(entries(page).first()).containsText("Greengage");
    page.keyboard().press("l");
    button(page, "Forget Dear greengages").click();
    assertThat(exactly(page, "Dear greengages")).hasCount(0);
    button(page, "Close").click();
    undo(page, 1);
    page.keyboard().press("l");
    assertThat(exactly(page, "Dear greengages")).isVisible();
    button(page, "Forget Dear greengages").click();
    assertThat(exactly(page, "Dear greengages")).hasCount(0);
  }

  @Test
  public void rowsAreSortedByAColumnAndColumnsAreChosenAndMoved() {
    Page page = signedInAt("/journal?month=2026-08");
    button(page, "Payee, note").click();
    assertThat(page.locator("th[aria-sort=ascending]")).containsText("Payee");
    button(page, "Payee, note").click();
    assertThat(page.locator("th[aria-sort=descending]")).containsText("Payee");
    page.keyboard().press("o");
    assertNoViolations(page, "columns and order");
    page.getByLabel("Method").check();
    button(page, "earlier: Tags").click();
    button(page, "Done").click();
    assertThat(page.locator("th").last()).containsText("Method");
    assertThat(page.locator("th").nth(6)).containsText("Tags");
    page.reload();
    assertThat(page.locator("th").last()).containsText("Method");
    page.keyboard().press("o");
    button(page, "The usual ones").click();
    button(page, "Done").click();
    assertThat(page.locator("th").last()).containsText("Tags");
  }

  @Test
  public void theListBeginsWithADay() {
    Page page = signedInAt("/journal?month=2026-08");
    assertThat(entries(page).first()).isVisible();
    page.keyboard().press("g");
    page.getByLabel("The list begins with").fill("2026-03-31");
    button(page, "Go there").click();
    assertThat(chip(page, "the day it begins with")).isVisible();
    assertThat(entries(page).first()).containsText(Pattern.compile("Mar"));
    chip(page, "the day it begins with").click();
    assertThat(entries(page).first()).not().containsText("Mar");
    page.keyboard().press("g");
    button(page, "the oldest").click();
    assertThat(entries(page).first()).containsText("Opening balance");
  }

  @Test
  public void aRegisterIsSearchedAndItsBalancesStay() {
    Page page = signedInAt("/chart?month=2026-08");
    rows(page, "Harbour Current").first().dblclick();
    page.getByLabel("Find in the register").waitFor();
    Locator row = found(page, "Greengage");
    String told = row.innerText();
    page.keyboard().press("/");
    page.keyboard().type("payee:greengage ");
    assertThat(
            page.getByRole(AriaRole.STATUS)
                .filter(new Locator.FilterOptions().setHasText("postings, in")))
        .isVisible();
    allHave(page, Pattern.compile("Greengage"));
    String[] cells = told.split("\t");
    String balance = cells[cells.length - 1].strip();
    assertThat(entries(page).filter(new Locator.FilterOptions().setHasText(balance)).first())
        .isVisible();
  }

  @Test
  public void noLetterIsLostHoweverFastOneTypes() {
    Page page = signedIn();
    for (int delay : new int[] {0, 20, 40}) {
      open(page, "/journal?month=2026-08");
      page.keyboard().press("/");
      page.keyboard()
          .type("is:out has:note payee:green ", new Keyboard.TypeOptions().setDelay(delay));
      for (String condition : new String[] {"is:out", "has:note", "payee:green"}) {
        assertThat(chip(page, condition)).isVisible();
      }
      assertThat(box(page)).hasValue("");
    }
  }
}
