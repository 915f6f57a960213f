package org.yewledger.core.reconcile;

import static org.testng.Assert.assertEquals;
import static org.yewledger.core.Fixtures.eur;
import static org.yewledger.core.Fixtures.line;

import java.time.LocalDate;
import java.util.List;
import org.testng.annotations.Test;
import org.yewledger.core.gather.BankLine;

public class StatementFiguresTest {
  private static final List<BankLine> LINES =
      List.of(
          line("2026-09-04", -4_820, "A"),
          line("2026-09-05", 32_600, "B"),
          line("2026-09-30", -1_000, "C"),
          line("2026-10-01", -700, "D"));

  @Test
  public void inAndOutAreThoseOfTheLinesUpToTheClosingDay() {
    assertEquals(
        StatementFigures.ofLines(eur(10_000), LINES, LocalDate.of(2026, 9, 30)),
        new StatementFigures(eur(10_000), eur(32_600), eur(5_820)));
  }

  @Test
  public void aFileThatDoesNotSayWhereItBeginsSaysNothing() {
    assertEquals(
        StatementFigures.ofLines(null, LINES, LocalDate.of(2026, 9, 30)), StatementFigures.NONE);
  }
}
