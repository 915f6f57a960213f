package org.yewledger.core.report;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.yewledger.core.Fixtures.eur;

import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.joda.money.CurrencyUnit;
import org.testng.annotations.Test;
import org.yewledger.core.report.Breakdown.Measure;
import org.yewledger.core.report.Breakdown.Part;
import org.yewledger.core.report.Span.Every;

public class BreakdownTest {
  private static final YearMonth JUNE = YearMonth.of(2026, 6);
  private static final Span SUMMER = new Span(JUNE, JUNE.plusMonths(2));

  private static Part part(String name, int month, long earned, long spent) {
    return new Part(name, name, JUNE.plusMonths(month), eur(earned), eur(spent));
  }

  @Test
  public void theGreatestComesFirstAndWhatHasNothingIsLeftOut() {
    Breakdown spent =
        Breakdown.of(
            CurrencyUnit.EUR,
            SUMMER.divided(Every.MONTH),
            Measure.SPENT,
            List.of(
                part("Greengage", 0, 0, 2_000),
                part("Lantern Energy", 1, 0, 9_000),
                part("Marram Council", 1, 200_000, 0),
                part("Greengage", 2, 0, 3_000),
                part("Mill Lane Pharmacy", 5, 0, 100)));
    assertEquals(
        spent.rows().stream().map(Breakdown.Row::name).toList(),
        List.of("Lantern Energy", "Greengage"));
    assertEquals(spent.rows().getLast().amounts(), List.of(eur(2_000), eur(0), eur(3_000)));
    assertEquals(spent.sums(), List.of(eur(2_000), eur(9_000), eur(3_000)));
  }

  /** However it is cut, all of it is there once. */
  @Test
  public void columnsAndRowsAddUpToTheWhole() {
    var random = new Random(42);
    List<Part> parts = new ArrayList<>();
    long earned = 0;
    long spent = 0;
    for (int i = 0; i < 300; i++) {
      Part part =
          part(
              "p" + random.nextInt(20),
              random.nextInt(3),
              random.nextInt(900),
              random.nextInt(500));
      earned += part.earned().minor();
      spent += part.spent().minor();
      parts.add(part);
    }
    for (Every every : Every.values()) {
      for (Measure measure : Measure.values()) {
        Breakdown all = Breakdown.of(CurrencyUnit.EUR, SUMMER.divided(every), measure, parts);
        long whole =
            switch (measure) {
              case EARNED -> earned;
              case SPENT -> spent;
              case RESULT -> earned - spent;
            };
        assertEquals(all.sums().stream().mapToLong(sum -> sum.minor()).sum(), whole);
        assertEquals(all.rows().stream().mapToLong(row -> row.total().minor()).sum(), whole);
        for (int most : List.of(1, 6, 20)) {
          assertDrawnWhole(all, most);
        }
      }
    }
  }

  private static void assertDrawnWhole(Breakdown all, int most) {
    Breakdown.Drawn drawn = all.drawn(most);
    assertEquals(drawn.rows().size() + drawn.others(), all.rows().size());
    assertTrue(drawn.rows().size() + (drawn.others() > 0 ? 1 : 0) <= most);
    assertTrue(drawn.others() != 1, "one alone is no rest");
    for (int i = 0; i < all.sums().size(); i++) {
      long together = drawn.rest().amounts().get(i).minor();
      for (Breakdown.Row row : drawn.rows()) {
        together += row.amounts().get(i).minor();
      }
      assertEquals(together, all.sums().get(i).minor());
    }
  }

  @Test
  public void whatTakesFromTheWholeIsNoPartOfIt() {
    List<Span> whole = SUMMER.divided(Every.WHOLE);
    List<Part> parts = List.of(part("Greengage", 0, 0, 2_000), part("Lantern Energy", 1, 0, 9_000));
    assertTrue(Breakdown.of(CurrencyUnit.EUR, whole, Measure.SPENT, parts).isWhole());
    assertFalse(Breakdown.of(CurrencyUnit.EUR, whole, Measure.RESULT, parts).isWhole());
    List<Part> withRefund = new ArrayList<>(parts);
    withRefund.add(part("Fennel Books", 2, 0, -700));
    assertFalse(Breakdown.of(CurrencyUnit.EUR, whole, Measure.SPENT, withRefund).isWhole());
    assertFalse(Breakdown.of(CurrencyUnit.EUR, whole, Measure.SPENT, List.of()).isWhole());
  }
}
