package org.yewledger.formats.table;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.testng.annotations.Test;
import org.yewledger.core.export.ExportPlan.DayForm;
import org.yewledger.core.export.ExportPlan.Written;
import org.yewledger.formats.UnreadableFile;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

public class ExportTableTest {
  private static final Written ISO = new Written(DayForm.ISO, false);
  private static final Written COMMAS = new Written(DayForm.DOTS, true);
  private static final LocalDate DAY = LocalDate.of(2026, 1, 31);

  private static List<Object> row(String id, String payee, String amount) {
    return List.of(id, DAY, payee, new BigDecimal(amount));
  }

  private static ExportTable table(List<List<Object>> rows) {
    return new ExportTable(List.of("Id", "Day", "Payee", "Amount"), rows);
  }

  private static String text(byte[] bytes) {
    return new String(bytes, StandardCharsets.UTF_8);
  }

  private static byte[] bytes(String text) {
    return text.getBytes(StandardCharsets.UTF_8);
  }

  @Test
  public void csvIsWrittenAsAPersonWants() {
    ExportTable table = table(List.of(row("7", "Mill, \"old\"", "-1234.50")));
    assertEquals(
        text(table.csv(ISO)),
        "Id,Day,Payee,Amount\r\n7,2026-01-31,\"Mill, \"\"old\"\"\",-1234.50\r\n");
    assertEquals(
        text(table.csv(COMMAS)),
        "Id;Day;Payee;Amount\r\n7;31.01.2026;\"Mill, \"\"old\"\"\";-1234,50\r\n");
  }

  @Test
  public void nothingIsAFormula() {
    ExportTable table = table(List.of(row("7", "=1+1", "-1.00")));
    assertTrue(text(table.csv(ISO)).contains("'=1+1"), text(table.csv(ISO)));
  }

  @Test
  public void jsonKeepsAllDecimals() {
    JsonNode read =
        JsonMapper.builder()
            .build()
            .readTree(table(List.of(row("7", "Mill", "99999999999999.10"))).json());
    assertEquals(read.at("/0/Day").asString(), "2026-01-31");
    assertTrue(
        text(table(List.of(row("7", "Mill", "99999999999999.10"))).json())
            .contains("\"Amount\":99999999999999.10"));
    assertEquals(read.at("/0/Payee").asString(), "Mill");
  }

  @Test
  public void aWorkbookIsReadBack() {
    Table read = Table.parse(table(List.of(row("7", "Mill", "-4.20"))).workbook());
    assertEquals(read.header(), List.of("Id", "Day", "Payee", "Amount"));
    assertEquals(read.data().getFirst().cells().get(2), "Mill");
  }

  @Test
  public void rowsAreAddedOnceAndWhatIsThereStays() {
    byte[] first = table(List.of(row("7", "Mill", "-4.20"))).csv(ISO);
    byte[] edited = bytes(text(first).replace("Mill", "Otter Mill").stripTrailing());
    ExportTable.Appended more =
        table(List.of(row("7", "Mill", "-4.20"), row("8", "Kiosk", "-1.00")))
            .appendedTo(edited, ISO, 0);
    assertEquals(more.added(), 1);
    assertEquals(
        text(more.content()),
        "Id,Day,Payee,Amount\r\n7,2026-01-31,Otter Mill,-4.20\r\n8,2026-01-31,Kiosk,-1.00\r\n");
    ExportTable.Appended again =
        table(List.of(row("8", "Kiosk", "-1.00"))).appendedTo(more.content(), ISO, 0);
    assertEquals(again.added(), 0);
    assertEquals(again.content(), more.content());
  }

  @Test
  public void anotherTableIsNotAddedTo() {
    ExportTable table = table(List.of(row("7", "Mill", "-4.20")));
    UnreadableFile refused =
        expectThrows(
            UnreadableFile.class, () -> table.appendedTo(bytes("Id,Payee\r\n7,x\r\n"), ISO, 0));
    assertTrue(refused.reason().contains("other columns"));
    expectThrows(
        UnreadableFile.class,
        () -> table.appendedTo(bytes("Id,Day,Payee,Amount\r\n7,\"x\r\n"), ISO, 0));
    expectThrows(
        UnreadableFile.class, () -> table.appendedTo(new byte[] {(byte) 0xff, 0x41}, ISO, 0));
  }

  /** However the rows come, in as many steps as may be, each is in the file once. */
  @Test
  public void inAnyStepsEveryRowComesOnce() {
    var random = new Random(5);
    String[] names = {"Mill", "=cmd", "a;b", "line\nbreak", "\"q\"", "", "-", "Łódź 🌲"};
    for (int run = 0; run < 60; run++) {
      Written written = random.nextBoolean() ? ISO : COMMAS;
      var all = new ArrayList<List<Object>>();
      int count = 1 + random.nextInt(30);
      for (int i = 0; i < count; i++) {
        all.add(row("" + i, names[random.nextInt(names.length)], "" + (i - 10) + ".50"));
      }
      byte[] file = table(all.subList(0, random.nextInt(count))).csv(written);
      for (int step = 0; step < 4; step++) {
        int from = random.nextInt(count);
        file = table(all.subList(from, count)).appendedTo(file, written, 0).content();
      }
      file = table(all).appendedTo(file, written, 0).content();
      assertEquals(table(all).appendedTo(file, written, 0).added(), 0);
      long ids = Table.parse(file).data().stream().map(r -> r.cells().get(0)).distinct().count();
      assertEquals(Table.parse(file).data().size(), count, text(file));
      assertEquals(ids, count);
    }
  }
}
