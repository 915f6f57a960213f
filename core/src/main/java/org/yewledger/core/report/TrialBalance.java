package org.yewledger.core.report;

import java.util.Comparator;
import java.util.List;
import org.yewledger.core.ledger.Account;

/**
 * The balances of all accounts of a book, debits beside credits. Since every entry balances, the
 * two totals are equal; {@link #balances()} says so from the figures, not from trust.
 */
public record TrialBalance(List<Row> rows, long debitMinor, long creditMinor) {

  /** An account with its balance, on one of the two sides; minor units. */
  public record Row(Account account, long debitMinor, long creditMinor) {}

  /** An account and its balance, debits positive. */
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

  public boolean balances() {
    return debitMinor == creditMinor;
  }
}
