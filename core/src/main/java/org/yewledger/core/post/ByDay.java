package org.yewledger.core.post;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.IntStream;
import java.util.stream.LongStream;
import java.util.stream.Stream;

/**
 * Places of a list by account, by the way money goes, and by day: those of a few days are found.
 */
final class ByDay {
  private record Key(UUID accountId, boolean in, long day) {}

  private final Map<Key, List<Integer>> places = new HashMap<>();

  void add(int place, UUID accountId, long amountMinor, LocalDate day) {
    places
        .computeIfAbsent(
            new Key(accountId, amountMinor > 0, day.toEpochDay()), k -> new ArrayList<>(2))
        .add(place);
  }

  /** Those within so many days of a day, the nearest first. Cost: the days, and what is found. */
  Stream<Integer> near(UUID accountId, long amountMinor, LocalDate day, int days) {
    long at = day.toEpochDay();
    return IntStream.rangeClosed(0, days)
        .boxed()
        .flatMap(apart -> LongStream.of(at - apart, at + apart).distinct().boxed())
        .flatMap(
            on -> places.getOrDefault(new Key(accountId, amountMinor > 0, on), List.of()).stream());
  }
}
