package org.yewledger.core.schedule;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * The due items of a schedule, held against what is in the books.
 *
 * <p>An item is the entry that a person said it is; otherwise the nearest one with the schedule's
 * payee, on its account, of an expected amount, within the item's window. Each entry is one item
 * only. What is found follows from the books alone, so that taking an entry back makes its item
 * expected again.
 */
public final class DueItems {
  /** An entry can be so many days early or late, and less where items are near each other. */
  private static final int WIDEST_WINDOW = 10;

  /** An item can be due so far from the day that its rule gives it, unless it is moved. */
  public static final int FURTHEST = 31;

  /** Items just beyond the span may be what an entry within it is. */
  private static final int MARGIN = 62;

  /** More items than these are not worked out at once: a daily one over eleven years. */
  private static final int MOST = 4_000;

  private final Schedule schedule;
  private final Function<LocalDate, Schedule> asOn;
  private final LocalDate today;
  private final WorkingDays working;
  private final Map<LocalDate, Settled> settled;

  private DueItems(
      Schedule schedule,
      Function<LocalDate, Schedule> asOn,
      LocalDate today,
      WorkingDays working,
      Map<LocalDate, Settled> settled) {
    this.schedule = schedule;
    this.asOn = asOn;
    this.today = today;
    this.working = working;
    this.settled = settled;
  }

  /**
   * The items whose rule gives them a day of a span, by the day they are due on.
   *
   * <p>Cost: the items and the entries that are near them, sorted.
   *
   * @param settled what was said of them, by the day that the rule gives them
   * @param entries with the schedule's payee on its account; those that are further away than the
   *     items' windows do not matter
   */
  public static List<DueItem> of(
      Schedule schedule,
      LocalDate from,
      LocalDate to,
      LocalDate today,
      WorkingDays working,
      Map<LocalDate, Settled> settled,
      List<Standing> entries) {
    return of(schedule, day -> schedule, from, to, today, working, settled, entries);
  }

  /**
   * The same of a schedule whose amount is another one at times.
   *
   * @param asOn the schedule as it is for the item that its rule gives a day
   */
  public static List<DueItem> of(
      Schedule schedule,
      Function<LocalDate, Schedule> asOn,
      LocalDate from,
      LocalDate to,
      LocalDate today,
      WorkingDays working,
      Map<LocalDate, Settled> settled,
      List<Standing> entries) {
    return new DueItems(schedule, asOn, today, working, settled).items(from, to, entries);
  }

  private List<DueItem> items(LocalDate from, LocalDate to, List<Standing> entries) {
    List<LocalDate> days =
        schedule.when().between(from.minusDays(MARGIN), to.plusDays(MARGIN), MOST);
    List<DueItem> items = new ArrayList<>();
    for (int i = 0; i < days.size(); i++) {
      items.add(expected(days.get(i), window(days, i)));
    }
    Map<LocalDate, Standing> found = found(items, entries);
    return items.stream()
        .filter(item -> !item.nominal().isBefore(from) && !item.nominal().isAfter(to))
        .map(item -> held(item, found.get(item.nominal())))
        .sorted(Comparator.comparing(DueItem::due).thenComparing(DueItem::nominal))
        .toList();
  }

  private DueItem expected(LocalDate nominal, int window) {
    LocalDate moved = Settled.movedTo(settled.get(nominal));
    LocalDate due = moved == null ? schedule.shift().of(nominal, working) : moved;
    return new DueItem(
        asOn.apply(nominal),
        nominal,
        due,
        moved != null,
        window,
        due.isBefore(today) ? DueItem.State.OVERDUE : DueItem.State.COMING,
        "",
        null);
  }

  /** Less than half of the way to the next item, so that an entry is never as near to two. */
  private static int window(List<LocalDate> days, int at) {
    long nearest = 2L * WIDEST_WINDOW + 1;
    if (at > 0) {
      nearest = Math.min(nearest, ChronoUnit.DAYS.between(days.get(at - 1), days.get(at)));
    }
    if (at + 1 < days.size()) {
      nearest = Math.min(nearest, ChronoUnit.DAYS.between(days.get(at), days.get(at + 1)));
    }
    return (int) ((nearest - 1) / 2);
  }

  private record Pair(DueItem item, Standing entry, int apart) {}

  private Map<LocalDate, Standing> found(List<DueItem> items, List<Standing> entries) {
    Map<UUID, Standing> byId =
        entries.stream()
            .collect(Collectors.toMap(Standing::entryId, Function.identity(), (a, b) -> a));
    Map<LocalDate, Standing> found = new HashMap<>();
    Set<UUID> taken = new HashSet<>();
    settled.forEach((nominal, said) -> {
      if (said instanceof Settled.Entered entered) {
        taken.add(entered.entryId());
        Standing entry = byId.get(entered.entryId());
        if (entry != null) {
          found.put(nominal, entry);
        }
      }
    });
    pairs(items, entries).stream()
        .filter(pair -> !(settled.get(pair.item().nominal()) instanceof Settled.Entered))
        .forEach(pair -> {
          if (!found.containsKey(pair.item().nominal()) && taken.add(pair.entry().entryId())) {
            found.put(pair.item().nominal(), pair.entry());
          }
        });
    return found;
  }

  /** Those that may be one another, the nearest first. */
  private List<Pair> pairs(List<DueItem> items, List<Standing> entries) {
    NavigableMap<LocalDate, List<Standing>> byDay =
        entries.stream()
            .collect(Collectors.groupingBy(Standing::date, TreeMap::new, Collectors.toList()));
    List<Pair> pairs = new ArrayList<>();
    for (DueItem item : items) {
      if (settled.get(item.nominal()) instanceof Settled.Skipped) {
        continue;
      }
      LocalDate first = item.due().minusDays(item.window());
      LocalDate last = item.due().plusDays(item.window());
      byDay.subMap(first, true, last, true).values().stream()
          .flatMap(List::stream)
          .filter(entry -> item.schedule().expects(entry.amount()))
          .forEach(entry ->
              item.apart(entry.date()).ifPresent(days -> pairs.add(new Pair(item, entry, days))));
    }
    pairs.sort(
        Comparator.comparing((Pair pair) -> Math.abs(pair.apart()))
            .thenComparing(pair -> pair.item().nominal())
            .thenComparing(pair -> pair.entry().no()));
    return pairs;
  }

  private DueItem held(DueItem item, @Nullable Standing entry) {
    if (settled.get(item.nominal()) instanceof Settled.Skipped skipped) {
      return item.held(DueItem.State.SKIPPED, skipped.reason(), null);
    }
    return entry == null ? item : item.held(DueItem.State.ENTERED, "", entry);
  }
}
