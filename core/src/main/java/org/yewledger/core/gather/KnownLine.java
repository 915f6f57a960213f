package org.yewledger.core.gather;

import java.util.UUID;

/**
 * A bank line that is here already, as far as it matters for recognising it again.
 *
 * @param ordinal which of the equal lines of its day it is
 * @param source what it came by
 * @param movement which movement of money it tells of: its own identity, or for a copy that of the
 *     line that it is a copy of
 */
public record KnownLine(
    UUID id, LineKey key, int ordinal, LineSource source, Standing standing, UUID movement) {

  /** What the line counts as. */
  public enum Standing {
    BOOKED,
    /** Announced by the bank and not booked yet. */
    PENDING,
    /** Was pending; its booked form is here, or the bank has dropped it. */
    REPLACED,
    /** Found to be the same as another one; kept so that it is recognised, and nothing more. */
    COPY
  }
}
