package org.yewledger.app.token;

import java.time.Instant;
import java.time.LocalDate;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * By which a program asks on behalf of a person.
 *
 * @param person who made it
 * @param lastDay on which it works, in the household's time zone
 * @param lastUsedAt to the minute; null if it was never used
 */
record Token(
    UUID id,
    String name,
    Scope scope,
    String person,
    LocalDate lastDay,
    @Nullable Instant lastUsedAt) {
  /** What a token lets a program do, if its person may do so too. */
  enum Scope {
    READ,
    KEEP_BOOKS
  }
}
