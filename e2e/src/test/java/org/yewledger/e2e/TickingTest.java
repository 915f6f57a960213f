package org.yewledger.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.math.BigDecimal;
import java.util.List;
import java.util.regex.Pattern;
import org.testng.annotations.Test;

/** Ticking a statement off by keys. */
public class TickingTest extends BrowserTest {
  /** What waits for the next turn of the page waits long, as it does on a machine that is busy. */
  private static final String BUSY =
      """
      const soon = window.setTimeout
      window.setTimeout = (work, after, ...rest) => soon(work, Math.max(after ?? 0, 400), ...rest)
      """;

  /** Of what was answered nothing older is shown again, so that a key never acts on it. */
  @Test
  public void aTickThatWasAnsweredStaysSeenUntilTheNextKey() {
    Page page = signedIn();
    page.addInitScript(BUSY);
    open(page, "/reconcile");
    rows(page, "Quillon Card").click();
    page.keyboard().press("Enter");
    Locator ticked = page.getByText(Pattern.compile("^\\d+ of \\d+ lines ticked"));
    assertThat(ticked).containsText("0 of");
    rows(page, "Pair with").first().waitFor();

    page.keyboard().press("Home");
    for (String seen : List.of("1 of", "0 of", "1 of", "0 of")) {
      page.waitForResponse(
          answer -> answer.url().endsWith("/ticks"), () -> page.keyboard().press("Space"));
      page.waitForTimeout(60);
      assertTrue(ticked.textContent().startsWith(seen), ticked.textContent());
      page.keyboard().press("Home");
    }
    assertEquals(complaints(), List.of());
  }

  /** Two accounts are seen at once; what is ticked beside is ticked in its own statement. */
  @Test
  public void anotherStatementStandsBesideAndIsTickedThere() {
    Page page = signedInAt("/reconcile");
    rows(page, "Harbour Savings").click();
    page.getByLabel("Closing balance, EUR").fill("14500.00");
    button(page, "Begin to tick").click();
    assertThat(page.getByText("another beside")).isVisible();
    page.keyboard().press("b");
    choose(page.getByLabel("Statement beside"), "Quillon Card, 30 Sep");
    Locator open =
        page.getByRole(AriaRole.LIST, new Page.GetByRoleOptions().setName("Open in Quillon Card"));
    Locator first = open.getByRole(AriaRole.CHECKBOX).first();
    page.waitForResponse(answer -> answer.url().endsWith("/ticks"), first::click);
    assertThat(first).isChecked();
    page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Go to Quillon Card"))
        .click();
    assertThat(heading(page, "Quillon Card").first()).isVisible();
    assertThat(page.getByText(Pattern.compile("^1 of \\d+ lines ticked"))).isVisible();
    page.keyboard().press("b");
    choose(page.getByLabel("Statement beside"), "Harbour Savings, 30 Sep");
    assertThat(page.getByLabel("The proof of Harbour Savings")).containsText("14,500.00");
    page.keyboard().press("Escape");
    assertThat(page.getByLabel("The proof of Harbour Savings")).hasCount(0);
    // The tick and the statement of the savings are taken back, for those that come after.
    undo(page, 2);
    assertThat(page.getByText(Pattern.compile("^0 of \\d+ lines ticked"))).isVisible();
    assertEquals(complaints(), List.of());
  }

  /** What is missing is typed where one stands; what was typed wrong is found and put right. */
  @Test
  public void swappedDigitsAreFoundAndPutInOrderByOneKey() {
    Page page = signedInAt("/reconcile");
    rows(page, "Home loan").click();
    page.getByLabel("Closing balance, EUR").fill("\u2212182,310.14");
    button(page, "Begin to tick").click();
    assertThat(page.getByText("Nothing to tick yet")).isVisible();

    // The strip shows keys once they work.
    assertThat(page.getByText("new entry")).isVisible();
    page.keyboard().press("n");
    assertThat(page.getByLabel("Day")).isFocused();
    page.keyboard().press("Enter");
    page.keyboard().type("Harbour Bank");
    page.keyboard().press("Enter");
    page.keyboard().type("+498.98");
    page.keyboard().press("Enter");
    page.keyboard().type("Harbour Cur");
    page.keyboard().press("Enter");
    Locator typed = rows(page, "Harbour Bank");
    assertThat(typed).containsText("30 Sep");
    page.keyboard().press("Escape");
    typed.click();
    page.keyboard().press("Space");
    assertThat(page.getByText("1 of 1 lines ticked")).isVisible();
    Locator proof = page.getByLabel("The proof");
    assertThat(proof).containsText("0.90");

    page.keyboard().press("w");
    Locator reasons = page.getByRole(AriaRole.LIST, new Page.GetByRoleOptions().setName("Reasons"));
    assertThat(reasons).containsText("Digits swapped");
    assertThat(reasons).containsText("499.88 with two digits the other way round");
    assertNoViolations(page, "what may be apart");
    page.keyboard().press("1");
    assertThat(page.getByText("nothing is apart")).isVisible();
    assertThat(button(page, "Agree G")).isEnabled();
    page.keyboard().press("Control+z");
    assertThat(proof).containsText("0.90");
    page.keyboard().press("Control+Shift+z");
    assertThat(page.getByText("nothing is apart")).isVisible();
    assertEquals(complaints(), List.of());
  }

  /** With the paper beside the screen: amounts are typed as they stand there. */
  @Test
  public void postingsAreTickedByTheirAmountsAndWhatIsTickedIsHidden() {
    Page page = signedInAt("/reconcile");
    rows(page, "Quillon Card").click();
    page.keyboard().press("Enter");
    Locator rows = rows(page, "Tansy & Thread no.");
    assertThat(rows).hasCount(2);
    page.keyboard().press("t");
    page.keyboard().type("78.40");
    page.keyboard().press("Enter");
    assertThat(page.getByText("Ticked Tansy & Thread, 8 Sep.")).isVisible();
    page.keyboard().type("1.11");
    page.keyboard().press("Enter");
    assertThat(page.getByRole(AriaRole.ALERT)).containsText("No posting of 1.11 is open");
    assertThat(page.getByLabel("Tick by amount")).hasValue("1.11");
    page.keyboard().press("Escape");
    page.keyboard().press("h");
    assertThat(rows).hasCount(1);

    page.keyboard().press("w");
    Locator reasons = page.getByRole(AriaRole.LIST, new Page.GetByRoleOptions().setName("Reasons"));
    assertThat(reasons).containsText("left unexplained");
    assertThat(reasons).containsText("these 15 up to that day");
    page.keyboard().press("h");
    assertThat(rows).hasCount(2);
    page.keyboard().press("Control+z");
    assertEquals(complaints(), List.of());
  }

  @Test
  public void rowsStandInTheOrderThatThePaperHas() {
    Page page = signedInAt("/reconcile");
    rows(page, "Quillon Card").click();
    page.keyboard().press("Enter");
    rows(page, "Pair with").first().waitFor();
    List<BigDecimal> byDay = amountsAtBank(page);
    page.keyboard().press("s");
    assertThat(page.getByText("sort by reference")).isVisible();
    List<BigDecimal> byAmount = amountsAtBank(page);
    assertEquals(byAmount, byAmount.stream().sorted().toList());
    assertTrue(!byAmount.equals(byDay) && byAmount.size() > 5, byAmount.toString());
    button(page, "Date").click();
    assertEquals(amountsAtBank(page), byDay);
    assertEquals(complaints(), List.of());
  }

  /** What the bank says in the rows in sight that only it has, in their order. */
  private static List<BigDecimal> amountsAtBank(Page page) {
    return page.locator("tr[data-row]:has(button:text('Post to'))").all().stream()
        .limit(8)
        .map(row -> row.getByRole(AriaRole.GRIDCELL).nth(3).textContent())
        .map(text -> new BigDecimal(text.replace("\u2212", "-").replace("+", "").replace(",", "")))
        .toList();
  }

  @Test
  public void theLastAgreedStatementIsOpenedAgainWithTheReason() {
    Page page = signedInAt("/?month=2026-08");
    page.getByLabel("Harbour Savings, August 2026: agreed to zero").click();
    assertThat(page.getByText("Agreed, nothing apart")).isVisible();
    page.keyboard().press("r");
    assertThat(heading(page, "Harbour Savings, agreed through 31 August 2026")).isVisible();
    assertThat(page.getByRole(AriaRole.TABLE, new Page.GetByRoleOptions().setName("Balances")))
        .containsText("Closing, 31 August 2026");
    assertThat(page.getByLabel("1 posting agreed")).containsText("To savings");
    assertNoViolations(page, "the report");
    page.keyboard().press("Escape");
    assertThat(page.getByText("Agreed, nothing apart")).isVisible();
    page.keyboard().press("o");
    page.getByLabel("Why it is opened again").fill("the bank corrected a line");
    page.keyboard().press("Enter");
    assertThat(page.getByText("The statement is open.")).isVisible();
    assertThat(button(page, "Agree G")).isEnabled();
    page.keyboard().press("g");
    assertThat(page.getByText("Harbour Savings agrees through 31 August 2026")).isVisible();
    assertEquals(complaints(), List.of());
  }
}
