package org.yewledger.core.loan;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.loan.LoanBook.Booked;
import org.yewledger.core.money.Amount;
import org.yewledger.core.schedule.DueItem;

/**
 * A line of a loan's table.
 *
 * @param payment what is paid; below zero if more is borrowed
 * @param interest what of it is interest: as booked, or as the terms work out
 * @param repaid what of it is repaid
 * @param owed what is owed after it
 * @param reckoned the interest by the terms, which a booked payment may have missed
 * @param item the due item that it is; null for anything but a payment by the terms
 * @param booked the entry that it is; null while it is none
 */
public record LoanRow(
    LocalDate day,
    Kind kind,
    Amount payment,
    Amount interest,
    Amount repaid,
    Amount owed,
    Amount reckoned,
    @Nullable DueItem item,
    @Nullable Booked booked) {
  /** What it is. */
  public enum Kind {
    /** A payment that stands in the books. */
    PAID,
    /** A payment that is due, or was and did not come. */
    DUE,
    /** A payment that is left out; its interest runs on. */
    SKIPPED,
    /** Paid besides the payments, or borrowed besides. */
    EXTRA,
    /** An extra payment that is planned. */
    PLANNED
  }

  /** What a booked payment moved besides interest and the loan, such as a fee. */
  public Amount besides() {
    return payment.minus(interest).minus(repaid);
  }

  /** By how much what was booked as interest is more than what the terms say. */
  public Amount interestApart() {
    return interest.minus(reckoned);
  }

  /** Whether it is still to come. */
  public boolean isAhead() {
    return kind == Kind.DUE || kind == Kind.PLANNED;
  }
}
