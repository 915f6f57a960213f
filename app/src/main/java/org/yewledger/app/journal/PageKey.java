package org.yewledger.app.journal;

import java.time.DateTimeException;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.Refusal;

/**
 * Where a page of the journal ended: the day and number of its last entry. Travels as {@code
 * 2026-09-30_933}.
 */
record PageKey(LocalDate date, long no) {
  /** Before all entries, as pages go from the newest back. */
  static final PageKey START = new PageKey(LocalDate.of(9999, 12, 31), Long.MAX_VALUE);

  static PageKey parse(@Nullable String text) {
    if (text == null || text.isEmpty()) {
      return START;
    }
    String[] parts = text.split("_", -1);
    try {
      return new PageKey(LocalDate.parse(parts[0]), Long.parseLong(parts[parts.length - 1]));
    } catch (DateTimeException | NumberFormatException e) {
      throw Refusal.ofField("bad-page", "after", "%s is not the key of a page.".formatted(text));
    }
  }

  @Override
  public String toString() {
    return date + "_" + no;
  }
}
