package org.yewledger.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.file.Files;
import java.util.List;
import org.testng.annotations.Test;

/** Reports are read, led to their postings, and taken along. */
public class ReportsTest extends BrowserTest {
  private static Locator table(Page page, String book) {
    return page.getByRole(AriaRole.TABLE, new Page.GetByRoleOptions().setName(book).setExact(true));
  }

  @Test
  public void aFigureLeadsToItsPostingsAndBack() {
    Page page = signedInAt("/?month=2026-08");
    link(page, "Reports").click();
    assertThat(heading(page, "Income statement")).isVisible();
    Locator household = table(page, "Household");
    assertThat(household).containsText("Groceries");
    assertThat(household).containsText("Change");
    assertThat(table(page, "All books")).isVisible();

    choose(page.getByLabel("What it covers"), "twelve months up to it");
    choose(page.getByLabel("Columns"), "by quarters");
    assertThat(household).containsText("Together");
    Locator groceries =
        household
            .getByRole(AriaRole.ROW)
            .filter(new Locator.FilterOptions().setHasText("Groceries"));
    String figure = groceries.getByRole(AriaRole.LINK).nth(1).textContent();
    groceries.getByRole(AriaRole.LINK).nth(1).click();
    assertThat(heading(page, "Groceries").first()).isVisible();
    assertTrue(page.url().contains("text=date"), page.url());
    page.goBack();
    assertThat(household).containsText(figure);
    assertThat(page.getByLabel("Columns")).containsText("by quarters");

    page.keyboard().press("2");
    assertThat(heading(page, "Balance sheet")).isVisible();
    assertThat(household).containsText("Worth beyond the books");
    page.keyboard().press("3");
    assertThat(heading(page, "Cash flow")).isVisible();
    assertThat(household).containsText("Money after");
    page.keyboard().press("4");
    assertThat(heading(page, "Net worth")).isVisible();
    page.keyboard().press("5");
    assertThat(page.getByText("debits equal credits").first()).isVisible();
    page.keyboard().press("6");
    assertThat(table(page, "General ledger of Household")).containsText("Groceries");
    page.keyboard().press("7");
    assertThat(table(page, "Saltmarsh Letterpress")).containsText("1 Turnover");
    page.keyboard().press("9");
    assertThat(heading(page, "Month").first()).isVisible();
    assertThat(table(page, "Spending of Household")).containsText("Groceries");
    assertEquals(complaints(), List.of());
  }

  @Test
  public void anOwnReportIsPutTogetherKeptAndOpenedAgain() {
    Page page = signedInAt("/reports/own?month=2026-08");
    choose(page.getByLabel("Rows"), "by payees");
    choose(page.getByLabel("Columns"), "by quarters");
    page.keyboard().press("/");
    page.keyboard().type("category:Groceries");
    page.keyboard().press("Enter");
    Locator household = table(page, "Household");
    assertThat(household).containsText("Greengage Market");
    assertThat(household).not().containsText("Lantern Energy");
    page.keyboard().press("k");
    page.getByLabel("Keep this report by the name").fill("Where we shop");
    button(page, "Keep it").click();
    assertThat(page.getByText("Where we shop is kept.")).isVisible();
    page.keyboard().press("Escape");

    open(page, "/reports/own?month=2026-08");
    assertThat(household).containsText("School");
    page.keyboard().press("k");
    button(page, "Where we shop").first().click();
    assertThat(household).containsText("Greengage Market");
    assertThat(household).not().containsText("Lantern Energy");
    household
        .getByRole(AriaRole.ROW)
        .filter(new Locator.FilterOptions().setHasText("Greengage Market"))
        .getByRole(AriaRole.LINK)
        .first()
        .click();
    assertThat(heading(page, "Journal")).isVisible();
    assertTrue(page.url().contains("payee"), page.url());
    assertEquals(complaints(), List.of());
  }

  @Test
  public void anOwnReportIsDrawnAsOneChooses() {
    Page page = signedInAt("/reports/own?month=2026-08");
    assertThat(page.getByText("Household: what each column comes to")).isVisible();
    choose(page.getByLabel("Drawing"), "drawn as lines");
    assertThat(page.getByText("Household: the greatest first.")).isVisible();
    choose(page.getByLabel("Columns"), "in one column");
    assertThat(page.getByText("A line needs three columns at least.").first()).isVisible();
    choose(page.getByLabel("Drawing"), "drawn as parts of the whole");
    Locator parts =
        page.getByRole(
                AriaRole.LIST,
                new Page.GetByRoleOptions().setName("Parts of the whole").setExact(true))
            .first();
    assertThat(parts).containsText("Groceries");
    assertThat(parts).containsText("others");
    choose(page.getByLabel("What is added up"), "the result");
    assertThat(page.getByText("Some rows take from the others").first()).isVisible();
    choose(page.getByLabel("Drawing"), "not drawn");
    assertThat(page.getByText("Some rows take from the others")).hasCount(0);
    assertThat(table(page, "Household")).containsText("Groceries");
    assertEquals(complaints(), List.of());
  }

  @Test
  public void aKeptReportStandsOnTheAlmanacUntilItIsTakenOff() {
    Page page = signedInAt("/reports/own?month=2026-08&by=PAYEE&text=category:Energy");
    page.keyboard().press("k");
    page.getByLabel("Keep this report by the name").fill("Heat and light");
    button(page, "Keep it").click();
    button(page, "Put Heat and light on the Almanac").click();
    assertThat(button(page, "Take Heat and light off the Almanac")).isVisible();
    page.keyboard().press("Escape");
    open(page, "/?month=2026-08");
    Locator standing =
        page.getByRole(AriaRole.LISTITEM)
            .filter(new Locator.FilterOptions().setHasText("Heat and light"));
    assertThat(standing).containsText("August 2026");
    link(page, "Heat and light").click();
    assertThat(table(page, "Household")).containsText("Lantern Energy");
    page.keyboard().press("k");
    button(page, "Take Heat and light off the Almanac").click();
    assertThat(button(page, "Put Heat and light on the Almanac")).isVisible();
    button(page, "Forget Heat and light").click();
    assertThat(button(page, "Heat and light")).hasCount(0);
    assertEquals(complaints(), List.of());
  }

  @Test
  public void aTaxFormsLinesHaveTheirReceiptsAsOneDocument() throws IOException {
    Page page = signedInAt("/reports/tax-form?month=2026-08");
    Locator receipts = table(page, "Receipts of Saltmarsh Letterpress");
    Locator materials =
        receipts
            .getByRole(AriaRole.ROW)
            .filter(new Locator.FilterOptions().setHasText("2 Materials"));
    Download pdf =
        page.waitForDownload(() ->
            materials
                .getByRole(AriaRole.LINK)
                .filter(new Locator.FilterOptions().setHasText("as PDF"))
                .click());
    assertEquals(pdf.suggestedFilename(), "receipts-2-materials.pdf");
    assertTrue(Files.size(pdf.path()) > 5_000);
    materials
        .getByRole(AriaRole.LINK)
        .filter(new Locator.FilterOptions().setHasText("without a receipt"))
        .click();
    assertThat(heading(page, "Journal")).isVisible();
    assertTrue(page.url().contains("has%3Aattachment"), page.url());
    assertEquals(complaints(), List.of());
  }

  @Test
  public void aSpanThatEndsBeforeItBeginsSaysSoAndKeepsWhatWasChosen() {
    Page page = signedInAt("/reports/income?month=2026-08");
    choose(page.getByLabel("What it covers"), "from month to month");
    assertThat(page.getByText("From which month to which?")).isVisible();
    page.getByLabel("From", new Page.GetByLabelOptions().setExact(true)).fill("2026-08");
    page.getByLabel("To", new Page.GetByLabelOptions().setExact(true)).fill("2026-02");
    assertThat(page.getByText("It ends in 2026-02, before it begins.")).isVisible();
    page.getByLabel("To", new Page.GetByLabelOptions().setExact(true)).fill("2026-09");
    assertThat(table(page, "Household")).containsText("Result");
  }

  @Test
  public void theNamesStayInSightBesideManyColumnsInANarrowWindow() {
    Page page = signedInAt("/reports/income?month=2026-08&span=TWELVE_MONTHS&every=MONTH");
    page.setViewportSize(900, 800);
    Locator name =
        table(page, "Household")
            .getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName("Groceries"))
            .first();
    assertTrue(name.locator("xpath=..").boundingBox().width > 100);
    Locator sideways =
        page.getByRole(
            AriaRole.GROUP, new Page.GetByRoleOptions().setName("Household, column by column"));
    sideways.evaluate("box => { box.scrollLeft = box.scrollWidth }");
    assertTrue(name.boundingBox().x >= 0, "the name went with the columns");
    assertThat(table(page, "Household").getByText("Trend")).isVisible();
  }

  @Test
  public void theReportAndTheMonthsPackAreTakenAlong() throws IOException {
    Page page = signedInAt("/reports/income?month=2026-08");
    table(page, "Household").waitFor();
    Download csv = page.waitForDownload(() -> link(page, "CSV").click());
    List<String> lines = Files.readAllLines(csv.path());
    assertTrue(lines.getFirst().startsWith("book,section,row,name,currency,2026-08"), lines.get(0));
    assertTrue(lines.stream().anyMatch(line -> line.startsWith("Household,Expenses,account")));
    Download workbook = page.waitForDownload(() -> link(page, "XLSX").click());
    assertEquals(workbook.suggestedFilename(), "income-statement-2026-08-to-2026-08.xlsx");
    assertTrue(Files.size(workbook.path()) > 2_000);
    Download pdf = page.waitForDownload(() -> link(page, "PDF").click());
    assertEquals(pdf.suggestedFilename(), "income-statement-2026-08-to-2026-08.pdf");
    assertTrue(Files.size(pdf.path()) > 5_000);

    open(page, "/reports/sales-tax?month=2026-08");
    Download tax = page.waitForDownload(() -> link(page, "PDF").click());
    assertEquals(tax.suggestedFilename(), "sales-tax-2026-08.pdf");
    open(page, "/reports/month?month=2026-08");
    Download month = page.waitForDownload(() -> link(page, "XLSX").click());
    assertEquals(month.suggestedFilename(), "spent-in-2026-08.xlsx");

    open(page, "/close?month=2026-08");
    Download pack = page.waitForDownload(() -> link(page, "The month as PDF").click());
    assertEquals(pack.suggestedFilename(), "household-2026-08.pdf");
    assertTrue(Files.size(pack.path()) > 20_000);
  }
}
