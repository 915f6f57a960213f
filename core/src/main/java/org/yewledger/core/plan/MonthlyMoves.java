package org.yewledger.core.plan;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.report.Span;
import org.yewledger.core.schedule.DueItem;
import org.yewledger.core.schedule.Schedule;
import org.yewledger.core.schedule.Standing;

/**
 * What moved on accounts in whole months, in minor units of each account's currency; debits are
 * above zero.
 */
public record MonthlyMoves(Map<UUID, Map<YearMonth, Long>> byAccount) {
  private static final int LOOKED_AT = 12;

  /** The twelve months that end with the last in which anything moved; empty if nothing did. */
  public Optional<Span> lastTwelve() {
    return byAccount.values().stream()
        .flatMap(months -> months.keySet().stream())
        .max(YearMonth::compareTo)
        .map(last -> new Span(last.minusMonths(LOOKED_AT - 1L), last));
  }

  /**
   * The same without what schedules brought, on both sides where these are among the accounts.
   *
   * @param atBank the account that an account is at its bank: of a set-aside the one that it is in
   */
  public MonthlyMoves without(List<DueItem> items, Function<Account, UUID> atBank) {
    Map<UUID, Map<YearMonth, Long>> left = new HashMap<>();
    byAccount.forEach((account, months) -> left.put(account, new HashMap<>(months)));
    for (DueItem item : items) {
      Standing entry = item.entry();
      if (entry != null) {
        YearMonth month = YearMonth.from(entry.date());
        Schedule schedule = item.schedule();
        take(left, atBank.apply(schedule.account()), month, entry.amount().minor());
        for (Schedule.Part part : schedule.parts(entry.amount())) {
          take(left, atBank.apply(part.account()), month, -part.amount().minor());
        }
      }
    }
    return new MonthlyMoves(left);
  }

  private static void take(
      Map<UUID, Map<YearMonth, Long>> left, UUID account, YearMonth month, long minor) {
    Map<YearMonth, Long> months = left.get(account);
    if (months != null) {
      months.computeIfPresent(month, (m, all) -> all - minor);
    }
  }

  /**
   * What is usual on an account: of some months those in which it was there whole, so that its
   * opening balance is none of them.
   */
  public UsualMoves usual(Account account, Span of) {
    Map<YearMonth, Long> months = byAccount.getOrDefault(account.id(), Map.of());
    return UsualMoves.of(
        of.each().stream()
            .filter(month -> isWhole(account, month))
            .mapToLong(month -> months.getOrDefault(month, 0L))
            .toArray());
  }

  /** What moved on an account in a month on average, half-even; a month without any counts too. */
  public long average(UUID account, Span of) {
    Map<YearMonth, Long> months = byAccount.getOrDefault(account, Map.of());
    long all = of.each().stream().mapToLong(month -> months.getOrDefault(month, 0L)).sum();
    return BigDecimal.valueOf(all)
        .divide(BigDecimal.valueOf(of.months()), RoundingMode.HALF_EVEN)
        .longValueExact();
  }

  private static boolean isWhole(Account account, YearMonth month) {
    LocalDate opens = account.opensOn();
    return opens == null || !opens.isAfter(month.atDay(1));
  }
}
