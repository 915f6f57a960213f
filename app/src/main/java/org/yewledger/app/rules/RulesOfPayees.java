package org.yewledger.app.rules;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.payee.PayeeFollower;
import org.yewledger.app.platform.SignedIn;

/** Rules name payees; when one becomes part of another, they name that one. */
@Component
class RulesOfPayees implements PayeeFollower {
  private final JdbcClient jdbc;

  RulesOfPayees(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  @Override
  @Transactional(propagation = Propagation.MANDATORY)
  public void merged(Payee from, Payee into) {
    jdbc.sql(
            "update rule set payee = ?, version = version + 1 where household_id = ? and lower(payee) = lower(?)")
        .params(into.name(), SignedIn.now().householdId(), from.name())
        .update();
  }
}
