package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.UUID;
import org.postgresql.PGConnection;
import org.postgresql.PGNotification;
import org.springframework.test.web.servlet.MvcResult;
import org.testng.annotations.Test;

/** What is pushed to open windows. */
public class EventsTest extends AppTest {
  /** In milliseconds; what is told is told at once, unless the machine has other things to do. */
  private static final int SOON = 20_000;

  private static String saidWithin(MvcResult window, String wanted, int millis) throws Exception {
    long until = System.nanoTime() + millis * 1_000_000L;
    String said = "";
    while (System.nanoTime() < until && !said.contains(wanted)) {
      Thread.sleep(20);
      said = window.getResponse().getContentAsString();
    }
    return said;
  }

  private static void requireSaid(MvcResult window, String wanted) throws Exception {
    String said = saidWithin(window, wanted, SOON);
    assertTrue(said.contains(wanted), said);
  }

  @Test
  public void aChangeOfTheBooksReachesTheOtherWindowsOfTheHouseholdAndNoOther() throws Exception {
    Household ours = found("ours");
    Household theirs = found("theirs");
    MvcResult here = ours.api().listen();
    MvcResult there = theirs.api().listen();
    requireSaid(here, ":listening");
    gather(ours, september());
    requireSaid(here, "event:changed");
    assertFalse(saidWithin(there, "event:changed", 300).contains("event:changed"));
  }

  @Test
  public void whatIsRefusedChangesNothing() throws Exception {
    Household h = found("refused");
    MvcResult window = h.api().listen();
    assertEquals(h.api().post("/api/rates", "{\"from\":\"EUR\",\"to\":\"EUR\"}").status(), 400);
    assertFalse(saidWithin(window, "event:changed", 300).contains("event:changed"));
  }

  private static Connection another() throws SQLException {
    return DriverManager.getConnection(
        System.getenv("YEW_DB_URL"),
        System.getenv("YEW_DB_USER"),
        System.getenv("YEW_DB_PASSWORD"));
  }

  /** Several instances serve one household: what one changes is told by the other. */
  @Test
  public void aChangeByAnotherInstanceReachesTheWindowsHereAndOursTheirs() throws Exception {
    Household h = found("instances");
    MvcResult window = h.api().listen();
    requireSaid(window, ":listening");
    try (Connection other = another();
        Statement sql = other.createStatement()) {
      sql.execute("listen yew_changed");
      gather(h, september());
      // Their own change is not told to them twice; ours names the household.
      PGNotification[] heard = other.unwrap(PGConnection.class).getNotifications(5_000);
      assertTrue(heard.length > 0);
      assertTrue(heard[0].getParameter().endsWith(" " + h.owner().householdId()));
      saidWithin(window, "event:changed", SOON);
      int told = window.getResponse().getContentAsString().split("event:changed", -1).length;
      sql.execute(
          "select pg_notify('yew_changed', '%s %s')"
              .formatted(UUID.randomUUID(), h.owner().householdId()));
      long until = System.nanoTime() + 10_000_000_000L;
      while (System.nanoTime() < until
          && window.getResponse().getContentAsString().split("event:changed", -1).length <= told) {
        Thread.sleep(20);
      }
      assertTrue(
          window.getResponse().getContentAsString().split("event:changed", -1).length > told);
    }
  }
}
