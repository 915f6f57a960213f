package org.yewledger.app.payee;

import jakarta.persistence.EntityManager;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.payee.PayeeController.PayeeJson;
import org.yewledger.app.platform.Conflict;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.platform.NotFound;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.Refusal;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.gather.LineKey;

/** The household's payees: found by any part of a name, renamed, and known by what banks write. */
@Service
class PayeeService {
  private static final int MOST_LOOKED_AT = 5_000;

  private final EntityManager entities;
  private final JdbcClient jdbc;
  private final PayeeUse use;
  private final Acts acts;

  PayeeService(EntityManager entities, JdbcClient jdbc, PayeeUse use, Acts acts) {
    this.entities = entities;
    this.jdbc = jdbc;
    this.use = use;
    this.acts = acts;
  }

  /** The payees whose name, or what banks call them, has the text; the most used first. */
  @Transactional(readOnly = true)
  List<PayeeJson> find(String text, int most) {
    String part = text.strip().toLowerCase(java.util.Locale.ROOT);
    String pattern = "%" + part.replace("!", "!!").replace("%", "!%").replace("_", "!_") + "%";
    List<PayeeJson> found =
        jdbc.sql(
                """
                select p.id, p.version, p.name,
                       array(select a.text from payee_alias a
                              where a.household_id = p.household_id and a.payee_id = p.id order by a.text) as known_as
                  from payee p
                 where p.household_id = :household
                   and (lower(p.name) like :pattern escape '!' or exists (select 1 from payee_alias a
                         where a.household_id = p.household_id and a.payee_id = p.id and lower(a.text) like :pattern escape '!'))
                 order by p.name limit :most\
                """)
            .param("household", SignedIn.now().householdId())
            .param("pattern", pattern)
            .param("most", MOST_LOOKED_AT)
            .query((row, no) ->
                new PayeeJson(
                    row.getObject("id", UUID.class),
                    row.getInt("version"),
                    row.getString("name"),
                    List.of((String[]) row.getArray("known_as").getArray()),
                    0))
            .list();
    Map<UUID, Integer> used = use.of(found.stream().map(PayeeJson::id).toList());
    return found.stream()
        .map(p -> p.used(used.getOrDefault(p.id(), 0)))
        .sorted(Comparator.comparingInt((PayeeJson p) -> -p.used()).thenComparing(PayeeJson::name))
        .limit(most)
        .toList();
  }

  /**
   * Gives a payee another name and says by which texts banks call it.
   *
   * @throws Refusal {@code payee-missing}; {@code known-as-unreadable}; {@code name-taken} and
   *     {@code known-as-another}, naming the text
   */
  @Transactional
  @ForBookkeepers
  void change(UUID id, int version, String name, List<String> knownAs) {
    PayeeEntity payee =
        Optional.ofNullable(entities.find(PayeeEntity.class, id))
            .orElseThrow(() -> new NotFound("payee"));
    if (payee.version() != version) {
      throw Conflict.changedMeanwhile("payee");
    }
    if (name.isBlank()) {
      throw Refusal.ofField("payee-missing", "name", "Say who this is.");
    }
    acts.begin(
        ActKind.PAYEES,
        payee.name().equals(name.strip())
            ? "Changed what banks call " + payee.name()
            : "Renamed %s to %s".formatted(payee.name(), name.strip()));
    payee.rename(name.strip());
    entities.flush();
    UUID household = SignedIn.now().householdId();
    jdbc.sql("delete from payee_alias where household_id = ? and payee_id = ?")
        .params(household, id)
        .update();
    for (String text : knownAs) {
      know(household, id, text.strip());
    }
  }

  private void know(UUID household, UUID id, String text) {
    String key = LineKey.even(text);
    if (key.isEmpty()) {
      throw Refusal.ofField(
          "known-as-unreadable", "knownAs", "What banks call a payee has letters or digits.");
    }
    int kept =
        jdbc.sql(
                """
                insert into payee_alias (household_id, text_key, payee_id, text) values (?, ?, ?, ?)
                on conflict (household_id, text_key) do update set text = excluded.text
                 where payee_alias.payee_id = excluded.payee_id\
                """)
            .params(household, key, id, text)
            .update();
    if (kept == 0) {
      throw Refusal.ofField(
          "known-as-another",
          "knownAs",
          "Another payee is known as %s already. Take it away there first.".formatted(text));
    }
  }
}
