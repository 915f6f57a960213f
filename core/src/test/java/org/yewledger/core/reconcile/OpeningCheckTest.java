package org.yewledger.core.reconcile;

import static org.testng.Assert.assertEquals;
import static org.yewledger.core.Fixtures.OPENS;
import static org.yewledger.core.Fixtures.eur;
import static org.yewledger.core.Fixtures.line;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.testng.annotations.Test;
import org.yewledger.core.gather.BankLine;

public class OpeningCheckTest {
  private static final List<BankLine> LINES =
      List.of(
          line("2025-10-01", -1086_40, "HOME LOAN"),
          line("2025-10-02", -62_00, "SCHOOL"),
          line("2025-10-02", 12_00, "BACK"));

  @Test
  public void findsTheDayWhoseBalanceTheBooksHold() {
    var dayLate = OpeningCheck.of(OPENS, eur(756_20), eur(1842_60), LINES);
    assertEquals(dayLate.difference().minor(), 1086_40);
    assertEquals(dayLate.sameAsEndOf(), Optional.of(LocalDate.of(2025, 10, 1)));
    assertEquals(dayLate.balanceOn(), LocalDate.of(2025, 9, 30));
    var twoDays = OpeningCheck.of(OPENS, eur(706_20), eur(1842_60), LINES);
    assertEquals(twoDays.sameAsEndOf(), Optional.of(LocalDate.of(2025, 10, 2)));
  }

  @Test
  public void aBalanceOfTheMiddleOfADayIsNone() {
    assertEquals(
        OpeningCheck.of(OPENS, eur(694_20), eur(1842_60), LINES).sameAsEndOf(), Optional.empty());
    assertEquals(OpeningCheck.of(OPENS, eur(1842_60), eur(1842_60), LINES).difference().minor(), 0);
  }

  @Test
  public void anyDayWithinAWeekIsFound() {
    for (int seed = 0; seed < 200; seed++) {
      var random = new Random(seed);
      var lines = new ArrayList<BankLine>();
      for (int i = 0; i < 40; i++) {
        lines.add(
            line("2025-10-%02d".formatted(1 + random.nextInt(28)), -random.nextInt(1, 9000), "X"));
      }
      LocalDate wrong = OPENS.plusDays(random.nextInt(6));
      long opening = 500_000;
      long taken =
          opening
              + lines.stream()
                  .filter(l -> !l.bookedOn().isAfter(wrong))
                  .mapToLong(BankLine::amountMinor)
                  .sum();
      var check = OpeningCheck.of(OPENS, eur(taken), eur(opening), lines);
      // Days without a line have the balance of the last day with one.
      Optional<LocalDate> expected =
          lines.stream()
              .map(BankLine::bookedOn)
              .filter(d -> !d.isAfter(wrong))
              .max(LocalDate::compareTo);
      assertEquals(check.sameAsEndOf(), expected, "seed " + seed);
    }
  }
}
