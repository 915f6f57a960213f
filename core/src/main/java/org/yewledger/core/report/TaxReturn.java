package org.yewledger.core.report;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.Refusal;
import org.yewledger.core.money.Amount;

/**
 * A return of sales tax as it was sent: it says the same whatever happens to the books later.
 *
 * @param span the period that it is for
 * @param lines those of the period, and those that correct earlier ones
 */
public record TaxReturn(UUID id, Span span, List<Line> lines) {
  /**
   * What was sold and bought at a rate. Amounts are above zero; what was paid back is below.
   *
   * @param about the period that it is about
   * @param sales without tax, and {@code collected} the tax on them
   * @param purchases without tax, and {@code paid} the tax on them
   */
  public record Line(
      Span about, UUID rateId, Amount sales, Amount collected, Amount purchases, Amount paid) {
    static Line none(Span about, UUID rateId, CurrencyUnit base) {
      Amount zero = Amount.zero(base);
      return new Line(about, rateId, zero, zero, zero, zero);
    }

    /** What is owed to the tax office; below zero what it owes. */
    public Amount due() {
      return collected.minus(paid);
    }

    Line plus(Line other) {
      return new Line(
          about,
          rateId,
          sales.plus(other.sales),
          collected.plus(other.collected),
          purchases.plus(other.purchases),
          paid.plus(other.paid));
    }

    Line minus(Line other) {
      return new Line(
          about,
          rateId,
          sales.minus(other.sales),
          collected.minus(other.collected),
          purchases.minus(other.purchases),
          paid.minus(other.paid));
    }

    boolean isNothing() {
      return sales.isZero() && collected.isZero() && purchases.isZero() && paid.isZero();
    }
  }

  public TaxReturn {
    lines = List.copyOf(lines);
  }

  /** What is owed for all of its lines together. */
  public Amount due(CurrencyUnit base) {
    return Amount.sum(base, lines.stream().map(Line::due).toList());
  }

  /**
   * The periods that end within some months and that no return is for, in their order.
   *
   * @param registered the day from which on the book's sales are taxed
   */
  public static List<Span> missing(
      ReturnPeriod period, LocalDate registered, Span within, List<TaxReturn> returns) {
    List<Span> missing = new ArrayList<>();
    for (YearMonth month = within.first(); within.contains(month); month = month.plusMonths(1)) {
      Span span = period.of(month);
      YearMonth last = month;
      if (span.last().equals(month)
          && !span.lastDay().isBefore(registered)
          && returns.stream().noneMatch(one -> one.span().contains(last))) {
        missing.add(span);
      }
    }
    return missing;
  }

  /**
   * Only the last return of a book is taken back: a later one may correct it.
   *
   * @param all the returns of the book
   */
  public boolean isLastOf(List<TaxReturn> all) {
    return all.stream().noneMatch(other -> other.span().first().isAfter(span.first()));
  }

  /**
   * @param all the returns of the book
   * @throws Refusal {@code later-return} unless it is the last
   */
  public void requireLastOf(List<TaxReturn> all) {
    if (!isLastOf(all)) {
      throw Refusal.of(
          "later-return", "A later period is returned as well. Take that return back first.");
    }
  }

  /**
   * Whether the month that it ends with is open: a month is closed once its tax is returned.
   *
   * @param closedThrough the last closed month of the book; null if none is
   */
  public boolean isOpen(@Nullable YearMonth closedThrough) {
    return closedThrough == null || span.last().isAfter(closedThrough);
  }

  /**
   * @param closedThrough the last closed month of the book; null if none is
   * @throws Refusal {@code return-closed} unless it {@link #isOpen}
   */
  public void requireOpen(@Nullable YearMonth closedThrough) {
    if (!isOpen(closedThrough)) {
      throw Refusal.of(
          "return-closed",
          "%s is closed with this return. Open the month again first.".formatted(span.last()));
    }
  }

  /**
   * @throws Refusal {@code period-not-over}
   */
  public static void requireOver(Span span, LocalDate today) {
    if (!today.isAfter(span.lastDay())) {
      throw Refusal.of(
          "period-not-over",
          "The period is not over before the end of %s.".formatted(span.lastDay()));
    }
  }

  /**
   * @param others the returns of the same book
   * @throws Refusal {@code returned-already} if one of them is for a month of this period
   */
  public static void requireNew(Span span, List<TaxReturn> others) {
    for (TaxReturn other : others) {
      if (!other.span().last().isBefore(span.first())
          && !span.last().isBefore(other.span().first())) {
        throw Refusal.of(
            "returned-already",
            "The tax of %s to %s is returned already."
                .formatted(other.span().first(), other.span().last()));
      }
    }
  }
}
