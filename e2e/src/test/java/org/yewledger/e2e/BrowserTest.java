package org.yewledger.e2e;

import static org.testng.Assert.assertTrue;

import com.google.gson.JsonObject;
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
import com.zaxxer.hikari.HikariDataSource;
import java.io.IOException;
import java.net.URI;
import java.nio.file.Path;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.context.TestConfiguration;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.boot.web.server.servlet.context.ServletWebServerApplicationContext;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Import;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import org.testng.annotations.AfterClass;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.AfterSuite;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.BeforeSuite;
import org.yewledger.app.YewLedgerApplication;
import org.yewledger.bank.BankSimulator;

/**
 * The whole application with the demo household, used through Debian's Chromium on 5 October 2026:
 * its headless shell, which has no windows to draw, so that a page costs half as much.
 */
@SpringBootTest(
    classes = YewLedgerApplication.class,
    webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT,
    properties = {
      "yew.demo=true",
      "yew.exports.folder=target/exports",
      "management.server.port=0",
      "spring.datasource.url=${YEW_E2E_DB_URL}",
      "spring.flyway.url=${YEW_E2E_DB_URL}",
      "spring.datasource.hikari.allow-pool-suspension=true"
    })
@Import(BrowserTest.FifthOfOctober.class)
public abstract class BrowserTest extends PageSteps {
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

  @Autowired private HikariDataSource pool;

  /** One for all classes, since they share the application and its database. */
  private static @Nullable StartingBooks startingBooks;

  /** Of all tests, since starting one takes longer than most of them. */
  private static Playwright playwright;

  private static Browser browser;

  /**
   * Wren's own browser: each test opens its first window there, where scripts and styles are known
   * already.
   */
  private static BrowserContext wrens;

  /** The cookies of Wren's session, which all tests share that do not end it. */
  private static String session = "{}";

  private boolean isAtHome;
  private final List<BrowserContext> windows = new ArrayList<>();
  private final List<String> complaints = new ArrayList<>();

  @BeforeSuite
  static void startBrowser() {
    // As long as actions wait: a machine that others share is slow at times, and a test is no
    // clock.
    PlaywrightAssertions.setDefaultAssertionTimeout(30_000);
    playwright =
        Playwright.create(
            new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
    browser =
        playwright
            .chromium()
            .launch(
                new BrowserType.LaunchOptions()
                    .setExecutablePath(Path.of("/usr/bin/chromium-headless-shell"))
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
    wrens = newBrowser(1280, 800, ColorScheme.LIGHT, session);
  }

  @AfterSuite(alwaysRun = true)
  static void stopBrowser() {
    if (browser != null) {
      browser.close();
    }
    if (playwright != null) {
      playwright.close();
    }
  }

  /** Every class begins with the demo household as it was loaded, whatever ran before it. */
  @BeforeClass(dependsOnMethods = "springTestContextPrepareTestInstance")
  void beginWithTheStartingBooks() throws SQLException {
    if (startingBooks == null) {
      startingBooks = new StartingBooks(pool);
    }
    startingBooks.keepOrGiveBack();
  }

  /** Whatever the tests of a class did in the interface, the books they leave are sound. */
  @AfterClass
  void theBooksAreSound() throws IOException, InterruptedException {
    String says = OutsideAudit.run();
    assertTrue(says.lines().anyMatch("0 findings"::equals), says);
  }

  /** A window left open goes on listening to what changes, and slows the next test down. */
  @AfterMethod(alwaysRun = true)
  void closeWindows() {
    forgetWhatWasTyped();
    isAtHome = false;
    windows.forEach(BrowserContext::close);
    windows.clear();
    complaints.clear();
  }

  /** As Wren's browser would be for somebody who was never there, but for what it has loaded. */
  private static void forgetWhatWasTyped() {
    for (Page page : wrens.pages()) {
      var tools = wrens.newCDPSession(page);
      var what = new JsonObject();
      what.addProperty("origin", URI.create(page.url()).resolve("/").toString());
      what.addProperty("storageTypes", "local_storage");
      tools.send("Storage.clearDataForOrigin", what);
      page.close();
    }
  }

  /** A window in which Wren is signed in; the first of a test is one of Wren's own browser. */
  protected Page signedIn() {
    if (isAtHome) {
      return signedIn(1280, 800, ColorScheme.LIGHT);
    }
    isAtHome = true;
    return signedIn(windowOf(wrens));
  }

  /** A new window, signed in as Wren. */
  protected Page signedIn(int width, int height, ColorScheme scheme) {
    return signedIn(window(width, height, scheme, session));
  }

  private Page signedIn(Page page) {
    openSignedIn(page, "/");
    heading(page, "agree").waitFor();
    return page;
  }

  /** The first window of a test, in which Wren goes to a page straight away. */
  protected Page signedInAt(String path) {
    isAtHome = true;
    Page page = windowOf(wrens);
    openSignedIn(page, path);
    return page;
  }

  private void openSignedIn(Page page, String path) {
    open(page, path);
    Locator signIn = button(page, "Sign in");
    Locator stations = link(page, "Almanac").first();
    signIn.or(stations).first().waitFor();
    if (signIn.isVisible()) {
      signIn(page);
      session = page.context().storageState();
      stations.waitFor();
    }
  }

  /** Signs Wren in on the page that asks for it. */
  protected static void signIn(Page page) {
    page.getByLabel("Email").fill("wren@aldercott.example");
    page.getByLabel("Password").fill("saltmarsh");
    button(page, "Sign in").click();
  }

  /** A new window in which nobody has signed in yet. */
  protected Page window(int width, int height, ColorScheme scheme) {
    return window(width, height, scheme, "{}");
  }

  private Page window(int width, int height, ColorScheme scheme, String cookies) {
    BrowserContext context = newBrowser(width, height, scheme, cookies);
    windows.add(context);
    return windowOf(context);
  }

  private static BrowserContext newBrowser(
      int width, int height, ColorScheme scheme, String cookies) {
    BrowserContext context =
        browser.newContext(
            new Browser.NewContextOptions()
                .setStorageState(cookies)
                .setViewportSize(width, height)
                .setColorScheme(scheme)
                .setLocale("en-GB")
                .setTimezoneId("UTC")
                .setReducedMotion(ReducedMotion.REDUCE));
    context.setDefaultTimeout(30_000);
    return context;
  }

  private Page windowOf(BrowserContext context) {
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
}
