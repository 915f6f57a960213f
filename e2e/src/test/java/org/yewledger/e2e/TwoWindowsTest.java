package org.yewledger.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import org.testng.annotations.Test;

/** Two windows on the same books. */
public class TwoWindowsTest extends BrowserTest {

  @Test
  public void ofTwoThatPostTheSameLineOneWinsAndTheOtherIsTold() {
    Page first = signedIn();
    open(first, "/gather");
    chooseFile(first, "Kestrel Card", SAMPLES.resolve("kestrel-7731-2026-09.csv"));
    button(first, "Take in 7 lines").click();
    assertThat(first.getByText("7 lines taken in")).isVisible();

    Page second = signedIn();
    for (Page page : new Page[] {first, second}) {
      open(page, "/post");
      postbarrow(page).first().click();
    }
    int lines = postbarrow(second).count();
    button(first, "Post this line").click();
    assertThat(first.getByText("1 line posted as no.")).isVisible();
    button(second, "Post this line").click();
    assertThat(second.getByRole(AriaRole.ALERT)).containsText("was posted at");
    assertThat(second.getByRole(AriaRole.ALERT))
        .containsText("by Wren Aldercott. Nothing was booked twice.");
    assertThat(postbarrow(second)).hasCount(lines - 1);

    button(first, "Undo").click();
    assertThat(first.getByText("taken back, waiting again")).isVisible();
    assertThat(postbarrow(first)).hasCount(lines);
  }

  private static Locator postbarrow(Page page) {
    return page.getByRole(AriaRole.ROW)
        .filter(new Locator.FilterOptions().setHasText("POSTBARROW 0771 COLLECT"));
  }
}
