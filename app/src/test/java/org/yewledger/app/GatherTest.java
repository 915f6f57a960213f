package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.nio.charset.StandardCharsets;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class GatherTest extends AppTest {
  private static final String CSV =
      """
      Booked;Text;Debit;Credit
      04.09.2026;GREENGAGE MKT 114;48,20;
      25.09.2026;MARRAM COUNCIL PAY;;500,00
      """;

  private int waiting(Household h) {
    return h.api().get("/api/waiting-lines").json().path("count").asInt();
  }

  @Test
  public void aFileIsShownBeforeItIsTakenInAndTheSecondTimeNothingIsNew() {
    Household h = found("twice");
    Api.Answer preview = h.api().upload("/api/gather/preview", "harbour.ofx", september(), null);
    assertEquals(preview.json().at("/parts/0/accountId").asString(), h.current().id().toString());
    assertEquals(preview.json().at("/parts/0/newLines").asInt(), 3);
    assertTrue(preview.json().at("/parts/0/makesStatement").asBoolean());
    assertEquals(waiting(h), 0);

    Api.Answer taken = gather(h, september());
    assertEquals(taken.status(), 201);
    assertEquals(taken.json().path("newLines").asInt(), 3);
    assertEquals(waiting(h), 3);

    Api.Answer again = gather(h, september());
    assertEquals(again.json().path("newLines").asInt(), 0);
    assertEquals(again.json().path("knownLines").asInt(), 3);
    assertTrue(again.json().path("statementId").isMissingNode());
    assertEquals(waiting(h), 3);
  }

  @Test
  public void theSameLinesAsATableAreKnown() {
    Household h = found("table");
    gather(h, september());
    Api.Answer preview =
        h.api()
            .upload(
                "/api/gather/preview?account=" + h.current().id(),
                "t.csv",
                CSV.getBytes(StandardCharsets.UTF_8),
                null);
    assertEquals(preview.json().at("/parts/0/knownLines").asInt(), 2, preview.json().toString());
    assertEquals(preview.json().at("/table/layout/decimalMark").asString(), "COMMA");
  }

  @Test
  public void aLayoutThatIsCorrectedByThePersonIsUsed() {
    Household h = found("layout");
    String layout =
        """
        {"meanings":["BOOKED_ON","MEMO","IN","OUT"],"dateOrder":"DAY_MONTH_YEAR","decimalMark":"COMMA"}\
        """;
    Api.Answer preview =
        h.api()
            .upload(
                "/api/gather/preview?account=" + h.current().id(),
                "t.csv",
                CSV.getBytes(StandardCharsets.UTF_8),
                layout);
    assertEquals(preview.json().at("/parts/0/lines/0/amount").asString(), "48.20");
  }

  @Test
  public void aTableStaysOnTheScreenWhileItsLayoutIsWrong() {
    Household h = found("wrong");
    String layout =
        """
        {"meanings":["IGNORE","MEMO","OUT","IN"],"dateOrder":"DAY_MONTH_YEAR","decimalMark":"COMMA"}\
        """;
    Api.Answer preview =
        h.api()
            .upload(
                "/api/gather/preview?account=" + h.current().id(),
                "t.csv",
                CSV.getBytes(StandardCharsets.UTF_8),
                layout);
    assertEquals(preview.status(), 200);
    assertTrue(preview.json().at("/problem/reason").asString().contains("date"));
    assertEquals(preview.json().at("/table/rows").size(), 2);
  }

  @DataProvider
  Object[][] bad() {
    String line = "<STMTTRN><TRNTYPE>POS<DTPOSTED>20260904<TRNAMT>-48.20<FITID>1<NAME>X</STMTTRN>";
    return new Object[][] {
      {"%PDF-1.7 whatever", "unreadable-file", "This is a PDF"},
      {new String(ofx(line.replace("<TRNAMT>-48.20", ""), "1")), "unreadable-file", "TRNAMT"},
      {new String(ofx(line.replace("20260904", "20260231"), "1")), "unreadable-file", "DTPOSTED"},
      {
        new String(ofx(line.replace("20260904", "20260731"), "1")),
        "before-opening",
        "begin on 2026-08-01"
      },
      {CSV.replace("48,20;", "48,20"), "unreadable-file", "Line 2"},
      {CSV.replace("04.09.2026", "04.13.2026"), "unreadable-file", "Line 2, Booked"},
    };
  }

  @Test(dataProvider = "bad")
  public void aBadFileIsRefusedWithItsPlaceAndNothingIsTakenIn(
      String file, String problem, String says) {
    Household h = found("bad");
    Api.Answer answer = gather(h, file.getBytes(StandardCharsets.UTF_8));
    assertEquals(answer.status(), 422, answer.json().toString());
    assertEquals(answer.problem(), problem);
    assertTrue(answer.json().path("detail").asString().contains(says), answer.json().toString());
    assertEquals(waiting(h), 0);
    assertEquals(h.api().get("/api/gather?month=2026-09").json().path("batches").size(), 0);
  }

  @Test
  public void twoWindowsWithTheSameFileBringItsLinesOnce() throws Exception {
    Household h = found("windows");
    var first = Thread.startVirtualThread(() -> gather(h, september()));
    var second = Thread.startVirtualThread(() -> gather(h, september()));
    first.join();
    second.join();
    assertEquals(waiting(h), 3);
  }
}
