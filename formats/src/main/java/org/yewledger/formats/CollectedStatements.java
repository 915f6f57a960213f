package org.yewledger.formats;

import java.util.ArrayList;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.gather.BankStatement;

/** Keeps the statements of a file in memory, one per account. */
public final class CollectedStatements implements StatementSink {
  private final List<BankStatement> statements = new ArrayList<>();
  private List<BankLine> lines = new ArrayList<>();
  private String accountNumber = "";
  private CurrencyUnit currency = CurrencyUnit.EUR;

  @Override
  public void begin(String accountNumber, CurrencyUnit currency) {
    this.accountNumber = accountNumber;
    this.currency = currency;
    this.lines = new ArrayList<>();
  }

  @Override
  public void line(BankLine line) {
    lines.add(line);
  }

  @Override
  public void end(Ending ending) {
    statements.add(
        new BankStatement(
            accountNumber,
            currency,
            lines,
            ending.closing(),
            ending.opening(),
            ending.available(),
            ending.declared(),
            ending.discrepancies()));
  }

  /**
   * @param kind what the file is, for the message
   * @throws UnreadableFile if the file had none
   */
  public List<BankStatement> joined(String kind) {
    if (statements.isEmpty()) {
      throw UnreadableFile.whole("The %s file holds no statement of an account.".formatted(kind));
    }
    return BankStatement.joined(statements);
  }
}
