package org.yewledger.app.gather;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.Refusal;
import org.yewledger.core.gather.BankStatement;
import org.yewledger.core.ledger.Account;
import org.yewledger.formats.StatementFormat;
import org.yewledger.formats.UnreadableFile;
import org.yewledger.formats.csv.CsvDetection;
import org.yewledger.formats.csv.CsvLayout;
import org.yewledger.formats.csv.CsvStatementReader;
import org.yewledger.formats.csv.CsvTable;
import org.yewledger.formats.ofx.OfxReader;

/**
 * A file as far as it could be read. A table can be known while its rows cannot be read yet,
 * because the account or the meaning of its columns is still missing or wrong; {@code problem} then
 * says why.
 */
record StatementReading(
    StatementFormat format,
    @Nullable BankStatement statement,
    @Nullable Table table,
    @Nullable UnreadableFile problem) {

  /** A table with the layout that its rows are read by. */
  record Table(CsvTable cells, CsvDetection detected, CsvLayout layout) {}

  /**
   * @param account the account that it is for, null if not chosen yet
   * @param layout the layout as corrected by the person, null to take the detected one
   * @throws UnreadableFile if nothing at all can be made of the file
   */
  static StatementReading of(byte[] bytes, @Nullable Account account, @Nullable CsvLayout layout) {
    return switch (StatementFormat.of(bytes)) {
      case OFX ->
          new StatementReading(StatementFormat.OFX, only(OfxReader.read(bytes)), null, null);
      case CSV -> table(CsvTable.parse(bytes), account, layout);
    };
  }

  /** The statement; the reason why there is none is thrown. */
  BankStatement required() {
    if (problem != null) {
      throw problem;
    }
    if (statement == null) {
      throw Refusal.ofField(
          "account-missing", "account", "Choose the account that the file is for.");
    }
    return statement;
  }

  private static StatementReading table(
      CsvTable cells, @Nullable Account account, @Nullable CsvLayout corrected) {
    CsvDetection detected = CsvDetection.of(cells);
    Table table = new Table(cells, detected, corrected == null ? detected.layout() : corrected);
    if (account == null) {
      return new StatementReading(StatementFormat.CSV, null, table, null);
    }
    try {
      BankStatement read = CsvStatementReader.read(cells, table.layout(), account.currency());
      return new StatementReading(StatementFormat.CSV, read, table, null);
    } catch (UnreadableFile problem) {
      return new StatementReading(StatementFormat.CSV, null, table, problem);
    }
  }

  private static BankStatement only(List<BankStatement> statements) {
    if (statements.size() > 1) {
      throw UnreadableFile.whole(
          "The file has %d accounts in it: %s. Export one account at a time."
              .formatted(
                  statements.size(),
                  String.join(
                      ", ", statements.stream().map(BankStatement::accountNumber).toList())));
    }
    return statements.getFirst();
  }
}
