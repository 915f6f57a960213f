package org.yewledger.app.journal;

import jakarta.persistence.EntityManager;
import java.time.LocalDate;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.journal.EntryStore.Stored;
import org.yewledger.app.platform.Conflict;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.ledger.Countering;
import org.yewledger.core.ledger.Entry;

/** Takes entries back by their opposites: both stay in the books, linked. */
@Service
class CounterService {
  private final EntityManager entities;
  private final EntryLocks locks;
  private final EntryReader reader;
  private final EntryStore store;
  private final ServedMonths served;
  private final Acts acts;

  CounterService(
      EntityManager entities,
      EntryLocks locks,
      EntryReader reader,
      EntryStore store,
      ServedMonths served,
      Acts acts) {
    this.entities = entities;
    this.locks = locks;
    this.reader = reader;
    this.store = store;
    this.served = served;
    this.acts = acts;
  }

  /**
   * Makes the opposite of an entry.
   *
   * @param version of the entry, as the person saw it
   * @param on the day of a reversal; null to take the entry's own
   * @return the identity of the opposite
   * @throws Conflict {@code already-countered}
   * @throws org.yewledger.core.Refusal {@code reversal-before-entry} or {@code opening-by-sheet}
   */
  @Transactional
  @ForBookkeepers
  UUID counter(UUID id, int version, Countering how, @Nullable LocalDate on) {
    EntryEntity row = locks.entry(id, version);
    requireNotCountered(row);
    Entry entry = reader.views(List.of(row)).getFirst().toEntry();
    acts.begin(
        ActKind.COUNTER,
        "%s no. %d, %s"
            .formatted(how == Countering.VOID ? "Voided" : "Reversed", row.no(), row.payee()));
    return countered(Map.of(id, how.of(entry, on == null ? row.date() : on)), how).getFirst();
  }

  /**
   * Books the opposites of entries, within an act.
   *
   * @param opposites by the identities of the entries, in their order
   * @return the identities of the opposites
   */
  List<UUID> countered(Map<UUID, Entry> opposites, Countering how) {
    List<UUID> ids = List.copyOf(opposites.keySet());
    List<Stored> stored = store.add(List.copyOf(opposites.values()));
    for (int i = 0; i < ids.size(); i++) {
      stored.get(i).entry().counter(ids.get(i), how);
    }
    entities.flush();
    // What is spread is taken back month by month.
    for (int i = 0; i < ids.size(); i++) {
      served.take(ids.get(i), stored.get(i).entry().id());
    }
    return stored.stream().map(s -> s.entry().id()).toList();
  }

  /** Those of some entries that another one takes back, or that take another one back. */
  Set<UUID> among(Collection<UUID> ids) {
    return new HashSet<>(
        entities
            .createQuery(
                """
                select e.id from Entry e where e.id in :ids
                   and (e.countersId is not null or exists (select 1 from Entry c where c.countersId = e.id))\
                """,
                UUID.class)
            .setParameter("ids", ids)
            .getResultList());
  }

  /**
   * An entry that another one takes back, or that takes another one back, stays beside it.
   *
   * @throws Conflict {@code already-countered}
   */
  void requireNoCounter(EntryEntity row) {
    requireNotCountered(row);
    if (row.countersId() != null) {
      throw new Conflict(
          "already-countered",
          "No. %d takes another entry back; both stay in the books.".formatted(row.no()));
    }
  }

  private void requireNotCountered(EntryEntity row) {
    List<Long> opposite =
        entities
            .createQuery("select e.no from Entry e where e.countersId = :id", Long.class)
            .setParameter("id", row.id())
            .getResultList();
    if (!opposite.isEmpty()) {
      throw new Conflict(
          "already-countered",
          "No. %d was taken back by no. %d already.".formatted(row.no(), opposite.getFirst()));
    }
  }
}
