package org.yewledger.app.post;

import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.bankline.BankLineEntity;
import org.yewledger.app.bankline.BankLineStateEntity;
import org.yewledger.app.bankline.BankLineStateEntity.State;
import org.yewledger.app.bankline.LineStates;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.platform.Conflict;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.app.post.LeaveOutController.LeftOutJson;
import org.yewledger.core.Refusal;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.money.Amount;

/** Leaves lines out of the books that are no business of theirs, and takes them back. */
@Service
class LeaveOutService {
  private static final int MOST = 500;

  private final EntityManager entities;
  private final ChartService charts;
  private final LineStates states;
  private final PostedLines posted;
  private final Acts acts;
  private final Clock clock;

  LeaveOutService(
      EntityManager entities,
      ChartService charts,
      LineStates states,
      PostedLines posted,
      Acts acts,
      Clock clock) {
    this.entities = entities;
    this.charts = charts;
    this.states = states;
    this.posted = posted;
    this.acts = acts;
    this.clock = clock;
  }

  /**
   * @param because the person's reason
   * @param version the state that they saw
   * @throws Refusal {@code reason-missing}
   * @throws Conflict if the line does not wait any more
   */
  @Transactional
  @ForBookkeepers
  void leaveOut(UUID lineId, int version, String because) {
    if (because.isBlank()) {
      throw Refusal.ofField(
          "reason-missing", "because", "Say why the line is no business of the books.");
    }
    BankLine line = line(lineId).toBankLine();
    BankLineStateEntity state = states.locked(List.of(lineId)).of(lineId);
    posted.requireWaiting(line, state, version);
    acts.begin(ActKind.LEAVE_OUT, "Left out %s: %s".formatted(line.text(), because.strip()));
    state.leaveOut(because.strip(), clock.instant(), SignedIn.now().personId());
  }

  /**
   * Lets a line that was left out wait again.
   *
   * @throws Conflict {@code not-left-out}
   */
  @Transactional
  @ForBookkeepers
  void takeBack(UUID lineId) {
    BankLine line = line(lineId).toBankLine();
    BankLineStateEntity state = states.locked(List.of(lineId)).of(lineId);
    if (state.state() != State.LEFT_OUT) {
      throw new Conflict("not-left-out", "The line is not left out any more.");
    }
    acts.begin(ActKind.LEAVE_OUT, "Took in again %s, which was left out".formatted(line.text()));
    state.become(State.WAITING, clock.instant(), SignedIn.now().personId());
  }

  /** The lines that are left out, the latest first; at most 500. */
  @Transactional(readOnly = true)
  List<LeftOutJson> all() {
    Chart chart = charts.chart();
    return entities
        .createQuery(
            """
            select l, s from BankLineState s join BankLine l on l.id = s.bankLineId
            where s.state = LEFT_OUT order by s.bookedOn desc, l.id\
            """,
            Object[].class)
        .setMaxResults(MOST)
        .getResultStream()
        .map(row -> json((BankLineEntity) row[0], (BankLineStateEntity) row[1], chart))
        .toList();
  }

  private static LeftOutJson json(BankLineEntity row, BankLineStateEntity state, Chart chart) {
    BankLine line = row.toBankLine();
    return new LeftOutJson(
        row.id(),
        row.accountId(),
        line.bookedOn(),
        Amount.ofMinor(line.amountMinor(), chart.account(row.accountId()).currency()).decimal(),
        line.text(),
        String.valueOf(state.leftOutBecause()));
  }

  private BankLineEntity line(UUID id) {
    return states.lines(List.of(id)).of(id);
  }
}
