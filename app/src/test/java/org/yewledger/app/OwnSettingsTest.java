package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** A person's own formats and keys, and what they type read with them. */
public class OwnSettingsTest extends AppTest {
  private static String formats(String decimalMark, String grouping, String dayOrder) {
    return """
    {"decimalMark":"%s","grouping":"%s","dayOrder":"%s","weekBegins":"MONDAY","sides":"FROM_TO"}\
    """
        .formatted(decimalMark, grouping, dayOrder);
  }

  private static JsonNode amount(Household h, String text) {
    return h.api().get("/api/typed/amount?currency=EUR&text=" + encoded(text)).json();
  }

  private static String day(Household h, String text) {
    return h.api().get("/api/typed/day?text=" + encoded(text)).json().path("day").asString("");
  }

  private static String encoded(String text) {
    return java.net.URLEncoder.encode(text, java.nio.charset.StandardCharsets.UTF_8)
        .replace("+", "%20");
  }

  @Test
  public void whatIsTypedIsReadWithThePersonsFormats() {
    Household h = found("formats");
    assertEquals(amount(h, "1,234").path("money").path("amount").asString(), "1234.00");
    assertEquals(amount(h, "1.234").path("choices").size(), 2);
    assertEquals(
        h.api().put("/api/session/formats", formats("COMMA", "POINT", "MONTH_DAY")).status(), 204);
    assertEquals(amount(h, "1.234").path("money").path("amount").asString(), "1234.00");
    assertEquals(amount(h, "3*12,50+4").path("money").path("amount").asString(), "41.50");
    assertEquals(day(h, "5 6 26"), "2026-05-06");
    JsonNode session = h.api().get("/api/session").json();
    assertEquals(session.path("formats").path("decimalMark").asString(), "COMMA");
    assertEquals(session.path("today").asString(), day(h, "today"));
  }

  @Test
  public void whatCannotBeReadIsNeverNothing() {
    Household h = found("unreadable");
    JsonNode read = amount(h, "12 50");
    assertTrue(read.path("money").isNull() || read.path("money").isMissingNode());
    assertEquals(
        read.path("problem").asString(),
        "“12 50” is not an amount. Type digits, a decimal mark, or a sum such as 3*12.50+4.");
    assertEquals(
        h.api().get("/api/typed/amount?currency=XXX1&text=5").problem(), "unknown-currency");
  }

  @Test
  public void marksThatAreAlikeAreRefused() {
    Household h = found("alike");
    assertEquals(
        h.api().put("/api/session/formats", formats("POINT", "POINT", "DAY_MONTH")).problem(),
        "marks-alike");
  }

  @Test
  public void keysAreThePersonsOwn() {
    Household h = found("keys");
    String own = "{\"letters\":false,\"own\":[{\"what\":\"go.journal\",\"key\":\", j\"}]}";
    assertEquals(h.api().put("/api/session/keys", own).status(), 204);
    JsonNode keys = h.api().get("/api/session").json().path("keys");
    assertEquals(keys.path("letters").asBoolean(), false);
    assertEquals(keys.path("own").get(0).path("key").asString(), ", j");
    assertEquals(
        h.api()
            .put(
                "/api/session/keys",
                "{\"letters\":true,\"own\":[{\"what\":\"a\",\"key\":\"Enter\"}]}")
            .problem(),
        "key-unknown");
  }
}
