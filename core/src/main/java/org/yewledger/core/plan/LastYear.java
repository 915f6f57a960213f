package org.yewledger.core.plan;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import org.yewledger.core.money.Amount;
import org.yewledger.core.report.AccountTotals;
import org.yewledger.core.report.Span;

/** A year's plan from what was spent in the year before. */
public final class LastYear {
  /** Whole units of the currency: nobody plans in cents. */
  private static final BigDecimal STEP = BigDecimal.valueOf(5);

  private LastYear() {}

  /**
   * Each month what the same month of the year before took, up to the next 5 of the currency;
   * months in which nothing was spent are planned at zero. Empty where nothing was spent all year.
   *
   * @param year the months that are planned
   * @param spent of a category of expenses, with the months of the year before told apart
   */
  public static List<PlannedSpan> plan(Span year, AccountTotals spent) {
    List<PlannedSpan> plan = new ArrayList<>();
    boolean any = false;
    for (YearMonth month = year.first(); year.contains(month); month = month.plusMonths(1)) {
      YearMonth before = month.minusYears(1);
      Amount took = spent.within(new Span(before, before)).ifAbove();
      any |= !took.isZero();
      plan.add(new PlannedSpan(new Span(month, month), rounded(took)));
    }
    return any ? plan : List.of();
  }

  private static Amount rounded(Amount amount) {
    return Amount.of(
        amount.decimal().divide(STEP, 0, RoundingMode.CEILING).multiply(STEP), amount.currency());
  }
}
