package org.yewledger.core.report;

/** An amount in even parts, to the minor unit: all parts together are the whole. */
public final class EvenParts {
  private EvenParts() {}

  /**
   * One of the parts. No two differ by more than a minor unit.
   *
   * @param at its place, from 0
   * @param many how many there are
   */
  public static long of(long whole, int at, int many) {
    return Math.floorDiv(Math.multiplyExact(whole, at + 1L), many)
        - Math.floorDiv(Math.multiplyExact(whole, (long) at), many);
  }
}
