package org.yewledger.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;

import com.microsoft.playwright.FileChooser;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.Pattern;
import org.testng.annotations.Test;

/** A month of both books, from the banks' files to the close, by the interface alone. */
public class WholeMonthTest extends BrowserTest {
  /** The card's file is gathered already, the loan's statement comes on paper, cash is counted. */
  private static final List<String> FILES =
      List.of(
          "harbour-4417-2026-09.ofx",
          "harbour-9023-2026-09.ofx",
          "kestrel-2208-2026-09.csv",
          "kestrel-7731-2026-09.csv",
          "shop-5150-2026-09.ofx");

  private static final List<String> FROM_FILES =
      List.of(
          "Harbour Current",
          "Harbour Savings",
          "Quillon Card",
          "Kestrel Current",
          "Kestrel Card",
          "Shop takings");

  private static final List<String> BOOKS = List.of("Household", "Saltmarsh Letterpress");

  @Test
  public void septemberIsGatheredPostedReconciledToZeroAndClosedInBothBooks() {
    Page page = signedIn();
    for (String book : BOOKS) {
      close(page, "August", book);
    }
    open(page, "/");
    gather(page);
    postWhatIsSure(page);
    postWhatIsLikely(page);
    answerTheRest(page);
    for (String account : FROM_FILES) {
      agreeAllTheBankShows(page, account);
    }
    agreeTheLoanFromPaper(page);
    agreeTheDepotThatDidNotMove(page);
    count(page, "Purse", "40.90", "Book 1.60 as short");
    count(page, "Cash box", "60.00", null);

    open(page, "/?month=2026-09");
    assertThat(heading(page, "September: 10 of 10 accounts agree.")).isVisible();
    returnTheTax(page);
    for (String book : BOOKS) {
      close(page, "September", book);
    }
    open(page, "/?month=2026-09");
    assertThat(heading(page, "September: 10 of 10 accounts agree.")).isVisible();
    assertThat(page.getByLabel("September 2026: closed")).hasCount(11);
    assertThat(link(page, "Close, 0 left")).isVisible();
    assertEquals(complaints(), List.of());
  }

  /** From the Almanac's list of what is next. */
  private void close(Page page, String month, String book) {
    open(page, "/");
    button(page, "Close %s for %s; all its accounts agree".formatted(month, book)).click();
    assertThat(heading(page, month + " 2026")).isVisible();
    page.getByRole(AriaRole.COMPLEMENTARY, new Page.GetByRoleOptions().setName("Closing " + book))
        .waitFor();
    page.keyboard().press("Enter");
    assertThat(page.getByText("%s is closed through %s 2026.".formatted(book, month))).isVisible();
  }

  /** The quarter ends with September: its tax is returned before the month is closed. */
  private void returnTheTax(Page page) {
    open(page, "/close?month=2026-09");
    assertThat(page.getByText("the sales tax of 2026-07 to 2026-09 is not returned")).isVisible();
    open(page, "/reports/sales-tax?month=2026-09");
    button(page, "Record the return").waitFor();
    page.keyboard().press("Enter");
    assertThat(page.getByText("The return of July to September 2026 is kept.")).isVisible();
  }

  private void gather(Page page) {
    link(page, "Gather").click();
    assertThat(heading(page, "to come")).isVisible();
    FileChooser chooser =
        page.waitForFileChooser(() -> button(page, "Choose files").first().click());
    chooser.setFiles(FILES.stream().map(SAMPLES::resolve).toArray(Path[]::new));
    assertThat(heading(page, "5 files")).isVisible();
    // The tables name no account.
    for (String[] table :
        List.of(
            new String[] {"kestrel-2208", "Kestrel Current"},
            new String[] {"kestrel-7731", "Kestrel Card"})) {
      rows(page, table[0]).first().click();
      page.getByLabel("For account").first().fill(table[1]);
      page.keyboard().press("Enter");
      assertThat(rows(page, table[0]).first()).containsText(table[1]);
    }
    assertThat(page.getByText("5 files of 5 settled")).isVisible();
    page.getByRole(
            AriaRole.BUTTON,
            new Page.GetByRoleOptions().setName(Pattern.compile("^Take in \\d+ lines")))
        .click();
    assertThat(page.getByText(Pattern.compile("5 batches: \\d+ lines taken in"))).isVisible();
  }

  /** What is known, both halves of transfers, what a rule fits, what was booked so before. */
  private void postWhatIsSure(Page page) {
    link(page, "Post").click();
    Locator post =
        page.getByRole(
                AriaRole.BUTTON,
                new Page.GetByRoleOptions().setName(Pattern.compile("^Post [1-9]\\d*$")))
            .first();
    rows(page, "Known entry").or(rows(page, "Rule")).first().waitFor();
    while (post.isVisible()) {
      String before = linesToPost(page);
      post.click();
      page.waitForCondition(() -> !linesToPost(page).equals(before));
    }
  }

  private static String linesToPost(Page page) {
    return page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(1)).textContent();
  }

  /** Booked so twice before, with other amounts: looked at, and taken. */
  private void postWhatIsLikely(Page page) {
    for (String text : List.of("J OAKSHOTT", "ELLERY MKT", "CASH PAID IN")) {
      Locator row = rows(page, text).first();
      row.click();
      page.keyboard().press("Enter");
      assertThat(rows(page, text)).hasCount(0);
    }
  }

  private void answerTheRest(Page page) {
    answer(page, "TRM 4471", "Outings");
    answer(page, "H M VANCE", "Outings");
    assertThat(heading(page, "Nothing waits to be posted")).isVisible();
  }

  private static void answer(Page page, String text, String account) {
    rows(page, text).first().click();
    page.keyboard().press("c");
    Locator form =
        page.getByRole(AriaRole.FORM, new Page.GetByRoleOptions().setName("Change this line"));
    pick(form, "Books to", account);
    button(page, "Take it").click();
    button(page, "Post this line").click();
    assertThat(rows(page, text)).hasCount(0);
  }

  private static void pick(Locator within, String field, String typed) {
    Locator combobox =
        within.getByRole(AriaRole.COMBOBOX, new Locator.GetByRoleOptions().setName(field));
    combobox.fill(typed);
    combobox.press("Enter");
  }

  private void agreeAllTheBankShows(Page page, String account) {
    open(page, "/reconcile");
    rows(page, account).click();
    page.keyboard().press("Enter");
    page.getByLabel("The proof").waitFor();
    if (account.equals("Kestrel Card")) {
      // The bank's table ends with its last line, a day before the month does.
      page.keyboard().press("e");
      page.getByLabel("Closes on").fill("2026-09-30");
      button(page, "Correct it").click();
      assertThat(page.getByText("30 September 2026").first()).isVisible();
    }
    page.keyboard().press("a");
    agree(page, account);
  }

  private void agree(Page page, String account) {
    assertThat(page.getByText("nothing is apart")).isVisible();
    page.keyboard().press("g");
    assertThat(page.getByText(account + " agrees through 30 September 2026")).isVisible();
  }

  private void agreeTheLoanFromPaper(Page page) {
    open(page, "/reconcile");
    rows(page, "Home loan").click();
    page.getByLabel("Closes on").fill("2026-09-30");
    page.getByLabel("Closing balance, EUR").fill("-182310.14");
    button(page, "Begin to tick").click();
    page.getByLabel("The proof").waitFor();
    page.keyboard().press("Home");
    page.keyboard().press("Space");
    agree(page, "Home loan");
  }

  private void agreeTheDepotThatDidNotMove(Page page) {
    open(page, "/reconcile");
    rows(page, "Tideway Depot").click();
    page.getByLabel("Closes on").fill("2026-09-30");
    page.getByLabel("Closing balance, EUR").fill("3180.00");
    button(page, "Begin to tick").click();
    page.getByLabel("The proof").waitFor();
    agree(page, "Tideway Depot");
  }

  /**
   * @param toBook what is booked of it as over or short; null if the count agrees
   */
  private void count(Page page, String account, String sum, String toBook) {
    open(page, "/reconcile");
    rows(page, account).click();
    page.getByLabel("or only the sum").fill(sum);
    button(page, "Hold it against the books").click();
    page.getByLabel("The proof").waitFor();
    if (toBook != null) {
      page.keyboard().press("w");
      button(page, toBook).click();
    }
    agree(page, account);
  }
}
