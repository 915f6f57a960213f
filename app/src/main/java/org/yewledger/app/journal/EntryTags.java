package org.yewledger.app.journal;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.platform.Ids;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.ledger.Entry;

/** The tags of entries. */
@Component
@Transactional(propagation = Propagation.MANDATORY)
class EntryTags {
  private final JdbcClient jdbc;

  EntryTags(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** The names of the tags of entries, by entry; entries without tags are missing. */
  Map<UUID, List<String>> of(Collection<UUID> entryIds) {
    Map<UUID, List<String>> tags = new HashMap<>();
    jdbc.sql(
            """
            select e.entry_id, t.name from entry_tag e
              join tag t on t.household_id = e.household_id and t.id = e.tag_id
             where e.household_id = ? and e.entry_id = any(?) order by lower(t.name)\
            """)
        .params(SignedIn.now().householdId(), entryIds.toArray(UUID[]::new))
        .query(row -> {
          tags.computeIfAbsent(row.getObject(1, UUID.class), id -> new ArrayList<>())
              .add(row.getString(2));
        });
    return tags;
  }

  /** Gives stored entries the tags that their forms have, and takes others away. */
  void mark(List<UUID> entryIds, List<Entry> forms) {
    UUID household = SignedIn.now().householdId();
    Set<String> wanted = new TreeSet<>();
    var entries = new ArrayList<UUID>();
    var names = new ArrayList<String>();
    for (int i = 0; i < forms.size(); i++) {
      for (String tag : forms.get(i).marks().tags()) {
        wanted.add(tag);
        entries.add(entryIds.get(i));
        names.add(tag);
      }
    }
    UUID[] of = entries.toArray(UUID[]::new);
    String[] keys = names.toArray(String[]::new);
    jdbc.sql(
            """
            delete from entry_tag e using tag t
             where e.household_id = ? and e.entry_id = any(?) and t.household_id = e.household_id and t.id = e.tag_id
               and (e.entry_id, lower(t.name)) not in (select x.id, lower(x.name) from unnest(?, ?) as x(id, name))\
            """)
        .params(household, entryIds.toArray(UUID[]::new), of, keys)
        .update();
    if (wanted.isEmpty()) {
      return;
    }
    wanted.forEach(name ->
        jdbc.sql("insert into tag (household_id, id, name) values (?, ?, ?) on conflict do nothing")
            .params(household, Ids.next(), name)
            .update());
    jdbc.sql(
            """
            insert into entry_tag (household_id, entry_id, tag_id)
            select t.household_id, x.entry_id, t.id from unnest(?, ?) as x(entry_id, name)
              join tag t on t.household_id = ? and lower(t.name) = lower(x.name)
            on conflict do nothing\
            """)
        .params(of, keys, household)
        .update();
  }

  void unmark(Collection<UUID> entryIds) {
    jdbc.sql("delete from entry_tag where household_id = ? and entry_id = any(?)")
        .params(SignedIn.now().householdId(), entryIds.toArray(UUID[]::new))
        .update();
  }
}
