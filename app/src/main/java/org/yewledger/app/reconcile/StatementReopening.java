package org.yewledger.app.reconcile;

import java.util.List;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.chart.AccountLocks;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.journal.ClosedMonths;
import org.yewledger.app.platform.Conflict;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.core.Refusal;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.reconcile.StatementChain;

/** Opens the last agreed statement of an account again. */
@Service
class StatementReopening {
  /** Stands before the reason in the act's words. */
  private static final String AGAIN = " again: ";

  private final StatementService statements;
  private final ChartService charts;
  private final AccountLocks locks;
  private final ClosedMonths months;
  private final Acts acts;
  private final JdbcClient jdbc;

  StatementReopening(
      StatementService statements,
      ChartService charts,
      AccountLocks locks,
      ClosedMonths months,
      Acts acts,
      JdbcClient jdbc) {
    this.statements = statements;
    this.charts = charts;
    this.locks = locks;
    this.months = months;
    this.acts = acts;
    this.jdbc = jdbc;
  }

  /**
   * What was ticked stays ticked; what was agreed goes, and stays in history.
   *
   * @param because the reason, which history keeps
   * @throws Refusal {@code reason-missing}; as {@link StatementChain#requireReopening} does
   * @throws Conflict {@code statement-open} if it is not agreed
   */
  @Transactional
  @ForBookkeepers
  void reopen(UUID id, String because) {
    if (because.isBlank()) {
      throw Refusal.ofField("reason-missing", "because", "Say why it is opened again.");
    }
    locks.exclusive(List.of(statements.find(id).accountId()));
    StatementEntity statement = statements.find(id);
    if (!statement.isFinished()) {
      throw new Conflict("statement-open", "The statement is open: it is not agreed yet.");
    }
    Account account = charts.chart().account(statement.accountId());
    statements
        .chain(account)
        .requireReopening(statement.closesOn(), months.through(account.bookId()).orElse(null));
    acts.begin(
        ActKind.REOPEN_STATEMENT,
        "Opened the statement of %s for %s%s%s"
            .formatted(statement.closesOn(), account.name(), AGAIN, because.strip()));
    jdbc.sql("select reopen_statement(?)").param(id).query(row -> {});
    statements.forgetRead();
  }

  /** The reason, from the words of the act that opened a statement again. */
  static String because(String words) {
    return words.substring(words.indexOf(AGAIN) + AGAIN.length());
  }
}
