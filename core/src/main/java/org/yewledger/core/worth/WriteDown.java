package org.yewledger.core.worth;

import java.time.LocalDate;
import java.time.YearMonth;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import org.yewledger.core.Refusal;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountClass;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.ledger.Posting;
import org.yewledger.core.money.Amount;
import org.yewledger.core.report.EvenParts;

/**
 * Writes a thing down evenly over months, from what it was bought for to what is left at the end.
 *
 * @param cost what it was bought for
 * @param left what it is still worth then; zero as a rule
 * @param first the first month that takes its part
 * @param expense the category of what is written down
 */
public record WriteDown(
    Account thing, Account expense, Amount cost, Amount left, YearMonth first, int months) {
  private static final int MOST_MONTHS = 1_200;

  /**
   * @throws Refusal {@code write-down-months}, {@code write-down-left}, {@code write-down-expense}
   */
  public WriteDown require() {
    if (months < 1 || months > MOST_MONTHS) {
      throw Refusal.ofField(
          "write-down-months", "months", "Choose from a month to a hundred years.");
    }
    if (left.sign() < 0 || left.compareTo(cost) >= 0) {
      throw Refusal.ofField(
          "write-down-left", "left", "What is left is zero or more, and less than the cost.");
    }
    if (expense.group()
        || expense.accountClass() != AccountClass.EXPENSE
        || !expense.bookId().equals(thing.bookId())) {
      throw Refusal.ofField(
          "write-down-expense",
          "expenseId",
          "Choose a category of expenses in the book of %s.".formatted(thing.name()));
    }
    return this;
  }

  /** What a month takes; zero before the first and after the last. */
  public Amount of(YearMonth month) {
    int at = (int) ChronoUnit.MONTHS.between(first, month);
    return at < 0 || at >= months
        ? Amount.zero(cost.currency())
        : Amount.ofMinor(EvenParts.of(cost.minus(left).minor(), at, months), cost.currency());
  }

  /** The entry of a month, on its last day. */
  public Entry entry(YearMonth month) {
    Amount part = of(month);
    return new Entry(
        month.atEndOfMonth(),
        thing.name(),
        "written down",
        Entry.Origin.BY_HAND,
        List.of(new Posting(expense, part), new Posting(thing, part.negated())));
  }

  /**
   * The months through one that take their part and are not booked.
   *
   * @param booked the months that are
   */
  public List<YearMonth> due(YearMonth through, Set<YearMonth> booked) {
    return IntStream.range(0, months)
        .mapToObj(first::plusMonths)
        .filter(month -> !month.isAfter(through) && !booked.contains(month))
        .filter(month -> !of(month).isZero())
        .toList();
  }

  /** Those of the months that are over at the end of a day. */
  public List<YearMonth> due(LocalDate on, Set<YearMonth> booked) {
    YearMonth month = YearMonth.from(on);
    return due(on.equals(month.atEndOfMonth()) ? month : month.minusMonths(1), booked);
  }

  /** The last month that takes its part. */
  public YearMonth last() {
    return first.plusMonths(months - 1L);
  }
}
