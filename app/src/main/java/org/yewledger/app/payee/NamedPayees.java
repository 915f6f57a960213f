package org.yewledger.app.payee;

import java.util.Collection;
import java.util.HashMap;
import java.util.Map;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.yewledger.app.act.NamedRows;
import org.yewledger.app.platform.SignedIn;

/** Names payees in history. */
@Component
class NamedPayees implements NamedRows {
  private final JdbcClient jdbc;

  NamedPayees(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  @Override
  public String column() {
    return "payee_id";
  }

  @Override
  public Map<String, String> names(Collection<String> ids) {
    Map<String, String> names = new HashMap<>();
    jdbc.sql("select id, name from payee where household_id = ? and id = any(?)")
        .params(
            SignedIn.now().householdId(), ids.stream().map(UUID::fromString).toArray(UUID[]::new))
        .query(row -> {
          names.put(row.getString(1), row.getString(2));
        });
    return names;
  }
}
