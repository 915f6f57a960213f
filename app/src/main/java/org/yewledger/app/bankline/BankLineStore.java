package org.yewledger.app.bankline;

import jakarta.persistence.EntityManager;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.UUID;
import java.util.function.Function;
import org.hibernate.Session;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.yewledger.app.bankline.BankLineStateEntity.State;
import org.yewledger.app.platform.Ids;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.gather.Arrival;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.gather.Days;
import org.yewledger.core.gather.KnownLine;
import org.yewledger.core.gather.LineKey;
import org.yewledger.core.gather.LineSource;

/**
 * Writes and recognises bank lines by the hundred thousand. Lines go in as arrays, some thousand in
 * one statement, since one statement or one entity per line costs several times as much.
 */
@Component
public class BankLineStore {
  private static final int LINES_PER_STATEMENT = 5_000;
  private static final int MANY_LINES = 2_000;

  private static final String INSERT_LINES =
      """
      insert into bank_line (household_id, batch_id, account_id, id, booked_on, value_on, amount_minor,
          payee, memo, reference, type, identity, raw, source_line, text_key, ordinal, pending)
      select ?, ?, ?, a.* from unnest(?::uuid[], ?::date[], ?::date[], ?::bigint[], ?::text[], ?::text[],
          ?::text[], ?::text[], ?::text[], ?::text[], ?::int[], ?::text[], ?::int[], ?::boolean[]) a\
      """;

  private static final String INSERT_STATES =
      """
      insert into bank_line_state (household_id, account_id, changed_at, changed_by, bank_line_id,
          booked_on, state, other_line_id)
      select ?, ?, ?, ?, a.* from unnest(?::uuid[], ?::date[], ?::text[], ?::uuid[]) a\
      """;

  private record NewLine(UUID id, Arrival arrival, LineKey key) {
    BankLine line() {
      return arrival.line();
    }

    State state() {
      if (line().isPending()) {
        return State.PENDING;
      }
      return arrival.doubtOver() == null ? State.WAITING : State.DOUBTFUL;
    }
  }

  private final EntityManager entities;

  BankLineStore(EntityManager entities) {
    this.entities = entities;
  }

  /**
   * Stores the lines of a batch, with their first states. Pending lines give way to those that
   * replace them.
   *
   * @return the new lines' ids, in the order of the arrivals
   */
  public List<UUID> add(BatchEntity batch, List<Arrival> arrivals) {
    entities.flush();
    List<NewLine> lines =
        arrivals.stream().map(a -> new NewLine(Ids.next(), a, a.line().key())).toList();
    Session session = entities.unwrap(Session.class);
    session.doWork(connection -> {
      inParts(lines, some -> insertLines(connection, batch, some));
      analyzeAfter(connection, "analyze_bank_lines()", lines.size());
      inParts(lines, some -> insertStates(connection, batch, some));
      analyzeAfter(connection, "analyze_bank_line_states()", lines.size());
    });
    for (NewLine line : lines) {
      UUID pending = line.arrival().replaces();
      if (pending != null) {
        replaced(pending, line.id(), batch.gatheredAt(), batch.gatheredBy());
      }
    }
    return lines.stream().map(NewLine::id).toList();
  }

  private interface Insert {
    void of(List<NewLine> lines) throws SQLException;
  }

  private static void inParts(List<NewLine> lines, Insert insert) throws SQLException {
    for (int from = 0; from < lines.size(); from += LINES_PER_STATEMENT) {
      insert.of(lines.subList(from, Math.min(lines.size(), from + LINES_PER_STATEMENT)));
    }
  }

  /** Many lines change what the planner has to know; a check of 100,000 keys took seconds. */
  private static void analyzeAfter(Connection connection, String function, int lines)
      throws SQLException {
    if (lines >= MANY_LINES) {
      try (PreparedStatement analyze = connection.prepareStatement("select " + function)) {
        analyze.execute();
      }
    }
  }

  private static void insertLines(Connection connection, BatchEntity batch, List<NewLine> lines)
      throws SQLException {
    UUID household = SignedIn.now().householdId();
    try (PreparedStatement insert = connection.prepareStatement(INSERT_LINES)) {
      insert.setObject(1, household);
      insert.setObject(2, batch.id());
      insert.setObject(3, batch.accountId());
      array(insert, 4, "uuid", lines, NewLine::id);
      array(insert, 5, "date", lines, l -> l.line().bookedOn());
      array(insert, 6, "date", lines, l -> l.line().valueOn());
      array(insert, 7, "bigint", lines, l -> l.line().amountMinor());
      array(insert, 8, "text", lines, l -> l.line().payee());
      array(insert, 9, "text", lines, l -> l.line().memo());
      array(insert, 10, "text", lines, l -> l.line().reference());
      array(insert, 11, "text", lines, l -> l.line().type());
      array(insert, 12, "text", lines, l -> l.line().identity());
      array(insert, 13, "text", lines, l -> l.line().raw());
      array(insert, 14, "int", lines, l -> l.line().sourceLine());
      array(insert, 15, "text", lines, l -> l.key().evenText());
      array(insert, 16, "int", lines, l -> l.arrival().ordinal());
      array(insert, 17, "boolean", lines, l -> l.line().isPending());
      insert.executeUpdate();
    }
  }

  private static void insertStates(Connection connection, BatchEntity batch, List<NewLine> lines)
      throws SQLException {
    UUID household = SignedIn.now().householdId();
    try (PreparedStatement insert = connection.prepareStatement(INSERT_STATES)) {
      insert.setObject(1, household);
      insert.setObject(2, batch.accountId());
      insert.setTimestamp(3, java.sql.Timestamp.from(batch.gatheredAt()));
      insert.setObject(4, batch.gatheredBy());
      array(insert, 5, "uuid", lines, NewLine::id);
      array(insert, 6, "date", lines, l -> l.line().bookedOn());
      array(insert, 7, "text", lines, l -> l.state().name());
      array(insert, 8, "uuid", lines, l -> l.arrival().doubtOver());
      insert.executeUpdate();
    }
  }

  private static void array(
      PreparedStatement insert,
      int index,
      String type,
      List<NewLine> lines,
      Function<NewLine, @Nullable Object> value)
      throws SQLException {
    @Nullable Object[] values = new @Nullable Object[lines.size()];
    for (int i = 0; i < values.length; i++) {
      values[i] = value.apply(lines.get(i));
    }
    insert.setArray(index, insert.getConnection().createArrayOf(type, values));
  }

  /** Says that a pending line is done with: {@code by} has taken its place, or nothing has. */
  public void replaced(UUID pendingId, @Nullable UUID by, Instant at, UUID person) {
    BankLineStateEntity state = entities.find(BankLineStateEntity.class, pendingId);
    if (state != null && state.state() == State.PENDING) {
      state.become(State.REPLACED, by, at, person);
    }
  }

  /** The lines of an account that are here, within some days, as far as recognising needs them. */
  public List<KnownLine> known(UUID accountId, Days days) {
    return entities
        .createQuery(
            """
            select new %s(l.id, l.bookedOn, l.amountMinor, l.textKey, l.identity, b.source, s.state)
            from BankLine l join Batch b on b.id = l.batchId
            join BankLineState s on s.bankLineId = l.id
            where l.accountId = :account and l.bookedOn between :first and :last
            order by l.bookedOn, l.id\
            """
                .formatted(KnownRow.class.getName()),
            KnownRow.class)
        .setParameter("account", accountId)
        .setParameter("first", days.first())
        .setParameter("last", days.last())
        .getResultStream()
        .map(KnownRow::toKnownLine)
        .toList();
  }

  /** A row of the query above. */
  public record KnownRow(
      UUID id,
      LocalDate bookedOn,
      long amountMinor,
      String textKey,
      @Nullable String identity,
      LineSource source,
      State state) {

    KnownLine toKnownLine() {
      var standing =
          switch (state) {
            case PENDING -> KnownLine.Standing.PENDING;
            case REPLACED -> KnownLine.Standing.REPLACED;
            case COPY -> KnownLine.Standing.COPY;
            case WAITING, POSTED, DOUBTFUL -> KnownLine.Standing.BOOKED;
          };
      return new KnownLine(
          id, new LineKey(bookedOn, amountMinor, textKey, identity), source, standing);
    }
  }

  /** The lines of an account that a feed has announced and not booked. */
  public List<BankLineEntity> pendingOfFeed(UUID accountId) {
    return entities
        .createQuery(
            """
            select l from BankLineState s join BankLine l on l.id = s.bankLineId
            join Batch b on b.id = l.batchId
            where s.accountId = :account and s.state = PENDING and b.source = FEED\
            """,
            BankLineEntity.class)
        .setParameter("account", accountId)
        .getResultList();
  }

  /** Takes lines back: they are kept as the bank gave them and count no more. */
  public void takeBack(Collection<UUID> lineIds, Instant at) {
    if (lineIds.isEmpty()) {
      return;
    }
    entities.flush();
    entities
        .createQuery("delete from BankLineState where bankLineId in :ids")
        .setParameter("ids", lineIds)
        .executeUpdate();
    entities
        .createNativeQuery("update bank_line set taken_back_at = :at where id in :ids", Void.class)
        .setParameter("at", at)
        .setParameter("ids", lineIds)
        .executeUpdate();
  }
}
