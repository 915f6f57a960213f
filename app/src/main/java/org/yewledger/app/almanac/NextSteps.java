package org.yewledger.app.almanac;

import jakarta.persistence.EntityManager;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.yewledger.app.almanac.AlmanacJson.NextJson;
import org.yewledger.app.almanac.AlmanacJson.StationsJson;
import org.yewledger.app.almanac.AlmanacJson.Task;
import org.yewledger.app.chart.AccountBalances;
import org.yewledger.app.chart.BookEntity;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.connection.ConnectionView;
import org.yewledger.app.post.TrustedPosts;
import org.yewledger.app.post.WaitingCounts.Count;
import org.yewledger.app.reconcile.StatementEntity;
import org.yewledger.app.schedule.DueService;
import org.yewledger.core.entry.DayText;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.ledger.Position;
import org.yewledger.core.money.Amount;
import org.yewledger.core.post.Reason;
import org.yewledger.core.reconcile.AccountMonth;
import org.yewledger.core.schedule.DueItem;
import org.yewledger.core.schedule.Schedule;

/** What is left to do, at each station and as a list. */
@Component
class NextSteps {
  /** No entry is later. */
  private static final LocalDate LAST_DAY = LocalDate.of(DayText.LAST_YEAR, 12, 31);

  private final EntityManager entities;
  private final ConnectionView connections;
  private final TrustedPosts trusted;
  private final AccountBalances balances;
  private final DueService due;

  NextSteps(
      EntityManager entities,
      ConnectionView connections,
      TrustedPosts trusted,
      AccountBalances balances,
      DueService due) {
    this.entities = entities;
    this.connections = connections;
    this.trusted = trusted;
    this.balances = balances;
    this.due = due;
  }

  /** All that is left to do, over all months. */
  record Left(
      Chart chart,
      List<AccountStatements.Of> accounts,
      List<Count> waiting,
      List<String> doubtful,
      List<ConnectionView.ConsentEnding> ending,
      int trusted,
      List<InSuspense> suspense,
      List<DueItem> overdue,
      List<ToClose> toClose) {

    /** How much waits at each station of the work path. */
    StationsJson stations(YearMonth working) {
      int open = accounts.stream().mapToInt(a -> a.unfinished().size()).sum();
      int gather = toCome(working).size() + doubtful.size() + ending.size();
      return new StationsJson(
          gather, waiting.stream().mapToInt(Count::lines).sum(), open, toClose.size());
    }

    /** The work of a month as a list, in the order of the work path. */
    List<NextJson> next(@Nullable UUID bookId, YearMonth month) {
      var next = new ArrayList<NextJson>();
      addAccounts(next, Task.OPENING_BALANCE, unopened(bookId));
      for (ConnectionView.ConsentEnding e : ending) {
        next.add(NextJson.of(Task.RENEW_CONSENT, List.of(e.institution()), e.daysLeft()));
      }
      addAccounts(next, Task.STATEMENTS_TO_COME, toCome(month));
      addAccounts(next, Task.DOUBTS, doubtful);
      if (trusted > 0) {
        next.add(NextJson.of(Task.TRUSTED_POSTED, List.of(), trusted));
      }
      addWaiting(next, Task.POST_PROPOSED, reason -> reason != Reason.OPEN_QUESTION);
      addWaiting(next, Task.ANSWER, reason -> reason == Reason.OPEN_QUESTION);
      suspense.stream()
          .filter(s -> bookId == null || s.account().bookId().equals(bookId))
          .forEach(s ->
              next.add(
                  new NextJson(
                      Task.PLACE,
                      List.of(s.account().name()),
                      1,
                      null,
                      s.account().id(),
                      s.amount().decimal(),
                      null,
                      null)));
      addAccounts(next, Task.COUNT, missing(month, true));
      addAccounts(next, Task.OVERDUE, overdue(bookId));
      for (AccountStatements.Of of : accounts) {
        for (StatementEntity statement : of.unfinished()) {
          next.add(reconcile(of, statement));
        }
      }
      toClose.forEach(close -> next.add(close.next()));
      return next;
    }

    /** The payees of what has not come, one for each item. */
    private List<String> overdue(@Nullable UUID bookId) {
      return overdue.stream()
          .map(DueItem::schedule)
          .filter(s -> bookId == null || s.account().bookId().equals(bookId))
          .map(Schedule::payee)
          .toList();
    }

    private List<String> toCome(YearMonth month) {
      return missing(month, false);
    }

    /** Accounts without a statement, or without a count. */
    private List<String> missing(YearMonth month, boolean counted) {
      return accounts.stream()
          .filter(a -> a.account().kind().isCounted() == counted)
          .filter(a -> a.monthly().in(month).state() == AccountMonth.State.NO_STATEMENT)
          .map(a -> a.account().name())
          .toList();
    }

    private List<String> unopened(@Nullable UUID bookId) {
      return chart
          .accounts()
          .filter(a -> bookId == null || a.bookId().equals(bookId))
          .filter(a -> a.kind().hasOpeningBalance() && !a.group())
          .filter(a -> a.opensOn() == null && a.closedOn() == null)
          .map(Account::name)
          .toList();
    }

    private void addWaiting(List<NextJson> next, Task task, Predicate<Reason> of) {
      List<Count> counts = waiting.stream().filter(c -> of.test(c.reason())).toList();
      if (!counts.isEmpty()) {
        next.add(
            NextJson.of(
                task,
                counts.stream().map(c -> c.account().name()).distinct().toList(),
                counts.stream().mapToInt(Count::lines).sum()));
      }
    }

    /** One step for all of them: each name once, and how many there are. */
    private static void addAccounts(List<NextJson> next, Task task, List<String> names) {
      if (!names.isEmpty()) {
        List<String> accounts = names.stream().distinct().toList();
        next.add(NextJson.of(task, accounts, names.size()));
      }
    }

    private static NextJson reconcile(AccountStatements.Of of, StatementEntity statement) {
      Amount difference = of.reconciliation(statement).difference();
      return new NextJson(
          Task.RECONCILE,
          List.of(of.account().name()),
          1,
          statement.id(),
          null,
          difference.decimal(),
          null,
          null);
    }
  }

  /** A book that agrees through a month which is not closed. */
  record ToClose(BookEntity book, YearMonth month, int accounts) {
    NextJson next() {
      return new NextJson(
          Task.CLOSE, List.of(book.name()), accounts, null, null, null, book.id(), month);
    }
  }

  Left left(
      Chart chart,
      List<AccountStatements.Of> accounts,
      List<Count> waiting,
      List<ToClose> toClose) {
    return new Left(
        chart,
        accounts,
        waiting,
        doubtful(accounts),
        connections.ending(),
        trusted.countOfLate(),
        suspense(chart),
        due.overdue(chart),
        toClose);
  }

  /** What stands on an account of suspense, on whatever day. */
  record InSuspense(Account account, Amount amount) {}

  private List<InSuspense> suspense(Chart chart) {
    List<Account> accounts =
        chart.accounts().filter(a -> a.kind() == AccountKind.SUSPENSE && !a.group()).toList();
    Map<UUID, Position> stands = balances.at(LAST_DAY, accounts);
    return accounts.stream()
        .filter(a -> stands.containsKey(a.id()))
        .map(a -> new InSuspense(a, Objects.requireNonNull(stands.get(a.id())).amount()))
        .filter(s -> !s.amount().isZero())
        .toList();
  }

  /** The names of the accounts of doubtful lines, one for each line. */
  private List<String> doubtful(List<AccountStatements.Of> accounts) {
    Map<UUID, String> names =
        accounts.stream().collect(Collectors.toMap(a -> a.account().id(), a -> a.account().name()));
    return entities
        .createQuery("select accountId from BankLineState where state = DOUBTFUL", UUID.class)
        .getResultStream()
        .map(names::get)
        .filter(Objects::nonNull)
        .sorted()
        .toList();
  }
}
