package org.yewledger.app.payee;

import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.gather.LineKey;

/** By which texts banks call payees, learned from how lines are posted. */
@Component
@Transactional(propagation = Propagation.MANDATORY)
public class PayeeTexts {
  private final JdbcClient jdbc;

  PayeeTexts(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** Notes that a text calls a payee; of two that are called so, it is the one posted last. */
  public void learn(Map<String, UUID> payeeIds) {
    Map<String, String> texts = new LinkedHashMap<>();
    payeeIds.keySet().stream()
        .sorted()
        .filter(text -> !LineKey.even(text).isEmpty())
        .forEach(text -> texts.put(LineKey.even(text), text));
    if (texts.isEmpty()) {
      return;
    }
    jdbc.sql(
            """
            insert into payee_alias (household_id, text_key, payee_id, text)
            select ?, * from unnest(?, ?, ?)
            on conflict (household_id, text_key) do update set payee_id = excluded.payee_id
             where payee_alias.payee_id <> excluded.payee_id\
            """)
        .params(
            SignedIn.now().householdId(),
            texts.keySet().toArray(String[]::new),
            texts.values().stream().map(payeeIds::get).toArray(UUID[]::new),
            texts.values().toArray(String[]::new))
        .update();
  }

  /** The payees that some texts call; a text that calls nobody is missing. */
  public Map<String, UUID> calledBy(Collection<String> texts) {
    Map<String, String> byKey = new HashMap<>();
    texts.forEach(text -> byKey.put(LineKey.even(text), text));
    Map<String, UUID> called = new HashMap<>();
    jdbc.sql(
            "select text_key, payee_id from payee_alias where household_id = ? and text_key = any(?)")
        .params(SignedIn.now().householdId(), byKey.keySet().toArray(String[]::new))
        .query(row -> {
          called.put(byKey.get(row.getString(1)), row.getObject(2, UUID.class));
        });
    return called;
  }
}
