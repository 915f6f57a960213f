package org.yewledger.core.plan;

import java.math.BigInteger;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.Refusal;
import org.yewledger.core.money.Amount;
import org.yewledger.core.report.Span;

/**
 * What a book is to earn in a fiscal year, evenly month by month.
 *
 * @param amount above zero, in the book's currency
 */
public record ProfitGoal(Span year, Amount amount) {
  /**
   * @throws Refusal {@code goal-not-positive}
   */
  public ProfitGoal {
    requirePositive(amount);
  }

  static void requirePositive(Amount amount) {
    if (amount.sign() <= 0) {
      throw Refusal.ofField("goal-not-positive", "amount", "A goal is above zero.");
    }
  }

  /**
   * A month of the year.
   *
   * @param planned its part of the goal
   * @param reached its result so far; null in months that are to come
   * @param against what all months so far reached, less their part of the goal; of the month in
   *     hand up to the day; null in months that are to come
   */
  public record Month(
      YearMonth month, Amount planned, @Nullable Amount reached, @Nullable Amount against) {}

  /**
   * How far it is reached.
   *
   * @param reached by all months so far
   * @param ahead of its part of the goal, below zero if behind
   * @param toGo until the goal; zero once it is reached
   * @param monthsLeft after the month in hand
   * @param perMonth what each of them has to bring, rounded up; zero without any
   */
  public record Progress(
      List<Month> months,
      Amount reached,
      Amount ahead,
      Amount toGo,
      int monthsLeft,
      Amount perMonth) {
    public boolean isReached() {
      return toGo.isZero();
    }
  }

  /**
   * @param day up to which results are counted; days before the year have reached nothing
   * @param result income less expenses of a month, so far
   */
  public Progress at(LocalDate day, Function<YearMonth, Amount> result) {
    YearMonth now = YearMonth.from(day);
    List<Month> months = new ArrayList<>();
    Amount reached = Amount.zero(amount.currency());
    Amount expected = reached;
    int left = 0;
    for (int i = 0; i < year.months(); i++) {
      YearMonth month = year.first().plusMonths(i);
      Amount planned = part(i, i + 1);
      if (month.isAfter(now)) {
        months.add(new Month(month, planned, null, null));
        left++;
        continue;
      }
      Amount of = result.apply(month);
      reached = reached.plus(of);
      expected = expected.plus(month.equals(now) ? upTo(day, planned) : planned);
      months.add(new Month(month, planned, of, reached.minus(expected)));
    }
    Amount toGo = amount.minus(reached).ifAbove();
    return new Progress(months, reached, reached.minus(expected), toGo, left, perMonth(toGo, left));
  }

  /** Of months from one to another, so that all parts together are the goal. */
  private Amount part(int from, int to) {
    return Amount.ofMinor(
        share(amount.minor(), to, year.months()) - share(amount.minor(), from, year.months()),
        amount.currency());
  }

  private static Amount upTo(LocalDate day, Amount planned) {
    return Amount.ofMinor(
        share(planned.minor(), day.getDayOfMonth(), day.lengthOfMonth()), planned.currency());
  }

  /** So many of as many parts, rounded down. */
  static long share(long minor, long parts, long of) {
    return BigInteger.valueOf(minor)
        .multiply(BigInteger.valueOf(parts))
        .divide(BigInteger.valueOf(of))
        .longValueExact();
  }

  static Amount perMonth(Amount toGo, int months) {
    return months == 0
        ? Amount.zero(toGo.currency())
        : Amount.ofMinor(Math.ceilDiv(toGo.minor(), (long) months), toGo.currency());
  }
}
