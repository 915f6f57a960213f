package org.yewledger.core.plan;

import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.yewledger.core.Refusal;
import org.yewledger.core.money.Amount;
import org.yewledger.core.report.Span;

/**
 * What may be spent within some months together: mostly one month, else as many as it serves.
 *
 * @param amount zero or above, in the book's currency
 */
public record PlannedSpan(Span span, Amount amount) {
  private static final int MOST_MONTHS = 120;

  /**
   * @throws Refusal {@code planned-below-zero}
   */
  public PlannedSpan {
    if (amount.sign() < 0) {
      throw Refusal.ofField(
          "planned-below-zero", "amount", "A plan is what may be spent: zero or more.");
    }
  }

  /**
   * Whether months can be planned at once.
   *
   * @throws Refusal {@code budget-too-long}
   */
  public static Span requireShort(Span months) {
    if (months.months() > MOST_MONTHS) {
      throw Refusal.ofField("budget-too-long", "last", "At most ten years are planned at once.");
    }
    return months;
  }

  /** The same amount for each of some months. */
  public static List<PlannedSpan> each(Span months, Amount amount) {
    List<PlannedSpan> each = new ArrayList<>();
    for (YearMonth month = months.first(); months.contains(month); month = month.plusMonths(1)) {
      each.add(new PlannedSpan(new Span(month, month), amount));
    }
    return each;
  }

  /**
   * What is planned once some months are planned anew: single months among them give way.
   *
   * @param now what was planned, without overlaps
   * @param months that are planned anew
   * @param anew within them; empty if nothing is planned there any more
   * @throws Refusal {@code budget-overlaps} if a span of several months is only partly among them
   */
  public static List<PlannedSpan> replaced(
      List<PlannedSpan> now, Span months, List<PlannedSpan> anew) {
    List<PlannedSpan> all = new ArrayList<>(anew);
    for (PlannedSpan one : now) {
      if (one.within(months)) {
        continue;
      }
      if (one.overlaps(months)) {
        throw Refusal.ofField(
            "budget-overlaps",
            "last",
            "%s to %s is planned as one already. Plan all of it, or months outside of it."
                .formatted(one.span.first(), one.span.last()));
      }
      all.add(one);
    }
    all.sort(Comparator.comparing(one -> one.span.first()));
    return List.copyOf(all);
  }

  private boolean within(Span months) {
    return months.contains(span.first()) && months.contains(span.last());
  }

  boolean overlaps(Span months) {
    return !span.last().isBefore(months.first()) && !months.last().isBefore(span.first());
  }
}
