package org.yewledger.e2e;

import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * How smooth long lists are; run by {@code ./yew bench scroll}, not as a test. The wheel is turned
 * by a row and a half at a time through the whole list. The longest task is read from Chromium's
 * own trace of the page's main thread; on each frame it is looked whether the box shows rows at its
 * top, middle and bottom.
 */
public class Scrolling extends BrowserTest {
  private static final int LINES = 5_000;
  private static final double TURN = 51;

  /** Counts the frames in which a place of the scrolling box shows no row. */
  private static final String WATCH =
      """
      () => {
        const box = document.querySelector('main section section, main section').closest('main')
          .querySelector('table[role]').closest('section')
        window.watched = { frames: 0, blank: 0, end: false }
        const look = () => {
          const r = box.getBoundingClientRect()
          window.watched.frames++
          for (const y of [r.top + 50, (r.top + r.bottom) / 2, r.bottom - 12]) {
            const row = document.elementFromPoint(r.left + 300, y)?.closest('tr')
            if (!row || row.ariaHidden === 'true') window.watched.blank++
          }
          window.watched.end = box.scrollTop + box.clientHeight >= box.scrollHeight - 2
          requestAnimationFrame(look)
        }
        requestAnimationFrame(look)
      }
      """;

  @Test
  public void throughTheLongestListOfTheDemoAndThroughFiveThousandRows() {
    Page page = signedInAt("/journal?every=1");
    scroll(page, "journal-of-the-demo");
    open(page, "/gather");
    gather(page);
    open(page, "/reconcile");
    rows(page, "Harbour Savings").click();
    page.keyboard().press("Enter");
    rows(page, "Only on the statement").waitFor();
    scroll(page, "five-thousand-rows");
  }

  private void scroll(Page page, String list) {
    page.locator("tr[data-row]").first().waitFor();
    page.waitForTimeout(500);
    page.evaluate(WATCH);
    page.mouse().move(300, 500);
    Browser chromium = page.context().browser();
    // Tasks alone: starting the profiler, which other categories do, is a long task of its own.
    chromium.startTracing(
        page, new Browser.StartTracingOptions().setCategories(List.of("-*", "toplevel")));
    int turns = 0;
    for (boolean end = false; !end && turns < 6_000; turns++) {
      page.mouse().wheel(0, TURN * (list.startsWith("five") ? 8 : 2));
      end = turns % 20 == 0 && (boolean) page.evaluate("() => window.watched.end");
    }
    JsonNode trace = JsonMapper.shared().readTree(chromium.stopTracing());
    Object frames = page.evaluate("() => window.watched.frames");
    Object blank = page.evaluate("() => window.watched.blank");
    assertTrue((boolean) page.evaluate("() => window.watched.end"), "the end was not reached");
    figure("scroll-" + list + "-longest-task", longestTask(trace), "ms", "goal <= 100");
    figure(
        "scroll-" + list + "-blank-places", ((Number) blank).doubleValue(), "places", "goal <= 0");
    figure("scroll-" + list + "-frames", ((Number) frames).doubleValue(), "frames", "goal >= 100");
  }

  /** The longest task of the page's main thread, in milliseconds. */
  private static double longestTask(JsonNode trace) {
    Map<String, Double> longest = new HashMap<>();
    Map<String, Boolean> ofPage = new HashMap<>();
    for (JsonNode event : trace.path("traceEvents")) {
      String thread = event.path("pid").asString() + " " + event.path("tid").asString();
      if (event.path("name").asString().equals("thread_name")
          && event.at("/args/name").asString().equals("CrRendererMain")) {
        ofPage.put(thread, true);
      }
      if (event.path("name").asString().endsWith("RunTask")) {
        longest.merge(thread, event.path("dur").asDouble() / 1000, Math::max);
      }
    }
    return longest.entrySet().stream()
        .filter(e -> ofPage.containsKey(e.getKey()))
        .mapToDouble(Map.Entry::getValue)
        .max()
        .orElseThrow(() -> new AssertionError("the trace has no task of a page"));
  }

  private static void figure(String name, double value, String unit, String goal) {
    System.out.printf("figure %s %.2f %s %s%n", name, value, unit, goal);
  }

  private void gather(Page page) {
    page.waitForFileChooser(() -> button(page, "Choose files for Harbour Savings").click())
        .setFiles(
            new FilePayload(
                "savings.ofx", "application/x-ofx", ofx().getBytes(StandardCharsets.UTF_8)));
    button(page, "Take in").click();
    page.getByText("taken in,").waitFor();
  }

  private static String ofx() {
    var text = new StringBuilder();
    text.append(
        """
        <?xml version="1.0" encoding="UTF-8" standalone="no"?>
        <?OFX OFXHEADER="200" VERSION="220" SECURITY="NONE" OLDFILEUID="NONE" NEWFILEUID="NONE"?>
        <OFX><BANKMSGSRSV1><STMTTRNRS><TRNUID>0</TRNUID><STATUS><CODE>0</CODE><SEVERITY>INFO</SEVERITY></STATUS><STMTRS>
        <CURDEF>EUR</CURDEF><BANKACCTFROM><BANKID>DEMO9023</BANKID><ACCTID>NL00DEMO009023</ACCTID><ACCTTYPE>SAVINGS</ACCTTYPE></BANKACCTFROM>
        <BANKTRANLIST><DTSTART>20260901</DTSTART><DTEND>20260930</DTEND>
        """);
    for (int i = 0; i < LINES; i++) {
      text.append(
          "<STMTTRN><TRNTYPE>DEBIT</TRNTYPE><DTPOSTED>202609%02d</DTPOSTED><TRNAMT>-%d.%02d</TRNAMT><FITID>many-%d</FITID><NAME>GREENGAGE MKT %d</NAME></STMTTRN>%n"
              .formatted(1 + i * 30 / LINES, 1 + i % 90, i % 100, i, i));
    }
    return text.append(
            """
            </BANKTRANLIST><LEDGERBAL><BALAMT>-100.00</BALAMT><DTASOF>20260930</DTASOF></LEDGERBAL>
            </STMTRS></STMTTRNRS></BANKMSGSRSV1></OFX>
            """)
        .toString();
  }
}
