package org.yewledger.app.report;

import java.math.BigDecimal;
import java.time.YearMonth;
import java.util.List;
import java.util.UUID;
import org.yewledger.core.ledger.AccountClass;

/**
 * What the API says about general ledgers. Amounts are in the book's currency, debits above zero.
 */
final class GeneralLedgerJson {
  private GeneralLedgerJson() {}

  record LedgerRowJson(
      UUID accountId,
      String name,
      String groupName,
      AccountClass accountClass,
      BigDecimal before,
      BigDecimal debit,
      BigDecimal credit,
      BigDecimal after) {}

  /**
   * @param balances whether debits equal credits
   */
  record LedgerTableJson(
      UUID bookId,
      String bookName,
      String currency,
      List<LedgerRowJson> rows,
      BigDecimal debit,
      BigDecimal credit,
      boolean balances) {}

  record LedgerPageJson(YearMonth first, YearMonth last, List<LedgerTableJson> tables) {}
}
