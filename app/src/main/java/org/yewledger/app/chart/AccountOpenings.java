package org.yewledger.app.chart;

import java.time.LocalDate;
import java.util.UUID;
import org.yewledger.core.money.Amount;

/** Opens an account with what stands on it. The opening balances know how. */
public interface AccountOpenings {
  /**
   * @param opensOn the account's first day
   * @param balance what stands on it at the end of the day before
   */
  void open(UUID accountId, LocalDate opensOn, Amount balance);
}
