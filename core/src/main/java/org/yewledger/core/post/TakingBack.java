package org.yewledger.core.post;

import java.util.List;
import org.yewledger.core.ledger.Entry;

/** What becomes of an entry when bank lines that confirm it are taken back. */
public enum TakingBack {
  /** The line that made it goes, and nothing else confirms it. */
  GOES,
  /** It was made by hand, or the line that made it stays. */
  STAYS,
  /** The line that made it goes, and another one still confirms it: it stands by itself now. */
  STAYS_BY_HAND;

  /**
   * A line that confirms the entry.
   *
   * @param madeEntry whether the entry was made from it
   * @param goes whether it is taken back
   */
  public record Line(boolean madeEntry, boolean goes) {}

  public static TakingBack of(Entry.Origin origin, List<Line> lines) {
    boolean makerGoes =
        origin == Entry.Origin.BANK_LINE && lines.stream().anyMatch(l -> l.madeEntry() && l.goes());
    if (!makerGoes) {
      return STAYS;
    }
    return lines.stream().allMatch(Line::goes) ? GOES : STAYS_BY_HAND;
  }
}
