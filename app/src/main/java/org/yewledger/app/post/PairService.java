package org.yewledger.app.post;

import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.bankline.BankLineEntity;
import org.yewledger.app.bankline.BankLineStateEntity;
import org.yewledger.app.bankline.BankLineStateEntity.State;
import org.yewledger.app.bankline.LineLinks;
import org.yewledger.app.bankline.LineStates;
import org.yewledger.app.chart.AccountLocks;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.journal.EntryEntity;
import org.yewledger.app.platform.Conflict;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.core.act.ActKind;

/**
 * Says that a waiting line is a posting that the books already have, such as the other half of a
 * transfer. Nothing new is booked.
 */
@Service
public class PairService {
  private final Pairings pairings;
  private final ChartService charts;
  private final AccountLocks locks;
  private final LineStates states;
  private final LineLinks links;
  private final PostedLines posted;
  private final Acts acts;

  PairService(
      Pairings pairings,
      ChartService charts,
      AccountLocks locks,
      LineStates states,
      LineLinks links,
      PostedLines posted,
      Acts acts) {
    this.pairings = pairings;
    this.charts = charts;
    this.locks = locks;
    this.states = states;
    this.links = links;
    this.posted = posted;
    this.acts = acts;
  }

  /**
   * @throws Conflict {@code already-paired}; {@code line-already-posted}
   */
  @Transactional
  @ForBookkeepers
  public EntryEntity pair(UUID lineId, int version, UUID postingId) {
    BankLineEntity line = states.lines(List.of(lineId)).of(lineId);
    locks.shared(List.of(line.accountId()));
    BankLineStateEntity state = states.locked(List.of(lineId)).of(lineId);
    posted.requireWaiting(line.toBankLine(), state, version);
    Pairings.Wanted wanted = pairings.wanted(line, postingId, charts.chart());
    EntryEntity entry = wanted.entry();
    acts.begin(ActKind.PAIR, "Paired a line with no. %d, %s".formatted(entry.no(), entry.payee()));
    links.add(List.of(wanted.link()));
    states.become(List.of(lineId), State.POSTED);
    return entry;
  }
}
