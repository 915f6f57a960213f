package org.yewledger.app.act;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.ActJson.ActPageJson;
import org.yewledger.app.act.ActJson.ChangeJson;
import org.yewledger.app.act.ActJson.Doer;
import org.yewledger.app.act.ActJson.OneActJson;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.act.ActStack;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Reads acts, newest first. Identities of acts rise with time, so they are the pages' keys too. */
@Component
public class ActReader {
  static final int PAGE = 50;

  /** How far back undo looks. */
  private static final int STACK = 400;

  private static final int CHANGES = 500;

  /** What changes accounts themselves, and not only what stands on them. */
  private static final Set<ActKind> OF_ACCOUNTS =
      EnumSet.of(
          ActKind.BEGIN_HOUSEHOLD,
          ActKind.OPEN_BOOKS,
          ActKind.ADD_BOOK,
          ActKind.ADD_ACCOUNT,
          ActKind.CHANGE_ACCOUNT,
          ActKind.MOVE_ACCOUNT,
          ActKind.MERGE_ACCOUNT,
          ActKind.CLOSE_ACCOUNT,
          ActKind.REOPEN_ACCOUNT,
          ActKind.IMPORT_CHART,
          ActKind.COPY,
          ActKind.OPENING_BALANCES,
          ActKind.CONNECT,
          ActKind.UNDO,
          ActKind.REDO,
          ActKind.EARLIER);

  /** What is looked for; null parts do not narrow it. */
  record Filter(
      @Nullable UUID entryId,
      @Nullable UUID accountId,
      @Nullable UUID personId,
      @Nullable Instant from,
      @Nullable Instant to) {}

  /** An act for a list of what happened to one thing. */
  public record Told(Instant at, String who, String words) {}

  private static final String SELECT =
      """
      select a.id, a.at, a.person_id, coalesce(p.name, 'somebody who left') as who, a.doer, a.from_where, a.kind, a.words,
             a.undoes,
             not exists (select 1 from act u where u.household_id = a.household_id and u.undoes = a.id
               and not exists (select 1 from act r where r.household_id = u.household_id and r.undoes = u.id)) as stands,
             a.kind <> 'EARLIER' and (select true from act_change c
               where c.household_id = a.household_id and c.act_id = a.id limit 1) is true as undoable
        from act a left join person p on p.id = a.person_id
       where a.household_id = :household\
      """;

  private final JdbcClient jdbc;
  private final List<NamedRows> named;
  private final JsonMapper json;

  ActReader(JdbcClient jdbc, JsonMapper json, List<NamedRows> named) {
    this.jdbc = jdbc;
    this.named = named;
    this.json = json;
  }

  @Transactional(readOnly = true)
  ActPageJson page(Filter filter, @Nullable UUID after) {
    var sql = new StringBuilder(SELECT);
    var wanted = jdbc.sql(where(sql, filter, after)).param("household", household());
    wanted = filter.entryId() == null ? wanted : wanted.param("entry", filter.entryId());
    wanted = filter.accountId() == null ? wanted : wanted.param("account", filter.accountId());
    wanted = filter.personId() == null ? wanted : wanted.param("person", filter.personId());
    wanted = filter.from() == null ? wanted : wanted.param("from", Timestamp.from(filter.from()));
    wanted = filter.to() == null ? wanted : wanted.param("to", Timestamp.from(filter.to()));
    wanted = after == null ? wanted : wanted.param("after", after);
    List<OneActJson> acts = wanted.query(ActReader::act).list();
    UUID next = acts.size() < PAGE ? null : acts.getLast().id();
    return new ActPageJson(acts, next);
  }

  private static String where(StringBuilder sql, Filter filter, @Nullable UUID after) {
    String touched =
        " and exists (select 1 from act_change c where c.household_id = a.household_id and c.act_id = a.id and ";
    if (filter.entryId() != null) {
      sql.append(touched).append("c.entry_id = :entry)");
    }
    if (filter.accountId() != null) {
      sql.append(touched).append("c.account_id = :account)");
    }
    sql.append(filter.personId() == null ? "" : " and a.person_id = :person");
    sql.append(filter.from() == null ? "" : " and a.at >= :from");
    sql.append(filter.to() == null ? "" : " and a.at < :to");
    sql.append(after == null ? "" : " and a.id < :after");
    return sql.append(" order by a.id desc limit ").append(PAGE).toString();
  }

  /** What happened to an account itself, newest first: facts, place, opening balance. */
  @Transactional(readOnly = true)
  public List<Told> ofAccount(UUID accountId, int most) {
    return jdbc.sql(
            """
            select a.at, coalesce(p.name, 'somebody who left'), a.words
              from act a left join person p on p.id = a.person_id
             where a.household_id = :household and a.kind in (:kinds)
               and exists (select 1 from act_change c
                 where c.household_id = a.household_id and c.account_id = :account and c.act_id = a.id)
             order by a.at desc, a.id desc limit :most\
            """)
        .param("household", household())
        .param("account", accountId)
        .param("kinds", OF_ACCOUNTS.stream().map(Enum::name).toList())
        .param("most", most)
        .query((row, no) ->
            new Told(row.getTimestamp(1).toInstant(), row.getString(2), row.getString(3)))
        .list();
  }

  @Transactional(readOnly = true)
  Optional<OneActJson> act(UUID id) {
    return jdbc.sql(SELECT + " and a.id = :id")
        .param("household", household())
        .param("id", id)
        .query(ActReader::act)
        .optional();
  }

  /** The rows that an act changed, in their order; of very many the first. */
  @Transactional(readOnly = true)
  List<ChangeJson> changes(UUID actId) {
    List<ChangeJson> changes =
        jdbc.sql(
                """
                select table_name, op, row_key, before::text, after::text from act_change
                 where household_id = :household and act_id = :act order by step, row_key limit :most\
                """)
            .param("household", household())
            .param("act", actId)
            .param("most", CHANGES)
            .query((row, no) ->
                new ChangeJson(
                    row.getString(1),
                    row.getString(2),
                    row.getString(3),
                    read(row.getString(4)),
                    read(row.getString(5))))
            .list();
    named.forEach(by -> name(changes, by));
    return changes;
  }

  /** Beside an identity, such as payee_id, what it was called comes to stand, as payee. */
  private static void name(List<ChangeJson> changes, NamedRows by) {
    List<ObjectNode> rows =
        changes.stream()
            .flatMap(c -> Stream.of(c.before(), c.after()))
            .filter(ObjectNode.class::isInstance)
            .map(ObjectNode.class::cast)
            .filter(row -> row.hasNonNull(by.column()))
            .toList();
    Map<String, String> names =
        by.names(
            rows.stream().map(r -> r.path(by.column()).asString()).collect(Collectors.toSet()));
    for (ObjectNode row : rows) {
      String name = names.get(row.path(by.column()).asString());
      if (name != null) {
        row.put(by.column().replaceFirst("_id$", ""), name);
      }
    }
  }

  /** The acts of late, as undoing sees them; with those that the given one takes back. */
  @Transactional(readOnly = true)
  ActStack stack(@Nullable UUID including) {
    var acts = new ArrayList<ActStack.Act>();
    jdbc.sql(SELECT + " order by a.id desc limit " + STACK)
        .param("household", household())
        .query(ActReader::act)
        .list()
        .forEach(act -> acts.add(stacked(act)));
    UUID missing = including;
    while (missing != null) {
      UUID wanted = missing;
      OneActJson older =
          acts.stream().anyMatch(a -> a.id().equals(wanted)) ? null : act(wanted).orElse(null);
      if (older == null) {
        break;
      }
      acts.add(stacked(older));
      missing = older.undoes();
    }
    return new ActStack(acts);
  }

  private static ActStack.Act stacked(OneActJson act) {
    return new ActStack.Act(act.id(), act.personId(), act.undoes(), act.undoable());
  }

  private static OneActJson act(ResultSet row, int no) throws SQLException {
    return new OneActJson(
        row.getObject("id", UUID.class),
        row.getTimestamp("at").toInstant(),
        row.getObject("person_id", UUID.class),
        row.getString("who"),
        Doer.valueOf(row.getString("doer")),
        row.getString("from_where"),
        ActKind.valueOf(row.getString("kind")),
        row.getString("words"),
        row.getObject("undoes", UUID.class),
        row.getBoolean("stands"),
        row.getBoolean("undoable"));
  }

  private @Nullable JsonNode read(@Nullable String text) {
    return text == null ? null : json.readTree(text);
  }

  private static UUID household() {
    return SignedIn.now().householdId();
  }
}
