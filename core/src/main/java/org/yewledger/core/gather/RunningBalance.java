package org.yewledger.core.gather;

import java.util.ArrayList;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.money.Amount;

/** Holds the balance that a file gives after each line against the lines themselves. */
public final class RunningBalance {
  private RunningBalance() {}

  /**
   * A place where the balance does not run on.
   *
   * @param index of the line, from 0
   * @param before what the line before leaves
   * @param amount what the line takes or brings
   * @param said what the file says that the line leaves
   */
  public record Break(int index, Amount before, Amount amount, Amount said) {
    /** What is missing before the line, with its sign; a line of this amount would mend it. */
    public Amount apart() {
      return said.minus(runsOnTo());
    }

    /** What the line leaves if nothing is missing before it. */
    public Amount runsOnTo() {
      return before.plus(amount);
    }
  }

  /**
   * @param amounts the lines' amounts in minor units, oldest first
   * @param balances the balance after each line in minor units, null where the file gives none
   * @return the breaks in order; empty if everything runs on
   */
  public static List<Break> breaks(
      CurrencyUnit currency, List<Long> amounts, List<@Nullable Long> balances) {
    if (amounts.size() != balances.size()) {
      throw new IllegalArgumentException("a balance or null is needed for each amount");
    }
    var breaks = new ArrayList<Break>();
    Long before = null;
    for (int i = 0; i < amounts.size(); i++) {
      Long said = balances.get(i);
      if (before != null && said != null && before + amounts.get(i) != said) {
        breaks.add(
            new Break(
                i,
                Amount.ofMinor(before, currency),
                Amount.ofMinor(amounts.get(i), currency),
                Amount.ofMinor(said, currency)));
      }
      before = said != null ? said : before == null ? null : (Long) (before + amounts.get(i));
    }
    return breaks;
  }
}
