package org.yewledger.app.post;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.TransactionException;
import org.springframework.transaction.event.TransactionPhase;
import org.springframework.transaction.event.TransactionalEventListener;
import org.springframework.transaction.support.TransactionTemplate;
import org.yewledger.app.act.Acts;
import org.yewledger.app.bankline.LinesArrived;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.journal.LedgerService;
import org.yewledger.app.platform.Conflict;
import org.yewledger.app.post.WaitingLines.Waiting;
import org.yewledger.app.rules.RuleService;
import org.yewledger.app.schedule.DueService;
import org.yewledger.core.Refusal;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.Ledger;
import org.yewledger.core.post.Booking;
import org.yewledger.core.post.Reason;

/**
 * Posts what trusted rules fit and trusted schedules expect, right after lines have come in: all of
 * an arrival as one act, which the Almanac tells and one undo takes back. What cannot be booked so
 * waits as ever.
 */
@Component
class TrustedRules {
  private static final Logger LOG = LoggerFactory.getLogger(TrustedRules.class);

  private final RuleService rules;
  private final DueService due;
  private final ChartService charts;
  private final WaitingLines waiting;
  private final PostService posts;
  private final LedgerService ledgers;
  private final Acts acts;
  private final TransactionTemplate transaction;

  TrustedRules(
      RuleService rules,
      DueService due,
      ChartService charts,
      WaitingLines waiting,
      PostService posts,
      LedgerService ledgers,
      Acts acts,
      PlatformTransactionManager transactions) {
    this.rules = rules;
    this.due = due;
    this.charts = charts;
    this.waiting = waiting;
    this.posts = posts;
    this.ledgers = ledgers;
    this.acts = acts;
    this.transaction = new TransactionTemplate(transactions);
    // The transaction that brought the lines is over, and not yet out of the way.
    transaction.setPropagationBehavior(TransactionDefinition.PROPAGATION_REQUIRES_NEW);
  }

  @TransactionalEventListener(phase = TransactionPhase.AFTER_COMMIT)
  void linesArrived(LinesArrived arrived) {
    List<Waiting> trusted = transaction.execute(status -> trusted());
    if (trusted == null || trusted.isEmpty()) {
      return;
    }
    if (!isPosted(trusted) && trusted.size() > 1) {
      // One that the books refuse, as in a closed month, keeps no other from being posted.
      trusted.forEach(line -> isPosted(List.of(line)));
    }
  }

  private List<Waiting> trusted() {
    if (!rules.anyIsTrusted() && !due.anyIsTrusted()) {
      return List.of();
    }
    Chart chart = charts.chart();
    List<Waiting> fits =
        waiting.all(chart, null).stream()
            .filter(w -> w.proposal().isTrusted(w.account(), w.line()))
            .toList();
    if (fits.isEmpty()) {
      return fits;
    }
    Ledger ledger = ledgers.ledger(chart);
    return fits.stream().filter(w -> canBeBooked(w, ledger)).toList();
  }

  private static boolean canBeBooked(Waiting line, Ledger ledger) {
    Booking booking = line.proposal().booking();
    try {
      return booking != null
          && !booking.entryFor(line.account(), line.line(), ledger).entry().postings().isEmpty();
    } catch (Refusal e) {
      return false;
    }
  }

  private boolean isPosted(List<Waiting> lines) {
    try {
      transaction.executeWithoutResult(status -> post(lines));
      return true;
    } catch (Refusal | Conflict | DataAccessException | TransactionException e) {
      LOG.info("a trusted rule could not post {} lines: {}", lines.size(), e.getClass().getName());
      return false;
    }
  }

  private void post(List<Waiting> lines) {
    acts.beginByRule(
        ActKind.POST,
        "Posted %d %s by trusted %s"
            .formatted(lines.size(), lines.size() == 1 ? "line" : "lines", trustedWhat(lines)));
    var accepted = new ArrayList<Accepted>();
    for (Waiting line : lines) {
      Booking booking = Objects.requireNonNull(line.proposal().booking());
      accepted.add(
          new Accepted(line.row().id(), line.version(), new AsProposed(booking), null, null));
    }
    posts.post(accepted, Stays.none());
  }

  private static String trustedWhat(List<Waiting> lines) {
    long due = lines.stream().filter(line -> line.reason() == Reason.DUE).count();
    if (due == 0) {
      return "rules";
    }
    return due == lines.size() ? "schedules" : "rules and schedules";
  }

  /** A booking as it was worked out, not typed. */
  private record AsProposed(Booking booking) implements Accepted.Typed {
    @Override
    public Collection<UUID> accountIds() {
      return booking.parts().stream().map(p -> p.account().id()).collect(Collectors.toSet());
    }

    @Override
    public Booking on(Account bankAccount, Chart chart) {
      return booking;
    }
  }
}
