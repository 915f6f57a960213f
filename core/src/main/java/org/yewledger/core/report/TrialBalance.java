package org.yewledger.core.report;

import java.util.Comparator;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.money.Amount;

/**
 * The balances of all accounts of a book, debits beside credits, in its base currency. Since every
 * entry balances, the two totals are equal; {@link #balances()} says so from the figures, not from
 * trust.
 */
public record TrialBalance(List<Row> rows, Amount debit, Amount credit) {

  /** An account with its balance, on one of the two sides. */
  public record Row(Account account, Amount debit, Amount credit) {}

  /** An account and the value of its balance in the base currency, debits above zero. */
  public record AccountBalance(Account account, Amount balance) {}

  /**
   * Accounts with a balance of zero are left out; the rest is ordered by class, then by name.
   *
   * @param base the base currency that all balances are in
   */
  public static TrialBalance of(CurrencyUnit base, List<AccountBalance> balances) {
    List<Row> rows =
        balances.stream()
            .filter(b -> !b.balance().isZero())
            .sorted(
                Comparator.comparing((AccountBalance b) -> b.account().accountClass())
                    .thenComparing(b -> b.account().name()))
            .map(b -> new Row(b.account(), b.balance().ifAbove(), b.balance().ifBelow()))
            .toList();
    return new TrialBalance(
        rows,
        Amount.sum(base, rows.stream().map(Row::debit).toList()),
        Amount.sum(base, rows.stream().map(Row::credit).toList()));
  }

  /**
   * Several books of one base currency seen as one: what moved between them is left out, since the
   * two sides of it cancel.
   */
  public static TrialBalance together(CurrencyUnit base, List<AccountBalance> balances) {
    return of(
        base, balances.stream().filter(b -> b.account().kind() != AccountKind.DRAWINGS).toList());
  }

  public boolean balances() {
    return debit.equals(credit);
  }
}
