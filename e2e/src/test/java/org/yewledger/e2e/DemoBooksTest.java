package org.yewledger.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Page;
import java.nio.charset.StandardCharsets;
import java.util.Objects;
import org.testng.annotations.Test;

/** The demo household as it is loaded, and after whatever the other tests have done to it. */
public class DemoBooksTest extends BrowserTest {

  @Test
  public void elevenMonthsAgreeAndSeptemberIsThereToDo() {
    Page page = signedIn();
    open(page, "/?month=2026-09");
    for (String account :
        new String[] {
          "Harbour Current", "Harbour Savings", "Quillon Card", "Home loan", "Kestrel Current"
        }) {
      for (String month : new String[] {"October 2025", "January 2026", "August 2026"}) {
        assertThat(page.getByLabel(account + ", " + month + ": agreed to zero")).isVisible();
      }
    }
    assertThat(page.getByLabel("Kestrel Card, December 2025: not open yet")).isVisible();
    assertThat(page.getByLabel("Kestrel Card, January 2026: agreed to zero")).isVisible();
  }

  @Test
  public void theAuditFromOutsideFindsNothing() throws Exception {
    String url = env("YEW_E2E_DB_URL");
    var psql =
        new ProcessBuilder(
            env("YEW_PSQL"),
            "-d",
            url.replace("jdbc:postgresql://", "postgresql://" + env("YEW_DB_OWNER") + "@"),
            "-X",
            "-q",
            "-v",
            "ON_ERROR_STOP=1",
            "-f",
            "../script/audit.sql");
    psql.environment().put("PGPASSWORD", env("YEW_DB_OWNER_PASSWORD"));
    Process process = psql.redirectErrorStream(true).start();
    String says = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    assertEquals(process.waitFor(), 0, says);
    assertTrue(
        says.contains("0 findings") && says.contains("finished reconciliations add up, 6"), says);
  }

  private static String env(String name) {
    return Objects.requireNonNull(System.getenv(name), name + " is not set; use ./yew test");
  }
}
