package org.yewledger.app.journal;

import jakarta.persistence.EntityManager;
import java.time.LocalDate;
import java.util.Collection;
import java.util.UUID;
import java.util.function.BiFunction;
import java.util.stream.IntStream;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.journal.EntryLocks.Seen;
import org.yewledger.app.journal.EntryReader.EntryView;
import org.yewledger.app.platform.Conflict;
import org.yewledger.app.platform.NotFound;
import org.yewledger.core.Refusal;
import org.yewledger.core.ledger.Correction;
import org.yewledger.core.ledger.Draft;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.money.Amount;

/** Puts mistakes of entries right that somebody found elsewhere, such as beside a statement. */
@Component
@Transactional(propagation = Propagation.MANDATORY)
public class EntryCorrections {
  private final EntityManager entities;
  private final EntryLocks locks;
  private final EntryReader reader;
  private final RevisionService revisions;
  private final MergeService merges;

  EntryCorrections(
      EntityManager entities,
      EntryLocks locks,
      EntryReader reader,
      RevisionService revisions,
      MergeService merges) {
    this.entities = entities;
    this.locks = locks;
    this.reader = reader;
    this.revisions = revisions;
    this.merges = merges;
  }

  /**
   * Holds entries that are corrected in the transaction, before anything else.
   *
   * @param others accounts that are booked on beside
   */
  public void hold(Collection<UUID> entryIds, Collection<UUID> others) {
    locks.held(entryIds, others);
    entities.clear();
  }

  /**
   * Gives the entry of a posting another amount there; what stands across follows.
   *
   * @return the posting that takes its place
   * @throws Refusal as {@link Correction#of} and the ledger do
   */
  public UUID amount(UUID postingId, Amount should) {
    return corrected(postingId, (entry, place) -> Correction.of(entry, place, should));
  }

  /**
   * Gives the entry of a posting another day.
   *
   * @return the posting that takes its place
   * @throws Refusal as the ledger does
   */
  public UUID day(UUID postingId, LocalDate should) {
    return corrected(postingId, (entry, place) -> Correction.dated(entry, should));
  }

  /**
   * Turns the entry of a posting round: what came in goes out.
   *
   * @return the posting that takes its place
   */
  public UUID turn(UUID postingId) {
    return corrected(postingId, (entry, place) -> Correction.turned(entry));
  }

  /**
   * Makes one entry of two that are one thing booked twice.
   *
   * @throws Refusal as merging does
   */
  public void mergeDoubled(UUID stays, UUID goes) {
    merges.merge(seen(stays), seen(goes));
  }

  private Seen seen(UUID entryId) {
    return new Seen(entryId, reader.find(entryId).entry().version());
  }

  private UUID corrected(UUID postingId, BiFunction<Entry, Integer, Draft> correction) {
    PostingEntity posting = entities.find(PostingEntity.class, postingId);
    if (posting == null) {
      throw new NotFound("posting");
    }
    UUID entryId = posting.entryId();
    EntryView view = reader.find(entryId);
    int place =
        IntStream.range(0, view.postings().size())
            .filter(i -> view.postings().get(i).id().equals(postingId))
            .findFirst()
            .orElseThrow(() -> Conflict.changedMeanwhile("entry"));
    // What the core adds between books comes after what was written.
    long written =
        view.postings().subList(0, place).stream()
            .filter(p -> p.account().kind().isBookable())
            .count();
    revisions.revise(entryId, view.entry().version(), correction.apply(view.toEntry(), place));
    entities.flush();
    entities.clear();
    return reader.find(entryId).postings().get((int) written).id();
  }
}
