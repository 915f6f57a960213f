package org.yewledger.app.payee;

import jakarta.persistence.EntityManager;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.platform.Ids;
import org.yewledger.app.platform.SignedIn;

/** Finds payees by their names, and makes those that are not there yet. */
@Component
@Transactional(propagation = Propagation.MANDATORY)
public class Payees {
  private final EntityManager entities;
  private final JdbcClient jdbc;

  Payees(EntityManager entities, JdbcClient jdbc) {
    this.entities = entities;
    this.jdbc = jdbc;
  }

  /** Payees by names, as these were given. */
  public record ByName(Map<String, PayeeEntity> byKey) {
    public PayeeEntity of(String name) {
      PayeeEntity payee = byKey.get(key(name));
      if (payee == null) {
        throw new IllegalArgumentException("was not asked for: " + name);
      }
      return payee;
    }
  }

  /**
   * The payees of these names, whatever their case; a name that is new becomes a payee. Names are
   * taken in one order, so that two at once with the same new names do not wait in a circle.
   */
  public ByName named(Collection<String> names) {
    UUID household = SignedIn.now().householdId();
    Map<String, String> wanted = new TreeMap<>();
    names.forEach(name -> wanted.putIfAbsent(key(name), name.strip()));
    jdbc.sql(
            """
            insert into payee (household_id, id, name)
            select ?, x.id, x.name from unnest(?, ?) with ordinality as x(id, name, at)
             where not exists (select 1 from payee p where p.household_id = ? and lower(p.name) = lower(x.name))
             order by x.at
            on conflict do nothing\
            """)
        .params(
            household,
            wanted.keySet().stream().map(k -> Ids.next()).toArray(UUID[]::new),
            wanted.values().toArray(String[]::new),
            household)
        .update();
    List<PayeeEntity> found =
        entities
            .createNativeQuery(
                "select * from payee where household_id = :household and lower(name) = any(:names)",
                PayeeEntity.class)
            .setParameter("household", household)
            .setParameter("names", wanted.keySet().toArray(String[]::new))
            .getResultList();
    Map<String, PayeeEntity> byKey = new HashMap<>();
    found.forEach(payee -> byKey.put(key(payee.name()), payee));
    return new ByName(byKey);
  }

  private static String key(String name) {
    return name.strip().toLowerCase(Locale.ROOT);
  }
}
