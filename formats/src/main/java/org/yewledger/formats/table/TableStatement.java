package org.yewledger.formats.table;

import java.util.List;
import org.yewledger.core.gather.BankStatement;
import org.yewledger.core.gather.RunningBalance;

/**
 * The rows of a table as bank lines, oldest first.
 *
 * @param breaks where the balance column does not run on; their indexes are those of the lines
 * @param others the rows that are no lines, such as totals: nothing of them is taken in, and a
 *     person is told so
 */
public record TableStatement(
    BankStatement statement, List<RunningBalance.Break> breaks, List<Table.Row> others) {
  public TableStatement {
    others = List.copyOf(others);
    breaks = List.copyOf(breaks);
  }
}
