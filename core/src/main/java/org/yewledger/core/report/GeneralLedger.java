package org.yewledger.core.report;

import java.util.Comparator;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;

/**
 * What stood on each account of a book before a span, what was debited and credited within it, and
 * what stands there after, in the book's currency.
 *
 * @param debit of all accounts together, equal to {@code credit} since every entry balances
 */
public record GeneralLedger(List<Row> rows, Amount debit, Amount credit) {
  /**
   * @param before debits above zero
   */
  public record Row(Account account, Amount before, Amount debit, Amount credit) {
    public Amount after() {
      return before.plus(debit).minus(credit);
    }

    private boolean isNothing() {
      return before.isZero() && debit.isZero() && credit.isZero();
    }
  }

  /**
   * Accounts with nothing before and nothing within are left out; the rest is in the order of their
   * classes, kinds and names.
   *
   * @param base the currency of all amounts
   */
  public static GeneralLedger of(CurrencyUnit base, List<Row> rows) {
    return new GeneralLedger(
        rows.stream()
            .filter(row -> !row.isNothing())
            .sorted(
                Comparator.comparing((Row row) -> row.account().accountClass())
                    .thenComparing(row -> row.account().kind())
                    .thenComparing(row -> row.account().name()))
            .toList(),
        Amount.sum(base, rows.stream().map(Row::debit).toList()),
        Amount.sum(base, rows.stream().map(Row::credit).toList()));
  }

  public boolean balances() {
    return debit.equals(credit);
  }
}
