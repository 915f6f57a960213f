package org.yewledger.app.almanac;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.journal.ClosedMonths;
import org.yewledger.app.reconcile.OpenStatements;
import org.yewledger.app.reconcile.OpenStatements.Sums;
import org.yewledger.app.reconcile.StatementEntity;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;
import org.yewledger.core.reconcile.AccountMonth;
import org.yewledger.core.reconcile.MonthsOfAccounts;
import org.yewledger.core.reconcile.Reconciliation;
import org.yewledger.core.reconcile.StatementChain;

/** Accounts with how far their statements are agreed, in a fixed number of queries for all. */
@Component
class AccountStatements {
  /** Without an opening day there is no month to agree yet. */
  private static final LocalDate NEVER = LocalDate.of(9999, 12, 31);

  private final OpenStatements statements;
  private final ClosedMonths closed;

  AccountStatements(OpenStatements statements, ClosedMonths closed) {
    this.statements = statements;
    this.closed = closed;
  }

  /**
   * An account with the statements that are not finished and the last that is; the sums of open
   * ones are already made.
   *
   * @param inWindow the statements that close in the months that are shown, once they are known
   */
  record Of(
      Account account,
      String tail,
      MonthsOfAccounts.OneAccount monthly,
      List<StatementEntity> statements,
      Map<UUID, Reconciliation> open,
      List<StatementEntity> inWindow) {

    Optional<StatementEntity> closingIn(YearMonth month) {
      return inWindow.stream()
          .filter(s -> YearMonth.from(s.closesOn()).equals(month))
          .reduce((earlier, later) -> later);
    }

    List<StatementEntity> unfinished() {
      return statements.stream().filter(s -> !s.isFinished()).toList();
    }

    /** A finished statement agrees by definition; its ticked balance is its closing balance. */
    Reconciliation reconciliation(StatementEntity statement) {
      Reconciliation sum = open.get(statement.id());
      return sum != null ? sum : Reconciliation.agreed(statement.closing(account.currency()));
    }

    private Of with(List<StatementEntity> shown) {
      return new Of(account, tail, monthly, statements, open, shown);
    }
  }

  /** The accounts with what is not finished; which months to show follows from that. */
  @Transactional(readOnly = true)
  List<Of> of(List<Account> accounts, Chart chart) {
    Map<UUID, List<StatementEntity>> byAccount = byAccount(statements.unfinishedAndLastAgreed());
    Map<UUID, Sums> sums = statements.sums();
    Map<UUID, Long> openings = statements.openings();
    Map<UUID, YearMonth> closedThrough = closed.through();
    return accounts.stream()
        .map(a -> {
          List<StatementEntity> own = byAccount.getOrDefault(a.id(), List.of());
          return of(
              a,
              chart.tail(a.id()),
              own,
              sums,
              Amount.ofMinor(openings.getOrDefault(a.id(), 0L), a.currency()),
              closedThrough.get(a.bookId()));
        })
        .toList();
  }

  private static Of of(
      Account account,
      String tail,
      List<StatementEntity> own,
      Map<UUID, Sums> sums,
      Amount opening,
      @Nullable YearMonth closedThrough) {
    List<StatementChain.Link> links = own.stream().map(s -> s.link(account)).toList();
    var chain = new StatementChain(account, opening, links);
    Map<UUID, Reconciliation> open = new HashMap<>();
    var states = new ArrayList<AccountMonth.Progress>();
    for (StatementEntity s : own) {
      Sums sum = sums.get(s.id());
      if (sum == null) {
        states.add(new AccountMonth.Progress(s.closesOn(), true, 0, 0));
      } else {
        open.put(
            s.id(), sum.reconciliation(chain.opening(s.closesOn()), s.closing(account.currency())));
        states.add(sum.progress(s.closesOn()));
      }
    }
    LocalDate opensOn = Objects.requireNonNullElse(account.opensOn(), NEVER);
    return new Of(
        account,
        tail,
        new MonthsOfAccounts.OneAccount(opensOn, states, closedThrough),
        own,
        open,
        List.of());
  }

  /** The same accounts with the statements of the months that are shown. */
  @Transactional(readOnly = true)
  List<Of> showing(List<Of> accounts, YearMonth first, YearMonth last) {
    Map<UUID, List<StatementEntity>> shown =
        byAccount(statements.closingWithin(first.atDay(1), last.atEndOfMonth()));
    return accounts.stream()
        .map(of -> of.with(shown.getOrDefault(of.account().id(), List.of())))
        .toList();
  }

  private static Map<UUID, List<StatementEntity>> byAccount(List<StatementEntity> all) {
    return all.stream().collect(Collectors.groupingBy(StatementEntity::accountId));
  }
}
