package org.yewledger.core.report;

import org.yewledger.core.Refusal;

/** The kept reports that stand on the Almanac, below what is next. */
public final class AlmanacReports {
  /** With more, one would not see at a glance what is left to do. */
  public static final int MOST = 6;

  private AlmanacReports() {}

  /**
   * @param standing how many stand there already
   * @throws Refusal {@code almanac-full}
   */
  public static void requireRoom(int standing) {
    if (standing >= MOST) {
      throw Refusal.of(
          "almanac-full",
          "%d reports stand on the Almanac already. Take one off first.".formatted(standing));
    }
  }
}
