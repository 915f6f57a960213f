package org.yewledger.core.plan;

import java.time.YearMonth;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.yewledger.core.Refusal;
import org.yewledger.core.money.Amount;
import org.yewledger.core.money.ExchangeRates;
import org.yewledger.core.schedule.DueItem;
import org.yewledger.core.schedule.Schedule;

/**
 * What due items are still to put on categories within a month, in their books' currencies.
 *
 * @param byCategory by account; debits are above zero
 * @param without the payees of items that are left out, since no rate tells their amount
 */
public record ToCome(Map<UUID, Amount> byCategory, List<String> without) {
  public ToCome {
    byCategory = Map.copyOf(byCategory);
    without = List.copyOf(without);
  }

  /**
   * Overdue items of the month count too: they have not come.
   *
   * @param items of any days; those that are entered or skipped, or due in other months, are passed
   *     over
   */
  public static ToCome of(YearMonth month, List<DueItem> items, ExchangeRates rates) {
    Map<UUID, Amount> byCategory = new HashMap<>();
    TreeSet<String> without = new TreeSet<>();
    for (DueItem item : items) {
      if (item.isExpected() && YearMonth.from(item.due()).equals(month)) {
        for (Schedule.Part part : item.schedule().parts()) {
          try {
            byCategory.merge(part.account().id(), onCategory(item, part, rates), Amount::plus);
          } catch (Refusal noRate) {
            without.add(item.schedule().payee());
          }
        }
      }
    }
    return new ToCome(byCategory, List.copyOf(without));
  }

  private static Amount onCategory(DueItem item, Schedule.Part part, ExchangeRates rates) {
    CurrencyUnit base = part.account().book().currency();
    Amount amount = part.amount().negated();
    return amount.currency().equals(base) ? amount : rates.convert(amount, base, item.due());
  }

  /** Of a category; zero if nothing is to come. */
  public Amount of(UUID categoryId, CurrencyUnit base) {
    return byCategory.getOrDefault(categoryId, Amount.zero(base));
  }
}
