package org.yewledger.core.gather;

import java.util.UUID;

/**
 * A bank line that is here already, as far as it matters for recognising it again.
 *
 * @param source what it came by
 */
public record KnownLine(UUID id, LineKey key, LineSource source, Standing standing) {

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
