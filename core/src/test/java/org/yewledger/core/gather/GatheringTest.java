package org.yewledger.core.gather;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.yewledger.core.Fixtures.CURRENT;
import static org.yewledger.core.Fixtures.GROCERIES;
import static org.yewledger.core.Fixtures.line;
import static org.yewledger.core.Fixtures.refusalOf;

import java.util.List;
import org.joda.money.CurrencyUnit;
import org.testng.annotations.Test;
import org.yewledger.core.Refusal;

public class GatheringTest {
  private static BankStatement file(CurrencyUnit currency, BankLine... lines) {
    return new BankStatement("4417", currency, List.of(lines), null);
  }

  @Test
  public void countsNewAndKnown() {
    BankLine known = line("2026-09-01", -100, "A");
    BankStatement file = file(CurrencyUnit.EUR, known, line("2026-09-02", -200, "B"));
    Gathering gathering =
        Gathering.of(
            CURRENT, file, List.of(KnownLines.booked(known, LineSource.CSV)), LineSource.CSV);
    assertEquals(gathering.count(Arrival.Standing.NEW), 1);
    assertEquals(gathering.count(Arrival.Standing.KNOWN), 1);
  }

  @Test
  public void refusesALineBeforeTheAccountOpensAndNamesIt() {
    try {
      Gathering.of(
          CURRENT,
          file(CurrencyUnit.EUR, line("2025-09-30", -100, "A")),
          List.of(),
          LineSource.CSV);
    } catch (Refusal e) {
      assertEquals(e.code(), "before-opening");
      assertTrue(
          e.getMessage().contains("Line 1") && e.getMessage().contains("2025-10-01"),
          e.getMessage());
      return;
    }
    throw new AssertionError("accepted");
  }

  @Test
  public void refusesAnotherCurrencyACategoryAndAnEmptyFile() {
    BankLine line = line("2026-09-01", -100, "A");
    assertEquals(
        refusalOf(
            () -> Gathering.of(CURRENT, file(CurrencyUnit.USD, line), List.of(), LineSource.CSV)),
        "currency-differs");
    assertEquals(
        refusalOf(
            () -> Gathering.of(GROCERIES, file(CurrencyUnit.EUR, line), List.of(), LineSource.CSV)),
        "not-at-a-bank");
    assertEquals(
        refusalOf(() -> Gathering.of(CURRENT, file(CurrencyUnit.EUR), List.of(), LineSource.CSV)),
        "nothing-in-file");
  }
}
