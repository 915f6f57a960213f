package org.yewledger.app.journal;

import jakarta.persistence.EntityManager;
import jakarta.persistence.LockModeType;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.AccountLocks;
import org.yewledger.app.platform.Conflict;
import org.yewledger.app.platform.NotFound;
import org.yewledger.app.platform.SignedIn;

/**
 * Holds entries for the rest of a transaction: first the accounts that they stand on, then the
 * entries, in one order for everybody. What was read of them before is read again afterwards.
 */
@Component
@Transactional(propagation = Propagation.MANDATORY)
class EntryLocks {
  /** An entry, as a person saw it. */
  record Seen(UUID id, int version) {}

  private final EntityManager entities;
  private final AccountLocks accounts;
  private final EntryStore entries;

  EntryLocks(EntityManager entities, AccountLocks accounts, EntryStore entries) {
    this.entities = entities;
    this.accounts = accounts;
    this.entries = entries;
  }

  /** Holds an entry that is to be changed. */
  EntryEntity entry(UUID id, int version) {
    return entry(id, version, Set.of());
  }

  /**
   * Holds an entry that is to be changed.
   *
   * @param others accounts that it gets by the change
   * @throws NotFound if it is gone
   * @throws Conflict if it has changed since the person saw it
   */
  EntryEntity entry(UUID id, int version, Collection<UUID> others) {
    accountsOf(List.of(id), others);
    return held(new Seen(id, version));
  }

  /**
   * Holds several entries.
   *
   * @throws NotFound if one of them is gone
   * @throws Conflict if one has changed since the person saw it
   */
  void entries(Collection<Seen> seen) {
    accountsOf(seen.stream().map(Seen::id).toList(), Set.of());
    seen.stream().sorted(Comparator.comparing(Seen::id)).forEach(this::held);
  }

  /**
   * Holds entries as they are now, whatever a person saw of them; those that are gone are left out.
   *
   * @param others accounts that they get by the change
   */
  void held(Collection<UUID> ids, Collection<UUID> others) {
    accountsOf(ids, others);
    entities
        .createNativeQuery(
            "select * from entry where household_id = :household and id = any(:ids) order by id for update",
            EntryEntity.class)
        .setParameter("household", SignedIn.now().householdId())
        .setParameter("ids", ids.toArray(UUID[]::new))
        .getResultList();
  }

  /**
   * Holds the accounts of entries, so that the same can be booked there again.
   *
   * @param others accounts that are held with them
   */
  void accountsOf(Collection<UUID> entryIds, Collection<UUID> others) {
    Set<UUID> all = new HashSet<>(others);
    entries.postingsOf(entryIds).forEach(posting -> all.add(posting.accountId()));
    accounts.shared(all);
    entries.forgetRead();
  }

  private EntryEntity held(Seen seen) {
    EntryEntity entry =
        Optional.ofNullable(
                entities.find(EntryEntity.class, seen.id(), LockModeType.PESSIMISTIC_WRITE))
            .orElseThrow(() -> new NotFound("entry"));
    if (entry.version() != seen.version()) {
      throw Conflict.changedMeanwhile("entry");
    }
    return entry;
  }
}
