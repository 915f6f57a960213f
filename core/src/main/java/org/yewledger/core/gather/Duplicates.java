package org.yewledger.core.gather;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.gather.Arrival.Standing;

/**
 * Tells new lines from known ones, so that no line gets in twice however often files overlap.
 *
 * <p>First by the bank's identity. Then by day, amount and text: of equal lines in a day the n-th
 * stays the n-th, so two coffees stay two coffees and the same file again adds none. Two lines that
 * both carry an identity, and different ones, are never the same. Cost: linear in both lists.
 */
public final class Duplicates {
  private Duplicates() {}

  /**
   * @param known the keys of all lines of the account around the days of the file
   * @param arriving the lines of one file, in its order
   * @return one arrival per arriving line, in the same order
   */
  public static List<Arrival> compare(Collection<LineKey> known, List<BankLine> arriving) {
    var index = new Known(known);
    // All identities first: otherwise a line known by its text could take the place of another
    // that is known by its identity.
    var byIdentity = new boolean[arriving.size()];
    for (int i = 0; i < byIdentity.length; i++) {
      byIdentity[i] = index.takeByIdentity(arriving.get(i).key());
    }
    var arrivals = new ArrayList<Arrival>(arriving.size());
    for (int i = 0; i < byIdentity.length; i++) {
      BankLine line = arriving.get(i);
      boolean isKnown = byIdentity[i] || index.takeByContent(line.key());
      arrivals.add(
          isKnown
              ? new Arrival(line, Standing.KNOWN, 0)
              : new Arrival(line, Standing.NEW, index.nextOrdinal(line.key())));
    }
    return arrivals;
  }

  /** The known lines, each of which can be taken by one arriving line. */
  private static final class Known {
    private final Map<String, LineKey> byIdentity = new HashMap<>();
    private final Map<LineKey.Content, Deque<LineKey>> byContent = new HashMap<>();
    private final Map<LineKey.Content, Integer> count = new HashMap<>();
    private final Set<String> seen = new HashSet<>();

    Known(Collection<LineKey> known) {
      for (LineKey key : known) {
        if (key.identity() != null) {
          byIdentity.put(key.identity(), key);
        }
        byContent.computeIfAbsent(key.content(), k -> new ArrayDeque<>()).add(key);
        count.merge(key.content(), 1, Integer::sum);
      }
    }

    boolean takeByIdentity(LineKey key) {
      if (key.identity() == null) {
        return false;
      }
      LineKey match = byIdentity.get(key.identity());
      if (match != null) {
        Deque<LineKey> equals = byContent.get(match.content());
        if (equals != null) {
          equals.remove(match);
        }
        return true;
      }
      // The same identity twice in one file is the same line, listed twice.
      return !seen.add(key.identity());
    }

    boolean takeByContent(LineKey key) {
      Deque<LineKey> equals = byContent.get(key.content());
      @Nullable LineKey match = equals == null ? null : firstThatMayBe(key, equals);
      return match != null && equals != null && equals.remove(match);
    }

    private static @Nullable LineKey firstThatMayBe(LineKey key, Deque<LineKey> equals) {
      for (LineKey candidate : equals) {
        if (key.identity() == null || candidate.identity() == null) {
          return candidate;
        }
      }
      return null;
    }

    int nextOrdinal(LineKey key) {
      return count.merge(key.content(), 1, Integer::sum);
    }
  }
}
