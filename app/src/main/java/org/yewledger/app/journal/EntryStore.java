package org.yewledger.app.journal;

import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.platform.Ids;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.ledger.Entry;

/** Writes entries that the core has made; the only way for one to get into the database. */
@Component
@Transactional(propagation = Propagation.MANDATORY)
public class EntryStore {
  /** A stored entry and its postings, in the entry's order. */
  public record Stored(EntryEntity entry, List<PostingEntity> postings) {}

  private final EntityManager entities;
  private final Clock clock;

  EntryStore(EntityManager entities, Clock clock) {
    this.entities = entities;
    this.clock = clock;
  }

  /** Numbers and stores the entries, in their order. */
  public List<Stored> add(List<Entry> entries) {
    long no = takeNumbers(entries.size());
    var stored = new ArrayList<Stored>(entries.size());
    for (Entry entry : entries) {
      stored.add(add(entry, no++));
    }
    return stored;
  }

  private Stored add(Entry entry, long no) {
    var row = new EntryEntity(Ids.next(), no, entry, clock.instant(), SignedIn.now().personId());
    entities.persist(row);
    var postings = new ArrayList<PostingEntity>(entry.postings().size());
    for (int place = 0; place < entry.postings().size(); place++) {
      var posting = new PostingEntity(Ids.next(), row, place, entry.postings().get(place));
      entities.persist(posting);
      postings.add(posting);
    }
    return new Stored(row, postings);
  }

  /** Takes an entry out of the books, with its postings. The database refuses a reconciled one. */
  public void remove(UUID entryId) {
    postingsOf(entryId).forEach(entities::remove);
    entities.remove(entities.getReference(EntryEntity.class, entryId));
  }

  /** Sends what was added and removed so far to the database. */
  public void flush() {
    entities.flush();
  }

  /** Lets what was read be read again, after rows were changed by SQL. */
  public void forgetRead() {
    entities.clear();
  }

  public List<PostingEntity> postingsOf(UUID entryId) {
    return entities
        .createQuery("from Posting where entryId = :entry order by place", PostingEntity.class)
        .setParameter("entry", entryId)
        .getResultList();
  }

  /** Locks the household's counter, so that numbers are given once, without gaps. */
  private long takeNumbers(int count) {
    Object first =
        entities
            .createNativeQuery(
                """
                update household set next_entry_no = next_entry_no + :count where id = :household
                returning next_entry_no - :count\
                """,
                Long.class)
            .setParameter("count", count)
            .setParameter("household", SignedIn.now().householdId())
            .getSingleResult();
    return (Long) first;
  }
}
