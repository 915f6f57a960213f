package org.yewledger.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import org.testng.annotations.Test;

/** A statement that comes on paper, and the rules by keyboard. */
public class PaperStatementTest extends BrowserTest {

  @Test
  public void itsDayAndBalanceAreTypedMisreadCorrectedAndPutAway() {
    Page page = signedInAt("/reconcile");
    rows(page, "Home loan").click();
    page.getByLabel("Closing balance, EUR").fill("a lot");
    button(page, "Begin to tick").click();
    assertThat(page.getByRole(AriaRole.ALERT)).containsText("is not an amount");
    page.getByLabel("Closing balance, EUR").fill("\u2212182,800.02");
    button(page, "Begin to tick").click();

    assertThat(page.getByText("from paper", new Page.GetByTextOptions().setExact(true)))
        .isVisible();
    assertThat(page.getByLabel("The proof")).containsText("10.00");
    assertThat(button(page, "Agree G")).isDisabled();
    page.keyboard().press("e");
    page.getByLabel("Closing balance, EUR").fill("-182810.02");
    button(page, "Correct it").click();
    assertThat(page.getByText("nothing is apart")).isVisible();
    assertThat(button(page, "Agree G")).isEnabled();

    page.keyboard().press("e");
    button(page, "Put the statement away").click();
    assertThat(rows(page, "Home loan")).containsText("no statement yet");
  }

  @Test
  public void theStatementItselfStandsBesideTheList() {
    Page page = signedInAt("/reconcile");
    rows(page, "Quillon Card").first().click();
    page.keyboard().press("Enter");
    page.getByLabel("The proof").waitFor();
    page.keyboard().press("d");
    Locator beside =
        page.getByRole(
            AriaRole.COMPLEMENTARY, new Page.GetByRoleOptions().setName("The statement itself"));
    assertThat(beside).containsText("None is attached.");
    page.waitForFileChooser(() -> button(page, "Choose a file").click())
        .setFiles(SAMPLES.resolve("receipt-greengage-2026-08.pdf"));
    assertThat(beside.getByRole(AriaRole.IMG).first()).isVisible();
    assertNoViolations(page, "a statement beside its document");
    beside.getByText("Take it off").click();
    assertThat(beside).containsText("None is attached.");
    page.keyboard().press("Control+z");
    assertThat(beside.getByRole(AriaRole.IMG).first()).isVisible();
  }

  @Test
  public void aDayThatIsAgreedAlreadyIsRefusedWithTheReason() {
    Page page = signedInAt("/reconcile");
    rows(page, "Kestrel Current").click();
    page.getByLabel("Closes on").fill("2026-08-15");
    page.getByLabel("Closing balance, EUR").fill("1.00");
    button(page, "Begin to tick").click();
    assertThat(page.getByRole(AriaRole.ALERT))
        .containsText("Kestrel Current is agreed through 2026-08-31");
  }

  @Test
  public void rulesAreMadeMovedAndRemovedByKeyboard() {
    Page page = signedInAt("/rules");
    rows(page, "QUILLON CARD").first().waitFor();
    page.keyboard().press("n");
    page.getByLabel("Text to look for").fill("TYPEFOLD");
    page.getByLabel("Payee").fill("Typefold");
    Locator bookTo =
        page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName("Book to"));
    bookTo.fill("softw");
    bookTo.press("Enter");
    button(page, "Make the rule").click();
    assertThat(page.getByText("made. It applies to")).isVisible();
    Locator made = rows(page, "TYPEFOLD");
    String number = made.getByRole(AriaRole.GRIDCELL).first().textContent();
    made.click();
    page.keyboard().press("Alt+ArrowUp");
    assertThat(page.getByText("is now number " + (Integer.parseInt(number) - 1))).isVisible();
    assertThat(made.getByRole(AriaRole.GRIDCELL).first())
        .hasText(String.valueOf(Integer.parseInt(number) - 1));
    page.keyboard().press("Delete");
    assertThat(page.getByText("removed. What it posted stays.")).isVisible();
    assertThat(made).hasCount(0);
    button(page, "Undo").click();
    assertThat(made.getByRole(AriaRole.GRIDCELL).first())
        .hasText(String.valueOf(Integer.parseInt(number) - 1));
    made.click();
    page.keyboard().press("Delete");
    assertThat(made).hasCount(0);
  }
}
