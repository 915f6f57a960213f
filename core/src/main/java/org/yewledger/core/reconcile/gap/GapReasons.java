package org.yewledger.core.reconcile.gap;

import java.util.List;

/**
 * Why a statement and the books may be apart.
 *
 * @param reasons the likeliest first
 * @param complete whether all combinations of open postings were looked at; false where so many of
 *     them fit that it stopped
 */
public record GapReasons(List<Reason> reasons, boolean complete) {
  /**
   * A kind of mistake, or two kinds at once, that explains the whole difference.
   *
   * @param ways to which postings it may have happened, the likeliest first; each explains the
   *     whole
   * @param plausibility how likely it is beside the others, above 0 and up to 1; those of all
   *     reasons add up to 1
   */
  public record Reason(List<Way> ways, double plausibility) {}

  /**
   * What together explains the whole difference.
   *
   * @param parts one thing, or two at a time
   */
  public record Way(List<Explanation> parts) {
    /** What its parts explain together, in minor units. */
    public long explains() {
      return parts.stream().mapToLong(Explanation::explains).sum();
    }
  }
}
