package org.yewledger.app.chart;

import java.util.Collection;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.platform.SignedIn;

/**
 * Keeps accounts as they are for the rest of a transaction. Locks are taken in one order by
 * everybody, so that nobody waits in a circle: accounts, then batches, statements, states of lines,
 * kept totals; of each kind by identity.
 */
@Component
@Transactional(propagation = Propagation.MANDATORY)
public class AccountLocks {
  private final JdbcClient jdbc;

  AccountLocks(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** To book on them: others may book as well, and nobody may close, merge or finish meanwhile. */
  public void shared(Collection<UUID> accounts) {
    lock(accounts, "for share");
  }

  /** To change them, or what statements agree on: nobody else books there meanwhile. */
  public void exclusive(Collection<UUID> accounts) {
    lock(accounts, "for no key update");
  }

  private void lock(Collection<UUID> accounts, String how) {
    jdbc.sql("select id from account where household_id = ? and id = any(?) order by id " + how)
        .params(SignedIn.now().householdId(), accounts.toArray(UUID[]::new))
        .query(row -> {});
  }
}
