package org.yewledger.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import org.testng.annotations.Test;

/** Two windows on the same books. */
public class TwoWindowsTest extends BrowserTest {

  @Test
  public void ofTwoThatPostTheSameLineOneWinsAndTheOtherIsTold() {
    Page first = signedInAt("/gather");
    chooseFile(first, "Kestrel Card", SAMPLES.resolve("kestrel-7731-2026-09.csv"));
    button(first, "Take in 7 lines").click();
    assertThat(first.getByText("7 lines taken in")).isVisible();

    Page second = signedIn();
    // It is not told, as if both had pressed at once.
    second.route("**/api/events", Route::abort);
    for (Page page : new Page[] {first, second}) {
      open(page, "/post");
      postbarrow(page).first().click();
    }
    int lines = postbarrow(second).count();
    button(first, "Post this line").click();
    assertThat(first.getByText("1 line posted as no.")).isVisible();
    button(second, "Post this line").click();
    assertThat(second.getByRole(AriaRole.ALERT)).containsText("was posted at");
    assertThat(second.getByRole(AriaRole.ALERT))
        .containsText("by Wren Aldercott. Nothing was booked twice.");
    assertThat(postbarrow(second)).hasCount(lines - 1);

    button(first, "Undo").click();
    assertThat(first.getByText("taken back, waiting again")).isVisible();
    assertThat(postbarrow(first)).hasCount(lines);
  }

  /** Of several, the one that cannot be posted does not hold up the others. */
  @Test
  public void whatAnotherWindowPostedStaysAndTheRestIsPosted() {
    Page first = signedIn();
    Page second = signedIn();
    second.route("**/api/events", Route::abort);
    for (Page page : new Page[] {first, second}) {
      open(page, "/post");
      page.getByLabel("Find waiting lines").fill("tansy");
      rows(page, "TANSY").first().waitFor();
    }
    int lines = rows(second, "TANSY").count();
    rows(first, "TANSY").first().click();
    first.keyboard().press("Enter");
    assertThat(first.getByText("1 line posted")).isVisible();
    rows(second, "TANSY").first().click();
    for (int i = 1; i < lines; i++) {
      second.keyboard().press("Shift+ArrowDown");
    }
    second.keyboard().press("Enter");
    assertThat(second.getByText("1 line stayed: ")).isVisible();
    assertThat(second.getByText("was posted at").first()).isVisible();
    button(second, "Undo").click();
    assertThat(second.getByText("taken back, waiting again")).isVisible();
    button(first, "Undo").click();
    assertThat(first.getByText("taken back, waiting again").first()).isVisible();
  }

  @Test
  public void aRowThatAnotherWindowTookLeavesNothingSelected() {
    Page first = signedIn();
    Page second = signedIn();
    for (Page page : new Page[] {first, second}) {
      open(page, "/post");
      ferries(page).first().click();
    }
    Locator inspector =
        second.getByRole(
            AriaRole.COMPLEMENTARY, new Page.GetByRoleOptions().setName("Selected line"));
    assertThat(inspector).isVisible();
    int lines = ferries(second).count();
    first.keyboard().press("c");
    Locator box =
        first.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName("Books to"));
    box.fill("groceries");
    box.press("Enter");
    button(first, "Take it").click();
    button(first, "Post this line").click();
    assertThat(first.getByText("1 line posted as no.")).isVisible();
    assertThat(ferries(second)).hasCount(lines - 1);
    assertThat(inspector).hasCount(0);
    second.keyboard().press("Enter");
    second.keyboard().press("ArrowDown");
    assertThat(inspector).isVisible();
    assertThat(ferries(second)).hasCount(lines - 1);
    button(first, "Undo").click();
    assertThat(ferries(second)).hasCount(lines);
  }

  private static Locator ferries(Page page) {
    return page.getByRole(AriaRole.ROW)
        .filter(new Locator.FilterOptions().setHasText("QUAY FERRIES"));
  }

  @Test
  public void whatOneDoesTheOtherShowsWithinTwoSeconds() {
    Page first = signedIn();
    Page second = signedIn();
    open(first, "/currencies");
    open(second, "/currencies");
    Locator form =
        first.getByRole(AriaRole.FORM, new Page.GetByRoleOptions().setName("A new rate"));
    form.getByLabel("Day", new Locator.GetByLabelOptions().setExact(true)).fill("2 4 2024");
    form.getByLabel("was").fill("0.9123");
    button(first, "Keep it").click();
    assertThat(first.getByText("1 USD = 0.9123 EUR")).isVisible();
    assertThat(second.getByText("1 USD = 0.9123 EUR"))
        .isVisible(new LocatorAssertions.IsVisibleOptions().setTimeout(2_000));
    button(first, "Undo").click();
    assertThat(second.getByText("1 USD = 0.9123 EUR"))
        .hasCount(0, new LocatorAssertions.HasCountOptions().setTimeout(4_000));
  }

  private static Locator postbarrow(Page page) {
    return page.getByRole(AriaRole.ROW)
        .filter(new Locator.FilterOptions().setHasText("POSTBARROW 0771 COLLECT"));
  }
}
