package org.yewledger.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.LoadState;
import java.util.List;
import java.util.stream.Stream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * What holds for every view: accessible in both palettes, no sideways scrolling, no key with two
 * meanings, nothing against the policy.
 */
public class EveryViewTest extends BrowserTest {
  private static final List<String> VIEWS =
      List.of(
          "/",
          "/gather",
          "/gather/connections",
          "/post",
          "/reconcile",
          "/close",
          "/journal?month=2026-08",
          "/journal/sheet",
          "/exports",
          "/rules",
          "/chart",
          "/chart/opening",
          "/books",
          "/payees",
          "/tags",
          "/currencies",
          "/people",
          "/you",
          "/api-document",
          "/plan?month=2026-08",
          "/plan/ahead?month=2026-08",
          "/plan/forecast?month=2026-08",
          "/plan/set-asides?month=2026-08",
          "/plan/loans?month=2026-08",
          "/plan/worth?month=2026-08",
          "/reports/income?month=2026-08",
          "/reports/income?month=2026-08&span=TWELVE_MONTHS&every=MONTH",
          "/reports/balance?month=2026-08",
          "/reports/worth?month=2026-08",
          "/reports/trial-balance",
          "/reports/cash-flow",
          "/reports/tax-form",
          "/reports/sales-tax",
          "/reports/month",
          "/reports/own",
          "/reports/ledger");
  private static final String SIGN_IN = "sign-in";
  private static final String STATEMENT = "a statement";
  private static final String REGISTER = "an account";

  @DataProvider
  Object[][] views() {
    return Stream.concat(VIEWS.stream(), Stream.of(SIGN_IN, STATEMENT, REGISTER))
        .map(view -> new Object[] {view})
        .toArray(Object[][]::new);
  }

  private Page opened(String view) {
    if (view.equals(SIGN_IN)) {
      Page page = window(1280, 800, ColorScheme.LIGHT);
      open(page, "/");
      return page;
    }
    if (view.equals(STATEMENT)) {
      Page page = signedInAt("/?month=2026-08");
      page.getByLabel("Harbour Current, August 2026: agreed to zero").click();
      page.getByText("Agreed, nothing apart").waitFor();
      return page;
    }
    if (view.equals(REGISTER)) {
      Page page = signedInAt("/reports/trial-balance");
      link(page, "Harbour Current").first().click();
      page.getByText("Books say").waitFor();
      return page;
    }
    return signedInAt(view);
  }

  @Test(dataProvider = "views")
  public void isAccessibleFitsAndGivesEachKeyOneMeaning(String view) {
    Page page = opened(view);
    page.waitForLoadState(LoadState.NETWORKIDLE);
    assertThat(page.getByRole(AriaRole.HEADING).first()).isVisible();
    assertNoViolations(page, view);
    assertFits(page, view);
    if (!view.equals(SIGN_IN)) {
      assertKeysDiffer(page, view);
      assertExplained(page);
    }
    page.emulateMedia(new Page.EmulateMediaOptions().setColorScheme(ColorScheme.DARK));
    assertContrast(page, view + " in the dark");
    assertEquals(complaints(), List.of());
  }

  private static void assertFits(Page page, String view) {
    for (int width : new int[] {900, 1280}) {
      page.setViewportSize(width, 800);
      Object beyond =
          page.evaluate(
              "() => Math.max(0, ...[document.documentElement,"
                  + " ...document.querySelectorAll('main, main section, aside, header, header + div')].map(e"
                  + " => e.scrollWidth - e.clientWidth))");
      assertTrue(
          ((Number) beyond).intValue() <= 1, view + " is " + beyond + " px too wide at " + width);
    }
  }

  private static void assertKeysDiffer(Page page, String view) {
    page.keyboard().press("?");
    Locator keys = page.getByRole(AriaRole.DIALOG).locator("dt kbd");
    keys.first().waitFor();
    List<String> shown = keys.allInnerTexts();
    assertTrue(shown.size() > 10, view + " has " + shown);
    assertEquals(shown.stream().distinct().toList(), shown, view + " has " + shown);
    page.keyboard().press("Escape");
    assertThat(page.getByRole(AriaRole.DIALOG)).isHidden();
  }

  private static void assertExplained(Page page) {
    page.keyboard().press("F1");
    assertThat(page.getByRole(AriaRole.DIALOG)).containsText("What to do first");
    page.keyboard().press("Escape");
    assertThat(page.getByRole(AriaRole.DIALOG)).isHidden();
  }

  @Test
  public void viewsAndWordsAreExplainedWhereTheyAreFound() {
    Page page = signedInAt("/plan/set-asides?month=2026-08");
    assertThat(heading(page, "Set-asides")).isVisible();
    page.keyboard().press("F1");
    assertThat(page.getByRole(AriaRole.DIALOG)).containsText("The bank sees only the sum.");
    assertThat(page.getByRole(AriaRole.DIALOG)).containsText("divide");
    assertNoViolations(page, "a view explained");
    button(page, "All words of Yew Ledger").click();
    assertThat(page.getByRole(AriaRole.DIALOG)).containsText("What is still missing from zero");
    assertNoViolations(page, "all words");
    page.keyboard().press("Escape");
    page.keyboard().press("Control+k");
    page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName("Find or do"))
        .fill("suspense");
    page.getByRole(AriaRole.OPTION)
        .filter(new Locator.FilterOptions().setHasText("Where a part of an entry stands"))
        .click();
    assertThat(heading(page, "All words")).isVisible();
    assertThat(page.getByText("Where a part of an entry stands until")).isInViewport();
    page.keyboard().press("Escape");
    assertEquals(complaints(), List.of());
  }

  /** A check that has never failed says nothing. */
  @Test
  public void theCheckFindsWhatIsWrong() {
    Page page = signedIn();
    page.evaluate("() => document.querySelector('main').append(document.createElement('input'))");
    AssertionError found =
        expectThrows(
            AssertionError.class, () -> assertNoViolations(page, "a field without a name"));
    assertTrue(found.getMessage().contains("label at"), found.getMessage());
  }

  @Test
  public void theKeyboardReachesEverythingThroughFindOrDo() {
    Page page = signedIn();
    page.keyboard().press("Control+k");
    page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName("Find or do"))
        .fill("6650");
    assertThat(
            page.getByRole(AriaRole.OPTION)
                .filter(new Locator.FilterOptions().setHasText("Quillon Card"))
                .first())
        .isVisible();
    page.keyboard().press("Enter");
    assertThat(heading(page, "Quillon Card").first()).isVisible();
    page.keyboard().press("?");
    assertThat(page.getByRole(AriaRole.DIALOG)).containsText("Go to Reconcile");
    page.keyboard().press("Escape");
    page.keyboard().press(".");
    page.keyboard().press("r");
    assertThat(page.getByText("agreed when nothing is apart")).isVisible();
  }

  @Test
  public void signingOutEndsTheSession() {
    Page page = window(1280, 800, ColorScheme.LIGHT);
    open(page, "/");
    signIn(page);
    button(page, "Wren Aldercott").click();
    page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Sign out")).click();
    assertThat(page.getByLabel("Password")).isVisible();
    open(page, "/journal");
    assertThat(page.getByLabel("Password")).isVisible();
    page.getByLabel("Email").fill("wren@aldercott.example");
    page.getByLabel("Password").fill("not this");
    button(page, "Sign in").click();
    assertThat(page.getByRole(AriaRole.ALERT)).hasText("Email or password is not right.");
  }
}
