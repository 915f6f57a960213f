package org.yewledger.app.journal;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.journal.TagController.TagJson;
import org.yewledger.app.journal.TagController.TagMovedJson;
import org.yewledger.app.platform.Conflict;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.platform.Found;
import org.yewledger.app.platform.NotFound;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.Refusal;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.journal.QueryField;
import org.yewledger.core.journal.QueryText;
import org.yewledger.core.ledger.Marks;
import org.yewledger.core.money.Amount;

/** Tags with what their entries come to; one is renamed, merged and put away. */
@Service
class TagService {
  private record Held(UUID id, int version, String name, boolean putAway) {}

  private final JdbcClient jdbc;
  private final List<TagFollower> followers;
  private final Acts acts;

  TagService(JdbcClient jdbc, List<TagFollower> followers, Acts acts) {
    this.jdbc = jdbc;
    this.followers = followers;
    this.acts = acts;
  }

  /** All tags, by name. Cost: one look at each entry that has one. */
  @Transactional(readOnly = true)
  List<TagJson> tags() {
    UUID household = SignedIn.now().householdId();
    Map<UUID, List<TagMovedJson>> moved = moved(household);
    return jdbc.sql(
            """
            select t.id, t.version, t.name, t.put_away, count(e.id), min(e.date), max(e.date)
              from tag t
              left join entry_tag g on g.household_id = t.household_id and g.tag_id = t.id
              left join entry e on e.household_id = g.household_id and e.id = g.entry_id
             where t.household_id = ? group by t.household_id, t.id order by lower(t.name)\
            """)
        .param(household)
        .query((row, no) -> {
          UUID id = row.getObject(1, UUID.class);
          return new TagJson(
              id,
              row.getInt(2),
              row.getString(3),
              row.getBoolean(4),
              QueryText.term(QueryField.TAG, row.getString(3)),
              row.getInt(5),
              row.getDate(6) == null ? null : row.getDate(6).toLocalDate(),
              row.getDate(7) == null ? null : row.getDate(7).toLocalDate(),
              moved.getOrDefault(id, List.of()));
        })
        .list();
  }

  private Map<UUID, List<TagMovedJson>> moved(UUID household) {
    Map<UUID, List<TagMovedJson>> moved = new HashMap<>();
    jdbc.sql(
            """
            select g.tag_id, e.moved_currency,
                   coalesce(sum(e.moved_minor) filter (where e.moved_minor > 0), 0)::bigint,
                   coalesce(sum(e.moved_minor) filter (where e.moved_minor < 0), 0)::bigint
              from entry_tag g join entry e on e.household_id = g.household_id and e.id = g.entry_id
             where g.household_id = ? and e.moved_currency is not null and not e.transfer
             group by 1, 2 order by 1, count(*) desc\
            """)
        .param(household)
        .query(row -> {
          CurrencyUnit currency = CurrencyUnit.of(row.getString(2));
          moved
              .computeIfAbsent(row.getObject(1, UUID.class), id -> new ArrayList<>())
              .add(
                  new TagMovedJson(
                      currency.getCode(),
                      Amount.ofMinor(row.getLong(3), currency).decimal(),
                      Amount.ofMinor(row.getLong(4), currency).decimal()));
        });
    return moved;
  }

  /**
   * Renames a tag, puts it away or takes it out again.
   *
   * @throws Refusal {@code tag-unreadable} or {@code name-taken}
   * @throws NotFound if it is not there
   * @throws Conflict if it has changed since
   */
  @Transactional
  @ForBookkeepers
  public void change(UUID id, int version, String name, boolean putAway) {
    UUID household = SignedIn.now().householdId();
    Held tag = held(household, id).of(id);
    requireSeen(tag, version);
    String to = Marks.tag(name, "name");
    acts.begin(ActKind.TAGS, inWords(tag, to, putAway));
    jdbc.sql(
            "update tag set name = ?, put_away = ?, version = version + 1 where household_id = ? and id = ?")
        .params(to, putAway, household, id)
        .update();
    if (!tag.name().equals(to)) {
      followers.forEach(f -> f.renamed(tag.name(), to));
    }
  }

  private static String inWords(Held tag, String to, boolean putAway) {
    if (!tag.name().equals(to)) {
      return "Renamed the tag %s to %s".formatted(tag.name(), to);
    }
    return (putAway ? "Put the tag %s away" : "Took the tag %s out again").formatted(to);
  }

  /**
   * Makes a tag part of another one: its entries and the rules that give it have the other.
   *
   * @throws Refusal {@code merge-with-itself}
   * @throws NotFound if one of them is not there
   * @throws Conflict if the one that goes has changed since
   */
  @Transactional
  @ForBookkeepers
  public void merge(UUID id, int version, UUID intoId) {
    UUID household = SignedIn.now().householdId();
    Found<Held> both = held(household, id, intoId);
    Held goes = both.of(id);
    Held stays = both.of(intoId);
    if (goes.equals(stays)) {
      throw Refusal.ofField("merge-with-itself", "into", "Choose another tag.");
    }
    requireSeen(goes, version);
    acts.begin(ActKind.TAGS, "Merged the tag %s into %s".formatted(goes.name(), stays.name()));
    jdbc.sql(
            """
            insert into entry_tag (household_id, entry_id, tag_id)
            select household_id, entry_id, ? from entry_tag where household_id = ? and tag_id = ? on conflict do nothing\
            """)
        .params(intoId, household, id)
        .update();
    jdbc.sql("delete from entry_tag where household_id = ? and tag_id = ?")
        .params(household, id)
        .update();
    jdbc.sql("delete from tag where household_id = ? and id = ?").params(household, id).update();
    followers.forEach(f -> f.renamed(goes.name(), stays.name()));
  }

  /** Held until the transaction ends, in the order of their identities. */
  private Found<Held> held(UUID household, UUID... ids) {
    Map<UUID, Held> held =
        jdbc
            .sql(
                """
                select id, version, name, put_away from tag
                 where household_id = ? and id = any(?) order by id for update\
                """)
            .params(household, ids)
            .query((row, no) ->
                new Held(
                    row.getObject(1, UUID.class),
                    row.getInt(2),
                    row.getString(3),
                    row.getBoolean(4)))
            .list()
            .stream()
            .collect(Collectors.toMap(Held::id, Function.identity()));
    if (!held.keySet().containsAll(List.of(ids))) {
      throw new NotFound("tag");
    }
    return new Found<>(held);
  }

  private static void requireSeen(Held tag, int version) {
    if (tag.version() != version) {
      throw Conflict.changedMeanwhile("tag");
    }
  }
}
