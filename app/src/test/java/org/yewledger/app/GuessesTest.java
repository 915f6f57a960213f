package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.nio.charset.StandardCharsets;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** What a file leaves open or gets wrong is asked or said, never settled in silence. */
public class GuessesTest extends AppTest {
  private static byte[] bytes(String text) {
    return text.getBytes(StandardCharsets.UTF_8);
  }

  private static int waiting(Household h) {
    return h.api().get("/api/waiting-lines").json().path("count").asInt();
  }

  @DataProvider
  Object[][] open() {
    return new Object[][] {
      {"Date;Text;Amount\n04/09/2026;A;-1.20\n", "dateOrder", "\"dateOrder\":\"DAY_MONTH_YEAR\""},
      {
        "Date;Text;Amount\n2026-09-04;A;1.20\n2026-09-05;B;2.20\n",
        "sign",
        "\"sign\":\"OUT_IS_POSITIVE\""
      },
    };
  }

  @Test(dataProvider = "open")
  public void aTableThatLeavesSomethingOpenIsNotTakenInOnAGuess(
      String file, String question, String answer) {
    Household h = found("open");
    Api.Answer refused = h.api().takeIn(h.card().id(), "t.csv", bytes(file), null, false);
    assertEquals(refused.problem(), "layout-open");
    assertEquals(refused.json().path("field").asString(), question);
    assertEquals(waiting(h), 0);
    String layout = "{\"meanings\":[\"BOOKED_ON\",\"MEMO\",\"AMOUNT\"],%s}".formatted(answer);
    assertEquals(h.api().takeIn(h.card().id(), "t.csv", bytes(file), layout, false).status(), 201);
    // Once it is said, it is remembered for files of this kind.
    assertEquals(h.api().takeIn(h.card().id(), "t.csv", bytes(file), null, false).status(), 201);
  }

  @Test
  public void aWholeColumnOfThousandsIsReadByTheAccountsCurrency() {
    Household h = found("thousands");
    String file = "Date;Text;Amount\n2026-09-04;A;-1.250\n2026-09-05;B;3.000\n";
    JsonNode preview =
        h.api()
            .upload("/api/gather/preview?account=" + h.card().id(), "t.csv", bytes(file), null)
            .json();
    assertTrue(preview.at("/table/decimalMarkCertain").asBoolean());
    assertEquals(preview.at("/parts/0/lines/0/amount").asString(), "-1250.00");
  }

  @Test
  public void rowsThatAreNoLinesAreLeftOutOnlyWhenAPersonSaysSo() {
    Household h = found("others");
    String file = "Date;Text;Amount\n2026-09-04;A;-1.20\n2026-09-05;B;2.20\nTotal;;1.00\n";
    JsonNode preview =
        h.api()
            .upload("/api/gather/preview?account=" + h.card().id(), "t.csv", bytes(file), null)
            .json();
    assertEquals(preview.at("/table/otherCount").asInt(), 1);
    assertEquals(preview.at("/table/others/0/line").asInt(), 4);
    Api.Answer refused = h.api().takeIn(h.card().id(), "t.csv", bytes(file), null, false);
    assertEquals(refused.problem(), "unreadable-file");
    assertEquals(refused.json().path("line").asInt(), 4);
    String layout = "{\"meanings\":[\"BOOKED_ON\",\"MEMO\",\"AMOUNT\"],\"leaveOutOthers\":true}";
    JsonNode taken = h.api().takeIn(h.card().id(), "t.csv", bytes(file), layout, false).json();
    assertEquals(taken.path("newLines").asInt(), 2);
  }

  @Test
  public void aFileThatDoesNotAddUpIsTakenInOnlyOnceThatWasSeen() {
    Household h = found("adds up");
    byte[] file =
        bytes(
            """
            :20:START
            :25:NL00DEMO004417
            :60F:C260901EUR100,00
            :61:2609050905D12,50NMSC
            :86:GREENGAGE
            :62F:C260930EUR88,50
            """);
    JsonNode part =
        h.api()
            .upload("/api/gather/preview?account=" + h.current().id(), "s.sta", file, null)
            .json()
            .at("/parts/0");
    assertEquals(part.at("/discrepancies/0/kind").asString(), "CLOSING");
    assertEquals(part.at("/discrepancies/0/apart").asString(), "1.00");
    String choice =
        "[{\"accountNumber\":\"NL00DEMO004417\",\"accountId\":\"%s\",\"makeStatement\":false%s}]";
    Api.Answer refused =
        h.api().takeIn(choice.formatted(h.current().id(), ""), "s.sta", file, null);
    assertEquals(refused.problem(), "does-not-add-up");
    assertEquals(waiting(h), 0);
    String seen = choice.formatted(h.current().id(), ",\"discrepanciesSeen\":true");
    assertEquals(h.api().takeIn(seen, "s.sta", file, null).status(), 201);
    assertEquals(waiting(h), 1);
  }

  @Test
  public void whatTheBankSaysBesideTheTextIsShownAndFoundByRules() {
    Household h = found("details");
    byte[] file =
        bytes(
            """
            :20:START
            :25:NL00DEMO004417
            :60F:C260901EUR100,00
            :61:2609050905D12,50NMSC
            :86:/NAME/GREENGAGE/REMI/GROCERIES/MARF/M-77812/IBAN/NL00DEMO0000001111
            :62F:C260930EUR87,50
            """);
    h.api().takeIn(h.current().id(), "s.sta", file, null, false);
    h.api().post("/api/rules", RuleDrafts.out("77812", "Greengage Market", h.groceries()));
    JsonNode stack = h.api().get("/api/waiting-lines").json().at("/stacks/0");
    assertEquals(stack.path("reason").asString(), "RULE");
    JsonNode details = stack.at("/lines/0/details");
    assertEquals(details.get(0).path("detail").asString(), "COUNTERPARTY_ACCOUNT");
    assertEquals(details.get(1).path("text").asString(), "M-77812");
  }

  @Test
  public void namesWithoutLinesAreSaidToBeEmpty() {
    Household h = found("empty");
    Api.Answer answer =
        h.api().takeIn(h.card().id(), "t.csv", bytes("Date;Text;Amount\n"), null, false);
    assertEquals(answer.problem(), "nothing-in-file");
  }
}
