package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** What Gather and the type-ahead are told: days, batches, statements, accounts. */
public class CoverageTest extends AppTest {
  private static JsonNode account(JsonNode gathered, String name) {
    for (JsonNode account : gathered.path("accounts")) {
      if (account.path("accountName").asString().equals(name)) {
        return account;
      }
    }
    throw new AssertionError("no " + name);
  }

  private static List<Integer> days(JsonNode account) {
    var days = new ArrayList<Integer>();
    account.path("lineDays").forEach(day -> days.add(day.asInt()));
    return days;
  }

  @Test
  public void aMonthShowsItsBatchesDaysAndStatements() {
    Household h = found("coverage");
    gather(h, september());
    JsonNode month = h.api().get("/api/gather?month=2026-09").json();
    JsonNode current = account(month, "Harbour Current");
    assertEquals(days(current), List.of(4, 11, 25));
    assertEquals(current.path("statementOn").asString(), "2026-09-30");
    assertFalse(current.path("statementAgreed").asBoolean());
    assertEquals(current.at("/spans/0/firstDay").asInt(), 4);
    assertEquals(current.at("/spans/0/lastDay").asInt(), 25);
    assertEquals(current.at("/comesBy/0").asString(), "OFX");
    assertEquals(month.path("linesHere").asInt(), 3);
    assertEquals(month.path("waiting").asInt(), 3);
    assertEquals(month.at("/batches/0/sourceName").asString(), "harbour.ofx");
    assertTrue(account(month, "Quillon Card").path("statementOn").isMissingNode());
  }

  @Test
  public void otherMonthsAndBooksAreNotConcerned() {
    Household h = found("elsewhere");
    gather(h, september());
    JsonNode august = h.api().get("/api/gather?month=2026-08").json();
    assertEquals(august.path("batches").size(), 0);
    assertEquals(days(account(august, "Harbour Current")), List.of());
    JsonNode press = h.api().get("/api/gather?month=2026-09&book=" + h.press().bookId()).json();
    assertEquals(press.path("accounts").size(), 1);
    assertEquals(press.path("linesHere").asInt(), 0);
    JsonNode before = h.api().get("/api/gather?month=2026-07").json();
    assertEquals(before.path("accounts").size(), 0);
  }

  @Test
  public void aFileOverTwoMonthsCoversTheWholeOfWhatLiesBetween() {
    Household h = found("span");
    String lines =
        """
        <STMTTRN><TRNTYPE>POS<DTPOSTED>20260820<TRNAMT>-1.00<FITID>1<NAME>A</STMTTRN>
        <STMTTRN><TRNTYPE>POS<DTPOSTED>20260905<TRNAMT>-2.00<FITID>2<NAME>B</STMTTRN>\
        """;
    gather(h, ofx(lines, "997.00"));
    JsonNode august = account(h.api().get("/api/gather?month=2026-08").json(), "Harbour Current");
    assertEquals(august.at("/spans/0/firstDay").asInt(), 20);
    assertEquals(august.at("/spans/0/lastDay").asInt(), 31);
    JsonNode september =
        account(h.api().get("/api/gather?month=2026-09").json(), "Harbour Current");
    assertEquals(september.at("/spans/0/firstDay").asInt(), 1);
    assertEquals(september.at("/spans/0/lastDay").asInt(), 5);
  }

  @Test
  public void anUnknownAccountNumberLeavesTheChoiceToThePerson() {
    Household h = found("choice");
    byte[] other = new String(september()).replace("NL4417", "NL9999").getBytes();
    JsonNode preview = h.api().upload("/api/gather/preview", "other.ofx", other, null).json();
    assertTrue(preview.at("/parts/0/accountId").isMissingNode());
    assertEquals(preview.at("/parts/0/newLines").asInt(), 0);
    JsonNode chosen =
        h.api()
            .upload("/api/gather/preview?account=" + h.card().id(), "other.ofx", other, null)
            .json();
    assertEquals(chosen.at("/parts/0/newLines").asInt(), 3);
  }

  @Test
  public void accountsAreTheHouseholdsWithTheirFacts() {
    Household h = found("chart");
    JsonNode accounts = h.api().get("/api/accounts").json();
    assertEquals(accounts.size(), 7);
    JsonNode current = accounts.get(0);
    assertEquals(current.path("name").asString(), "Harbour Current");
    assertEquals(current.path("tail").asString(), "4417");
    assertEquals(current.path("accountClass").asString(), "ASSET");
    assertTrue(current.path("hasStatements").asBoolean());
    assertEquals(h.api().get("/api/books").json().size(), 2);
  }
}
