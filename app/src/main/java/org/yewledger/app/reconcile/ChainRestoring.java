package org.yewledger.app.reconcile;

import java.math.BigDecimal;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.journal.EntryCorrections;
import org.yewledger.app.platform.Conflict;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.reconcile.ChainBreakJson.BreakJson;
import org.yewledger.core.Refusal;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.money.Amount;
import org.yewledger.core.reconcile.ChainBreaks.How;

/** Puts a posting of a statement that was opened again back to what was agreed. */
@Service
class ChainRestoring {
  private final ChainBreakService breaks;
  private final StatementService statements;
  private final EntryCorrections corrections;
  private final ChartService charts;
  private final Acts acts;

  ChainRestoring(
      ChainBreakService breaks,
      StatementService statements,
      EntryCorrections corrections,
      ChartService charts,
      Acts acts) {
    this.breaks = breaks;
    this.statements = statements;
    this.corrections = corrections;
    this.charts = charts;
    this.acts = acts;
  }

  /**
   * As one act: its amount and day as they were, and ticked; what was added is unticked.
   *
   * @param postingId as the break names it
   * @throws Conflict {@code break-gone} where it is as it was by now
   * @throws Refusal {@code not-settled-here} for what is gone or on another account: the act that
   *     did that is undone instead; as the ledger does
   */
  @Transactional
  @ForBookkeepers
  void restore(UUID statementId, UUID postingId) {
    BreakJson seen = found(statementId, postingId);
    UUID entry = seen.entryId();
    if (entry == null || seen.how() == How.ELSEWHERE) {
      throw Refusal.of(
          "not-settled-here", "Undo the act that took it away, or enter it anew and tick it.");
    }
    corrections.hold(List.of(entry), List.of());
    statements.hold(statementId);
    BreakJson now = found(statementId, postingId);
    if (!now.equals(seen)) {
      throw Conflict.changedMeanwhile("entry");
    }
    StatementEntity statement = statements.find(statementId);
    acts.begin(
        ActKind.REVISE,
        "Put no. %d back to what was agreed in the statement of %s"
            .formatted(now.entryNo(), statement.closesOn()));
    restore(statement, now);
  }

  private void restore(StatementEntity statement, BreakJson broken) {
    UUID standing = Objects.requireNonNull(broken.standingId());
    if (broken.how() == How.ADDED) {
      statements.tick(statement.id(), List.of(standing), false);
      return;
    }
    if (broken.ticked()) {
      statements.tick(statement.id(), List.of(standing), false);
    }
    BigDecimal agreed = Objects.requireNonNull(broken.agreed());
    if (agreed.compareTo(Objects.requireNonNull(broken.now())) != 0) {
      CurrencyUnit currency = charts.chart().account(statement.accountId()).currency();
      standing = corrections.amount(standing, Amount.of(agreed, currency));
    }
    if (broken.dateNow() != null) {
      standing = corrections.day(standing, broken.date());
    }
    statements.tick(statement.id(), List.of(standing), true);
  }

  private BreakJson found(UUID statementId, UUID postingId) {
    return breaks.of(statementId).stream()
        .flatMap(opened -> opened.breaks().stream())
        .filter(broken -> broken.postingId().equals(postingId))
        .findFirst()
        .orElseThrow(() -> new Conflict("break-gone", "That is as it was agreed by now."));
  }
}
