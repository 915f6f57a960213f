package org.yewledger.formats;

import java.util.List;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.gather.BankStatement.Balance;
import org.yewledger.core.gather.Days;
import org.yewledger.core.gather.Discrepancy;
import org.yewledger.core.money.Amount;

/**
 * Receives what a reader finds, in the order of the file, so that nothing but the line at hand has
 * to be kept in memory. Per account: one {@code begin}, its lines, one {@code end}.
 */
public interface StatementSink {
  /** A statement of an account begins. */
  void begin(String accountNumber, CurrencyUnit currency);

  /** A line of the statement that began last. */
  void line(BankLine line);

  /** The statement is complete. */
  void end(Ending ending);

  /**
   * What a statement says beside its lines; all of it may be missing.
   *
   * @param opening the balance before the first line
   * @param discrepancies where figures of the statement do not come out; whether the lines lead
   *     from opening to closing is held against it later
   */
  record Ending(
      @Nullable Balance closing,
      @Nullable Amount opening,
      @Nullable Balance available,
      @Nullable Days declared,
      List<Discrepancy> discrepancies) {}
}
