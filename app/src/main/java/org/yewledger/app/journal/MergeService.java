package org.yewledger.app.journal;

import java.util.List;
import java.util.Objects;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.attachment.Attachments;
import org.yewledger.app.bankline.LineLinks;
import org.yewledger.app.journal.EntryLocks.Seen;
import org.yewledger.app.journal.EntryReader.EntryView;
import org.yewledger.app.journal.EntryReader.PostingView;
import org.yewledger.app.platform.Conflict;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.Refusal;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.ledger.Merging;
import org.yewledger.core.ledger.Revision;

/** Finds what was booked twice, and makes one entry of two. */
@Service
class MergeService {
  /** Two entries of one thing are seldom further apart than a bank takes to book it. */
  private static final int DAYS_APART = 45;

  private static final int MOST = 10;

  private final JdbcClient jdbc;
  private final EntryLocks locks;
  private final EntryReader reader;
  private final EntryStore entries;
  private final LineLinks links;
  private final CounterService counters;
  private final Attachments attachments;
  private final ServedMonths served;
  private final List<EntryFollower> followers;
  private final Acts acts;

  MergeService(
      JdbcClient jdbc,
      EntryLocks locks,
      EntryReader reader,
      EntryStore entries,
      LineLinks links,
      CounterService counters,
      Attachments attachments,
      ServedMonths served,
      List<EntryFollower> followers,
      Acts acts) {
    this.jdbc = jdbc;
    this.locks = locks;
    this.reader = reader;
    this.entries = entries;
    this.links = links;
    this.counters = counters;
    this.attachments = attachments;
    this.served = served;
    this.followers = followers;
    this.acts = acts;
  }

  /**
   * Entries that move the same on an account as an entry, one's own first of all; the nearest
   * first.
   */
  @Transactional(readOnly = true)
  List<UUID> doublesOf(UUID entryId) {
    List<PostingView> all = reader.find(entryId).postings();
    List<PostingView> own =
        all.stream().filter(p -> p.account().kind().hasOpeningBalance()).toList();
    UUID[] shown = (own.isEmpty() ? all : own).stream().map(PostingView::id).toArray(UUID[]::new);
    return jdbc.sql(
            """
            select o.entry_id from posting p
              join posting o on o.household_id = :household and o.account_id = p.account_id and o.amount_minor = p.amount_minor
                            and o.date between p.date - :days and p.date + :days and o.entry_id <> p.entry_id
              join entry e on e.household_id = :household and e.id = o.entry_id and e.origin <> 'OPENING'
             where p.household_id = :household and p.id = any(:shown)
             group by o.entry_id order by min(abs(o.date - p.date)), min(e.no) limit :most\
            """)
        .param("household", SignedIn.now().householdId())
        .param("shown", shown)
        .param("days", DAYS_APART)
        .param("most", MOST)
        .query((row, no) -> Objects.requireNonNull(row.getObject(1, UUID.class)))
        .list();
  }

  /**
   * Makes one entry of two that are one thing booked twice.
   *
   * @param stays keeps its number, its day and how it is booked
   * @param goes what was written on it, its files, and the bank lines that confirm it, go over to
   *     the other
   * @throws Refusal as {@link Merging#of} does
   * @throws Conflict if one of them has changed since, or was taken back by another entry
   */
  @Transactional
  @ForBookkeepers
  public void merge(Seen stays, Seen goes) {
    locks.entries(List.of(stays, goes));
    if (stays.id().equals(goes.id())) {
      throw Refusal.ofField("not-doubled", "goes", "An entry is not its own double.");
    }
    EntryReader.EntryViews read = reader.byId(List.of(stays.id(), goes.id()));
    EntryView kept = read.of(stays.id());
    EntryView gone = read.of(goes.id());
    counters.requireNoCounter(gone.entry());
    Merging merging = Merging.of(side(kept), side(gone));
    acts.begin(
        ActKind.MERGE_ENTRIES,
        "Merged no. %d into no. %d, %s".formatted(gone.no(), kept.no(), kept.payee()));
    entries.revise(
        kept.entry(), Revision.of(kept.entry().date(), kept.standing(), merging.merged()));
    merging
        .confirmed()
        .forEach((from, to) ->
            links.confirmInstead(
                gone.postings().get(from).id(), kept.postings().get(to).id(), kept.entry().id()));
    attachments.moveAll(goes.id(), stays.id());
    served.take(goes.id(), stays.id());
    followers.forEach(follower -> follower.merged(goes.id(), stays.id()));
    entries.remove(List.of(goes.id()));
  }

  private static Merging.Side side(EntryView view) {
    return new Merging.Side(view.toEntry(), view.standing());
  }
}
