package org.yewledger.formats.table;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.testng.annotations.Test;
import org.yewledger.core.BadRows;
import org.yewledger.core.chart.ChartRow;
import org.yewledger.core.money.ExchangeRate;
import org.yewledger.formats.UnreadableFile;
import org.yewledger.formats.table.RuleTable.RuleRow;

/** Our own tables: rates, charts, rules. */
public class NamedTablesTest {
  private static byte[] bytes(String text) {
    return text.getBytes(StandardCharsets.UTF_8);
  }

  /** Texts with all that a table could stumble over. */
  private static String text(Random random) {
    String[] parts = {"Food", "a,b", "say \"it\"", "line\nbreak", ";", "Ä", "x", " ", "1.50"};
    var text = new StringBuilder();
    for (int i = random.nextInt(4); i >= 0; i--) {
      text.append(parts[random.nextInt(parts.length)]);
    }
    return text.toString().strip();
  }

  @Test
  public void aChartComesBackAsItWasWritten() {
    for (int seed = 0; seed < 100; seed++) {
      var random = new Random(seed);
      var rows = new ArrayList<ChartRow>();
      for (int i = 0; i < 20; i++) {
        rows.add(
            new ChartRow(
                0,
                "N" + text(random),
                "expense",
                text(random),
                "EUR",
                text(random),
                "4417",
                text(random),
                "2026-08-01",
                "-12.50",
                text(random),
                text(random)));
      }
      List<ChartRow> read = ChartTable.read(ChartTable.write(rows));
      assertEquals(read.stream().map(NamedTablesTest::withoutLine).toList(), rows, "seed " + seed);
    }
  }

  private static ChartRow withoutLine(ChartRow r) {
    return new ChartRow(
        0,
        r.name(),
        r.kind(),
        r.group(),
        r.currency(),
        r.number(),
        r.ending(),
        r.institution(),
        r.opensOn(),
        r.openingBalance(),
        r.taxFormLine(),
        r.notes());
  }

  @Test
  public void rulesComeBackInTheirOrder() {
    var rows =
        List.of(
            new RuleRow(0, "any text is \"Q\"", "Payment", "Quillon Card", "a, b", "n", "on", "25"),
            new RuleRow(0, "on \"A, B\"", "", "Groceries", "", "", "off", ""));
    List<RuleRow> read = RuleTable.read(RuleTable.write(rows));
    assertEquals(
        read.get(0),
        new RuleRow(2, "any text is \"Q\"", "Payment", "Quillon Card", "a, b", "n", "on", "25"));
    assertEquals(read.get(1), new RuleRow(3, "on \"A, B\"", "", "Groceries", "", "", "off", ""));
  }

  @Test
  public void cellsThatASpreadsheetWouldRunAreMadeHarmless() {
    var row = new RuleRow(0, "=1+1", "-x", "@SUM", "", "", "on", "");
    String written = new String(RuleTable.write(List.of(row)), StandardCharsets.UTF_8);
    assertTrue(written.contains("'=1+1,'-x,'@SUM"), written);
    assertEquals(RuleTable.read(RuleTable.write(List.of(row))).getFirst().payee(), "-x");
    var balance =
        new ChartRow(0, "A", "card", "", "EUR", "", "", "", "2026-08-01", "-340.15", "", "");
    String chart = new String(ChartTable.write(List.of(balance)), StandardCharsets.UTF_8);
    assertTrue(chart.contains(",-340.15,"), chart);
  }

  @Test
  public void ratesAreReadWithSemicolonsAndAByteOrderMarkToo() {
    List<ExchangeRate> rates =
        RateTable.read(bytes("\ufeffDay;From;To;Rate\n2026-07-01;usd;EUR;0.9214\n"));
    assertEquals(rates.size(), 1);
    assertEquals(rates.getFirst().rate().toPlainString(), "0.9214");
  }

  @Test
  public void everyBadRateIsListedWithItsLineAndColumn() {
    BadRows bad =
        expectThrows(
            BadRows.class,
            () ->
                RateTable.read(
                    bytes(
                        """
                        day,from,to,rate
                        2026-07-01,USD,EUR,0.92
                        2026-13-01,USD,EUR,0.92
                        2026-07-02,XQX,EUR,0.92
                        2026-07-03,USD,EUR,much
                        2026-07-04,USD,EUR,-1
                        2026-07-05,EUR,EUR,1
                        ,USD,EUR,1
                        """)));
    assertEquals(
        bad.problems().stream().map(p -> p.line() + " " + p.column()).toList(),
        List.of("3 day", "4 from", "5 rate", "6 rate", "7 rate", "8 day"));
    assertEquals(bad.getMessage(), "6 rows cannot be taken in, so nothing was.");
  }

  @Test
  public void columnsThatAreMissingOrUnknownAreNamed() {
    UnreadableFile missing =
        expectThrows(UnreadableFile.class, () -> RateTable.read(bytes("day,from,to\n")));
    assertEquals(missing.field(), "rate");
    UnreadableFile unknown =
        expectThrows(UnreadableFile.class, () -> RateTable.read(bytes("day,from,to,rate,mood\n")));
    assertEquals(unknown.field(), "mood");
    expectThrows(UnreadableFile.class, () -> RateTable.read(bytes("")));
    expectThrows(UnreadableFile.class, () -> RateTable.read(new byte[] {(byte) 0xff, 'a', '\n'}));
  }

  /** Whatever is done to a good table, the reader answers with its own refusals, and soon. */
  @Test
  public void mutatedTablesEndInARefusalAtMost() {
    byte[] good = ChartTable.template("EUR", "2026-08-01");
    for (int seed = 0; seed < 2000; seed++) {
      var random = new Random(seed);
      byte[] bad = good.clone();
      for (int i = 0; i < 1 + random.nextInt(6); i++) {
        bad[random.nextInt(bad.length)] = (byte) random.nextInt(256);
      }
      try {
        ChartTable.read(bad);
      } catch (UnreadableFile e) {
        assertTrue(!e.getMessage().isEmpty());
      }
    }
  }

  @Test
  public void whatWasAgreedIsATableThatNoSpreadsheetTakesForFormulas() {
    byte[] table =
        AgreementTable.write(
            List.of(
                new AgreementTable.AgreedRow(
                    "2026-09-04", "712", "=cmd, \"x\"", "-12.40", "agreed"),
                new AgreementTable.AgreedRow("2026-09-06", "713", "Greengage", "20.00", "open")));
    assertEquals(
        new String(table, java.nio.charset.StandardCharsets.UTF_8).lines().toList(),
        List.of(
            "date,no,payee,amount,state",
            "2026-09-04,712,\"'=cmd, \"\"x\"\"\",-12.40,agreed",
            "2026-09-06,713,Greengage,20.00,open"));
  }
}
