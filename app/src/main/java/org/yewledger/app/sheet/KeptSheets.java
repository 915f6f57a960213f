package org.yewledger.app.sheet;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.app.sheet.EntrySheetJson.SheetLayoutJson;
import org.yewledger.core.sheet.SheetName;
import org.yewledger.core.sheet.SheetName.Side;
import org.yewledger.formats.table.KnownTable;
import tools.jackson.databind.json.JsonMapper;

/** How sheets were read before, and what their names meant, for each book. */
@Component
@Transactional(propagation = Propagation.MANDATORY)
class KeptSheets {
  /** How a sheet with these column names was read. */
  record KeptSheet(String headerKey, SheetLayoutJson layout) {
    KnownTable table() {
      return new KnownTable(headerKey, layout.reading());
    }
  }

  private final JdbcClient jdbc;
  private final JsonMapper json;
  private final Clock clock;

  KeptSheets(JdbcClient jdbc, JsonMapper json, Clock clock) {
    this.jdbc = jdbc;
    this.json = json;
    this.clock = clock;
  }

  /** The accounts that names were said to mean. */
  Map<SheetName, UUID> names(UUID bookId) {
    Map<SheetName, UUID> names = new HashMap<>();
    jdbc.sql("select side, name, account_id from sheet_name where household_id = ? and book_id = ?")
        .params(SignedIn.now().householdId(), bookId)
        .query(row -> {
          names.put(
              new SheetName(Side.valueOf(row.getString("side")), row.getString("name")),
              row.getObject("account_id", UUID.class));
        });
    return names;
  }

  /** Keeps what names mean, within an act; what they meant before goes. */
  void keepNames(UUID bookId, Map<SheetName, UUID> names) {
    // In one order, as two sheets may come at once.
    names.keySet().stream()
        .sorted(Comparator.comparing(SheetName::side).thenComparing(SheetName::text))
        .forEach(name -> keepName(bookId, name, Objects.requireNonNull(names.get(name))));
  }

  private void keepName(UUID bookId, SheetName name, UUID accountId) {
    jdbc.sql(
            """
            insert into sheet_name (household_id, book_id, side, name, account_id) values (?, ?, ?, ?, ?)
            on conflict (household_id, book_id, side, name) do update set account_id = excluded.account_id\
            """)
        .params(SignedIn.now().householdId(), bookId, name.side().name(), name.text(), accountId)
        .update();
  }

  /** The layouts of sheets, the latest first. */
  List<KeptSheet> layouts(UUID bookId) {
    return jdbc.sql(
            """
            select header_key, layout::text as layout from sheet_layout
             where household_id = ? and book_id = ? order by kept_at desc\
            """)
        .params(SignedIn.now().householdId(), bookId)
        .query((row, n) ->
            new KeptSheet(
                row.getString("header_key"),
                json.readValue(row.getString("layout"), KeptSheetLayout.class).toLayout()))
        .list();
  }

  void keepLayout(UUID bookId, String headerKey, SheetLayoutJson layout) {
    jdbc.sql(
            """
            insert into sheet_layout (household_id, book_id, header_key, layout, kept_at) values (?, ?, ?, ?::jsonb, ?)
            on conflict (household_id, book_id, header_key)
            do update set layout = excluded.layout, kept_at = excluded.kept_at\
            """)
        .params(
            SignedIn.now().householdId(),
            bookId,
            headerKey,
            json.writeValueAsString(KeptSheetLayout.of(layout)),
            OffsetDateTime.ofInstant(clock.instant(), ZoneOffset.UTC))
        .update();
  }
}
