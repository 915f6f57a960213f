package org.yewledger.app.chart;

import java.time.LocalDate;
import java.util.Collection;
import java.util.Map;
import java.util.UUID;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.Position;

/** What stands on the accounts at the end of a day. The journal knows. */
public interface AccountBalances {
  /** By account; accounts without postings are missing. */
  Map<UUID, Position> at(LocalDate day);

  /** Of some accounts, by account; those without postings are missing. */
  Map<UUID, Position> at(LocalDate day, Collection<Account> accounts);

  /** Of one account, without the set-asides in it. */
  Position of(Account account, LocalDate day);

  /** Of one account with the set-asides in it: what its bank sees. */
  Position whole(Account account, LocalDate day);
}
