package org.yewledger.core.plan;

import java.math.BigInteger;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.UUID;
import java.util.function.Function;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.report.EvenParts;
import org.yewledger.core.report.Span;

/**
 * What budgets let move on accounts in the months ahead, in place of what was spent on their
 * categories on average. What is planned falls on the accounts that paid for the category lately,
 * each with the part it had of that; what is due in a month is taken off, since it moves on its own
 * day.
 *
 * @param byAccount by month, from the one in hand
 * @param without names of budgets that no account is known to pay
 */
public record BudgetedMoves(
    Map<UUID, SortedMap<YearMonth, Month>> byAccount, List<String> without) {
  public static final BudgetedMoves NONE = new BudgetedMoves(Map.of(), List.of());

  /**
   * A month of an account, in minor units of its currency; of the month in hand what remains.
   *
   * @param plannedMinor what is still to be spent by the budgets
   * @param usualMinor what was spent on average on what they are of
   */
  public record Month(long plannedMinor, long usualMinor) {
    static final Month NOTHING = new Month(0, 0);

    Month plus(Month other) {
      return new Month(plannedMinor + other.plannedMinor, usualMinor + other.usualMinor);
    }

    Month minus(Month other) {
      return new Month(plannedMinor - other.plannedMinor, usualMinor - other.usualMinor);
    }

    /** The part of a day, of so many; those of all days are the month. */
    Month onDay(int at, int many) {
      return new Month(EvenParts.of(plannedMinor, at, many), EvenParts.of(usualMinor, at, many));
    }
  }

  /**
   * What accounts paid for a category lately, in minor units, and what was spent on it in a month
   * on average.
   *
   * @param byAccount those of the currency of the book; others keep what is usual
   */
  public record Paid(Map<UUID, Long> byAccount, long averageMinor) {
    public static final Paid NOTHING = new Paid(Map.of(), 0);

    Paid plus(Paid other) {
      Map<UUID, Long> both = new HashMap<>(byAccount);
      other.byAccount.forEach((account, minor) -> both.merge(account, minor, Long::sum));
      return new Paid(both, averageMinor + other.averageMinor);
    }

    boolean isKnown() {
      return byAccount.values().stream().anyMatch(minor -> minor > 0);
    }

    /** Two amounts in the parts that the accounts had; together they are the amounts. */
    Map<UUID, Month> parts(long plannedMinor, long usualMinor) {
      List<Map.Entry<UUID, Long>> payers =
          byAccount.entrySet().stream()
              .filter(one -> one.getValue() > 0)
              .sorted(Map.Entry.comparingByKey())
              .toList();
      long all = payers.stream().mapToLong(Map.Entry::getValue).reduce(0, Math::addExact);
      Map<UUID, Month> parts = new HashMap<>();
      long paid = 0;
      Month before = Month.NOTHING;
      for (var payer : payers) {
        paid += payer.getValue();
        Month upTo = new Month(portion(plannedMinor, paid, all), portion(usualMinor, paid, all));
        parts.put(payer.getKey(), upTo.minus(before));
        before = upTo;
      }
      return parts;
    }

    private static long portion(long minor, long paid, long all) {
      return BigInteger.valueOf(paid)
          .multiply(BigInteger.valueOf(minor))
          .divide(BigInteger.valueOf(all))
          .longValueExact();
    }
  }

  /**
   * What the budgets of a book let move.
   *
   * @param budgets of categories and groups of expenses
   * @param months from the one in hand
   * @param left what is left of a budget in the month in hand, without what is due, by account
   * @param toCome what is due in a month
   * @param paid by category
   */
  public static BudgetedMoves of(
      List<Budget> budgets,
      PlannedTogether together,
      LocalDate today,
      Span months,
      Map<UUID, Long> left,
      Function<YearMonth, ToCome> toCome,
      Map<UUID, Paid> paid) {
    Map<UUID, SortedMap<YearMonth, Month>> byAccount = new HashMap<>();
    Set<String> without = new LinkedHashSet<>();
    List<Account> categories = budgets.stream().map(Budget::of).filter(a -> !a.group()).toList();
    for (YearMonth month : months.each()) {
      boolean inHand = month.equals(months.first());
      ToCome due = toCome.apply(month);
      for (Budget budget : budgets) {
        if (budget.spanOf(month).isPresent()) {
          List<Account> holds = BudgetSheet.holds(budget.of(), categories, together, month);
          Paid by = paidFor(holds, paid);
          long open =
              inHand
                  ? left.getOrDefault(budget.of().id(), 0L)
                  : budget.spread(new Span(month, month)).within(new Span(month, month)).minor()
                      - minor(due, holds);
          long usual =
              inHand
                  ? by.averageMinor() * remaining(today) / month.lengthOfMonth()
                  : by.averageMinor();
          if (!by.isKnown() && open > 0) {
            without.add(budget.of().name());
          }
          by.parts(Math.max(open, 0), usual)
              .forEach((account, part) ->
                  byAccount
                      .computeIfAbsent(account, id -> new TreeMap<>())
                      .merge(month, part, Month::plus));
        }
      }
    }
    return new BudgetedMoves(byAccount, List.copyOf(without));
  }

  private static Paid paidFor(List<Account> categories, Map<UUID, Paid> paid) {
    return categories.stream()
        .map(one -> paid.getOrDefault(one.id(), Paid.NOTHING))
        .reduce(Paid.NOTHING, Paid::plus);
  }

  private static long minor(ToCome due, List<Account> holds) {
    return holds.stream().mapToLong(one -> due.of(one.id(), one.book().currency()).minor()).sum();
  }

  private static int remaining(LocalDate today) {
    return today.lengthOfMonth() - today.getDayOfMonth();
  }

  /** Those of two books. */
  public BudgetedMoves plus(BudgetedMoves other) {
    Map<UUID, SortedMap<YearMonth, Month>> both = new HashMap<>();
    for (BudgetedMoves one : List.of(this, other)) {
      one.byAccount.forEach((account, months) -> {
        SortedMap<YearMonth, Month> all = both.computeIfAbsent(account, id -> new TreeMap<>());
        months.forEach((month, moves) -> all.merge(month, moves, Month::plus));
      });
    }
    List<String> names = new ArrayList<>(without);
    names.addAll(other.without);
    return new BudgetedMoves(both, List.copyOf(names));
  }

  /** Of an account; empty where no budget lets anything move on it. */
  public SortedMap<YearMonth, Month> of(Account account) {
    return byAccount.getOrDefault(account.id(), new TreeMap<>());
  }

  /** What falls on a day after today. */
  static Month on(LocalDate day, LocalDate today, SortedMap<YearMonth, Month> months) {
    YearMonth month = YearMonth.from(day);
    Month of = months.getOrDefault(month, Month.NOTHING);
    int before = month.equals(YearMonth.from(today)) ? today.getDayOfMonth() : 0;
    return of.onDay(day.getDayOfMonth() - 1 - before, month.lengthOfMonth() - before);
  }
}
