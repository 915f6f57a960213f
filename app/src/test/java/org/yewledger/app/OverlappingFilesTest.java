package org.yewledger.app;

import static org.testng.Assert.assertEquals;

import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import org.joda.money.CurrencyUnit;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.gather.BankStatement;
import org.yewledger.core.money.Amount;
import org.yewledger.formats.ofx.OfxWriter;
import org.yewledger.formats.ofx.OfxWriter.AccountType;
import org.yewledger.formats.table.CsvStatementWriter;

/**
 * Two months of lines, cut into overlapping files of both formats, arrive in any order: none is
 * lost, none doubled.
 */
public class OverlappingFilesTest extends AppTest {
  private static final LocalDate FIRST = LocalDate.of(2026, 8, 1);
  private static final int DAYS = 60;

  @Autowired private JdbcClient jdbc;

  @DataProvider
  Object[][] seeds() {
    return new Object[][] {{1}, {2}, {3}, {4}, {5}, {6}};
  }

  @Test(dataProvider = "seeds")
  public void makeTheSameSetOfLines(int seed) {
    var random = new Random(seed);
    Household h = found("overlap" + seed);
    List<BankLine> lines = lines(random);
    List<Window> windows = windows(random);
    Collections.shuffle(windows, random);
    for (Window window : windows) {
      upload(h, lines.stream().filter(window::holds).toList(), random.nextBoolean());
    }
    assertEquals(stored(h), lines.stream().map(OverlappingFilesTest::asText).sorted().toList());
    // A few are held back: where files of two formats meet, equal amounts raise doubts.
    assertEquals(
        h.api().get("/api/waiting-lines").json().path("count").asInt()
            + h.api().get("/api/gather/doubts").json().size(),
        lines.size());
  }

  /** The days that one file covers, both included. */
  private record Window(LocalDate from, LocalDate to) {
    boolean holds(BankLine line) {
      return !line.bookedOn().isBefore(from) && !line.bookedOn().isAfter(to);
    }
  }

  private static List<BankLine> lines(Random random) {
    var lines = new ArrayList<BankLine>();
    for (int day = 0; day < DAYS; day++) {
      for (int i = random.nextInt(4); i > 0; i--) {
        // Few texts and amounts, so that equal lines of a day are common.
        String text = "SHOP " + random.nextInt(2);
        long amount = -100L * (1 + random.nextInt(2));
        String identity = "id-" + day + "-" + i;
        lines.add(
            new BankLine(
                FIRST.plusDays(day), null, amount, "", text, "", "POS", identity, text, 0));
      }
    }
    return lines;
  }

  private static List<Window> windows(Random random) {
    var windows = new ArrayList<Window>();
    for (int day = 0; day < DAYS; day += 12) {
      windows.add(
          new Window(
              FIRST.plusDays(Math.max(0, day - random.nextInt(10))),
              FIRST.plusDays(day + 12L + random.nextInt(10))));
    }
    return windows;
  }

  private void upload(Household h, List<BankLine> lines, boolean asTable) {
    if (lines.isEmpty()) {
      return;
    }
    var statement = new BankStatement("4417", CurrencyUnit.EUR, lines, null);
    byte[] file =
        asTable
            ? CsvStatementWriter.write(
                statement, Amount.zero(statement.currency()), StandardCharsets.UTF_8)
            : OfxWriter.write(statement, "DEMO", AccountType.CHECKING);
    String layout =
        """
        {"meanings":["BOOKED_ON","VALUE_ON","MEMO","REFERENCE","OUT","IN","IGNORE"],
         "dateOrder":"DAY_MONTH_YEAR","decimalMark":"COMMA"}\
        """;
    Api.Answer answer =
        h.api()
            .takeIn(
                h.current().id(),
                asTable ? "t.csv" : "t.ofx",
                file,
                asTable ? layout : null,
                false);
    assertEquals(answer.status(), 201, answer.json().toString());
  }

  private List<String> stored(Household h) {
    return founding.as(
        h.owner(),
        () ->
            jdbc
                .sql("select booked_on || ' ' || amount_minor || ' ' || memo from bank_line")
                .query(String.class)
                .list()
                .stream()
                .sorted()
                .toList());
  }

  private static String asText(BankLine line) {
    return line.bookedOn() + " " + line.amountMinor() + " " + line.memo();
  }
}
