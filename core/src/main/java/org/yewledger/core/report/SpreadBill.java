package org.yewledger.core.report;

import java.time.LocalDate;
import java.time.YearMonth;
import java.time.temporal.ChronoUnit;
import org.yewledger.core.Refusal;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountClass;
import org.yewledger.core.money.Amount;

/**
 * What an entry that serves several months puts on a category: a year's insurance, say. The books
 * have it on its day; seen spread, each month that it serves bears an even part.
 *
 * @param amount in the book's currency, debits above zero
 * @param booked the day of the entry
 */
public record SpreadBill(Account category, Amount amount, LocalDate booked, Span serves) {
  private static final int MOST_MONTHS = 120;

  /**
   * Whether an entry can serve some months.
   *
   * @param booked the day of the entry
   * @throws Refusal {@code served-too-long}, {@code served-far-away}, {@code served-is-own-month}
   */
  public static Span require(Span serves, LocalDate booked) {
    YearMonth own = YearMonth.from(booked);
    if (serves.months() > MOST_MONTHS) {
      throw Refusal.ofField("served-too-long", "last", "A bill serves ten years at most.");
    }
    if (serves.first().isAfter(own.plusMonths(MOST_MONTHS))
        || serves.last().isBefore(own.minusMonths(MOST_MONTHS))) {
      throw Refusal.ofField(
          "served-far-away",
          "first",
          "The entry is of %s. The months that it serves are within ten years of that."
              .formatted(booked));
    }
    if (serves.first().equals(own) && serves.last().equals(own)) {
      throw Refusal.ofField(
          "served-is-own-month",
          "last",
          "It is booked in that month. Choose the months that it serves, or do not spread it.");
    }
    return serves;
  }

  /** An amount of it as a person reads it: above zero if it goes the usual way of its category. */
  public Amount told(Amount of) {
    return category.accountClass() == AccountClass.INCOME ? of.negated() : of;
  }

  /** What a month bears of it: nothing if it is none of those that it serves. */
  public Amount in(YearMonth month) {
    if (!serves.contains(month)) {
      return Amount.zero(amount.currency());
    }
    int at = (int) serves.first().until(month, ChronoUnit.MONTHS);
    return Amount.ofMinor(EvenParts.of(amount.minor(), at, serves.months()), amount.currency());
  }

  /** What the months of a span bear of it. */
  public Amount within(Span months) {
    Amount all = Amount.zero(amount.currency());
    for (YearMonth month = serves.first(); serves.contains(month); month = month.plusMonths(1)) {
      if (months.contains(month)) {
        all = all.plus(in(month));
      }
    }
    return all;
  }

  /** By how much a month is more than it was booked, or less, once the bill is spread. */
  Amount moves(YearMonth month) {
    return month.equals(YearMonth.from(booked)) ? in(month).minus(amount) : in(month);
  }
}
