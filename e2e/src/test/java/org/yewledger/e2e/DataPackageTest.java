package org.yewledger.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.FileChooser;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.LoadState;
import java.io.IOException;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;
import org.testng.annotations.Test;

/** A household of a year is taken out and taken in: every view says the same there. */
public class DataPackageTest extends BrowserTest {
  private static final List<String> VIEWS =
      List.of(
          "/?month=2026-08",
          "/gather?month=2026-09",
          "/post?month=2026-09",
          "/close?month=2026-08",
          "/journal?month=2026-08",
          "/rules",
          "/chart",
          "/books",
          "/payees",
          "/tags",
          "/currencies",
          "/plan?month=2026-08",
          "/plan/ahead?month=2026-08",
          "/plan/forecast?month=2026-08",
          "/plan/set-asides?month=2026-08",
          "/plan/loans?month=2026-08",
          "/plan/worth?month=2026-08",
          "/reports/income?month=2026-08&span=TWELVE_MONTHS&every=MONTH",
          "/reports/balance?month=2026-08",
          "/reports/worth?month=2026-08",
          "/reports/trial-balance?month=2026-08",
          "/reports/cash-flow?month=2026-08",
          "/reports/tax-form?month=2026-08",
          "/reports/sales-tax?month=2026-08",
          "/reports/month?month=2026-08",
          "/reports/ledger?month=2026-08");

  /** Of the people and their acts, and of what needs a consent anew; not of the books. */
  private static final Pattern OF_WHO_ASKS =
      Pattern.compile("/api/(session|acts|events|people|connections|institutions|household).*");

  /** What the views ask for. */
  private Set<String> asked(Page page) {
    Set<String> asked = new TreeSet<>();
    page.onRequest(request -> {
      URI address = URI.create(request.url());
      if (request.method().equals("GET")
          && address.getPath().startsWith("/api/")
          && !OF_WHO_ASKS.matcher(address.getPath()).matches()) {
        asked.add(address.getRawSchemeSpecificPart());
      }
    });
    for (String view : VIEWS) {
      open(page, view);
      page.waitForLoadState(LoadState.NETWORKIDLE);
    }
    return asked;
  }

  private static String told(Page page, String address) {
    // A history of acts begins anew, with who took the package in.
    return page.request()
        .get("http:" + address)
        .text()
        .replaceAll("\"history\":\\[.*?]", "")
        .replaceAll("\"who\":\"[^\"]*\"", "");
  }

  @Test
  public void everyViewSaysTheSameOfAHouseholdThatWasTakenIn() throws IOException {
    Page page = signedInAt("/books");
    Download download =
        page.waitForDownload(() -> link(page, "Take the whole household out").click());
    assertEquals(download.suggestedFilename(), "aldercott.zip");
    Path file = Files.createTempFile("aldercott", ".zip");
    download.saveAs(file);
    Set<String> asked = asked(page);

    Page other = window(1280, 800, ColorScheme.LIGHT);
    open(other, "/");
    NewHousehold.begin(other, "rowan@elsewhere.example", "Elsewhere");
    assertNoViolations(other, "a new household, to be taken in");
    Path broken = Files.createTempFile("broken", ".zip");
    Files.write(broken, new byte[] {80, 75, 3, 4});
    choose(other, broken);
    assertThat(other.getByText("This is no ZIP file, or it is cut short.")).isVisible();
    choose(other, file);
    assertThat(other.getByText(Pattern.compile("Aldercott is here: \\d+ entries"))).isVisible();
    assertThat(heading(other, "Chart")).isVisible();
    for (String address : asked) {
      assertEquals(told(other, address), told(page, address), address);
    }
    assertTrue(asked.size() > 40, asked.toString());
    Files.delete(file);
    Files.delete(broken);
  }

  private static void choose(Page page, Path file) {
    FileChooser chooser =
        page.waitForFileChooser(() -> page.getByText("take a data package in").click());
    chooser.setFiles(file);
  }
}
