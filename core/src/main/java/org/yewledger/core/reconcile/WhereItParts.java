package org.yewledger.core.reconcile;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.money.Amount;

/** How far a statement's lines and the ticked postings are apart, day by day. */
public final class WhereItParts {
  private WhereItParts() {}

  /** A ticked posting. */
  public record Ticked(LocalDate day, Amount amount) {}

  /**
   * A day on which the two part further, or come nearer.
   *
   * @param change what the lines of the day have more than its ticked postings
   * @param apart the sum of all changes up to it
   */
  public record Step(LocalDate day, Amount change, Amount apart) {}

  /**
   * The steps in the order of their days; days on which nothing changes are left out. Cost: that of
   * sorting the days.
   *
   * @param openingApart what the statement opens with less what the books do
   * @param firstDay of the statement; an older posting that is ticked counts on it
   */
  public static List<Step> of(
      Amount openingApart, LocalDate firstDay, List<BankLine> lines, List<Ticked> ticked) {
    Map<LocalDate, Amount> changes = new TreeMap<>();
    changes.put(firstDay, openingApart);
    for (BankLine line : lines) {
      if (!line.isPending()) {
        changes.merge(
            notBefore(firstDay, line.bookedOn()),
            line.amount(openingApart.currency()),
            Amount::plus);
      }
    }
    for (Ticked posting : ticked) {
      changes.merge(notBefore(firstDay, posting.day()), posting.amount().negated(), Amount::plus);
    }
    var steps = new ArrayList<Step>();
    Amount apart = Amount.zero(openingApart.currency());
    for (Map.Entry<LocalDate, Amount> day : changes.entrySet()) {
      if (!day.getValue().isZero()) {
        apart = apart.plus(day.getValue());
        steps.add(new Step(day.getKey(), day.getValue(), apart));
      }
    }
    return steps;
  }

  private static LocalDate notBefore(LocalDate first, LocalDate day) {
    return day.isBefore(first) ? first : day;
  }
}
