package org.yewledger.app.journal;

import java.time.DateTimeException;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.Refusal;

/**
 * Where a page of the journal ended: the day and number of its last entry, and in a register the
 * place of the posting in it, since one entry may touch an account twice. Travels as {@code
 * 2026-09-30_933_1}.
 */
record PageKey(LocalDate date, long no, int place) {
  private static final LocalDate LAST_DAY = LocalDate.of(9999, 12, 31);

  /** Before all entries, as pages go from the newest back. */
  static final PageKey START = new PageKey(LAST_DAY, Long.MAX_VALUE, Integer.MAX_VALUE);

  PageKey(LocalDate date, long no) {
    this(date, no, 0);
  }

  static PageKey parse(@Nullable String text) {
    if (text == null || text.isEmpty()) {
      return START;
    }
    String[] parts = text.split("_", -1);
    try {
      int place = parts.length > 2 ? Integer.parseInt(parts[2]) : 0;
      return new PageKey(LocalDate.parse(parts[0]), Long.parseLong(parts[1]), place);
    } catch (DateTimeException | NumberFormatException | ArrayIndexOutOfBoundsException e) {
      throw Refusal.ofField("bad-page", "after", "%s is not the key of a page.".formatted(text));
    }
  }

  /** The place after the whole of a day, or this one where it is earlier. */
  PageKey notAfter(LocalDate day) {
    return date.isAfter(day) ? new PageKey(day, Long.MAX_VALUE, Integer.MAX_VALUE) : this;
  }

  @Override
  public String toString() {
    return date + "_" + no + "_" + place;
  }
}
