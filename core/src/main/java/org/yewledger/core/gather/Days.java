package org.yewledger.core.gather;

import java.time.LocalDate;

/** The days from the first to the last, both included. */
public record Days(LocalDate first, LocalDate last) {
  public Days {
    if (last.isBefore(first)) {
      throw new IllegalArgumentException(last + " is before " + first);
    }
  }

  /** The days of both and what lies between them. */
  public Days and(Days other) {
    return new Days(
        first.isBefore(other.first) ? first : other.first,
        last.isAfter(other.last) ? last : other.last);
  }
}
