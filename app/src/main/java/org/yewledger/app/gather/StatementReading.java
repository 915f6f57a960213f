package org.yewledger.app.gather;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.Refusal;
import org.yewledger.core.gather.BankStatement;
import org.yewledger.core.gather.LineSource;
import org.yewledger.core.gather.RunningBalance;
import org.yewledger.core.ledger.Account;
import org.yewledger.formats.Excerpt;
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
   * @param others the rows that are no lines
   * @param mayLeaveOut whether a person has said that such rows are left out
   */
  record TableReadAs(
      Table cells,
      TableDetection detected,
      TableLayout layout,
      boolean remembered,
      List<RunningBalance.Break> breaks,
      List<Table.Row> others,
      boolean mayLeaveOut) {}

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
    boolean mayLeaveOut = layout != null && Boolean.TRUE.equals(layout.leaveOutOthers());
    var unread =
        new TableReadAs(cells, detected, readBy, remembered, List.of(), List.of(), mayLeaveOut);
    if (account == null) {
      return new StatementReading(cells.source(), List.of(), unread, null);
    }
    try {
      TableStatement read = TableStatementReader.read(cells, readBy, account.currency());
      var table =
          new TableReadAs(
              cells, detected, readBy, remembered, read.breaks(), read.others(), mayLeaveOut);
      return new StatementReading(cells.source(), List.of(read.statement()), table, null);
    } catch (UnreadableFile problem) {
      return new StatementReading(cells.source(), List.of(), unread, problem);
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
    if (table != null && !table.others().isEmpty() && !table.mayLeaveOut()) {
      Table.Row first = table.others().getFirst();
      throw UnreadableFile.at(
          first.line(),
          "%s is no line of the account, and %d such rows are in the file. Say that they are left out, or mend the file."
              .formatted(Excerpt.of(String.join(" ", first.cells())), table.others().size()));
    }
    return this;
  }

  /**
   * What the file does not settle of how it is written, and nobody has said.
   *
   * @throws Refusal {@code layout-open}, naming the part of the layout to say
   */
  StatementReading settledBy(@Nullable LayoutJson layout) {
    if (table != null && !table.remembered()) {
      TableDetection found = table.detected();
      requireSaid(
          found.dateOrderCertain() || layout != null && layout.dateOrder() != null,
          "dateOrder",
          "The dates of the file fit more than one order of day and month. Say which it is.");
      requireSaid(
          found.decimalMarkCertain() || layout != null && layout.decimalMark() != null,
          "decimalMark",
          "The amounts of the file fit a decimal comma and a decimal point. Say which it is.");
      requireSaid(
          found.signCertain() || layout != null && layout.sign() != null,
          "sign",
          "No amount of the file has a minus, so money out cannot be told from money in. Say how money out is written.");
    }
    return this;
  }

  private static void requireSaid(boolean said, String field, String sentence) {
    if (!said) {
      throw Refusal.ofField("layout-open", field, sentence);
    }
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
