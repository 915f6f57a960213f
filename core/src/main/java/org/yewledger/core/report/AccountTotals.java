package org.yewledger.core.report;

import java.time.YearMonth;
import java.util.Map;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;

/**
 * What was posted to an account, by months, in its book's currency; debits are above zero. All
 * reports are worked out from these.
 *
 * @param before what was posted before the first of the months
 * @param months what was posted in each; those without postings are missing
 */
public record AccountTotals(Account account, Amount before, Map<YearMonth, Amount> months) {
  public AccountTotals {
    months = Map.copyOf(months);
  }

  /** What was posted within a span. */
  public Amount within(Span span) {
    return Amount.sum(
        before.currency(),
        months.entrySet().stream()
            .filter(month -> span.contains(month.getKey()))
            .map(Map.Entry::getValue)
            .toList());
  }

  /** What stands on it at the end of a month, all before it included. */
  public Amount through(YearMonth month) {
    return before.plus(
        Amount.sum(
            before.currency(),
            months.entrySet().stream()
                .filter(one -> !one.getKey().isAfter(month))
                .map(Map.Entry::getValue)
                .toList()));
  }
}
