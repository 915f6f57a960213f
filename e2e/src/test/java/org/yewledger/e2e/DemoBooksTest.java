package org.yewledger.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Page;
import org.testng.annotations.Test;

/** The demo household as it is loaded. */
public class DemoBooksTest extends BrowserTest {

  @Test
  public void elevenMonthsAgreeAndSeptemberIsThereToDo() {
    Page page = signedInAt("/?month=2026-09");
    for (String account :
        new String[] {
          "Harbour Current", "Harbour Savings", "Quillon Card", "Home loan", "Kestrel Current"
        }) {
      for (String month : new String[] {"October 2025", "January 2026", "July 2026"}) {
        assertThat(page.getByLabel(account + ", " + month + ": closed")).isVisible();
      }
      assertThat(page.getByLabel(account + ", August 2026: agreed to zero")).isVisible();
    }
    assertThat(page.getByLabel("Kestrel Card, December 2025: not open yet")).isVisible();
    assertThat(page.getByLabel("Kestrel Card, January 2026: closed")).isVisible();
  }

  @Test
  public void oneTwoOrThreeYearsStandBesideEachOther() {
    Page page = signedInAt("/?month=2026-09");
    page.getByLabel("Harbour Current, August 2026: agreed to zero").waitFor();
    page.keyboard().press("w");
    assertThat(page.getByLabel("Months shown")).containsText("24 months");
    assertThat(page.getByLabel("Harbour Current, November 2024: not open yet")).isVisible();
    assertThat(page.getByLabel("Harbour Current, October 2025: closed")).isVisible();
    page.keyboard().press("w");
    assertThat(page.getByLabel("Harbour Current, November 2023: not open yet")).isVisible();
    page.reload();
    assertThat(page.getByLabel("Months shown")).containsText("36 months");
  }

  @Test
  public void theAuditFromOutsideFindsNothing() throws Exception {
    String says = OutsideAudit.run();
    assertTrue(
        says.contains("0 findings")
            && says.contains("finished reconciliations add up, 101 checked"),
        says);
  }
}
