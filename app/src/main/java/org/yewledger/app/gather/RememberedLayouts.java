package org.yewledger.app.gather;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.formats.table.KnownTable;
import tools.jackson.databind.json.JsonMapper;

/** How tables were read before, by account and by the names of their columns. */
@Component
class RememberedLayouts {
  record Remembered(UUID accountId, String headerKey, LayoutJson layout) {
    KnownTable table() {
      return new KnownTable(headerKey, layout.reading());
    }
  }

  private final JdbcClient jdbc;
  private final JsonMapper json;
  private final Clock clock;

  RememberedLayouts(JdbcClient jdbc, JsonMapper json, Clock clock) {
    this.jdbc = jdbc;
    this.json = json;
    this.clock = clock;
  }

  /**
   * The layouts kept, the latest first.
   *
   * @param accountId only those for this account; null for all
   */
  List<Remembered> all(@Nullable UUID accountId) {
    return jdbc.sql(
            """
            select account_id, header_key, layout::text as layout from table_layout
             where household_id = :household and (cast(:account as uuid) is null or account_id = :account) order by kept_at desc\
            """)
        .param("household", SignedIn.now().householdId())
        .param("account", accountId)
        .query((row, n) ->
            new Remembered(
                row.getObject("account_id", UUID.class),
                row.getString("header_key"),
                json.readValue(row.getString("layout"), KeptLayout.class).toLayout()))
        .list();
  }

  void keep(UUID accountId, String headerKey, LayoutJson layout) {
    jdbc.sql(
            """
            insert into table_layout (household_id, account_id, header_key, layout, kept_at)
            values (?, ?, ?, ?::jsonb, ?)
            on conflict (household_id, account_id, header_key)
            do update set layout = excluded.layout, kept_at = excluded.kept_at\
            """)
        .params(
            SignedIn.now().householdId(),
            accountId,
            headerKey,
            json.writeValueAsString(KeptLayout.of(layout)),
            OffsetDateTime.ofInstant(clock.instant(), ZoneOffset.UTC))
        .update();
  }
}
