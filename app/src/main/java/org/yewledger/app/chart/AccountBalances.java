package org.yewledger.app.chart;

import java.time.LocalDate;
import java.util.Map;
import java.util.UUID;
import org.yewledger.core.ledger.Position;

/** What stands on the accounts at the end of a day. The journal knows. */
public interface AccountBalances {
  /** By account; accounts without postings are missing. */
  Map<UUID, Position> at(LocalDate day);

  /** Of one account. */
  Position of(UUID accountId, LocalDate day);
}
