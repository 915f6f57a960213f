package org.yewledger.core.tax;

import static org.testng.Assert.assertEquals;
import static org.yewledger.core.Fixtures.refusalOf;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;
import org.yewledger.core.tax.TaxRate.Step;

public class TaxRateTest {
  private static Step step(String from, String percent) {
    return new Step(LocalDate.parse(from), new BigDecimal(percent));
  }

  @Test
  public void holdsFromEachDayOn() {
    var rate = new TaxRate("standard", List.of(step("2026-07-01", "22"), step("2020-01-01", "21")));
    assertEquals(rate.percentOn(LocalDate.of(2026, 6, 30)), Optional.of(new BigDecimal("21")));
    assertEquals(rate.percentOn(LocalDate.of(2026, 7, 1)), Optional.of(new BigDecimal("22")));
    assertEquals(rate.percentOn(LocalDate.of(2019, 12, 31)), Optional.empty());
  }

  @Test
  public void refusesWhatIsNoRate() {
    assertEquals(refusalOf(() -> new TaxRate(" ", List.of())), "name-missing");
    assertEquals(refusalOf(() -> new TaxRate("a", List.of())), "percent-missing");
    assertEquals(
        refusalOf(() -> new TaxRate("a", List.of(step("2026-01-01", "101")))),
        "percent-out-of-range");
    assertEquals(
        refusalOf(
            () -> new TaxRate("a", List.of(step("2026-01-01", "9"), step("2026-01-01", "10")))),
        "day-twice");
  }
}
