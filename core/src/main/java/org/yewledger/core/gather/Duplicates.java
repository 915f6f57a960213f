package org.yewledger.core.gather;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.gather.Arrival.Standing;
import org.yewledger.core.gather.Candidates.Taken;

/**
 * Tells new lines from known ones, so that no line gets in twice however often files and feeds
 * overlap.
 *
 * <ol>
 *   <li>By the bank's identity, among lines of the same source; identities that identify nothing
 *       ({@link Identities}) do not count.
 *   <li>By day, amount and text. Of equal lines in a day the n-th stays the n-th, so two coffees
 *       stay two coffees and the same file again adds none. Two lines of one source with different
 *       identities are never the same.
 *   <li>A line of another source with the same amount and at most {@value Doubts#DAYS} days apart
 *       makes the arriving one doubtful: a person decides. Which is held against which is the best
 *       over all of them ({@link Doubts}).
 *   <li>A pending line gives way to its booked form.
 * </ol>
 *
 * Every movement that is here is taken by one arriving line at most, by a line or by a copy of it.
 * Cost: linear in both lists, but for lines of one amount: those of one content are gone through
 * for each other, lines that are still pending, which are few, for each new line, and doubts cost
 * what {@link Doubts} says.
 */
public final class Duplicates {
  private final Candidates booked;
  private final Candidates pending;
  private final Map<LineKey.Content, BitSet> bookedOrdinals = new HashMap<>();
  private final Map<LineKey.Content, BitSet> pendingOrdinals = new HashMap<>();

  private Duplicates(Collection<KnownLine> known, LineSource source) {
    this.booked = new Candidates(source);
    this.pending = new Candidates(source);
    for (KnownLine line : known) {
      boolean isPending =
          line.standing() == KnownLine.Standing.PENDING
              || line.standing() == KnownLine.Standing.REPLACED;
      (isPending ? pending : booked).add(line);
      ordinals(isPending, line.key()).set(line.ordinal());
    }
  }

  /**
   * @param known all lines of the account around the days of the arriving ones
   * @param arriving the lines of one file or sync, in its order
   * @return one arrival per arriving line, in the same order
   */
  public static List<Arrival> compare(
      Collection<KnownLine> known, List<BankLine> arriving, LineSource source) {
    return new Duplicates(known, source).compare(arriving);
  }

  private List<Arrival> compare(List<BankLine> arriving) {
    // All identities first: otherwise a line known by its text could take the place of another
    // that is known by its identity. Then all texts, before any doubt takes a line away.
    List<LineKey> keys = new Identities(arriving).keys();
    @Nullable Taken[] known = new @Nullable Taken[arriving.size()];
    for (int i = 0; i < known.length; i++) {
      known[i] = takeByIdentity(arriving.get(i), keys.get(i));
    }
    for (int i = 0; i < known.length; i++) {
      known[i] = known[i] != null ? known[i] : takeByContent(arriving.get(i), keys.get(i));
    }
    var replaces = new HashMap<Integer, UUID>();
    var standsAlone = new ArrayList<Integer>();
    for (int i = 0; i < known.length; i++) {
      if (known[i] == null && !arriving.get(i).isPending()) {
        UUID pendingForm = pending.takePendingFormOf(keys.get(i));
        if (pendingForm == null) {
          standsAlone.add(i);
        } else {
          replaces.put(i, pendingForm);
        }
      }
    }
    Map<Integer, UUID> doubts = Doubts.over(standsAlone, keys, booked);
    var arrivals = new ArrayList<Arrival>(arriving.size());
    for (int i = 0; i < known.length; i++) {
      arrivals.add(
          known[i] != null
              ? Arrival.known(arriving.get(i), keys.get(i), known[i].movement())
              : comingIn(arriving.get(i), keys.get(i), doubts.get(i), replaces.get(i)));
    }
    return arrivals;
  }

  private @Nullable Taken takeByIdentity(BankLine line, LineKey key) {
    if (line.isPending()) {
      Taken still = pending.takeByIdentity(key);
      return still == null && booked.hasIdentity(key) ? new Taken(null) : still;
    }
    return booked.takeByIdentity(key);
  }

  private @Nullable Taken takeByContent(BankLine line, LineKey key) {
    if (line.isPending()) {
      Taken still = pending.takeByContent(key);
      return still == null ? booked.takeBookedFormOf(key) : still;
    }
    return booked.takeByContent(key);
  }

  private Arrival comingIn(
      BankLine line, LineKey key, @Nullable UUID doubtOver, @Nullable UUID replaces) {
    BitSet used = ordinals(line.isPending(), key);
    // Not the count of equal lines: of three, the first may have been taken back.
    int ordinal = used.nextClearBit(1);
    used.set(ordinal);
    return new Arrival(
        line,
        key,
        doubtOver == null ? Standing.NEW : Standing.DOUBTFUL,
        ordinal,
        null,
        doubtOver,
        replaces);
  }

  private BitSet ordinals(boolean isPending, LineKey key) {
    return (isPending ? pendingOrdinals : bookedOrdinals)
        .computeIfAbsent(key.content(), content -> new BitSet());
  }
}
