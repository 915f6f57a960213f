package org.yewledger.app.plan;

import jakarta.validation.constraints.NotNull;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.plan.BalanceGoal;

/** What the API says about goals. */
final class GoalJson {
  private GoalJson() {}

  /**
   * @param reached the month's result so far; null in months that are to come
   * @param against what all months so far reached, less their part of the goal
   */
  record GoalMonthJson(
      YearMonth month,
      BigDecimal planned,
      @Nullable BigDecimal reached,
      @Nullable BigDecimal against) {}

  /**
   * How far a goal is reached.
   *
   * @param stands what is reached, or stands on the account
   * @param ahead of where it should be by now, below zero if behind
   * @param toGo zero once it is reached
   * @param perMonth what each of the months that are left has to bring
   */
  record ProgressJson(
      boolean reached,
      BigDecimal stands,
      BigDecimal ahead,
      BigDecimal toGo,
      int monthsLeft,
      BigDecimal perMonth) {}

  /** What a book is to earn in its fiscal year. */
  record ProfitGoalJson(
      UUID bookId,
      String bookName,
      String currency,
      YearMonth yearFirst,
      YearMonth yearLast,
      BigDecimal amount,
      List<GoalMonthJson> months,
      ProgressJson progress) {}

  /** What is to stand on an account by a day. */
  record BalanceGoalJson(
      UUID accountId,
      String accountName,
      String currency,
      LocalDate since,
      BigDecimal start,
      LocalDate by,
      BigDecimal amount,
      ProgressJson progress) {
    static BalanceGoalJson of(Account account, BalanceGoal goal, BalanceGoal.Progress progress) {
      return new BalanceGoalJson(
          account.id(),
          account.name(),
          account.currency().getCode(),
          goal.since(),
          goal.start().decimal(),
          goal.by(),
          goal.amount().decimal(),
          new ProgressJson(
              progress.isReached(),
              progress.stands().decimal(),
              progress.ahead().decimal(),
              progress.toGo().decimal(),
              progress.monthsLeft(),
              progress.perMonth().decimal()));
    }
  }

  /**
   * @param on the day that progress is told of: the household's, or the last of the month if that
   *     is over
   */
  record GoalsPageJson(
      LocalDate on, List<ProfitGoalJson> profits, List<BalanceGoalJson> balances) {}

  /**
   * @param month any of the fiscal year
   * @param amount null to give the goal up
   */
  record SetProfitGoalJson(
      @NotNull UUID bookId, @NotNull YearMonth month, @Nullable BigDecimal amount) {}

  /**
   * @param amount null to give the goal up
   * @param by needed with an amount
   */
  record SetBalanceGoalJson(
      @NotNull UUID accountId, @Nullable BigDecimal amount, @Nullable LocalDate by) {}
}
