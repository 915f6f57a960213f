package org.yewledger.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Request;
import com.microsoft.playwright.options.AriaRole;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.testng.annotations.Test;

/** The main job, from the file to the agreed month, as the bookkeeper does it. */
public class MonthEndTest extends BrowserTest {
  private static final String FILE = "harbour-4417-2026-09.ofx";

  /** What the lines without a rule are for: the beginning of the bank's text, and the category. */
  private static final Map<String, String> ANSWERS = new LinkedHashMap<>();

  static {
    ANSWERS.put("PINFOLD SCHOOL", "School");
    ANSWERS.put("LITTLE ALDERS", "Day care");
    ANSWERS.put("ALDER VALE MUSIC", "Music and");
    ANSWERS.put("TRM 4471", "Outings");
    ANSWERS.put("H M VANCE", "Outings");
    ANSWERS.put("FERRYGATE BUS", "Bus and");
    ANSWERS.put("REEDMERE", "Water");
    // Wren's drawings come from the other book.
    ANSWERS.put("SALTMARSH LETTERPRESS", "Kestrel Current");
  }

  @Test
  public void aStatementFileIsGatheredPostedAndReconciledToZero() {
    Page page = signedIn();
    assertThat(heading(page, "September: 0 of 10 accounts agree")).isVisible();
    page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("Household")).click();

    gather(page);
    sameFileAgainBringsNothing(page);
    makeARule(page);
    postTheRuleStack(page);
    splitTheLoanPayment(page);
    postTheStack(page, "both halves are here", "QUILLON CARD 6650");
    postTheStack(page, "as it was booked before", "PINFOLD SCHOOL");
    answerTheRest(page);
    reconcile(page);

    assertThat(heading(page, "September: 1 of 6 accounts agrees")).isVisible();
    assertThat(page.getByLabel("Harbour Current, September 2026: agreed to zero")).isVisible();
    journalAndTrialBalanceShowIt(page);
    assertEquals(complaints(), List.of());
  }

  private void gather(Page page) {
    link(page, "Gather").click();
    assertThat(heading(page, "to come")).isVisible();
    chooseFile(page, "Harbour Current", SAMPLES.resolve(FILE));
    assertThat(heading(page, FILE)).isVisible();
    assertThat(page.getByText("Make the statement of 30 September 2026")).isVisible();
    button(page, "Take in 33 lines").click();
    assertThat(page.getByText("33 lines taken in, 0 known already")).isVisible();
  }

  private void sameFileAgainBringsNothing(Page page) {
    chooseFile(page, "Harbour Current", SAMPLES.resolve(FILE));
    assertThat(page.getByText("Every line of this file is here already.")).isVisible();
    assertThat(button(page, "Take in")).isDisabled();
    page.keyboard().press("Escape");
    assertThat(heading(page, "to come")).isVisible();
  }

  private void makeARule(Page page) {
    link(page, "Post").click();
    row(page, "GREENGAGE MKT 114").first().click();
    page.keyboard().press("r");
    Locator editor =
        page.getByRole(AriaRole.COMPLEMENTARY, new Page.GetByRoleOptions().setName("New rule"));
    assertThat(editor.getByLabel("Text to look for")).hasValue("GREENGAGE MKT");
    editor.getByLabel("Text to look for").fill("GREENGAGE");
    editor.getByLabel("Payee").fill("Greengage Market");
    pick(combobox(editor, "Book to"), "grocer");
    assertThat(editor.getByText("waiting").first()).isVisible();
    button(page, "Make the rule").click();
    assertThat(page.getByText(Pattern.compile("Rule \\d+ made\\. It applies to"))).isVisible();
  }

  private void postTheRuleStack(Page page) {
    Locator evidence = page.getByText(Pattern.compile("rule \\d+: GREENGAGE")).first();
    assertThat(evidence).isVisible();
    assertThat(
            page.getByRole(AriaRole.GRIDCELL, new Page.GetByRoleOptions().setName("Groceries"))
                .first())
        .isVisible();
    evidence.click();
    assertThat(page.getByText("Would book")).isVisible();
    page.keyboard().press("Shift+Enter");
    assertThat(page.getByText("posted as nos.")).isVisible();
    assertThat(page.getByText("the first of your rules that fits")).isHidden();
    page.keyboard().press("Control+z");
    assertThat(page.getByText("Undid: Posted")).isVisible();
    assertThat(page.getByText("the first of your rules that fits")).isVisible();
    page.keyboard().press("Control+Shift+z");
    assertThat(page.getByText("Redid: Posted")).isVisible();
    assertThat(page.getByText("the first of your rules that fits")).isHidden();
  }

  private void splitTheLoanPayment(Page page) {
    row(page, "HOME LOAN 0315").click();
    assertThat(row(page, "HOME LOAN 0315")).containsText("due 1 Sep, on its day");
    page.keyboard().press("s");
    Locator form =
        page.getByRole(AriaRole.FORM, new Page.GetByRoleOptions().setName("Split the line"));
    // The terms of the loan say what the payment is made of.
    assertThat(form.getByLabel("Payee")).hasValue("Home loan");
    assertThat(combobox(form, "Books to, part 1")).hasValue("Home loan");
    assertThat(form.getByLabel("Amount, part 1")).hasValue("499.88");
    assertThat(combobox(form, "Books to, part 2")).hasValue("Loan interest");
    assertThat(form.getByLabel("Amount, part 2")).hasValue("586.52");
    form.getByLabel("Amount, part 2").fill("500.00");
    assertThat(page.getByText("86.52 still to place")).isVisible();
    assertThat(button(page, "Take it")).isDisabled();
    form.getByLabel("Amount, part 2").fill("");
    assertThat(
            form.getByRole(AriaRole.STATUS)
                .filter(new Locator.FilterOptions().setHasText("Still to place")))
        .containsText("\u2212586.52");
    button(page, "place it in the empty part").click();
    assertThat(form.getByLabel("Amount, part 2")).hasValue("586.52");
    assertThat(form.getByText("balances, EUR")).isVisible();
    button(page, "Take it").click();
    button(page, "Post this line").click();
    assertThat(page.getByText("1 line posted as no.")).isVisible();
  }

  /**
   * Faster than answers come: each tick is seen at once, and sent when the one before is answered.
   */
  private void tickQuickly(Page page) {
    var sent = new ArrayList<String>();
    page.getByRole(AriaRole.GRID, new Page.GetByRoleOptions().setName("Lines to tick")).waitFor();
    page.onRequest(request -> note(sent, "sent", request));
    page.onRequestFinished(request -> note(sent, "answered", request));
    for (String after : List.of("29 of 33 lines ticked", "33 of 33 lines ticked")) {
      page.keyboard().press("Home");
      for (int i = 0; i < 4; i++) {
        page.keyboard().press("Space");
      }
      assertThat(page.getByText(after)).isVisible();
    }
    assertThat(difference(page)).hasText("0.00");
    // What is seen is ahead of the answers.
    page.waitForCondition(() -> sent.size() >= 16);
    assertEquals(sent.size(), 16, sent.toString());
    for (int i = 0; i < sent.size(); i++) {
      assertEquals(sent.get(i), i % 2 == 0 ? "sent" : "answered", sent.toString());
    }
    page.keyboard().press("Home");
  }

  private static void note(List<String> sent, String what, Request request) {
    if (request.url().endsWith("/ticks")) {
      sent.add(what);
    }
  }

  /** What is sure of a stack is ticked already, and posted at once. */
  private void postTheStack(Page page, String why, String text) {
    assertThat(page.getByText(why)).isVisible();
    found(page, text).click();
    page.keyboard().press("Shift+Enter");
    assertThat(rows(page, text)).hasCount(0);
  }

  private void answerTheRest(Page page) {
    for (Map.Entry<String, String> answer : ANSWERS.entrySet()) {
      while (row(page, answer.getKey()).count() > 0) {
        int before = row(page, answer.getKey()).count();
        row(page, answer.getKey()).first().click();
        page.keyboard().press("c");
        Locator form =
            page.getByRole(AriaRole.FORM, new Page.GetByRoleOptions().setName("Change this line"));
        pick(combobox(form, "Books to"), answer.getValue());
        button(page, "Take it").click();
        button(page, "Post this line").click();
        assertThat(row(page, answer.getKey())).hasCount(before - 1);
      }
    }
    assertThat(
            page.getByRole(AriaRole.ROW)
                .filter(new Locator.FilterOptions().setHasText("Harbour Current")))
        .hasCount(0);
  }

  private void reconcile(Page page) {
    link(page, "Reconcile").click();
    page.getByRole(AriaRole.ROW)
        .filter(new Locator.FilterOptions().setHasText("Harbour Current"))
        .click();
    page.keyboard().press("Enter");
    assertThat(heading(page, "Harbour Current")).isVisible();
    assertThat(button(page, "Agree G")).isDisabled();
    page.keyboard().press("a");
    assertThat(page.getByText("33 of 33 lines ticked")).isVisible();
    assertThat(difference(page)).hasText("0.00");
    tickQuickly(page);
    page.keyboard().press("Space");
    assertThat(page.getByText("32 of 33 lines ticked")).isVisible();
    assertThat(difference(page)).not().hasText("0.00");
    page.keyboard().press("g");
    assertThat(page.getByRole(AriaRole.ALERT)).containsText("They agree when nothing is apart");
    page.keyboard().press("ArrowUp");
    page.keyboard().press("Space");
    assertThat(difference(page)).hasText("0.00");
    button(page, "Agree G").click();
    assertThat(page.getByText("Harbour Current agrees through 30 September 2026")).isVisible();
  }

  private void journalAndTrialBalanceShowIt(Page page) {
    link(page, "Journal").click();
    page.getByLabel("Find entries").fill("home loan");
    Locator loan = rows(page, "2 places").first();
    loan.click();
    assertThat(page.getByRole(AriaRole.CELL, new Page.GetByRoleOptions().setName("586.52")))
        .isVisible();
    link(page, "Reports").click();
    link(page, "Trial balance").click();
    assertThat(page.getByText("debits equal credits")).isVisible();
    link(page, "Harbour Current").click();
    assertThat(page.getByText("agreed to the statement of 30 Sep")).isVisible();
  }

  private static Locator row(Page page, String text) {
    return page.getByRole(AriaRole.ROW).filter(new Locator.FilterOptions().setHasText(text));
  }

  private static Locator difference(Page page) {
    return page.getByLabel("The proof").locator("td[aria-live]");
  }

  private static Locator combobox(Locator within, String name) {
    return within.getByRole(AriaRole.COMBOBOX, new Locator.GetByRoleOptions().setName(name));
  }

  /** Types into a type-ahead and takes the first that is found. */
  private static void pick(Locator combobox, String typed) {
    combobox.fill(typed);
    combobox.press("Enter");
  }
}
