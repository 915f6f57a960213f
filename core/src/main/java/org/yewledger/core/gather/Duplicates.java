package org.yewledger.core.gather;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.gather.Arrival.Standing;

/**
 * Tells new lines from known ones, so that no line gets in twice however often files and feeds
 * overlap.
 *
 * <ol>
 *   <li>By the bank's identity, among lines of the same source.
 *   <li>By day, amount and text. Of equal lines in a day the n-th stays the n-th, so two coffees
 *       stay two coffees and the same file again adds none. Two lines of one source with different
 *       identities are never the same.
 *   <li>A line of another source with the same amount and at most {@value Candidates#DAYS_OF_DOUBT}
 *       days apart makes the arriving one doubtful: a person decides.
 *   <li>A pending line gives way to its booked form.
 * </ol>
 *
 * Every known line is taken by one arriving line at most. Cost: linear in both lists, but for lines
 * of one amount within some days of each other.
 */
public final class Duplicates {
  private final LineSource source;
  private final Candidates booked;
  private final Candidates pending;
  private final Map<LineKey.Content, Integer> bookedCount = new HashMap<>();
  private final Map<LineKey.Content, Integer> pendingCount = new HashMap<>();

  private Duplicates(Collection<KnownLine> known, LineSource source) {
    this.source = source;
    this.booked = new Candidates(source);
    this.pending = new Candidates(source);
    for (KnownLine line : known) {
      boolean isPending =
          line.standing() == KnownLine.Standing.PENDING
              || line.standing() == KnownLine.Standing.REPLACED;
      (isPending ? pending : booked).add(line);
      (isPending ? pendingCount : bookedCount).merge(line.key().content(), 1, Integer::sum);
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
    var keys = arriving.stream().map(BankLine::key).toList();
    var isKnown = new boolean[arriving.size()];
    for (int i = 0; i < isKnown.length; i++) {
      isKnown[i] = takeByIdentity(arriving.get(i), keys.get(i));
    }
    for (int i = 0; i < isKnown.length; i++) {
      isKnown[i] = isKnown[i] || takeByContent(arriving.get(i), keys.get(i));
    }
    var arrivals = new ArrayList<Arrival>(arriving.size());
    for (int i = 0; i < isKnown.length; i++) {
      arrivals.add(
          isKnown[i]
              ? Arrival.known(arriving.get(i), keys.get(i))
              : comingIn(arriving.get(i), keys.get(i)));
    }
    return arrivals;
  }

  private boolean takeByIdentity(BankLine line, LineKey key) {
    if (line.isPending()) {
      return pending.takeByIdentity(key) || booked.hasIdentity(key);
    }
    return booked.takeByIdentity(key);
  }

  private boolean takeByContent(BankLine line, LineKey key) {
    if (line.isPending()) {
      return pending.takeByContent(key) || booked.takeBookedFormOf(key);
    }
    return booked.takeByContent(key);
  }

  private Arrival comingIn(BankLine line, LineKey key) {
    int ordinal =
        (line.isPending() ? pendingCount : bookedCount).merge(key.content(), 1, Integer::sum);
    if (line.isPending()) {
      return new Arrival(line, key, Standing.NEW, ordinal, null, null);
    }
    @Nullable UUID replaces = pending.takePendingFormOf(key);
    @Nullable UUID doubtOver = replaces == null ? booked.takeDoubt(key) : null;
    return new Arrival(
        line,
        key,
        doubtOver == null ? Standing.NEW : Standing.DOUBTFUL,
        ordinal,
        doubtOver,
        replaces);
  }
}
