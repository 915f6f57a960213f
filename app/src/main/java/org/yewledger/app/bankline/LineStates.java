package org.yewledger.app.bankline;

import jakarta.persistence.EntityManager;
import java.sql.Timestamp;
import java.time.Clock;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.bankline.BankLineStateEntity.State;
import org.yewledger.app.platform.Found;
import org.yewledger.app.platform.NotFound;
import org.yewledger.app.platform.SignedIn;

/** Reads and changes what was made of bank lines, many at once. */
@Component
@Transactional(propagation = Propagation.MANDATORY)
public class LineStates {
  private final EntityManager entities;
  private final JdbcClient jdbc;
  private final Clock clock;

  LineStates(EntityManager entities, JdbcClient jdbc, Clock clock) {
    this.entities = entities;
    this.jdbc = jdbc;
    this.clock = clock;
  }

  /**
   * The states of lines, locked until the transaction ends: who posts a line, takes it back or
   * decides a doubt over it waits here for who was first.
   *
   * @throws NotFound if there is no such line, or it was taken back with its batch
   */
  public Found<BankLineStateEntity> locked(Collection<UUID> lineIds) {
    var states = new LinkedHashMap<UUID, BankLineStateEntity>();
    lockedWhere("bank_line_id", lineIds).forEach(state -> states.put(state.bankLineId(), state));
    if (!states.keySet().containsAll(lineIds)) {
      throw new NotFound("bank line");
    }
    return new Found<>(states);
  }

  /** The states of lines that are held against these: in doubt over them, copies, or replaced. */
  public List<BankLineStateEntity> heldAgainst(Collection<UUID> lineIds) {
    return lockedWhere("other_line_id", lineIds);
  }

  private List<BankLineStateEntity> lockedWhere(String column, Collection<UUID> ids) {
    return entities
        .createNativeQuery(
            "select * from bank_line_state where household_id = :household and "
                + column
                + " = any(:ids) order by bank_line_id for update",
            BankLineStateEntity.class)
        .setParameter("household", SignedIn.now().householdId())
        .setParameter("ids", ids.toArray(UUID[]::new))
        .getResultList();
  }

  /** The lines themselves. */
  public Found<BankLineEntity> lines(Collection<UUID> lineIds) {
    var lines = new LinkedHashMap<UUID, BankLineEntity>();
    List<BankLineEntity> rows =
        entities
            .createNativeQuery(
                """
                select * from bank_line where household_id = :household and id = any(:ids) and taken_back_at is null
                order by booked_on, id\
                """,
                BankLineEntity.class)
            .setParameter("household", SignedIn.now().householdId())
            .setParameter("ids", lineIds.toArray(UUID[]::new))
            .getResultList();
    rows.forEach(line -> lines.put(line.id(), line));
    if (!lines.keySet().containsAll(lineIds)) {
      throw new NotFound("bank line");
    }
    return new Found<>(lines);
  }

  /** Puts all lines into a state at once. Entities of them that were read before are stale then. */
  public void become(Collection<UUID> lineIds, State state) {
    jdbc.sql(
            """
            update bank_line_state set state = ?, other_line_id = null, left_out_because = null, changed_at = ?, changed_by = ?, version = version + 1
             where household_id = ? and bank_line_id = any(?)\
            """)
        .params(
            state.name(),
            Timestamp.from(clock.instant()),
            SignedIn.now().personId(),
            SignedIn.now().householdId(),
            lineIds.toArray(UUID[]::new))
        .update();
  }
}
