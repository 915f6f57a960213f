package org.yewledger.core.money;

import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.joda.money.CurrencyUnit;

/**
 * What amounts of one currency come to, money in and money out apart.
 *
 * @param in all above zero together
 * @param out the size of all below zero together
 * @param count how many amounts there are, those of zero among them
 */
public record Flows(Amount in, Amount out, int count) {
  /** In less out. */
  public Amount sum() {
    return in.minus(out);
  }

  /** Of amounts that are all of one currency; nothing of none. Cost: one pass. */
  public static Flows of(CurrencyUnit currency, Collection<Amount> amounts) {
    Flows all = new Flows(Amount.zero(currency), Amount.zero(currency), 0);
    return of(amounts).stream().reduce(all, Flows::with);
  }

  /** For each currency among the amounts, in the order of their codes. Cost: one pass. */
  public static List<Flows> of(Collection<Amount> amounts) {
    Map<CurrencyUnit, Flows> flows = new TreeMap<>(Comparator.comparing(CurrencyUnit::getCode));
    for (Amount amount : amounts) {
      var alone = new Flows(amount.ifAbove(), amount.ifBelow(), 1);
      flows.merge(amount.currency(), alone, Flows::with);
    }
    return List.copyOf(flows.values());
  }

  private Flows with(Flows other) {
    return new Flows(in.plus(other.in), out.plus(other.out), count + other.count);
  }
}
