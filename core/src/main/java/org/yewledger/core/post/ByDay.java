package org.yewledger.core.post;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.IntPredicate;

/**
 * Places of a list by account, by the way money goes, and by day: those of a few days are found.
 */
final class ByDay {
  private record Key(UUID accountId, boolean in) {}

  private final Map<Key, Map<Long, List<Integer>>> places = new HashMap<>();

  void add(int place, UUID accountId, long amountMinor, LocalDate day) {
    places
        .computeIfAbsent(new Key(accountId, amountMinor > 0), k -> new HashMap<>())
        .computeIfAbsent(day.toEpochDay(), k -> new ArrayList<>(2))
        .add(place);
  }

  /**
   * The first of those within so many days of a day that are as wanted, the nearest first. Cost:
   * the days, and what is looked at.
   */
  List<Integer> near(
      UUID accountId, long amountMinor, LocalDate day, int days, int most, IntPredicate wanted) {
    Map<Long, List<Integer>> byDay =
        places.getOrDefault(new Key(accountId, amountMinor > 0), Map.of());
    List<Integer> near = new ArrayList<>(most);
    long at = day.toEpochDay();
    for (int apart = 0; apart <= days && near.size() < most; apart++) {
      take(byDay, at - apart, near, most, wanted);
      if (apart > 0) {
        take(byDay, at + apart, near, most, wanted);
      }
    }
    return near;
  }

  private static void take(
      Map<Long, List<Integer>> byDay, long day, List<Integer> near, int most, IntPredicate wanted) {
    for (int place : byDay.getOrDefault(day, List.of())) {
      if (near.size() == most) {
        return;
      }
      if (wanted.test(place)) {
        near.add(place);
      }
    }
  }
}
