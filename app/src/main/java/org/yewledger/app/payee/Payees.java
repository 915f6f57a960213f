package org.yewledger.app.payee;

import jakarta.persistence.EntityManager;
import java.util.Collection;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import org.hibernate.Session;
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
  public record ByName(Map<String, PayeeEntity> byName) {
    public PayeeEntity of(String name) {
      PayeeEntity payee = byName.get(name.strip());
      if (payee == null) {
        throw new IllegalArgumentException("was not asked for: " + name);
      }
      return payee;
    }
  }

  /**
   * The payees of these names, whatever their case; a name that is new becomes a payee. Names are
   * taken in one order, so that two at once with the same new names do not wait in a circle. What
   * counts as the same is for the database alone to say: its idea of case keeps names unique.
   */
  public ByName named(Collection<String> names) {
    UUID household = SignedIn.now().householdId();
    Set<String> wanted = new TreeSet<>();
    names.forEach(name -> wanted.add(name.strip()));
    Map<String, PayeeEntity> byName = found(household, wanted);
    wanted.removeAll(byName.keySet());
    if (!wanted.isEmpty()) {
      add(household, wanted);
      byName.putAll(found(household, wanted));
    }
    return new ByName(byName);
  }

  private void add(UUID household, Collection<String> names) {
    jdbc.sql(
            """
            insert into payee (household_id, id, name)
            select ?, x.id, x.name from unnest(?, ?) with ordinality as x(id, name, at) order by lower(x.name), x.at
            on conflict do nothing\
            """)
        .params(
            household,
            names.stream().map(n -> Ids.next()).toArray(UUID[]::new),
            names.toArray(String[]::new))
        .update();
  }

  private Map<String, PayeeEntity> found(UUID household, Collection<String> names) {
    Map<String, PayeeEntity> byName = new HashMap<>();
    entities
        .unwrap(Session.class)
        .createNativeQuery(
            """
            select x.name as given, {p.*} from unnest(:names) as x(name)
              join payee p on p.household_id = :household and lower(p.name) = lower(x.name)\
            """,
            Object[].class)
        .addScalar("given", String.class)
        .addEntity("p", PayeeEntity.class)
        .setParameter("household", household)
        .setParameter("names", names.toArray(String[]::new))
        .getResultList()
        .forEach(row -> byName.put((String) row[0], (PayeeEntity) row[1]));
    return byName;
  }
}
