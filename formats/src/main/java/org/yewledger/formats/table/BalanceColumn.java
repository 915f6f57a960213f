package org.yewledger.formats.table;

import java.math.BigDecimal;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.money.Decimals;
import org.yewledger.formats.table.TableLayout.DecimalMark;
import org.yewledger.formats.table.TableLayout.Meaning;

/** Whether one column is the running balance of another, read from the top or from the bottom. */
final class BalanceColumn {
  /** A file may have lost a line here and there and still show which column is which. */
  private static final int PERCENT_THAT_RUNS_ON = 80;

  private final List<@Nullable BigDecimal> amounts;
  private final List<@Nullable BigDecimal> balances;

  BalanceColumn(List<String> amounts, List<String> balances, DecimalMark mark) {
    this.amounts = decimals(amounts, mark);
    this.balances = decimals(balances, mark);
  }

  /** That of a table of these meanings; null if it has no balance, or marks instead of signs. */
  static @Nullable BalanceColumn of(Table table, List<Meaning> meanings, DecimalMark mark) {
    int amount = meanings.indexOf(Meaning.AMOUNT);
    int balance = meanings.indexOf(Meaning.BALANCE);
    return amount < 0 || balance < 0 || meanings.contains(Meaning.MARK)
        ? null
        : new BalanceColumn(table.column(amount), table.column(balance), mark);
  }

  private static List<@Nullable BigDecimal> decimals(List<String> cells, DecimalMark mark) {
    return cells.stream().<@Nullable BigDecimal>map(cell -> decimal(cell, mark)).toList();
  }

  private static @Nullable BigDecimal decimal(String cell, DecimalMark mark) {
    String plain = AmountCells.plain(cell, mark);
    return plain == null ? null : Decimals.read(plain).map(AmountCells::withoutNoise).orElse(null);
  }

  /**
   * @param sign 1 for amounts as they stand, -1 for amounts turned round
   */
  boolean runsOn(int sign) {
    if (amounts.size() < 3) {
      return false;
    }
    int down = 0;
    int up = 0;
    for (int i = 1; i < amounts.size(); i++) {
      down += isStep(i - 1, i, amounts.get(i), sign) ? 1 : 0;
      up += isStep(i, i - 1, amounts.get(i - 1), sign) ? 1 : 0;
    }
    return Math.max(down, up) * 100 >= (amounts.size() - 1) * PERCENT_THAT_RUNS_ON;
  }

  private boolean isStep(int before, int after, @Nullable BigDecimal amount, int sign) {
    BigDecimal from = balances.get(before);
    BigDecimal to = balances.get(after);
    return amount != null
        && from != null
        && to != null
        && from.add(amount.multiply(BigDecimal.valueOf(sign))).compareTo(to) == 0;
  }
}
