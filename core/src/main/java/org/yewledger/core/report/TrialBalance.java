package org.yewledger.core.report;

import java.util.Comparator;
import java.util.List;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountKind;

/**
 * The balances of all accounts of a book, debits beside credits, in its base currency. Since every
 * entry balances, the two totals are equal; {@link #balances()} says so from the figures, not from
 * trust.
 */
public record TrialBalance(List<Row> rows, long debitMinor, long creditMinor) {

  /** An account with its balance, on one of the two sides; minor units of the base currency. */
  public record Row(Account account, long debitMinor, long creditMinor) {}

  /** An account and the value of its balance, debits positive. */
  public record AccountBalance(Account account, long balanceMinor) {}

  /** Accounts with a balance of zero are left out; the rest is ordered by class, then by name. */
  public static TrialBalance of(List<AccountBalance> balances) {
    List<Row> rows =
        balances.stream()
            .filter(b -> b.balanceMinor() != 0)
            .sorted(
                Comparator.comparing((AccountBalance b) -> b.account().accountClass())
                    .thenComparing(b -> b.account().name()))
            .map(b ->
                new Row(b.account(), Math.max(b.balanceMinor(), 0), Math.max(-b.balanceMinor(), 0)))
            .toList();
    return new TrialBalance(
        rows,
        rows.stream().mapToLong(Row::debitMinor).sum(),
        rows.stream().mapToLong(Row::creditMinor).sum());
  }

  /**
   * Several books of one base currency seen as one: what moved between them is left out, since the
   * two sides of it cancel.
   */
  public static TrialBalance together(List<AccountBalance> balances) {
    return of(balances.stream().filter(b -> b.account().kind() != AccountKind.DRAWINGS).toList());
  }

  public boolean balances() {
    return debitMinor == creditMinor;
  }
}
