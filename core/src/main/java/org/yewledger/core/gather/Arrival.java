package org.yewledger.core.gather;

import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * A bank line on its way in, compared with what is already there.
 *
 * @param key by which the line is recognised when it arrives again
 * @param ordinal which of the equal lines of its day this is, counted from 1 over the whole
 *     account; 0 for a known line
 * @param knownAs the line here that it is, null unless it is known and stands only once in its file
 * @param doubtOver the line here that this may be once more, where the standing is doubtful
 * @param replaces the pending line of which this is the booked form, null if it is of none
 */
public record Arrival(
    BankLine line,
    LineKey key,
    Standing standing,
    int ordinal,
    @Nullable UUID knownAs,
    @Nullable UUID doubtOver,
    @Nullable UUID replaces) {

  /** Whether the line is already here. */
  public enum Standing {
    NEW,
    KNOWN,
    /** Like a line that came by another source, with other words or some days apart. */
    DOUBTFUL
  }

  static Arrival known(BankLine line, LineKey key, @Nullable UUID knownAs) {
    return new Arrival(line, key, Standing.KNOWN, 0, knownAs, null, null);
  }

  /** Whether the line is kept, be it that somebody has to decide about it. */
  public boolean comesIn() {
    return standing != Standing.KNOWN;
  }
}
