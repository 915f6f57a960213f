package org.yewledger.app.journal;

import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.ledger.Draft;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.ledger.Revision;
import org.yewledger.core.post.Because;

/** Gives entries another form; number and identity stay, and history keeps each form. */
@Service
public class RevisionService {
  private final ChartService charts;
  private final EntryLocks locks;
  private final LedgerService ledgers;
  private final EntryReader reader;
  private final EntryStore entries;
  private final Acts acts;

  RevisionService(
      ChartService charts,
      EntryLocks locks,
      LedgerService ledgers,
      EntryReader reader,
      EntryStore entries,
      Acts acts) {
    this.charts = charts;
    this.locks = locks;
    this.ledgers = ledgers;
    this.reader = reader;
    this.entries = entries;
    this.acts = acts;
  }

  /**
   * Changes an entry.
   *
   * @param version what the person saw
   * @param wanted the new form, without what the core adds between books
   */
  @Transactional
  @ForBookkeepers
  public void revise(UUID id, int version, Draft wanted) {
    revise(id, version, wanted, null);
  }

  /**
   * Changes an entry.
   *
   * @param because why it is booked so from now on; null if that stays as it was
   */
  @Transactional
  @ForBookkeepers
  public void revise(UUID id, int version, Draft wanted, @Nullable Because because) {
    List<UUID> accounts = wanted.lines().stream().map(line -> line.account().id()).toList();
    EntryEntity entry = locks.entry(id, version, accounts);
    List<Revision.Standing> standing = reader.views(List.of(entry)).getFirst().standing();
    acts.begin(ActKind.REVISE, "Changed no. %d, %s".formatted(entry.no(), wanted.payee().strip()));
    Entry after =
        wanted.entry(
            entry.origin(),
            standing.stream().map(Revision.Standing::posting).toList(),
            ledgers.ledger(charts.chart()));
    if (because != null) {
      entry.bookedBecause(because);
    }
    entries.revise(entry, Revision.of(entry.date(), standing, after));
  }
}
