package org.yewledger.core.plan;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.TreeMap;
import java.util.UUID;
import org.yewledger.core.Refusal;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;
import org.yewledger.core.schedule.DueItem;
import org.yewledger.core.schedule.Schedule;

/**
 * What will stand on an account, day by day: what stands there now, with what is due, and with what
 * usually moves besides.
 *
 * <p>Usual moves are spread evenly over the days, a month having 30.44 of them. The band is as far
 * from that as half of the months were ({@link UsualMoves}); months that stray one way and the
 * other partly make up for each other, so that it widens with the root of the months.
 *
 * @param days the days that are told, in their order: those on which something is due and the days
 *     before them, each seventh, and the last
 */
public record Forecast(Account account, Amount now, UsualMoves usual, List<Day> days) {
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
   * @param today the day that it begins with
   */
  public static Forecast of(
      Account account,
      Amount now,
      NavigableMap<LocalDate, Long> due,
      UsualMoves usual,
      LocalDate today,
      LocalDate through) {
    List<Day> days = new ArrayList<>();
    long stands = now.minor();
    for (LocalDate date = today; !date.isAfter(through); date = date.plusDays(1)) {
      Long moves = due.get(date);
      stands += moves == null ? 0 : moves;
      long ahead = ChronoUnit.DAYS.between(today, date);
      boolean told = moves != null || due.containsKey(date.plusDays(1)) || ahead % TOLD_EVERY == 0;
      if (told || date.equals(through)) {
        days.add(day(account, date, stands, usual, ahead / DAYS_OF_MONTH));
      }
    }
    return new Forecast(account, now, usual, days);
  }

  private static Day day(
      Account account, LocalDate date, long due, UsualMoves usual, double months) {
    long stands = due + Math.round(usual.medianMinor() * months);
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
   */
  public static Map<UUID, NavigableMap<LocalDate, Long>> due(
      List<DueItem> items, LocalDate from, List<Tried> tried) {
    Map<UUID, NavigableMap<LocalDate, Long>> moves = new HashMap<>();
    tried.forEach(one -> add(moves, one.account().id(), one.on(), one.amount().minor()));
    for (DueItem item : items) {
      if (item.isExpected()) {
        LocalDate day = item.due().isBefore(from) ? from : item.due();
        Schedule schedule = item.schedule();
        add(moves, schedule.account().id(), day, schedule.whole().minor());
        for (Schedule.Part part : schedule.parts()) {
          if (part.account().kind().hasOpeningBalance()) {
            add(moves, part.account().id(), day, -part.amount().minor());
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
