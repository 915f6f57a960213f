package org.yewledger.app.payee;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.platform.Conflict;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.platform.NotFound;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.Refusal;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.gather.LineKey;

/**
 * Makes one payee of two: entries, rules and what banks call it go over, and undo parts them again.
 */
@Service
class PayeeMergeService {
  private record Payee(UUID id, int version, String name) {}

  private final JdbcClient jdbc;
  private final List<PayeeFollower> followers;
  private final Acts acts;

  PayeeMergeService(JdbcClient jdbc, List<PayeeFollower> followers, Acts acts) {
    this.jdbc = jdbc;
    this.followers = followers;
    this.acts = acts;
  }

  /**
   * @param version of the one that goes, as the person saw it
   * @throws NotFound if one of them is gone
   * @throws Conflict if the one that goes has changed since
   * @throws Refusal {@code merge-with-itself}
   */
  @Transactional
  @ForBookkeepers
  public void merge(UUID id, int version, UUID intoId) {
    UUID household = SignedIn.now().householdId();
    Map<UUID, Payee> both = held(household, id, intoId);
    Payee goes = found(both, id);
    Payee stays = found(both, intoId);
    if (goes.equals(stays)) {
      throw Refusal.ofField("merge-with-itself", "into", "Choose another payee.");
    }
    if (goes.version() != version) {
      throw Conflict.changedMeanwhile("payee");
    }
    acts.begin(ActKind.PAYEES, "Merged %s into %s".formatted(goes.name(), stays.name()));
    followers.forEach(f ->
        f.merged(
            new PayeeFollower.Payee(id, goes.name()),
            new PayeeFollower.Payee(intoId, stays.name())));
    jdbc.sql("update payee_alias set payee_id = ? where household_id = ? and payee_id = ?")
        .params(intoId, household, id)
        .update();
    // A bank may write the name that goes.
    String key = LineKey.even(goes.name());
    if (!key.isEmpty()) {
      jdbc.sql(
              """
              insert into payee_alias (household_id, text_key, payee_id, text) values (?, ?, ?, ?)
              on conflict (household_id, text_key) do nothing\
              """)
          .params(household, key, intoId, goes.name())
          .update();
    }
    knowWhatTheOtherDid(household, id, intoId);
    jdbc.sql("delete from payee where household_id = ? and id = ?").params(household, id).update();
  }

  /** What was written down of the one that goes is not lost with it. */
  private void knowWhatTheOtherDid(UUID household, UUID goes, UUID stays) {
    jdbc.sql(
            """
            update payee s set version = s.version + 1,
                   category_id = coalesce(s.category_id, g.category_id),
                   account_number = coalesce(nullif(s.account_number, ''), g.account_number),
                   contact = concat_ws(E'\n', nullif(s.contact, ''), nullif(g.contact, '')),
                   note = concat_ws(E'\n', nullif(s.note, ''), nullif(g.note, ''))
              from payee g
             where s.household_id = :household and s.id = :stays and g.household_id = :household and g.id = :goes
               and (g.category_id is not null or concat(g.account_number, g.contact, g.note) <> '')\
            """)
        .param("household", household)
        .param("stays", stays)
        .param("goes", goes)
        .update();
  }

  private Map<UUID, Payee> held(UUID household, UUID... ids) {
    Map<UUID, Payee> payees = new HashMap<>();
    List<Payee> rows =
        jdbc.sql(
                "select id, version, name from payee where household_id = ? and id = any(?) order by id for update")
            .params(household, ids)
            .query((row, no) ->
                new Payee(row.getObject(1, UUID.class), row.getInt(2), row.getString(3)))
            .list();
    rows.forEach(p -> payees.put(p.id(), p));
    return payees;
  }

  private static Payee found(Map<UUID, Payee> payees, UUID id) {
    Payee payee = payees.get(id);
    if (payee == null) {
      throw new NotFound("payee");
    }
    return payee;
  }
}
