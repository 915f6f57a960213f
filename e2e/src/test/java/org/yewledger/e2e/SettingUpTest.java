package org.yewledger.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import java.util.List;
import java.util.UUID;
import org.testng.annotations.Test;

/** From nothing to two books whose accounts agree with what the banks say, and people in it. */
public class SettingUpTest extends BrowserTest {
  private Page begun() {
    Page page = window(1280, 800, ColorScheme.LIGHT);
    open(page, "/");
    NewHousehold.begin(page, UUID.randomUUID() + "@aldercott.example", "Aldercotts of Ellery");
    return page;
  }

  @Test
  public void aNewHouseholdIsFilledInLeftTakenUpAgainAndOpened() {
    Page page = begun();
    NewHousehold.fillIn(page);
    Locator openings =
        page.getByRole(
            AriaRole.TABLE, new Page.GetByRoleOptions().setName("Opening entry of Household"));
    assertThat(openings).containsText("188,816.76");
    assertThat(openings.getByRole(AriaRole.ROW).filter(rowWith("Opening equity")))
        .containsText("186,974.16");
    assertThat(page.getByText("Purse has no opening balance yet.")).isVisible();
    assertNoViolations(page, "setup");

    // What cannot be read yet is no part of the household, and is there again all the same.
    page.getByLabel("Balance of Purse", new Page.GetByLabelOptions().setExact(true))
        .fill("about forty");
    assertThat(page.getByText("not all of it can be read")).isVisible();
    page.reload();
    assertThat(page.getByLabel("Balance of Purse", new Page.GetByLabelOptions().setExact(true)))
        .hasValue("about forty");
    assertThat(page.getByText("not all of it can be read")).isVisible();
    page.getByLabel("Balance of Purse", new Page.GetByLabelOptions().setExact(true)).fill("");
    assertThat(page.getByText("kept as you type")).isVisible();
    open(page, "/");
    assertThat(heading(page, "The books are not open yet")).isVisible();
    link(page, "Go on setting up").click();
    assertThat(page.getByLabel("Name of Shop takings")).hasValue("Shop takings");
    page.keyboard().press("Control+Enter");

    assertThat(heading(page, "Chart")).isVisible();
    row(page, "Household").waitFor();
    found(page, "Shop takings");
    assertThat(row(page, "Shop takings")).containsText("USD 100.00");
    assertThat(row(page, "Shop takings")).containsText("88.10");
    open(page, "/");
    page.getByText("Say what Purse opened with").click();
    page.getByLabel("Purse opens on").fill("2026-10-01");
    page.getByLabel("Opening balance of Purse").fill("42.50");
    page.keyboard().press("Control+Enter");
    assertThat(page.getByText("1 opening balance set.")).isVisible();
    assertThat(row(page, "Purse")).containsText("no. ");
    assertEquals(complaints(), List.of());
  }

  @Test
  public void anInvitedReaderSeesTheBooksAndChangesNothing() {
    Page owner = signedInAt("/people");
    String email = UUID.randomUUID() + "@aldercott.example";
    owner.getByLabel("Name").fill("Tobias Aldercott");
    owner.getByLabel("Email").fill(email);
    choose(owner.getByLabel("Role", new Page.GetByLabelOptions().setExact(true)), "reader");
    button(owner, "Make a link").click();
    String link =
        owner.getByLabel("Link", new Page.GetByLabelOptions().setExact(true)).inputValue();

    Page reader = window(1280, 800, ColorScheme.LIGHT);
    reader.navigate(link);
    assertThat(reader.getByText("You are invited to the books of Aldercott, as reader."))
        .isVisible();
    reader
        .getByLabel("Your password here; if you have none yet, one of at least 10 characters")
        .fill("marram council pay");
    button(reader, "Join").click();
    assertThat(heading(reader, "agree")).isVisible();
    open(reader, "/chart");
    row(reader, "Purse").click();
    // What they cannot use is not offered, by key nor by button.
    assertThat(button(reader, "Open the register")).isVisible();
    assertThat(button(reader, "Close")).hasCount(0);
    assertThat(button(reader, "New account")).hasCount(0);
    reader.keyboard().press("x");
    reader.keyboard().press("n");
    assertThat(reader.getByRole(AriaRole.DIALOG)).hasCount(0);
    assertThat(reader.getByRole(AriaRole.ALERT)).hasCount(0);
    open(reader, "/post");
    assertThat(button(reader, "Post this line")).hasCount(0);
    reader.navigate(link);
    assertThat(reader.getByRole(AriaRole.ALERT)).containsText("does not work any more");
  }

  static Locator row(Page page, String text) {
    return page.getByRole(AriaRole.ROW).filter(rowWith(text)).first();
  }

  static Locator.FilterOptions rowWith(String text) {
    return new Locator.FilterOptions().setHasText(text);
  }
}
