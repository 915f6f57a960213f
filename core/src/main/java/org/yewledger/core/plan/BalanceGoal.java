package org.yewledger.core.plan;

import java.time.LocalDate;
import java.time.YearMonth;
import java.time.temporal.ChronoUnit;
import org.yewledger.core.Refusal;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountClass;
import org.yewledger.core.money.Amount;

/**
 * What is to stand on an account by a day, evenly day by day.
 *
 * @param since the day on which it was set, with what stood then as {@code start}
 * @param by the last day
 * @param amount above zero, in the account's currency
 */
public record BalanceGoal(LocalDate since, Amount start, LocalDate by, Amount amount) {
  /**
   * @throws Refusal {@code goal-not-positive}, {@code goal-past}
   */
  public BalanceGoal {
    ProfitGoal.requirePositive(amount);
    if (!by.isAfter(since)) {
      throw Refusal.ofField("goal-past", "by", "That day is not to come. Choose a later one.");
    }
  }

  /**
   * A goal is of an account with what is owned.
   *
   * @throws Refusal {@code goal-not-of-assets}
   */
  public static Account requireAsset(Account account) {
    if (account.group() || account.accountClass() != AccountClass.ASSET) {
      throw Refusal.ofField(
          "goal-not-of-assets",
          "accountId",
          "%s is no account to save on.".formatted(account.name()));
    }
    return account;
  }

  /**
   * How far it is reached.
   *
   * @param expected what should stand by the day
   * @param ahead what stands above that, below zero if behind
   * @param toGo until the goal; zero once it is reached
   * @param monthsLeft calendar months after the one in hand, that of the last day among them
   * @param perMonth what each of them has to bring, rounded up; all of it where none is left
   */
  public record Progress(
      Amount stands, Amount expected, Amount ahead, Amount toGo, int monthsLeft, Amount perMonth) {
    public boolean isReached() {
      return toGo.isZero();
    }
  }

  /**
   * @param stands what stands on the account on the day
   */
  public Progress at(LocalDate day, Amount stands) {
    Amount expected = expected(day);
    Amount toGo = amount.minus(stands).ifAbove();
    int left = (int) Math.max(0, YearMonth.from(day).until(YearMonth.from(by), ChronoUnit.MONTHS));
    return new Progress(
        stands,
        expected,
        stands.minus(expected),
        toGo,
        left,
        left == 0 ? toGo : ProfitGoal.perMonth(toGo, left));
  }

  private Amount expected(LocalDate day) {
    long all = since.until(by, ChronoUnit.DAYS);
    long gone = Math.clamp(since.until(day, ChronoUnit.DAYS), 0, all);
    long minor = ProfitGoal.share(amount.minus(start).minor(), gone, all);
    return Amount.ofMinor(start.minor() + minor, amount.currency());
  }
}
