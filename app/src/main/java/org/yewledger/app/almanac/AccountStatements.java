package org.yewledger.app.almanac;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.reconcile.StatementEntity;
import org.yewledger.app.reconcile.StatementProgress;
import org.yewledger.app.reconcile.StatementService;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.reconcile.AccountMonth;
import org.yewledger.core.reconcile.MonthsOfAccounts;
import org.yewledger.core.reconcile.Reconciliation;

/** An account's statements with how far each is agreed. */
@Component
class AccountStatements {
  /** Without an opening day there is no month to agree yet. */
  private static final LocalDate NEVER = LocalDate.of(9999, 12, 31);

  private final StatementService statements;
  private final StatementProgress progress;

  AccountStatements(StatementService statements, StatementProgress progress) {
    this.statements = statements;
    this.progress = progress;
  }

  /** An account with its statements; the sums of open ones are already made. */
  record Of(
      Account account,
      String tail,
      MonthsOfAccounts.OneAccount monthly,
      List<StatementEntity> statements,
      Map<UUID, Reconciliation> open) {

    Optional<StatementEntity> closingIn(YearMonth month) {
      return statements.stream()
          .filter(s -> YearMonth.from(s.closesOn()).equals(month))
          .reduce((earlier, later) -> later);
    }

    List<StatementEntity> unfinished() {
      return statements.stream().filter(s -> !s.isFinished()).toList();
    }

    /** A finished statement agrees by definition; its ticked balance is its closing balance. */
    Reconciliation reconciliation(StatementEntity statement) {
      Reconciliation sum = open.get(statement.id());
      return sum != null
          ? sum
          : new Reconciliation(statement.closingMinor(), 0, 0, statement.closingMinor());
    }
  }

  @Transactional(readOnly = true)
  Of of(Account account, Chart chart) {
    List<StatementEntity> all = statements.of(account);
    Map<UUID, Reconciliation> open = new HashMap<>();
    all.stream()
        .filter(s -> !s.isFinished())
        .forEach(s -> open.put(s.id(), statements.reconciliation(s)));
    List<AccountMonth.Progress> states = all.stream().map(progress::of).toList();
    LocalDate opensOn = Objects.requireNonNullElse(account.opensOn(), NEVER);
    return new Of(
        account,
        chart.tail(account.id()),
        new MonthsOfAccounts.OneAccount(opensOn, states),
        all,
        open);
  }
}
