package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import org.springframework.test.web.servlet.MvcResult;
import org.testng.annotations.Test;

/** What is pushed to open windows. */
public class EventsTest extends AppTest {
  private static String saidWithin(MvcResult window, String wanted, int millis) throws Exception {
    long until = System.nanoTime() + millis * 1_000_000L;
    String said = "";
    while (System.nanoTime() < until && !said.contains(wanted)) {
      Thread.sleep(20);
      said = window.getResponse().getContentAsString();
    }
    return said;
  }

  @Test
  public void aChangeOfTheBooksReachesTheOtherWindowsOfTheHouseholdAndNoOther() throws Exception {
    Household ours = found("ours");
    Household theirs = found("theirs");
    MvcResult here = ours.api().listen();
    MvcResult there = theirs.api().listen();
    assertTrue(saidWithin(here, ":listening", 2_000).contains(":listening"));
    gather(ours, september());
    assertTrue(saidWithin(here, "event:changed", 2_000).contains("event:changed"));
    assertFalse(saidWithin(there, "event:changed", 300).contains("event:changed"));
  }

  @Test
  public void whatIsRefusedChangesNothing() throws Exception {
    Household h = found("refused");
    MvcResult window = h.api().listen();
    assertEquals(h.api().post("/api/rates", "{\"from\":\"EUR\",\"to\":\"EUR\"}").status(), 400);
    assertFalse(saidWithin(window, "event:changed", 300).contains("event:changed"));
  }
}
