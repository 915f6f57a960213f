package org.yewledger.core.plan;

import java.time.LocalDate;
import java.time.YearMonth;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.UUID;
import java.util.function.Function;
import org.yewledger.core.Refusal;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;
import org.yewledger.core.schedule.DueItem;
import org.yewledger.core.schedule.Schedule;

/**
 * What will stand on an account, day by day: what stands there now, with what is due, and with what
 * usually moves besides; what budgets plan counts in place of what was usual of their categories
 * ({@link BudgetedMoves}).
 *
 * <p>Usual moves are spread evenly over the days, a month having 30.44 of them. The band is as far
 * from that as half of the months were ({@link UsualMoves}); months that stray one way and the
 * other partly make up for each other, so that it widens with the root of the months.
 *
 * @param planned what budgets plan through the last day, {@code inPlaceOf} what counts as usual of
 *     that otherwise
 * @param days the days that are told, in their order: those on which something is due and the days
 *     before them, each seventh, and the last
 */
public record Forecast(
    Account account,
    Amount now,
    UsualMoves usual,
    Amount planned,
    Amount inPlaceOf,
    List<Day> days) {
  private static final double DAYS_OF_MONTH = 30.436875;
  private static final int TOLD_EVERY = 7;

  /**
   * How an account stands at the end of a day.
   *
   * @param due with what is due alone, {@code usual} with usual moves too
   * @param low where it stands if those stray the wrong way, {@code high} the other
   */
  public record Day(LocalDate date, Amount due, Amount usual, Amount low, Amount high) {}

  /**
   * An entry that is not booked, tried out.
   *
   * @param amount what it moves on the account; below zero is paid
   */
  public record Tried(Account account, LocalDate on, Amount amount) {
    /**
     * @throws Refusal {@code tried-nothing}, {@code tried-out-of-reach}
     */
    public Tried require(LocalDate today, LocalDate through) {
      if (amount.isZero()) {
        throw Refusal.ofField("tried-nothing", "tryAmount", "It moves nothing. Type an amount.");
      }
      if (on.isBefore(today) || on.isAfter(through)) {
        throw Refusal.ofField(
            "tried-out-of-reach", "tryOn", "Choose a day that the forecast reaches.");
      }
      return this;
    }
  }

  public Forecast {
    days = List.copyOf(days);
  }

  /**
   * @param now what stands there at the end of today, without what is due and has not come
   * @param due what is due on the account by day; what is overdue counts as due today
   * @param budgeted what budgets plan of the account, from the month in hand
   * @param today the day that it begins with
   */
  public static Forecast of(
      Account account,
      Amount now,
      NavigableMap<LocalDate, Long> due,
      UsualMoves usual,
      SortedMap<YearMonth, BudgetedMoves.Month> budgeted,
      LocalDate today,
      LocalDate through) {
    List<Day> days = new ArrayList<>();
    long stands = now.minor();
    BudgetedMoves.Month planned = BudgetedMoves.Month.NOTHING;
    for (LocalDate date = today; !date.isAfter(through); date = date.plusDays(1)) {
      Long moves = due.get(date);
      stands += moves == null ? 0 : moves;
      long ahead = ChronoUnit.DAYS.between(today, date);
      if (ahead > 0) {
        planned = planned.plus(BudgetedMoves.on(date, today, budgeted));
      }
      boolean told = moves != null || due.containsKey(date.plusDays(1)) || ahead % TOLD_EVERY == 0;
      if (told || date.equals(through)) {
        long differs = planned.usualMinor() - planned.plannedMinor();
        days.add(day(account, date, stands, differs, usual, ahead / DAYS_OF_MONTH));
      }
    }
    return new Forecast(
        account,
        now,
        usual,
        Amount.ofMinor(planned.plannedMinor(), account.currency()),
        Amount.ofMinor(planned.usualMinor(), account.currency()),
        days);
  }

  private static Day day(
      Account account, LocalDate date, long due, long differs, UsualMoves usual, double months) {
    long stands = due + differs + Math.round(usual.medianMinor() * months);
    double root = Math.sqrt(months);
    return new Day(
        date,
        Amount.ofMinor(due, account.currency()),
        Amount.ofMinor(stands, account.currency()),
        Amount.ofMinor(
            stands - Math.round((usual.medianMinor() - usual.lowMinor()) * root),
            account.currency()),
        Amount.ofMinor(
            stands + Math.round((usual.highMinor() - usual.medianMinor()) * root),
            account.currency()));
  }

  /** What is due today, and what is overdue. */
  public Amount dueToday() {
    return days.getFirst().due().minus(now);
  }

  /** What is usual through the last day, if no budget changed it. */
  public Amount usualThrough() {
    Day last = days.getLast();
    return last.usual().minus(last.due()).plus(planned).minus(inPlaceOf);
  }

  /** The first of the days on which it stands lowest, usual moves counted. */
  public Day lowest() {
    Day lowest = days.getFirst();
    for (Day day : days) {
      if (day.usual().minor() < lowest.usual().minor()) {
        lowest = day;
      }
    }
    return lowest;
  }

  /**
   * What items move on accounts of one's own, by account and day: on the schedule's own account,
   * and on those among its parts.
   *
   * @param from what is due before that day and still expected counts there
   * @param tried what moves besides, though it is not booked
   * @param atBank the account that an account is at its bank: of a set-aside the one that it is in
   */
  public static Map<UUID, NavigableMap<LocalDate, Long>> due(
      List<DueItem> items, LocalDate from, List<Tried> tried, Function<Account, UUID> atBank) {
    Map<UUID, NavigableMap<LocalDate, Long>> moves = new HashMap<>();
    tried.forEach(one -> add(moves, atBank.apply(one.account()), one.on(), one.amount().minor()));
    for (DueItem item : items) {
      if (item.isExpected()) {
        LocalDate day = item.due().isBefore(from) ? from : item.due();
        Schedule schedule = item.schedule();
        add(moves, atBank.apply(schedule.account()), day, schedule.whole().minor());
        for (Schedule.Part part : schedule.parts()) {
          if (part.account().kind().hasOpeningBalance()) {
            add(moves, atBank.apply(part.account()), day, -part.amount().minor());
          }
        }
      }
    }
    return moves;
  }

  private static void add(
      Map<UUID, NavigableMap<LocalDate, Long>> moves, UUID account, LocalDate day, long minor) {
    moves.computeIfAbsent(account, id -> new TreeMap<>()).merge(day, minor, Long::sum);
  }
}
