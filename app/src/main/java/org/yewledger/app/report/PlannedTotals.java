package org.yewledger.app.report;

import java.util.List;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.report.AccountTotals;
import org.yewledger.core.report.Span;

/** What is planned for categories, month by month. Who keeps the plans knows. */
public interface PlannedTotals {
  /**
   * Of each of some categories of expenses, and of groups around them that are planned together.
   */
  List<AccountTotals> planned(List<Account> categories, Span months);
}
