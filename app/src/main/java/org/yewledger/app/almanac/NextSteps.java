package org.yewledger.app.almanac;

import jakarta.persistence.EntityManager;
import java.math.BigDecimal;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.yewledger.app.almanac.AlmanacJson.NextJson;
import org.yewledger.app.almanac.AlmanacJson.StationsJson;
import org.yewledger.app.almanac.AlmanacJson.Task;
import org.yewledger.app.bankline.BankLineStateEntity.State;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.connection.ConnectionView;
import org.yewledger.app.post.WaitingLines.Waiting;
import org.yewledger.app.reconcile.StatementEntity;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amounts;
import org.yewledger.core.post.Reason;
import org.yewledger.core.reconcile.AccountMonth;

/** What is left to do, at each station and as a list. */
@Component
class NextSteps {
  private final EntityManager entities;
  private final ConnectionView connections;

  NextSteps(EntityManager entities, ConnectionView connections) {
    this.entities = entities;
    this.connections = connections;
  }

  StationsJson stations(
      List<AccountStatements.Of> accounts, YearMonth working, List<Waiting> waiting) {
    int open = accounts.stream().mapToInt(a -> a.unfinished().size()).sum();
    return new StationsJson(
        toCome(accounts, working).size() + doubtful(accounts).size() + connections.ending().size(),
        waiting.size(),
        open);
  }

  private static List<String> toCome(List<AccountStatements.Of> accounts, YearMonth month) {
    return accounts.stream()
        .filter(a -> a.monthly().in(month).state() == AccountMonth.State.NO_STATEMENT)
        .map(a -> a.account().name())
        .toList();
  }

  List<NextJson> of(
      Chart chart,
      @Nullable UUID bookId,
      List<AccountStatements.Of> accounts,
      YearMonth month,
      List<Waiting> waiting) {
    var next = new ArrayList<NextJson>();
    List<String> unopened =
        chart
            .accounts()
            .filter(a -> bookId == null || a.bookId().equals(bookId))
            .filter(a -> a.kind().hasOpeningBalance() && !a.group())
            .filter(a -> a.opensOn() == null && a.closedOn() == null)
            .map(Account::name)
            .toList();
    if (!unopened.isEmpty()) {
      next.add(new NextJson(Task.OPENING_BALANCE, unopened, unopened.size(), null, null));
    }
    for (ConnectionView.ConsentEnding ending : connections.ending()) {
      next.add(
          new NextJson(
              Task.RENEW_CONSENT, List.of(ending.institution()), ending.daysLeft(), null, null));
    }
    List<String> toCome = toCome(accounts, month);
    if (!toCome.isEmpty()) {
      next.add(new NextJson(Task.STATEMENTS_TO_COME, toCome, toCome.size(), null, null));
    }
    List<String> doubtful = doubtful(accounts);
    if (!doubtful.isEmpty()) {
      next.add(
          new NextJson(
              Task.DOUBTS, doubtful.stream().distinct().toList(), doubtful.size(), null, null));
    }
    addWaiting(next, Task.POST_BY_RULE, waiting, Reason.RULE);
    addWaiting(next, Task.ANSWER, waiting, Reason.OPEN_QUESTION);
    for (AccountStatements.Of of : accounts) {
      for (StatementEntity statement : of.unfinished()) {
        BigDecimal difference =
            decimal(of.reconciliation(statement).differenceMinor(), of.account());
        next.add(
            new NextJson(
                Task.RECONCILE, List.of(of.account().name()), 1, statement.id(), difference));
      }
    }
    return next;
  }

  private static void addWaiting(
      List<NextJson> next, Task task, List<Waiting> waiting, Reason reason) {
    List<Waiting> lines = waiting.stream().filter(w -> w.reason() == reason).toList();
    if (!lines.isEmpty()) {
      List<String> names = lines.stream().map(w -> w.account().name()).distinct().toList();
      next.add(new NextJson(task, names, lines.size(), null, null));
    }
  }

  /** The names of the accounts of doubtful lines, one for each line. */
  private List<String> doubtful(List<AccountStatements.Of> accounts) {
    List<UUID> ids = accounts.stream().map(a -> a.account().id()).toList();
    return entities
        .createQuery(
            """
            select a.name from BankLineState s join Account a on a.id = s.accountId
            where s.state = :doubtful and s.accountId in :accounts order by a.name\
            """,
            String.class)
        .setParameter("doubtful", State.DOUBTFUL)
        .setParameter("accounts", ids)
        .getResultList();
  }

  private static BigDecimal decimal(long minor, Account account) {
    return Objects.requireNonNull(Amounts.toDecimal(minor, account.currency()));
  }
}
