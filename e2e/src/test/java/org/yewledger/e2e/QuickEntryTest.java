package org.yewledger.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import org.testng.annotations.Test;

/** Entries typed one after another, by keyboard alone. */
public class QuickEntryTest extends BrowserTest {
  /** The keyboard, with its keys counted. */
  private static final class Keys {
    private final Page page;
    private int pressed;

    Keys(Page page) {
      this.page = page;
    }

    Keys type(String text) {
      page.keyboard().type(text);
      pressed += text.length();
      return this;
    }

    Keys press(String key) {
      page.keyboard().press(key);
      pressed++;
      return this;
    }

    int sinceLast() {
      int keys = pressed;
      pressed = 0;
      return keys;
    }
  }

  private static Locator form(Page page) {
    return page.getByRole(AriaRole.FORM, new Page.GetByRoleOptions().setName("New entry"));
  }

  private static Locator field(Page page, String name) {
    return form(page).getByLabel(name, new Locator.GetByLabelOptions().setExact(true));
  }

  /** Known payees by two letters each. */
  private static final List<String> PAYEES = List.of("gr", "no", "ta");

  @Test
  public void thirtyEntriesAreKeyedWithoutTheMouse() {
    Page page = signedInAt("/journal?month=2026-10");
    page.keyboard().press("n");
    assertThat(field(page, "Day")).isFocused();
    var keys = new Keys(page);
    for (int i = 0; i < 30; i++) {
      boolean sameAmount = i % 3 == 2;
      keys.press("Enter").type(PAYEES.get(i % PAYEES.size()));
      assertThat(page.getByRole(AriaRole.OPTION).first()).isVisible();
      keys.press("Enter");
      assertThat(field(page, "Amount")).isFocused();
      keys.type(sameAmount ? "" : "%d.%d".formatted(10 + i, 10 + i)).press("Enter");
      assertThat(field(page, "From")).isFocused();
      keys.press("Enter");
      assertThat(field(page, "To")).isFocused();
      keys.press("Enter");
      assertThat(field(page, "Day")).isFocused();
      int used = keys.sinceLast();
      assertTrue(used <= (sameAmount ? 8 : 12), used + " keys for entry " + i);
    }
    assertThat(page.getByText("entered: Tansy & Thread, \u2212")).isVisible();
    assertThat(rows(page, "38.38")).hasCount(1);
    assertNoViolations(page, "an entry being typed");
    page.keyboard().press("Escape");
    assertThat(form(page)).hasCount(0);
    undo(page, 30);
    assertThat(rows(page, "38.38")).hasCount(0);
  }

  @Test
  public void enterThatComesBeforeTheNamesIsCarriedOutOnceTheyAreThere() {
    Page page = signedIn();
    page.route(
        "**/api/payees?most=2000",
        route -> {
          page.waitForTimeout(700);
          route.resume();
        });
    open(page, "/journal?month=2026-10");
    page.keyboard().press("n");
    assertThat(field(page, "Day")).isFocused();
    page.keyboard().press("Enter");
    page.keyboard().type("gr");
    page.keyboard().press("Enter");
    assertThat(field(page, "Amount")).isFocused();
    assertThat(field(page, "Payee")).hasValue("Greengage Market");
    page.keyboard().press("Escape");
  }
}
