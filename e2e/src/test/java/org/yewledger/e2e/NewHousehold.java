package org.yewledger.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.net.URI;

/** A new household as its first owner begins it and fills it in, by what stands on the page. */
final class NewHousehold {
  static final String PASSWORD = "cobblers row bakery";

  private NewHousehold() {}

  /** Begins the household; the page is then that of its set-up. */
  static void begin(Page page, String email, String name) {
    URI here = URI.create(page.url());
    page.context().clearCookies();
    page.navigate(here.resolve("/begin").toString());
    page.getByLabel("The household is called").fill(name);
    page.getByLabel("Your name").fill("Rowan Aldercott");
    page.getByLabel("Email").fill(email);
    page.getByLabel("Your password here; if you have none yet, one of at least 10 characters")
        .fill(PASSWORD);
    page.keyboard().press("Enter");
    assertThat(heading(page, "A new household")).isVisible();
  }

  /** Two books with six accounts; one balance is not known, one is in dollars. */
  static void fillIn(Page page) {
    page.getByLabel("First day").fill("1.10.2026");
    button(page, "Add a book").click();
    page.getByLabel("Name of book 2").fill("Saltmarsh Letterpress");
    add(page, "Household", "Harbour Current", "current", "4417", "1,842.60");
    add(page, "Household", "Quillon Card", "card", "6650", "-612.40");
    add(page, "Household", "Home loan", "loan", "0315", "-188,204.36");
    add(page, "Household", "Purse", "cash", "", "");
    add(page, "Saltmarsh Letterpress", "Kestrel Current", "current", "2208", "4120.35");
    add(page, "Saltmarsh Letterpress", "Shop takings", "payout", "", "100.00");
    page.getByLabel("Currency of Shop takings").fill("usd");
    page.keyboard().press("Enter");
    page.getByLabel("Rate of Shop takings in EUR").fill("0.881");
    assertThat(page.getByText("kept as you type")).isVisible();
  }

  private static void add(
      Page page, String book, String name, String kind, String ending, String balance) {
    button(page, "Add an account to " + book).click();
    page.getByLabel("Name of the new account").fill(name);
    BrowserTest.choose(page.getByLabel("Kind of " + name), kind);
    page.getByLabel("Last digits of " + name).fill(ending);
    page.getByLabel("Balance of " + name, new Page.GetByLabelOptions().setExact(true))
        .fill(balance);
  }

  private static Locator button(Page page, String name) {
    return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name));
  }

  private static Locator heading(Page page, String name) {
    return page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName(name));
  }
}
