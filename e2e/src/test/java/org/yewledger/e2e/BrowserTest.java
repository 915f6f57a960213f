package org.yewledger.e2e;

import static org.testng.Assert.assertEquals;

import com.deque.html.axecore.args.AxeRunOptions;
import com.deque.html.axecore.playwright.AxeBuilder;
import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.ReducedMotion;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.context.TestConfiguration;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.boot.web.server.servlet.context.ServletWebServerApplicationContext;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Import;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import org.springframework.test.context.testng.AbstractTestNGSpringContextTests;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.yewledger.app.YewLedgerApplication;
import org.yewledger.bank.BankSimulator;

/**
 * The whole application with the demo household, used through Debian's Chromium on 5 October 2026.
 */
@SpringBootTest(
    classes = YewLedgerApplication.class,
    webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT,
    properties = {
      "yew.demo=true",
      "spring.datasource.url=${YEW_E2E_DB_URL}",
      "spring.flyway.url=${YEW_E2E_DB_URL}"
    })
@Import(BrowserTest.FifthOfOctober.class)
public abstract class BrowserTest extends AbstractTestNGSpringContextTests {
  protected static final Path SAMPLES = Path.of("../samples");

  private static String banks = "";

  /** The stand-in banks run beside the application, on the same day, until all tests are over. */
  @DynamicPropertySource
  static void banks(DynamicPropertyRegistry properties) {
    if (banks.isEmpty()) {
      var context =
          (ServletWebServerApplicationContext)
              BankSimulator.start("--server.port=0", "--bank.today=2026-10-05");
      banks = "http://127.0.0.1:" + context.getWebServer().getPort();
    }
    properties.add("yew.bank.url", () -> banks);
  }

  /** The address of the banks, for what a person does there. */
  protected static String bankAddress() {
    return banks;
  }

  @TestConfiguration
  static class FifthOfOctober {
    @Bean
    Clock clock() {
      return Clock.fixed(Instant.parse("2026-10-05T12:02:00Z"), ZoneOffset.UTC);
    }
  }

  @LocalServerPort private int port;
  private Playwright playwright;
  private Browser browser;
  private final List<String> complaints = new ArrayList<>();

  @BeforeClass
  void startBrowser() {
    // As long as actions wait: a machine that others share is slow at times, and a test is no
    // clock.
    PlaywrightAssertions.setDefaultAssertionTimeout(15_000);
    playwright =
        Playwright.create(
            new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
    browser =
        playwright
            .chromium()
            .launch(
                new BrowserType.LaunchOptions()
                    .setExecutablePath(Path.of("/usr/bin/chromium"))
                    .setArgs(
                        List.of(
                            "--no-sandbox",
                            "--disable-gpu",
                            "--disable-quic",
                            "--no-first-run",
                            "--disable-background-networking",
                            "--disable-component-update",
                            "--disable-sync",
                            "--font-render-hinting=none")));
  }

  @AfterClass(alwaysRun = true)
  void stopBrowser() {
    if (browser != null) {
      browser.close();
    }
    if (playwright != null) {
      playwright.close();
    }
  }

  protected Page signedIn() {
    return signedIn(1280, 800, ColorScheme.LIGHT);
  }

  /** A new window with a session of its own. */
  protected Page signedIn(int width, int height, ColorScheme scheme) {
    Page page = window(width, height, scheme);
    open(page, "/");
    page.getByLabel("Email").fill("wren@aldercott.example");
    page.getByLabel("Password").fill("saltmarsh");
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Sign in")).click();
    page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("agree")).waitFor();
    return page;
  }

  protected Page window(int width, int height, ColorScheme scheme) {
    BrowserContext context =
        browser.newContext(
            new Browser.NewContextOptions()
                .setViewportSize(width, height)
                .setColorScheme(scheme)
                .setLocale("en-GB")
                .setTimezoneId("UTC")
                .setReducedMotion(ReducedMotion.REDUCE));
    context.setDefaultTimeout(15_000);
    Page page = context.newPage();
    page.onConsoleMessage(message -> {
      // A refused request is an answer, told on the page; everything else is a fault of ours.
      if (message.type().equals("error") && !message.text().startsWith("Failed to load resource")) {
        complaints.add(message.text());
      }
    });
    page.onPageError(complaints::add);
    return page;
  }

  /**
   * What the browser complained of so far, such as scripts or styles against the content policy.
   */
  protected List<String> complaints() {
    return complaints;
  }

  protected void open(Page page, String path) {
    page.navigate("http://127.0.0.1:" + port + path);
    page.getByRole(AriaRole.HEADING).first().waitFor();
  }

  protected static Locator button(Page page, String name) {
    return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name));
  }

  protected static Locator link(Page page, String name) {
    return page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(name));
  }

  protected static Locator heading(Page page, String name) {
    return page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName(name));
  }

  /** The rows that have the text in them. */
  protected static Locator rows(Page page, String text) {
    return page.getByRole(AriaRole.ROW).filter(new Locator.FilterOptions().setHasText(text));
  }

  /**
   * Brings the first row of the list that has the text in it into sight: of a long list, only the
   * rows around those in sight are in the page.
   */
  protected static Locator found(Page page, String text) {
    Locator row = rows(page, text).first();
    page.keyboard().press("Home");
    for (int pages = 0; !row.isVisible() && pages < 60; pages++) {
      page.keyboard().press("PageDown");
      page.waitForTimeout(30);
    }
    return row;
  }

  /** Chooses one of a few by its name. */
  protected static void choose(Locator select, String name) {
    select.click();
    select
        .page()
        .getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName(name).setExact(true))
        .click();
  }

  /** Chooses a sample file on the Gather page, for the account. */
  protected static void chooseFile(Page page, String account, Path file) {
    page.waitForFileChooser(() -> button(page, "Choose files for " + account).click())
        .setFiles(file);
  }

  /**
   * Checks the page by axe against WCAG 2.1 A and AA. The legacy mode is for pages without frames,
   * as ours are; the other opens a window more for each check.
   */
  protected static void assertNoViolations(Page page, String view) {
    var onlyViolations = new AxeRunOptions();
    onlyViolations.setResultTypes(List.of("violations"));
    var violations =
        new AxeBuilder(page)
            .setLegacyMode(true)
            .options(onlyViolations)
            .withTags(List.of("wcag2a", "wcag2aa", "wcag21a", "wcag21aa"))
            .analyze()
            .getViolations();
    assertEquals(
        violations.stream()
            .map(v ->
                v.getId() + " at " + v.getNodes().stream().limit(3).map(n -> n.getHtml()).toList())
            .toList()
            .toString(),
        "[]",
        view);
  }
}
