package org.yewledger.core.gather;

import static java.util.Comparator.comparing;

import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;

/**
 * Which arriving line is held against which line that is here, of those of one amount: as many
 * pairs as there can be, and of these the pairs fewest days apart. On a line of days some best
 * pairing never crosses, so two sorted lists are gone through once for each pair of them. Cost: the
 * product of the arriving and the known lines of an amount; beyond {@value #MOST_PAIRS} the nearest
 * are paired first instead.
 */
final class Doubts {
  /** Banks book the same movement some days apart in a file and in a feed; no further. */
  static final int DAYS = 3;

  private static final long MOST_PAIRS = 4_000_000;

  private final List<Integer> arriving;
  private final List<LineKey> keys;
  private final List<KnownLine> known;
  private final Map<Integer, UUID> over = new HashMap<>();

  private Doubts(List<Integer> arriving, List<LineKey> keys, List<KnownLine> known) {
    this.keys = keys;
    this.arriving = arriving.stream().sorted(comparing(i -> keys.get(i).bookedOn())).toList();
    this.known = known.stream().sorted(comparing(k -> k.key().bookedOn())).toList();
  }

  /**
   * The doubts that lines raise.
   *
   * @param arriving the places of the lines that nothing has explained yet
   * @param keys of all lines of the file
   * @return the line here, for the place of the arriving one
   */
  static Map<Integer, UUID> over(List<Integer> arriving, List<LineKey> keys, Candidates booked) {
    Map<Long, List<Integer>> byAmount = new HashMap<>();
    for (int i : arriving) {
      byAmount.computeIfAbsent(keys.get(i).amountMinor(), a -> new ArrayList<>()).add(i);
    }
    Map<Integer, UUID> all = new HashMap<>();
    byAmount.forEach((amount, lines) -> {
      List<KnownLine> known = booked.free(amount);
      if (!known.isEmpty()) {
        all.putAll(new Doubts(lines, keys, known).paired());
      }
    });
    return all;
  }

  private Map<Integer, UUID> paired() {
    if ((long) arriving.size() * known.size() > MOST_PAIRS) {
      pairNearestFirst();
    } else {
      pairBest();
    }
    return over;
  }

  /** Days from the arriving line to the known one. */
  private long days(int a, int k) {
    return ChronoUnit.DAYS.between(
        keys.get(arriving.get(a)).bookedOn(), known.get(k).key().bookedOn());
  }

  private void pairNearestFirst() {
    var taken = new boolean[known.size()];
    for (int apart = 0; apart <= DAYS; apart++) {
      int from = 0;
      for (int a = 0; a < arriving.size(); a++) {
        while (from < known.size() && days(a, from) < -DAYS) {
          from++;
        }
        boolean paired = over.containsKey(arriving.get(a));
        for (int k = from; !paired && k < known.size() && days(a, k) <= apart; k++) {
          if (!taken[k] && Math.abs(days(a, k)) == apart) {
            taken[k] = true;
            paired = true;
            over.put(arriving.get(a), known.get(k).id());
          }
        }
      }
    }
  }

  private void pairBest() {
    // The worth of the best pairing of the first a and the first k. A pair more is worth any days.
    int pair = DAYS * Math.min(arriving.size(), known.size()) + 1;
    var worth = new int[arriving.size() + 1][known.size() + 1];
    for (int a = 1; a <= arriving.size(); a++) {
      for (int k = 1; k <= known.size(); k++) {
        worth[a][k] = Math.max(worth[a - 1][k], worth[a][k - 1]);
        int apart = (int) Math.abs(days(a - 1, k - 1));
        if (apart <= DAYS) {
          worth[a][k] = Math.max(worth[a][k], worth[a - 1][k - 1] + pair - apart);
        }
      }
    }
    int a = arriving.size();
    int k = known.size();
    while (a > 0 && k > 0) {
      if (worth[a][k] == worth[a - 1][k]) {
        a--;
      } else if (worth[a][k] == worth[a][k - 1]) {
        k--;
      } else {
        over.put(arriving.get(a - 1), known.get(k - 1).id());
        a--;
        k--;
      }
    }
  }
}
