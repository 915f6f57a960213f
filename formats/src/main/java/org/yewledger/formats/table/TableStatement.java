package org.yewledger.formats.table;

import java.util.List;
import org.yewledger.core.gather.BankStatement;
import org.yewledger.core.gather.RunningBalance;

/**
 * The rows of a table as bank lines, oldest first.
 *
 * @param breaks where the balance column does not run on; their indexes are those of the lines
 */
public record TableStatement(BankStatement statement, List<RunningBalance.Break> breaks) {
  public TableStatement {
    breaks = List.copyOf(breaks);
  }
}
