package org.yewledger.core.tax;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import org.yewledger.core.Refusal;

/** A sales-tax rate of a book by its name, with what it was from which day on. */
public record TaxRate(String name, List<Step> steps) {

  /** From this day on, so many percent. */
  public record Step(LocalDate from, BigDecimal percent) {}

  /** {@code steps} in any order; the rate keeps them by day. */
  public TaxRate {
    name = name.strip();
    if (name.isEmpty()) {
      throw Refusal.ofField("name-missing", "name", "Give the rate a name, such as standard.");
    }
    if (steps.isEmpty()) {
      throw Refusal.ofField(
          "percent-missing", "steps", "Say how many percent, and from which day.");
    }
    steps = steps.stream().sorted(Comparator.comparing(Step::from)).toList();
    var days = new HashSet<LocalDate>();
    for (Step step : steps) {
      if (step.percent().signum() < 0 || step.percent().compareTo(new BigDecimal(100)) > 0) {
        throw Refusal.ofField(
            "percent-out-of-range",
            "steps",
            "A rate is from 0 to 100 percent, not %s.".formatted(step.percent().toPlainString()));
      }
      if (step.percent().stripTrailingZeros().scale() > 3) {
        throw Refusal.ofField("percent-too-fine", "steps", "A rate has at most three decimals.");
      }
      if (!days.add(step.from())) {
        throw Refusal.ofField(
            "day-twice",
            "steps",
            "%s has two rates from %s on. Keep one.".formatted(name, step.from()));
      }
    }
  }

  /** The percentage of a day; empty before the first step. */
  public Optional<BigDecimal> percentOn(LocalDate day) {
    return steps.stream()
        .filter(s -> !s.from().isAfter(day))
        .reduce((earlier, later) -> later)
        .map(Step::percent);
  }
}
