package org.yewledger.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import org.testng.annotations.Test;

/** Cash is reconciled by counting it. */
public class CountCashTest extends BrowserTest {
  @Test
  public void aPurseIsCountedWhatIsMissingTypedAndTheRestBookedAsShort() {
    Page page = signedInAt("/reconcile");
    rows(page, "Purse").click();
    Locator sum = page.getByRole(AriaRole.TABLE, new Page.GetByRoleOptions().setName("Counted"));
    page.getByLabel("pieces of 20.00").fill("a few");
    button(page, "Hold it against the books").click();
    assertThat(page.getByRole(AriaRole.ALERT)).containsText("as a whole number");
    assertThat(page.getByLabel("pieces of 20.00")).hasValue("a few");
    page.getByLabel("pieces of 20.00").fill("1");
    page.getByLabel("pieces of 5.00").fill("3");
    page.getByLabel("pieces of 0.50").fill("4");
    assertThat(sum).containsText("37.00");
    assertNoViolations(page, "counting cash");
    page.getByLabel("pieces of 0.50").press("Enter");

    Locator proof = page.getByLabel("The proof");
    assertThat(proof).containsText("8 pieces");
    assertThat(proof.locator("td[aria-live]")).hasText("\u22125.50");
    assertThat(page.getByText("new entry")).isVisible();
    page.keyboard().press("n");
    assertThat(page.getByLabel("Day")).isFocused();
    page.keyboard().press("Enter");
    for (String text : List.of("Cobblers Row Bakery", "4.20", "Bakery")) {
      page.keyboard().type(text);
      page.keyboard().press("Enter");
    }
    Locator typed = rows(page, "Cobblers Row Bakery");
    assertThat(typed).containsText("30 Sep");
    page.keyboard().press("Escape");
    typed.click();
    page.keyboard().press("Space");
    assertThat(proof.locator("td[aria-live]")).hasText("\u22121.30");

    page.keyboard().press("w");
    assertThat(button(page, "Book 1.30 as short B")).isVisible();
    page.keyboard().press("b");
    assertThat(page.getByText("nothing is apart")).isVisible();
    assertThat(rows(page, "Cash short")).containsText("\u22121.30");
    button(page, "Agree G").click();
    assertThat(page.getByText("Purse agrees through 30 September 2026")).isVisible();
    open(page, "/?month=2026-09");
    page.getByLabel("Purse, September 2026: agreed to zero").click();
    assertThat(page.getByText("Agreed, nothing apart")).isVisible();
    page.keyboard().press("r");
    assertThat(page.getByLabel("1 adjustment among them")).containsText("Cash short");
    assertEquals(complaints(), List.of());
  }
}
