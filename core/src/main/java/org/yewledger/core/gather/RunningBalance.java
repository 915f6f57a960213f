package org.yewledger.core.gather;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** Holds the balance that a file gives after each line against the lines themselves. */
public final class RunningBalance {
  private RunningBalance() {}

  /**
   * A place where the balance does not run on. All amounts in minor units.
   *
   * @param index of the line, from 0
   * @param beforeMinor what the line before leaves
   * @param amountMinor what the line takes or brings
   * @param saidMinor what the file says that the line leaves
   */
  public record Break(int index, long beforeMinor, long amountMinor, long saidMinor) {
    /** What is missing before the line, with its sign; a line of this amount would mend it. */
    public long apartMinor() {
      return saidMinor - beforeMinor - amountMinor;
    }
  }

  /**
   * @param amounts the lines' amounts, oldest first
   * @param balances the balance after each line, null where the file gives none
   * @return the breaks in order; empty if everything runs on
   */
  public static List<Break> breaks(List<Long> amounts, List<@Nullable Long> balances) {
    if (amounts.size() != balances.size()) {
      throw new IllegalArgumentException("a balance or null is needed for each amount");
    }
    var breaks = new ArrayList<Break>();
    Long before = null;
    for (int i = 0; i < amounts.size(); i++) {
      Long said = balances.get(i);
      if (before != null && said != null && before + amounts.get(i) != said) {
        breaks.add(new Break(i, before, amounts.get(i), said));
      }
      before = said != null ? said : before == null ? null : (Long) (before + amounts.get(i));
    }
    return breaks;
  }
}
