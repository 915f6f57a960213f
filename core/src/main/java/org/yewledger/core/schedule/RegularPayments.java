package org.yewledger.core.schedule;

import java.time.LocalDate;
import java.time.YearMonth;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.yewledger.core.schedule.Rhythm.On;
import org.yewledger.core.schedule.Rhythm.Unit;

/**
 * Payments that come regularly, found in what was booked: of a payee on an account, in one
 * direction, at even distances and of much the same amount.
 *
 * <p>Entries of a group are even if at least four of five follow the one before at the distance of
 * the rhythm, a few days more or less, and the last is not longer ago than one and a half times
 * that. The usual amount is the median of the newest ones; their range is told with it, and is at
 * most half of it. Cost: sorting the entries once, then linear.
 */
public final class RegularPayments {
  /** Of the newest ones, so many tell the amount. */
  private static final int NEWEST = 6;

  private static final int ENOUGH = 3;
  private static final int LAST_SAFE_DAY = 28;

  /** An entry of a payee on an account, as far as this looks at it. */
  public record Paid(
      UUID entryId, UUID payeeId, UUID accountId, LocalDate date, long amountMinor) {}

  /**
   * A payment that comes regularly.
   *
   * @param newest the last one
   * @param times how often it came in this rhythm
   * @param rhythm how often it comes
   * @param next the day of the next one
   * @param usualMinor what comes as a rule, with its sign
   * @param aboutMinor how far the newest ones were from that
   */
  public record Found(
      Paid newest, int times, Rhythm rhythm, LocalDate next, long usualMinor, long aboutMinor) {}

  /** A rhythm that is tried, from the most frequent to the rarest. */
  private record Tried(Unit unit, int interval, int days, int tolerance, int enough) {
    boolean isNext(LocalDate before, LocalDate after) {
      return Math.abs(ChronoUnit.DAYS.between(next(before), after)) <= tolerance;
    }

    LocalDate next(LocalDate day) {
      return switch (unit) {
        case WEEK -> day.plusWeeks(interval);
        case MONTH -> day.plusMonths(interval);
        case YEAR -> day.plusYears(interval);
        case DAY, ONCE -> day.plusDays(interval);
      };
    }
  }

  private static final List<Tried> RHYTHMS =
      List.of(
          new Tried(Unit.WEEK, 1, 7, 1, 6),
          new Tried(Unit.WEEK, 2, 14, 2, 5),
          new Tried(Unit.MONTH, 1, 30, 5, ENOUGH),
          new Tried(Unit.MONTH, 2, 61, 6, ENOUGH),
          new Tried(Unit.MONTH, 3, 91, 8, ENOUGH),
          new Tried(Unit.MONTH, 6, 182, 10, ENOUGH),
          new Tried(Unit.YEAR, 1, 365, 15, 2));

  private record Group(UUID payeeId, UUID accountId, boolean out) {}

  private RegularPayments() {}

  /**
   * @param paid of any order
   * @param today what has stopped before is not regular any more
   * @return those that came most often first
   */
  public static List<Found> in(List<Paid> paid, LocalDate today) {
    Map<Group, List<Paid>> groups = new HashMap<>();
    for (Paid one : leaving(paid)) {
      if (one.amountMinor() != 0) {
        groups
            .computeIfAbsent(
                new Group(one.payeeId(), one.accountId(), one.amountMinor() < 0),
                g -> new ArrayList<>())
            .add(one);
      }
    }
    List<Found> found = new ArrayList<>();
    for (List<Paid> group : groups.values()) {
      group.sort(Comparator.comparing(Paid::date));
      RHYTHMS.stream()
          .flatMap(tried -> regular(group, tried, today).stream())
          .findFirst()
          .ifPresent(found::add);
    }
    found.sort(
        Comparator.comparing(Found::times)
            .reversed()
            .thenComparing(f -> f.newest().date(), Comparator.reverseOrder())
            .thenComparing(f -> f.newest().entryId()));
    return found;
  }

  /** What moves between accounts of one's own is one payment, and counts where it leaves. */
  private static Collection<Paid> leaving(List<Paid> paid) {
    Map<UUID, Paid> byEntry = new HashMap<>();
    for (Paid one : paid) {
      byEntry.merge(one.entryId(), one, (a, b) -> a.amountMinor() <= b.amountMinor() ? a : b);
    }
    return byEntry.values();
  }

  private static Optional<Found> regular(List<Paid> group, Tried tried, LocalDate today) {
    Paid newest = group.getLast();
    LocalDate overdue =
        newest.date().plusDays(tried.days() + tried.days() / 2L + tried.tolerance());
    if (group.size() < tried.enough() || overdue.isBefore(today)) {
      return Optional.empty();
    }
    int even = 0;
    for (int i = 1; i < group.size(); i++) {
      if (tried.isNext(group.get(i - 1).date(), group.get(i).date())) {
        even++;
      }
    }
    if (5 * even < 4 * (group.size() - 1) || even + 1 < tried.enough()) {
      return Optional.empty();
    }
    long[] amounts =
        group.subList(Math.max(0, group.size() - NEWEST), group.size()).stream()
            .mapToLong(Paid::amountMinor)
            .sorted()
            .toArray();
    long usual = amounts[amounts.length / 2];
    long about = Math.max(usual - amounts[0], amounts[amounts.length - 1] - usual);
    if (2 * about > Math.abs(usual)) {
      return Optional.empty();
    }
    On on = on(group, tried);
    return Optional.of(
        new Found(
            newest,
            even + 1,
            new Rhythm(tried.unit(), tried.interval(), on),
            next(group, tried, on),
            usual,
            about));
  }

  /** At the end of months if the newest ones were, whatever the months' lengths. */
  private static On on(List<Paid> group, Tried tried) {
    boolean atEnd =
        tried.unit() == Unit.MONTH
            && newest(group).stream().allMatch(p -> p.date().getDayOfMonth() > LAST_SAFE_DAY - 1)
            && newest(group).stream()
                .anyMatch(p -> p.date().equals(YearMonth.from(p.date()).atEndOfMonth()));
    return atEnd ? On.LAST_DAY : On.DAY;
  }

  /** On the day of the month that most of the newest ones came on: a weekend may have moved one. */
  private static LocalDate next(List<Paid> group, Tried tried, On on) {
    LocalDate next = tried.next(group.getLast().date());
    if (on == On.LAST_DAY) {
      return YearMonth.from(next).atEndOfMonth();
    }
    if (tried.unit() == Unit.WEEK) {
      return next;
    }
    int[] days = newest(group).stream().mapToInt(p -> p.date().getDayOfMonth()).sorted().toArray();
    int usual = days[days.length / 2];
    int least = tried.unit() == Unit.YEAR ? YearMonth.from(next).lengthOfMonth() : LAST_SAFE_DAY;
    return next.withDayOfMonth(Math.min(usual, least));
  }

  private static List<Paid> newest(List<Paid> group) {
    return group.subList(Math.max(0, group.size() - NEWEST), group.size());
  }
}
