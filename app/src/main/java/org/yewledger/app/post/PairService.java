package org.yewledger.app.post;

import jakarta.persistence.EntityManager;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.bankline.BankLineEntity;
import org.yewledger.app.bankline.BankLineStateEntity;
import org.yewledger.app.bankline.BankLineStateEntity.State;
import org.yewledger.app.bankline.LineLinks;
import org.yewledger.app.bankline.LineLinks.Link;
import org.yewledger.app.bankline.LineStates;
import org.yewledger.app.chart.AccountLocks;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.journal.EntryEntity;
import org.yewledger.app.journal.PostingEntity;
import org.yewledger.app.platform.Conflict;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.platform.NotFound;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.money.Amount;
import org.yewledger.core.post.Pairing;

/**
 * Says that a waiting line is a posting that the books already have, such as the other half of a
 * transfer. Nothing new is booked.
 */
@Service
public class PairService {
  private final EntityManager entities;
  private final ChartService charts;
  private final AccountLocks locks;
  private final LineStates states;
  private final LineLinks links;
  private final PostedLines posted;
  private final Acts acts;

  PairService(
      EntityManager entities,
      ChartService charts,
      AccountLocks locks,
      LineStates states,
      LineLinks links,
      PostedLines posted,
      Acts acts) {
    this.entities = entities;
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
    PostingEntity posting =
        Optional.ofNullable(entities.find(PostingEntity.class, postingId))
            .orElseThrow(() -> new NotFound("posting"));
    EntryEntity entry = entities.find(EntryEntity.class, posting.entryId());
    if (links.ofEntries(List.of(entry.id())).stream()
        .anyMatch(k -> k.postingId().equals(postingId))) {
      throw new Conflict(
          "already-paired", "No. %d already belongs to another bank line.".formatted(entry.no()));
    }
    CurrencyUnit currency = charts.chart().account(line.accountId()).currency();
    new Pairing(line.accountId(), Amount.ofMinor(line.amountMinor(), currency))
        .requireSame(posting.accountId(), posting.amount(currency));
    acts.begin(ActKind.PAIR, "Paired a line with no. %d, %s".formatted(entry.no(), entry.payee()));
    links.add(
        List.of(
            new Link(
                lineId, postingId, entry.id(), posting.accountId(), posting.amountMinor(), false)));
    states.become(List.of(lineId), State.POSTED);
    return entry;
  }
}
