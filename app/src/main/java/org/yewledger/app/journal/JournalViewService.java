package org.yewledger.app.journal;

import java.util.List;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.journal.JournalViewController.JournalViewJson;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.platform.Ids;
import org.yewledger.app.platform.NotFound;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.Refusal;
import org.yewledger.core.act.ActKind;

/** Queries that the household keeps by a name. */
@Service
class JournalViewService {
  private final JdbcClient jdbc;
  private final Acts acts;

  JournalViewService(JdbcClient jdbc, Acts acts) {
    this.jdbc = jdbc;
    this.acts = acts;
  }

  @Transactional(readOnly = true)
  List<JournalViewJson> views() {
    return jdbc.sql(
            """
            select id, name, query, every_month, sorted_by from journal_view
             where household_id = ? order by lower(name)\
            """)
        .param(SignedIn.now().householdId())
        .query((row, no) ->
            new JournalViewJson(
                row.getObject(1, UUID.class),
                row.getString(2),
                row.getString(3),
                row.getBoolean(4),
                row.getString(5)))
        .list();
  }

  /**
   * Keeps a query by a name; what was kept by the name before is replaced.
   *
   * @throws Refusal {@code view-missing} without a name
   */
  @Transactional
  @ForBookkeepers
  void keep(String name, String query, boolean everyMonth, EntryOrder order) {
    if (name.isBlank()) {
      throw Refusal.ofField("view-missing", "name", "Give it a name.");
    }
    acts.begin(ActKind.KEPT_VIEWS, "Kept the view " + name.strip());
    jdbc.sql(
            """
            insert into journal_view (household_id, id, name, query, every_month, sorted_by) values (?, ?, ?, ?, ?, ?)
            on conflict (household_id, lower(name)) do update
              set name = excluded.name, query = excluded.query, every_month = excluded.every_month,
                  sorted_by = excluded.sorted_by\
            """)
        .params(
            SignedIn.now().householdId(),
            Ids.next(),
            name.strip(),
            query.strip(),
            everyMonth,
            order.toString())
        .update();
  }

  /**
   * @throws NotFound if it is not there
   */
  @Transactional
  @ForBookkeepers
  void forget(UUID id) {
    UUID household = SignedIn.now().householdId();
    String name =
        jdbc.sql("select name from journal_view where household_id = ? and id = ?")
            .params(household, id)
            .query(String.class)
            .optional()
            .orElseThrow(() -> new NotFound("view"));
    acts.begin(ActKind.KEPT_VIEWS, "Forgot the view " + name);
    jdbc.sql("delete from journal_view where household_id = ? and id = ?")
        .params(household, id)
        .update();
  }
}
