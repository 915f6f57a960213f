package org.yewledger.app.bankline;

import jakarta.persistence.EntityManager;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.hibernate.Session;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Component;
import org.yewledger.app.bankline.ArrivingLines.NewLine;
import org.yewledger.app.bankline.BankLineStateEntity.State;
import org.yewledger.app.platform.Ids;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.gather.Arrival;
import org.yewledger.core.gather.Days;
import org.yewledger.core.gather.KnownLine;
import org.yewledger.core.gather.LineKey;
import org.yewledger.core.gather.LineSource;

/** Writes and recognises bank lines by the hundred thousand. */
@Component
public class BankLineStore {
  private final EntityManager entities;
  private final ApplicationEventPublisher events;

  BankLineStore(EntityManager entities, ApplicationEventPublisher events) {
    this.entities = entities;
    this.events = events;
  }

  /**
   * Stores the lines of a batch, with their first states. Pending lines give way to those that
   * replace them.
   *
   * @return the new lines' ids, in the order of the arrivals
   */
  public List<UUID> add(BatchEntity batch, List<Arrival> arrivals) {
    if (arrivals.isEmpty()) {
      return List.of();
    }
    entities.flush();
    List<NewLine> lines = arrivals.stream().map(a -> new NewLine(Ids.next(), a)).toList();
    entities
        .unwrap(Session.class)
        .doWork(connection -> new ArrivingLines(connection).write(batch, lines));
    for (NewLine line : lines) {
      UUID pending = line.arrival().replaces();
      if (pending != null) {
        replaced(pending, line.id(), batch.gatheredAt(), batch.gatheredBy());
      }
    }
    events.publishEvent(new LinesArrived(SignedIn.now().householdId()));
    return lines.stream().map(NewLine::id).toList();
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
            select new %s(l.id, l.bookedOn, l.amountMinor, l.textKey, l.identity, l.ordinal, b.source, s.state,
                s.otherLineId)
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
      int ordinal,
      LineSource source,
      State state,
      @Nullable UUID otherLineId) {

    KnownLine toKnownLine() {
      var standing =
          switch (state) {
            case PENDING -> KnownLine.Standing.PENDING;
            case REPLACED -> KnownLine.Standing.REPLACED;
            case COPY -> KnownLine.Standing.COPY;
            case WAITING, POSTED, DOUBTFUL, LEFT_OUT -> KnownLine.Standing.BOOKED;
          };
      return new KnownLine(
          id,
          new LineKey(bookedOn, amountMinor, textKey, identity),
          ordinal,
          source,
          standing,
          state == State.COPY && otherLineId != null ? otherLineId : id);
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
    UUID household = SignedIn.now().householdId();
    UUID[] ids = lineIds.toArray(UUID[]::new);
    entities
        .createNativeQuery(
            "delete from bank_line_state where household_id = :household and bank_line_id = any(:ids)",
            Void.class)
        .setParameter("household", household)
        .setParameter("ids", ids)
        .executeUpdate();
    entities
        .createNativeQuery(
            "update bank_line set taken_back_at = :at where household_id = :household and id = any(:ids)",
            Void.class)
        .setParameter("at", at)
        .setParameter("household", household)
        .setParameter("ids", ids)
        .executeUpdate();
  }
}
