package org.yewledger.core.loan;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.yewledger.core.money.Amount;

/**
 * What the books say of a loan.
 *
 * @param before what was owed when the account opened
 * @param entries that moved it since, or its interest along with it, by their days and numbers
 */
public record LoanBook(Amount before, List<Booked> entries) {
  /**
   * An entry on a loan's account.
   *
   * @param repaid what it took from what is owed; below zero if it added to it
   * @param interest what it put on the loan's category of interest
   */
  public record Booked(UUID entryId, long no, LocalDate date, Amount repaid, Amount interest) {}

  public LoanBook {
    entries = List.copyOf(entries);
  }

  /** What is owed at the end of a day. */
  public Amount owed(LocalDate day) {
    Amount owed = before;
    for (Booked entry : entries) {
      if (!entry.date().isAfter(day)) {
        owed = owed.minus(entry.repaid());
      }
    }
    return owed;
  }
}
