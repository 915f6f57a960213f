package org.yewledger.core.schedule;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * One expected occurrence of a schedule.
 *
 * @param schedule as it is for this item: what a loan's payment is made of changes each time
 * @param nominal the day that the rule gives it, by which it is known
 * @param due the day that it is due on
 * @param moved whether a person moved it there
 * @param window so many days before or after it, an entry or a line can still be it
 * @param reason why it is skipped
 * @param entry the entry that it is
 */
public record DueItem(
    Schedule schedule,
    LocalDate nominal,
    LocalDate due,
    boolean moved,
    int window,
    State state,
    String reason,
    @Nullable Standing entry) {

  /** How an item stands on a day. */
  public enum State {
    /** It is due today or later. */
    COMING,
    /** Its day is over, and nothing in the books is it. */
    OVERDUE,
    ENTERED,
    SKIPPED
  }

  DueItem held(State now, String because, @Nullable Standing as) {
    return new DueItem(schedule, nominal, due, moved, window, now, because, as);
  }

  /** The same with its schedule as it is for it. */
  public DueItem with(Schedule asOfIt) {
    return new DueItem(asOfIt, nominal, due, moved, window, state, reason, entry);
  }

  /** Whether it is still expected. */
  public boolean isExpected() {
    return state == State.COMING || state == State.OVERDUE;
  }

  /** By how many days a day is after it, below zero if before; empty beyond its window. */
  public Optional<Integer> apart(LocalDate day) {
    int days = (int) ChronoUnit.DAYS.between(due, day);
    return Math.abs(days) <= window ? Optional.of(days) : Optional.empty();
  }
}
