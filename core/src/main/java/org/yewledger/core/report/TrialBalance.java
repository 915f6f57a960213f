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
 * trust. Categories begin each fiscal year anew: what earlier years came to stands in equity by
 * itself, without an entry that somebody has to remember.
 *
 * @param earlier the results of the fiscal years that are over, a loss above zero; one of the
 *     balances that the totals add up
 */
public record TrialBalance(List<Row> rows, Amount earlier, Amount debit, Amount credit) {

  /** An account with its balance, on one of the two sides. */
  public record Row(Account account, Amount debit, Amount credit) {}

  /**
   * An account and the value of its balance in the base currency, debits above zero.
   *
   * @param before what stood on it when the fiscal year began
   */
  public record AccountBalance(Account account, Amount balance, Amount before) {
    /** One in its first year. */
    public AccountBalance(Account account, Amount balance) {
      this(account, balance, balance.minus(balance));
    }

    private boolean isCategory() {
      return account.accountClass().isCategory();
    }

    private Amount ofThisYear() {
      return isCategory() ? balance.minus(before) : balance;
    }
  }

  /**
   * Accounts with a balance of zero are left out; the rest is ordered by class, then by name.
   *
   * @param base the base currency that all balances are in
   */
  public static TrialBalance of(CurrencyUnit base, List<AccountBalance> balances) {
    List<Row> rows =
        balances.stream()
            .filter(b -> !b.ofThisYear().isZero())
            .sorted(
                Comparator.comparing((AccountBalance b) -> b.account().accountClass())
                    .thenComparing(b -> b.account().name()))
            .map(b -> new Row(b.account(), b.ofThisYear().ifAbove(), b.ofThisYear().ifBelow()))
            .toList();
    Amount earlier =
        Amount.sum(
            base,
            balances.stream()
                .filter(AccountBalance::isCategory)
                .map(AccountBalance::before)
                .toList());
    return new TrialBalance(
        rows,
        earlier,
        Amount.sum(base, rows.stream().map(Row::debit).toList()).plus(earlier.ifAbove()),
        Amount.sum(base, rows.stream().map(Row::credit).toList()).plus(earlier.ifBelow()));
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
