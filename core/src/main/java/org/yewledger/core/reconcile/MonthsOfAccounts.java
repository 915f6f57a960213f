package org.yewledger.core.reconcile;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.reconcile.AccountMonth.Progress;
import org.yewledger.core.reconcile.AccountMonth.State;

/** The months of several accounts, seen together. */
public record MonthsOfAccounts(List<OneAccount> accounts) {

  /**
   * One account's first day and its statements.
   *
   * @param closedThrough the last month that its book is closed through; null if none
   */
  public record OneAccount(
      LocalDate opensOn, List<Progress> statements, @Nullable YearMonth closedThrough) {
    public AccountMonth in(YearMonth month) {
      return AccountMonth.of(month, closedThrough, opensOn, statements);
    }
  }

  /**
   * The state over all accounts that are open in the month: agreed only if each of them is, and
   * closed likewise.
   */
  public AccountMonth over(YearMonth month) {
    List<AccountMonth> open =
        accounts.stream()
            .map(account -> account.in(month))
            .filter(m -> m.state() != State.NOT_OPEN)
            .toList();
    if (open.isEmpty()) {
      return new AccountMonth(State.NOT_OPEN, 0);
    }
    if (open.stream().allMatch(m -> m.state() == State.CLOSED)) {
      return new AccountMonth(State.CLOSED, 100);
    }
    if (open.stream().allMatch(m -> m.state().isAgreed())) {
      return new AccountMonth(State.AGREED, 100);
    }
    if (open.stream().allMatch(m -> m.state() == State.NO_STATEMENT)) {
      return new AccountMonth(State.NO_STATEMENT, 0);
    }
    int share = open.stream().mapToInt(AccountMonth::agreedShare).sum() / open.size();
    return new AccountMonth(State.IN_PROGRESS, share);
  }

  /** The month to work on: the first that is not agreed in all accounts, at most {@code last}. */
  public YearMonth firstNotAgreed(YearMonth last) {
    YearMonth month = firstMonth().orElse(last);
    while (month.isBefore(last) && over(month).state().isAgreed()) {
      month = month.plusMonths(1);
    }
    return month.isAfter(last) ? last : month;
  }

  /**
   * The last month up to which all accounts agree without a gap; empty if not even the first does.
   */
  public Optional<YearMonth> agreedThrough(YearMonth last) {
    Optional<YearMonth> first = firstMonth();
    if (first.isEmpty() || !over(first.get()).state().isAgreed()) {
      return Optional.empty();
    }
    YearMonth month = first.get();
    while (month.isBefore(last) && over(month.plusMonths(1)).state().isAgreed()) {
      month = month.plusMonths(1);
    }
    return Optional.of(month);
  }

  /** The last month that the book of the accounts, all of one, is closed through. */
  public Optional<YearMonth> closedThrough() {
    return accounts.stream()
        .flatMap(a -> Optional.ofNullable(a.closedThrough()).stream())
        .findFirst();
  }

  /**
   * The month through which the accounts, all of one book, wait to be closed: the last that is over
   * and agrees, if it is not closed yet.
   *
   * @param today in the household's own time zone
   */
  public Optional<YearMonth> toClose(LocalDate today) {
    return agreedThrough(YearMonth.from(today).minusMonths(1))
        .filter(month -> over(month).state() != State.CLOSED);
  }

  private Optional<YearMonth> firstMonth() {
    return accounts.stream()
        .map(account -> YearMonth.from(account.opensOn()))
        .min(Comparator.naturalOrder());
  }
}
