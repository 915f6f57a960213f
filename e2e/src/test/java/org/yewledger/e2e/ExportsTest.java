package org.yewledger.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.testng.annotations.Test;

/** An export from its form to the file that leaves, and back by undo. */
public class ExportsTest extends BrowserTest {
  private static Locator field(Page page, String label) {
    return page.getByLabel(label, new Page.GetByLabelOptions().setExact(true));
  }

  private static Locator row(Page page, String name) {
    return page.getByRole(AriaRole.ROW)
        .filter(new Locator.FilterOptions().setHasText(name))
        .first();
  }

  @Test
  public void itIsSavedLookedAtFetchedAndGivenUp() throws IOException {
    Page page = signedInAt("/exports");
    assertThat(button(page, "New export")).isVisible();
    page.keyboard().press("n");
    field(page, "Name").fill("Groceries of August");
    choose(field(page, "Of"), "all days");
    field(page, "Only").fill("category:groceries date:2026-08");
    for (String without : List.of("Id", "From", "Tax", "Note", "Reference", "Method", "Tags")) {
      page.getByRole(AriaRole.CHECKBOX, checkbox("With " + without)).click();
    }
    field(page, "What Payee is called").fill("Who");
    button(page, "Amount further up").click();
    button(page, "Look at the last rows").click();
    assertThat(page.getByText("Date,Who,Amount,To,Currency,Book")).isVisible();
    assertNoViolations(page, "a new export");
    button(page, "Save the export").click();
    assertThat(page.getByText("Groceries of August is saved.")).isVisible();

    row(page, "Groceries of August").click();
    Download download =
        page.waitForDownload(() ->
            page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Download it"))
                .click());
    assertEquals(download.suggestedFilename(), "groceries-of-august.csv");
    String text = new String(download.createReadStream().readAllBytes(), StandardCharsets.UTF_8);
    List<String> lines = text.lines().toList();
    assertEquals(lines.getFirst(), "Date,Who,Amount,To,Currency,Book");
    assertTrue(lines.size() > 3, text);
    assertTrue(
        lines.subList(1, lines.size()).stream().allMatch(l -> l.startsWith("2026-08-")), text);

    page.keyboard().press("Delete");
    assertThat(page.getByText("Groceries of August is given up.")).isVisible();
    undo(page, 1);
    assertThat(row(page, "Groceries of August")).isVisible();
  }

  @Test
  public void whatCannotBeWrittenIsSaidAndWhatWasTypedStays() {
    Page page = signedInAt("/exports");
    assertThat(button(page, "New export")).isVisible();
    page.keyboard().press("n");
    field(page, "Name").fill("Lines");
    choose(field(page, "Rows"), "bank lines");
    choose(field(page, "It"), "is written into a file");
    field(page, "File").fill("../outside.csv");
    field(page, "At").fill("6:30");
    button(page, "Save the export").click();
    assertThat(page.getByText("Name the file by letters")).isVisible();
    assertThat(field(page, "File")).hasValue("../outside.csv");
    field(page, "File").fill("lines.csv");
    choose(field(page, "Written"), "every month");
    choose(field(page, "On day"), "31, or the last");
    button(page, "Save the export").click();
    assertThat(row(page, "Lines")).containsText("on day 31 of each month at 06:30");
    assertThat(button(page, "Write it now")).isVisible();
    page.keyboard().press("w");
    assertThat(page.getByText("lines.csv is written, anew.")).isVisible();
    assertThat(row(page, "Lines")).containsText("rows");
  }

  private static Page.GetByRoleOptions checkbox(String name) {
    return new Page.GetByRoleOptions().setName(name).setExact(true);
  }
}
