package org.yewledger.core.reconcile;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.Comparator;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * The state of one account in one month, as the Almanac shows it.
 *
 * @param agreedShare while in progress, the part of the lines that is agreed, or of the days where
 *     the last statement closes within the month, from 0 to 100; 100 when agreed or closed, 0
 *     otherwise
 */
public record AccountMonth(State state, int agreedShare) {

  public enum State {
    NOT_OPEN,
    NO_STATEMENT,
    IN_PROGRESS,
    AGREED,
    /** Its book is closed through it: nothing in it changes. */
    CLOSED;

    /** Whether the month agrees; a closed one does. */
    public boolean isAgreed() {
      return this == AGREED || this == CLOSED;
    }
  }

  /**
   * A statement as far as the month needs it.
   *
   * @param ticked how many postings are ticked for it
   * @param toTick how many more postings and waiting lines it may still cover
   */
  public record Progress(LocalDate closesOn, boolean finished, int ticked, int toTick) {

    /**
     * The ticked part of all that it may cover, from 0 to 100, rounded down: only a whole ring
     * reads 100.
     */
    public int agreedShare() {
      int all = ticked + toTick;
      return all == 0 ? 0 : 100 * ticked / all;
    }
  }

  /**
   * @param closedThrough the last month that its book is closed through; null if none
   * @param opensOn the account's first day
   * @param statements all statements of the account
   */
  public static AccountMonth of(
      YearMonth month,
      @Nullable YearMonth closedThrough,
      LocalDate opensOn,
      List<Progress> statements) {
    if (month.isBefore(YearMonth.from(opensOn))) {
      return new AccountMonth(State.NOT_OPEN, 0);
    }
    if (closedThrough != null && !month.isAfter(closedThrough)) {
      return new AccountMonth(State.CLOSED, 100);
    }
    for (Progress statement : statements) {
      if (!statement.finished() && YearMonth.from(statement.closesOn()).equals(month)) {
        return new AccountMonth(State.IN_PROGRESS, statement.agreedShare());
      }
    }
    // A statement over several months agrees all the months that it covers, and one that closes on
    // the 15th no more than half of its month.
    LocalDate agreedThrough =
        statements.stream()
            .filter(Progress::finished)
            .map(Progress::closesOn)
            .max(Comparator.naturalOrder())
            .orElse(LocalDate.MIN);
    if (!agreedThrough.isBefore(month.atEndOfMonth())) {
      return new AccountMonth(State.AGREED, 100);
    }
    if (agreedThrough.isBefore(month.atDay(1))) {
      return new AccountMonth(State.NO_STATEMENT, 0);
    }
    int days = 100 * agreedThrough.getDayOfMonth() / month.lengthOfMonth();
    return new AccountMonth(State.IN_PROGRESS, days);
  }
}
