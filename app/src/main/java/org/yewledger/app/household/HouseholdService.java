package org.yewledger.app.household;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.household.HouseholdController.HouseholdFactsJson;
import org.yewledger.app.platform.ForOwners;
import org.yewledger.app.platform.HouseholdDays;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.act.ActKind;

/** What the household is called and where its days begin. */
@Service
class HouseholdService {
  private final JdbcClient jdbc;
  private final HouseholdDays days;
  private final Acts acts;

  HouseholdService(JdbcClient jdbc, HouseholdDays days, Acts acts) {
    this.jdbc = jdbc;
    this.days = days;
    this.acts = acts;
  }

  @Transactional(readOnly = true)
  HouseholdFactsJson facts() {
    @SuppressWarnings("NullAway")
    String name =
        jdbc.sql("select name from household where id = ?")
            .param(SignedIn.now().householdId())
            .query(String.class)
            .single();
    return new HouseholdFactsJson(name, days.zone().getId(), days.today());
  }

  /**
   * @throws org.yewledger.core.Refusal {@code unknown-zone}
   */
  @Transactional
  @ForOwners
  void change(String name, String timeZone) {
    String zone = HouseholdDays.named(timeZone);
    acts.begin(ActKind.HOUSEHOLD, "Changed the household: %s, in %s".formatted(name, zone));
    jdbc.sql("update household set name = ?, time_zone = ? where id = ?")
        .params(name, zone, SignedIn.now().householdId())
        .update();
  }
}
