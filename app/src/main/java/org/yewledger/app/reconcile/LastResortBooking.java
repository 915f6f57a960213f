package org.yewledger.app.reconcile;

import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.chart.AccountLocks;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.chart.KeptAccounts;
import org.yewledger.app.journal.EntryStore;
import org.yewledger.app.journal.LedgerService;
import org.yewledger.app.platform.Conflict;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.core.Refusal;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.Draft;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.money.Amount;
import org.yewledger.core.reconcile.LastResort;

/** Books what a statement or a count is apart and nothing explains, and ticks it. */
@Service
class LastResortBooking {
  private final StatementService statements;
  private final ChartService charts;
  private final KeptAccounts keptAccounts;
  private final LedgerService ledgers;
  private final EntryStore entries;
  private final AccountLocks locks;
  private final Acts acts;

  LastResortBooking(
      StatementService statements,
      ChartService charts,
      KeptAccounts keptAccounts,
      LedgerService ledgers,
      EntryStore entries,
      AccountLocks locks,
      Acts acts) {
    this.statements = statements;
    this.charts = charts;
    this.keptAccounts = keptAccounts;
    this.ledgers = ledgers;
    this.entries = entries;
    this.locks = locks;
    this.acts = acts;
  }

  /**
   * @param seen the difference that the person saw
   * @throws Conflict {@code gap-changed} if it is another by now
   * @throws Refusal as {@link LastResort#of} and the ledger do
   */
  @Transactional
  @ForBookkeepers
  void book(UUID statementId, Amount seen) {
    UUID accountId = statements.find(statementId).accountId();
    locks.shared(List.of(accountId));
    statements.hold(statementId);
    StatementEntity statement = statements.find(statementId);
    Amount difference = statements.reconciliation(statement).difference();
    if (!difference.equals(seen)) {
      throw new Conflict(
          "gap-changed",
          "What is apart is %s by now. Look at what explains it.".formatted(difference.shown()));
    }
    Chart chart = charts.chart();
    Account account = chart.account(accountId);
    acts.begin(
        ActKind.ENTER,
        "Booked %s that nothing explains on %s".formatted(difference.shown(), account.name()));
    Account to = keptAccounts.of(account.book(), LastResort.kindFor(account), chart);
    Draft draft = LastResort.of(account, statement.closesOn(), difference, to);
    Entry entry = draft.entry(Entry.Origin.BY_HAND, List.of(), ledgers.ledger(chart));
    EntryStore.Stored stored = entries.add(List.of(entry)).getFirst();
    UUID posting =
        stored.postings().stream()
            .filter(p -> p.accountId().equals(accountId))
            .findFirst()
            .orElseThrow()
            .id();
    statements.flush();
    statements.tick(statementId, List.of(posting), true);
  }
}
