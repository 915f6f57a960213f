package org.yewledger.app.journal;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.journal.EntryReader.EntryView;
import org.yewledger.app.platform.Conflict;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.core.Refusal;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.ledger.Draft;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.ledger.Ledger;
import org.yewledger.core.ledger.Removal;

/** Writes entries again on other days, and takes them out of the books. */
@Service
class EntryService {
  private final ChartService charts;
  private final EntryLocks locks;
  private final LedgerService ledgers;
  private final EntryReader reader;
  private final EntryStore entries;
  private final CounterService counters;
  private final Acts acts;

  EntryService(
      ChartService charts,
      EntryLocks locks,
      LedgerService ledgers,
      EntryReader reader,
      EntryStore entries,
      CounterService counters,
      Acts acts) {
    this.charts = charts;
    this.locks = locks;
    this.ledgers = ledgers;
    this.reader = reader;
    this.entries = entries;
    this.counters = counters;
    this.acts = acts;
  }

  /**
   * Writes an entry again on another day.
   *
   * @return the identity of the new one
   * @throws Refusal as {@link Draft#entry} does
   */
  @Transactional
  @ForBookkeepers
  public UUID again(UUID id, LocalDate on) {
    locks.accountsOf(List.of(id), List.of());
    EntryView view = reader.find(id);
    acts.begin(ActKind.ENTER, "Copied no. %d, %s, to %s".formatted(view.no(), view.payee(), on));
    Ledger ledger = ledgers.ledger(charts.chart());
    Entry again = Draft.again(view.toEntry(), on).entry(Entry.Origin.BY_HAND, List.of(), ledger);
    return entries.add(List.of(again)).getFirst().entry().id();
  }

  /**
   * Takes an entry out of the books; undo brings it back with its number.
   *
   * @param version as the person saw it
   * @throws Refusal as {@link Removal#require} does
   * @throws Conflict if it has changed since, or stands with another one that takes it back
   */
  @Transactional
  @ForBookkeepers
  public void delete(UUID id, int version) {
    EntryEntity entry = locks.entry(id, version);
    counters.requireNoCounter(entry);
    Removal.require(entry.origin(), reader.find(id).standing());
    acts.begin(ActKind.DELETE_ENTRY, "Deleted no. %d, %s".formatted(entry.no(), entry.payee()));
    entries.remove(List.of(id));
  }
}
