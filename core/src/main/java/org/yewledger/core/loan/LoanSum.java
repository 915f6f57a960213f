package org.yewledger.core.loan;

import java.util.ArrayList;
import java.util.List;
import java.util.SortedMap;
import java.util.TreeMap;
import org.joda.money.CurrencyUnit;
import org.yewledger.core.loan.LoanRow.Kind;
import org.yewledger.core.money.Amount;

/**
 * Lines of a loan's table together. What is repaid and what is extra is the step in what is owed.
 *
 * @param payments how many payments by the terms
 * @param payment what they are
 * @param interest of all lines
 * @param repaid by payments
 * @param extra repaid besides; below zero if more was borrowed
 * @param owed after the last of them
 */
public record LoanSum(
    int payments, Amount payment, Amount interest, Amount repaid, Amount extra, Amount owed) {

  /** Of some lines in their order, at least one. */
  public static LoanSum of(List<LoanRow> rows) {
    CurrencyUnit currency = rows.getFirst().owed().currency();
    Amount zero = Amount.zero(currency);
    LoanSum sum = new LoanSum(0, zero, zero, zero, zero, zero);
    for (LoanRow row : rows) {
      sum = sum.with(row);
    }
    return sum;
  }

  private LoanSum with(LoanRow row) {
    boolean isPayment = row.kind() == Kind.PAID || row.kind() == Kind.DUE;
    Amount zero = Amount.zero(row.owed().currency());
    return new LoanSum(
        isPayment ? payments + 1 : payments,
        isPayment ? payment.plus(row.payment()) : payment,
        interest.plus(row.interest()),
        repaid.plus(isPayment ? row.repaid() : zero),
        extra.plus(isPayment ? zero : row.repaid()),
        row.owed());
  }

  /** The lines of a table by the year of their day. */
  public static SortedMap<Integer, List<LoanRow>> byYear(List<LoanRow> rows) {
    SortedMap<Integer, List<LoanRow>> years = new TreeMap<>();
    for (LoanRow row : rows) {
      years.computeIfAbsent(row.day().getYear(), year -> new ArrayList<>()).add(row);
    }
    return years;
  }
}
