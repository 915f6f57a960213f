package org.yewledger.core.plan;

import java.time.YearMonth;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.Refusal;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountClass;
import org.yewledger.core.money.Amount;
import org.yewledger.core.report.AccountTotals;
import org.yewledger.core.report.EvenParts;
import org.yewledger.core.report.Span;

/**
 * What may be spent on a category, month by month.
 *
 * @param of a category of expenses, or a group of such, which is planned together as far as its
 *     categories have no plan of their own ({@link PlannedTogether})
 * @param carries whether what is left of one month or span goes on to the next; within a span it
 *     always does
 * @param spans by their time, without overlaps
 */
public record Budget(Account of, boolean carries, List<PlannedSpan> spans) {
  public Budget {
    spans = List.copyOf(spans);
  }

  /**
   * A month of a budget: brought + planned - booked - to come = left.
   *
   * @param brought what was left before, below zero if more was spent than planned
   * @param planned of a span of several months all of it, in its first
   * @param booked what the books say was spent
   * @param toCome what is due in the month and has not come
   */
  public record Month(
      YearMonth month, Amount brought, Amount planned, Amount booked, Amount toCome) {
    Month withToCome(Amount amount) {
      return new Month(month, brought, planned, booked, amount);
    }

    public Amount left() {
      return brought.plus(planned).minus(booked).minus(toCome);
    }
  }

  /**
   * How a month stands; empty where nothing is planned for it. Months without a plan between two
   * that have one neither bring nor take anything. Cost: the months since the first plan.
   *
   * @param booked what was spent in a month, in the book's currency
   */
  public Optional<Month> at(YearMonth month, Function<YearMonth, Amount> booked) {
    Month at = null;
    PlannedSpan before = null;
    for (PlannedSpan one : spans) {
      for (YearMonth m = one.span().first();
          one.span().contains(m) && !m.isAfter(month);
          m = m.plusMonths(1)) {
        at = next(m, one, brought(at, before, one), booked);
        before = one;
      }
    }
    return at == null || !at.month().equals(month) ? Optional.empty() : Optional.of(at);
  }

  private Amount brought(@Nullable Month last, @Nullable PlannedSpan before, PlannedSpan now) {
    return last != null && (carries || now.equals(before))
        ? last.left()
        : Amount.zero(now.amount().currency());
  }

  private static Month next(
      YearMonth month, PlannedSpan in, Amount brought, Function<YearMonth, Amount> booked) {
    boolean first = in.span().first().equals(month);
    return new Month(
        month,
        brought,
        first ? in.amount() : Amount.zero(in.amount().currency()),
        booked.apply(month),
        Amount.zero(in.amount().currency()));
  }

  /** What a month is planned in; empty where nothing is planned for it. */
  public Optional<PlannedSpan> spanOf(YearMonth month) {
    return spans.stream().filter(one -> one.span().contains(month)).findFirst();
  }

  /** Whether anything is planned for any of some months. */
  public boolean plansWithin(Span months) {
    return spans.stream().anyMatch(one -> one.overlaps(months));
  }

  /**
   * A budget is of a category of expenses, or of a group of them.
   *
   * @throws Refusal {@code budget-not-of-expenses}
   */
  public static Account requireExpenses(Account category) {
    if (!isExpenses(category)) {
      throw Refusal.of(
          "budget-not-of-expenses", "%s is no category of expenses.".formatted(category.name()));
    }
    return category;
  }

  private static boolean isExpenses(Account account) {
    return account.accountClass() == AccountClass.EXPENSE;
  }

  /** Whether an account is a category of expenses, no group of them. */
  static boolean isExpense(Account account) {
    return isExpenses(account) && !account.group();
  }

  /** The first month for which anything is planned; empty where nothing is. */
  public Optional<YearMonth> begins() {
    return spans.stream().map(one -> one.span().first()).findFirst();
  }

  /**
   * What is planned for each of some months, as totals that a report is made of. What is planned
   * for several months together is spread over them evenly, to the minor unit.
   */
  public AccountTotals spread(Span months) {
    long[] minor = new long[months.months()];
    for (PlannedSpan one : spans) {
      int many = one.span().months();
      for (int i = 0; i < many; i++) {
        YearMonth month = one.span().first().plusMonths(i);
        if (months.contains(month)) {
          minor[(int) months.first().until(month, ChronoUnit.MONTHS)] +=
              EvenParts.of(one.amount().minor(), i, many);
        }
      }
    }
    return new AccountTotals(of, 0, months.first(), minor);
  }

  /** What is planned in the spans that begin within some months. */
  public Amount plannedWithin(Span months) {
    return Amount.sum(
        of.book().currency(),
        spans.stream()
            .filter(one -> months.contains(one.span().first()))
            .map(PlannedSpan::amount)
            .toList());
  }
}
