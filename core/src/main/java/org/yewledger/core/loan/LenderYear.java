package org.yewledger.core.loan;

import java.time.LocalDate;
import java.util.List;
import org.yewledger.core.Refusal;
import org.yewledger.core.loan.LoanBook.Booked;
import org.yewledger.core.loan.LoanRow.Kind;
import org.yewledger.core.money.Amount;

/**
 * What a lender says of a year.
 *
 * @param after the day at whose end {@code owedBefore} was owed
 * @param through the day at whose end {@code owedAfter} was owed
 * @param paid all that was paid in between
 * @param interest what of it was interest
 */
public record LenderYear(
    LocalDate after,
    LocalDate through,
    Amount owedBefore,
    Amount paid,
    Amount interest,
    Amount owedAfter) {

  /**
   * @throws Refusal {@code year-reversed}, {@code year-not-in-itself} if the lender's own figures
   *     do not add up
   */
  public LenderYear require() {
    if (!through.isAfter(after)) {
      throw Refusal.ofField(
          "year-reversed", "through", "%s is not after %s.".formatted(through, after));
    }
    Amount should = owedBefore.minus(repaid());
    if (!should.equals(owedAfter)) {
      throw Refusal.ofField(
          "year-not-in-itself",
          "owedAfter",
          "%s less %s repaid is %s, which is %s apart. Look for a mistyped figure, or for a fee that counts as paid."
              .formatted(
                  owedBefore.shown(),
                  repaid().shown(),
                  should.shown(),
                  owedAfter.minus(should).size().shown()));
    }
    return this;
  }

  public Amount repaid() {
    return paid.minus(interest);
  }

  private boolean contains(LocalDate day) {
    return day.isAfter(after) && !day.isAfter(through);
  }

  /** The same year as the books have it. */
  public LenderYear booked(LoanBook book) {
    Amount zero = Amount.zero(owedBefore.currency());
    Amount bookedInterest = zero;
    Amount bookedPaid = zero;
    for (Booked entry : book.entries()) {
      if (contains(entry.date())) {
        bookedInterest = bookedInterest.plus(entry.interest());
        bookedPaid = bookedPaid.plus(entry.interest()).plus(entry.repaid());
      }
    }
    return new LenderYear(
        after, through, book.owed(after), bookedPaid, bookedInterest, book.owed(through));
  }

  /** By how much each figure is more than another year's. */
  public LenderYear less(LenderYear other) {
    return new LenderYear(
        after,
        through,
        owedBefore.minus(other.owedBefore),
        paid.minus(other.paid),
        interest.minus(other.interest),
        owedAfter.minus(other.owedAfter));
  }

  /** How many entries the books have of the year. */
  public int entries(LoanBook book) {
    return (int) book.entries().stream().filter(entry -> contains(entry.date())).count();
  }

  /** Whether the books say the same to the cent. */
  public boolean agrees(LoanBook book) {
    return equals(booked(book));
  }

  /**
   * Where they may part: payments of the year that did not come, or whose interest is not what the
   * terms say.
   */
  public List<LoanRow> parting(LoanTable table) {
    return table.rows().stream()
        .filter(row -> contains(row.day()))
        .filter(row -> row.kind() == Kind.DUE || !row.interestApart().isZero())
        .toList();
  }
}
