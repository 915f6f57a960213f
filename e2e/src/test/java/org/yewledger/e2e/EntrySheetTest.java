package org.yewledger.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.testng.annotations.Test;

/** A person's own sheet of entries, from its columns to the journal and back. */
public class EntrySheetTest extends BrowserTest {
  private static final String SHEET =
      """
      Date;Shop;Amount;Kind;Paid from
      13.09.2026;Ledge Bakery;-3,15;Bread & Cakes;Harbour Current
      14.09.2026;Otter Mill;-4,25;bread &  cakes;Harbour Current
      15.09.2026;Finch Ferry;-18,35;Days out;the tin
      Total;;-25,75;;
      """;

  private static void choose(Page page, String text) {
    page.getByLabel("A sheet of entries")
        .setInputFiles(
            new FilePayload("past.csv", "text/csv", text.getBytes(StandardCharsets.UTF_8)));
  }

  private static Locator named(Page page, String name) {
    return page.getByLabel("What " + name + " means", new Page.GetByLabelOptions().setExact(true));
  }

  private static void say(Page page, String name, String account) {
    named(page, name).fill(account);
    assertThat(page.getByRole(AriaRole.OPTION).first()).isVisible();
    page.keyboard().press("Enter");
  }

  /** Where a name is that of an account and of what amounts were for. */
  private static void say(Page page, String name, String as, String account) {
    page.getByLabel("What " + name + " means as " + as).fill(account);
    assertThat(page.getByRole(AriaRole.OPTION).first()).isVisible();
    page.keyboard().press("Enter");
  }

  @Test
  public void itIsMappedSeenAndTakenInAndTakenBackAsOne() {
    Page page = signedInAt("/journal?month=2026-09&book=");
    assertThat(button(page, "New entry")).isVisible();
    page.keyboard().press("i");
    assertThat(button(page, "Choose a sheet")).isVisible();
    choose(page, SHEET);

    // The columns are proposed by their names; the one that has none is said.
    assertThat(page.getByLabel("Meaning of Shop")).hasText("Payee");
    assertThat(page.getByLabel("Meaning of Kind")).hasText("Ignore");
    choose(page.getByLabel("Meaning of Kind"), "Category");
    assertThat(page.getByText("3 names mean nothing here yet")).isVisible();
    assertThat(button(page, "Take in")).isDisabled();
    button(page, "New expense category Bread & Cakes").click();
    say(page, "the tin", "Purse");
    button(page, "New expense category Days out").click();
    button(page, "Leave it out").click();

    assertThat(page.getByRole(AriaRole.TABLE, table("What comes to each account")))
        .containsText("−7.40");
    assertThat(page.getByRole(AriaRole.ROW).filter(hasText("Finch Ferry")))
        .containsText("Purse › Days out");
    button(page, "Take in 3 entries").click();
    assertThat(page.getByText("3 entries came from past.csv, with 2 new categories")).isVisible();
    assertThat(page.getByText("Finch Ferry").first()).isVisible();

    undo(page, 1);
    assertThat(page.getByText("Finch Ferry")).hasCount(0);
  }

  @Test
  public void aBadRowAndRowsThatAreHereAreTold() {
    Page page = signedInAt("/journal/sheet");
    choose(
        page,
        "Date;Shop;Amount;Category;Account\n13.09.2026;Shop;-3,155;Groceries;Harbour Current\n14.09.2026;Shop;-4,00;Groceries;Harbour Current\n");
    assertThat(page.getByRole(AriaRole.ALERT)).containsText("Line 2");
    assertThat(button(page, "Take in")).isDisabled();
    button(page, "Put back").click();

    String twice =
        "Date;Shop;Amount;Category;Account\n13.09.2026;Wren Kiosk;-3,11;Groceries;Harbour Current\n";
    choose(page, twice);
    button(page, "Take in 1 entry").click();
    assertThat(page.getByText("1 entry came from past.csv.")).isVisible();
    page.keyboard().press("i");
    choose(page, twice);
    assertThat(page.getByText("One row has the account, day and amount")).isVisible();
    assertThat(button(page, "Take in")).isDisabled();
    button(page, "Leave it out").click();
    assertThat(page.getByRole(AriaRole.CELL, cell("left out"))).isVisible();
    assertThat(button(page, "Take in")).isDisabled();
    button(page, "Take it in too").click();
    assertThat(button(page, "Take in 1 entry")).isEnabled();
    assertNoViolations(page, "the sheet");
  }

  @Test
  public void aTransferOnBothItsAccountsComesOnceAndTheNextYearsSheetIsKnown() {
    Page page = signedInAt("/journal/sheet");
    String sheet =
        """
        Day;Who;Sum;Kind;Where
        13.09.2026;To the purse;-61,00;the tin;Harbour Current
        14.09.2026;To the purse;61,00;Harbour Current;the tin
        14.09.2026;Tern Books;-7,45;Books & maps;the tin
        """;
    choose(page, sheet);
    for (String column : List.of("Day Date", "Who Payee", "Kind Category", "Where Account")) {
      String[] parted = column.split(" ");
      choose(page.getByLabel("Meaning of " + parted[0]), parted[1]);
    }
    choose(page.getByLabel("Meaning of Sum"), "Amount");
    say(page, "the tin", "an account", "Purse");
    say(page, "the tin", "a category", "Purse");
    button(page, "New expense category Books & maps").click();

    assertThat(page.getByText("One transfer stands in the sheet twice")).isVisible();
    assertThat(page.getByRole(AriaRole.CELL, cell("told twice?"))).isVisible();
    assertThat(button(page, "Take in")).isDisabled();
    button(page, "Leave it out").click();
    assertThat(
            page.getByRole(AriaRole.TABLE, table("What comes to each account"))
                .getByRole(AriaRole.ROW)
                .filter(hasText("Purse")))
        .containsText("61.00");
    assertNoViolations(page, "a sheet with a transfer in it twice");
    button(page, "Take in 2 entries").click();
    assertThat(page.getByText("2 entries came from past.csv")).isVisible();

    // In another window, which has nothing of what this one was told.
    Page other = signedInAt("/journal/sheet");
    choose(other, sheet.replace(".09.2026", ".08.2026"));
    assertThat(other.getByLabel("Meaning of Kind")).hasText("Category");
    assertThat(other.getByText("all as last time")).isVisible();
    assertThat(other.getByText("Names as you said")).isVisible();
    assertThat(other.getByText("as before, ")).hasCount(3);
    button(other, "Leave it out").click();
    button(other, "Take in 2 entries").click();
    assertThat(other.getByText("2 entries came from past.csv")).isVisible();
    undo(other, 2);
  }

  private static Locator.FilterOptions hasText(String text) {
    return new Locator.FilterOptions().setHasText(text);
  }

  private static Page.GetByRoleOptions table(String name) {
    return new Page.GetByRoleOptions().setName(name);
  }

  private static Page.GetByRoleOptions cell(String name) {
    return new Page.GetByRoleOptions().setName(name);
  }
}
