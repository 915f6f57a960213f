package org.yewledger.app.reconcile;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.platform.HouseholdDays;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.gather.BankStatement.Balance;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;
import org.yewledger.core.reconcile.CashCount;
import org.yewledger.core.reconcile.StatementFigures;

/** Cash is counted: the count is its statement, and all that is in the books stands against it. */
@Service
class CashCounting {
  private final StatementService statements;
  private final CoveredPostings covered;
  private final ChartService charts;
  private final HouseholdDays days;
  private final Acts acts;

  CashCounting(
      StatementService statements,
      CoveredPostings covered,
      ChartService charts,
      HouseholdDays days,
      Acts acts) {
    this.statements = statements;
    this.covered = covered;
    this.charts = charts;
    this.days = days;
    this.acts = acts;
  }

  /**
   * Begins the statement of a count, with every posting up to its day ticked: whoever counts has
   * what came in and has not what went out.
   *
   * @param pieces the pieces that were counted; null if only the sum was
   * @param total what was counted, where no pieces are told
   * @throws org.yewledger.core.Refusal as {@link CashCount} and {@link StatementService#begin} do
   */
  @Transactional
  @ForBookkeepers
  StatementEntity count(
      UUID accountId, LocalDate on, @Nullable CashCount pieces, @Nullable Amount total) {
    Account account = charts.chart().account(accountId);
    CashCount.requireCountable(account, on, days.today());
    Amount sum = CashCount.sum(pieces, total);
    acts.begin(ActKind.BEGIN_STATEMENT, "Counted %s: %s".formatted(account.name(), sum.shown()));
    StatementEntity statement =
        statements.begin(account, new Balance(on, sum), StatementFigures.NONE, null);
    if (pieces != null) {
      statement.countedAs(pieces);
    }
    statements.flush();
    List<UUID> open = covered.open(statement);
    if (!open.isEmpty()) {
      statements.tick(statement.id(), open, true);
    }
    return statement;
  }
}
