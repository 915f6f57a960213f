package org.yewledger.app.gather;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.Refusal;
import org.yewledger.core.gather.BankStatement;
import org.yewledger.core.gather.LineSource;
import org.yewledger.core.gather.RunningBalance;
import org.yewledger.core.ledger.Account;
import org.yewledger.formats.StatementFormats;
import org.yewledger.formats.UnreadableFile;
import org.yewledger.formats.camt.CamtReader;
import org.yewledger.formats.mt940.Mt940Reader;
import org.yewledger.formats.ofx.OfxReader;
import org.yewledger.formats.table.Table;
import org.yewledger.formats.table.TableDetection;
import org.yewledger.formats.table.TableLayout;
import org.yewledger.formats.table.TableStatement;
import org.yewledger.formats.table.TableStatementReader;

/**
 * A file as far as it could be read. A table can be known while its rows cannot be read yet,
 * because the account or the meaning of its columns is still missing or wrong; {@code problem} then
 * says why.
 *
 * @param statements one per account in the file; none while a table waits for its account
 */
record StatementReading(
    LineSource source,
    List<BankStatement> statements,
    @Nullable TableReadAs table,
    @Nullable UnreadableFile problem) {

  /**
   * A table with the layout that its rows are read by.
   *
   * @param remembered whether the layout is one that was kept for these column names
   * @param breaks where the balance column does not run on
   */
  record TableReadAs(
      Table cells,
      TableDetection detected,
      TableLayout layout,
      boolean remembered,
      List<RunningBalance.Break> breaks) {}

  static boolean isTable(byte[] bytes) {
    LineSource source = StatementFormats.recognise(bytes);
    return source == LineSource.CSV || source == LineSource.XLSX;
  }

  /**
   * Reads a file that says itself what it holds.
   *
   * @throws UnreadableFile if nothing can be made of it
   */
  static StatementReading of(byte[] bytes) {
    LineSource source = StatementFormats.recognise(bytes);
    List<BankStatement> statements =
        switch (source) {
          case OFX -> OfxReader.read(bytes);
          case CAMT -> CamtReader.read(bytes);
          case MT940 -> Mt940Reader.read(bytes);
          case CSV, XLSX, FEED ->
              throw new IllegalArgumentException(source + " needs an account and a layout");
        };
    return new StatementReading(source, statements, null, null);
  }

  /**
   * Reads a table for an account; null if that is not chosen yet.
   *
   * @param layout as the person settled it or as it is remembered; null to take the detected one
   */
  static StatementReading of(
      Table cells,
      TableDetection detected,
      @Nullable Account account,
      @Nullable LayoutJson layout,
      boolean remembered) {
    TableLayout readBy = layout == null ? detected.layout() : layout.over(detected.layout());
    if (account == null) {
      return new StatementReading(
          cells.source(),
          List.of(),
          new TableReadAs(cells, detected, readBy, remembered, List.of()),
          null);
    }
    try {
      TableStatement read = TableStatementReader.read(cells, readBy, account.currency());
      var table = new TableReadAs(cells, detected, readBy, remembered, read.breaks());
      return new StatementReading(cells.source(), List.of(read.statement()), table, null);
    } catch (UnreadableFile problem) {
      var table = new TableReadAs(cells, detected, readBy, remembered, List.of());
      return new StatementReading(cells.source(), List.of(), table, problem);
    }
  }

  /** The reading itself; the reason why nothing can be taken in is thrown. */
  StatementReading required() {
    if (problem != null) {
      throw problem;
    }
    if (statements.isEmpty()) {
      throw Refusal.ofField(
          "account-missing", "account", "Choose the account that the file is for.");
    }
    return this;
  }

  /** The one account of a file that is meant for one account. */
  StatementReading ofOneAccount() {
    if (statements.size() > 1) {
      BankStatement second = statements.get(1);
      int line = second.lines().isEmpty() ? 0 : second.lines().getFirst().sourceLine();
      throw UnreadableFile.at(
          line,
          "the lines of account %s begin here, those before are of %s. Drop the file on the page, not on one account."
              .formatted(second.accountNumber(), statements.getFirst().accountNumber()));
    }
    return this;
  }
}
