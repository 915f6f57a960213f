package org.yewledger.e2e;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Page;
import java.net.URI;
import java.util.List;
import org.springframework.boot.test.web.server.LocalManagementPort;
import org.testng.annotations.Test;

/** What whoever keeps the machine may know: how it goes, and nothing of the books. */
public class MeasurementsTest extends BrowserTest {
  @LocalManagementPort private int measured;

  @Test
  public void measurementsAreAtTheirOwnPortAndNameNobody() {
    Page page = signedInAt("/journal?month=2026-08");
    rows(page, "Greengage").first().click();
    URI here = URI.create(page.url());
    String path = "/actuator/prometheus";
    assertEquals(page.request().get(here.resolve(path).toString()).status(), 403);
    APIResponse answer = page.request().get("http://127.0.0.1:%d%s".formatted(measured, path));
    assertEquals(answer.status(), 200);
    String text = answer.text();
    assertTrue(text.contains("http_server_requests_seconds_count"), text);
    assertTrue(text.contains("uri=\"/api/entries\""), text);
    for (String secret : List.of("aldercott", "Harbour", "Greengage", "@", "month=")) {
      assertFalse(text.contains(secret), secret);
    }
    String health = "http://127.0.0.1:%d/actuator/health/readiness".formatted(measured);
    assertEquals(page.request().get(health).status(), 200);
    assertEquals(complaints(), List.of());
  }
}
