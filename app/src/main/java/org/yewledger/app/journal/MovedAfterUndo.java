package org.yewledger.app.journal;

import java.util.List;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.yewledger.app.act.AfterUndo;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.ledger.Posting;
import org.yewledger.core.report.Movement;

/**
 * Acts from before entries kept what they move know nothing of it: it is worked out again when such
 * an act is undone.
 */
@Component
class MovedAfterUndo implements AfterUndo {
  private final JdbcClient jdbc;
  private final EntryReader reader;

  MovedAfterUndo(JdbcClient jdbc, EntryReader reader) {
    this.jdbc = jdbc;
    this.reader = reader;
  }

  @Override
  public void undone(UUID actId) {
    UUID household = SignedIn.now().householdId();
    List<UUID> stale =
        jdbc.sql(
                """
                select distinct e.id from act_change c
                  join entry e on e.household_id = c.household_id and e.id = c.entry_id
                 where c.household_id = ? and c.act_id = ? and c.table_name = 'entry'
                   and (e.moved_minor is null or not jsonb_exists(coalesce(c.before, c.after), 'moved_minor'))\
                """)
            .params(household, actId)
            .query((row, no) -> row.getObject(1, UUID.class))
            .list();
    if (stale.isEmpty()) {
      return;
    }
    EntryReader.EntryViews entries = reader.byId(stale);
    for (UUID id : stale) {
      List<Posting> postings =
          entries.of(id).postings().stream().map(EntryReader.PostingView::posting).toList();
      Movement moved = Movement.of(postings);
      jdbc.sql(
              "update entry set moved_minor = ?, moved_currency = ?, transfer = ? where household_id = ? and id = ?")
          .params(
              moved.amount().minor(),
              moved.amount().currency().getCode(),
              moved.transfer(),
              household,
              id)
          .update();
    }
  }
}
