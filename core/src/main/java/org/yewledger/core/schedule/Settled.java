package org.yewledger.core.schedule;

import java.time.LocalDate;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** What a person said of one due item, known by the day that its rule gives it. */
public sealed interface Settled {
  /**
   * It does not come this time.
   *
   * @param reason empty if none was given
   */
  record Skipped(String reason) implements Settled {}

  /** It comes on another day. */
  record Moved(LocalDate to) implements Settled {}

  /** It is this entry. */
  record Entered(UUID entryId) implements Settled {}

  /** The day that an item is moved to; null if it is not moved. */
  static @Nullable LocalDate movedTo(@Nullable Settled settled) {
    return settled instanceof Moved moved ? moved.to() : null;
  }
}
