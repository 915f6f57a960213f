package org.yewledger.app.report;

import java.util.UUID;
import org.yewledger.core.ledger.AccountClass;

/** What the API says about receipts behind the lines of a tax form. */
final class TaxFormReceiptsJson {
  private TaxFormReceiptsJson() {}

  /**
   * @param of whether it is a line of income or of expenses
   * @param entries of the span, {@code withReceipt} those of them that have one at least
   * @param files all that is attached to them
   * @param without finds those without one in the journal
   */
  record LineReceiptsJson(
      UUID bookId,
      AccountClass of,
      String line,
      int entries,
      int withReceipt,
      int files,
      String without) {}
}
