package org.yewledger.core.reconcile.gap;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import org.yewledger.core.reconcile.gap.Explanation.Doubled;
import org.yewledger.core.reconcile.gap.Explanation.Missing;
import org.yewledger.core.reconcile.gap.Explanation.OtherOpening;
import org.yewledger.core.reconcile.gap.Explanation.Overticked;
import org.yewledger.core.reconcile.gap.Explanation.Swapped;
import org.yewledger.core.reconcile.gap.Explanation.Turned;
import org.yewledger.core.reconcile.gap.Explanation.Unposted;
import org.yewledger.core.reconcile.gap.Explanation.Unticked;
import org.yewledger.core.reconcile.gap.Gap.Item;
import org.yewledger.core.reconcile.gap.GapReasons.Reason;
import org.yewledger.core.reconcile.gap.GapReasons.Way;

/**
 * Finds what may be wrong where a statement and the ticked postings are apart.
 *
 * <p>Each kind of mistake has a chance of happening at all, and happens to any of the postings that
 * it could happen to with the same chance. What explains the difference is ranked by the product of
 * the two (Bayes' theorem: each of them would make just this difference). So a combination of five
 * open postings, of which many could fit by accident, stands behind one that was left unticked.
 *
 * <p>Cost: that of {@link SmallSums} over the open postings, and for two things at a time one look
 * for each thing that is possible alone.
 */
public final class GapFinder {
  /** Chances of the kinds, of all differences; one of them, or two at once. */
  private static final double ONE_UNTICKED = 0.30;

  /** Several left unticked, by how many; the more, the less likely. */
  private static final double[] SEVERAL_UNTICKED = {0, 0, 0.12, 0.06, 0.04, 0.03, 0.02};

  private static final double ONE_UNPOSTED = 0.15;
  private static final double TWO_UNPOSTED = 0.05;

  /** What the bank shows up to the statement's day is on the statement, if that is its last. */
  private static final double ALL_UNPOSTED = 0.40;

  private static final double OVERTICKED = 0.03;
  private static final double DOUBLED = 0.08;
  private static final double TURNED = 0.05;
  private static final double SWAPPED = 0.06;
  private static final double OTHER_OPENING = 0.08;
  private static final double MISSING = 0.05;
  private static final double TWO_AT_ONCE = 0.15;

  /** Of something that stands nowhere, any amount up to some thousand is as likely. */
  private static final double ONE_AMOUNT = 1e-5;

  /** Days between two bookings of one thing. */
  private static final int DAYS_APART = 10;

  /** So many are told. */
  private static final int MOST = 12;

  /** After so many combinations of open postings it stops looking for more. */
  private static final int ENOUGH = 60;

  /** Of more open postings, none are combined with another mistake. */
  private static final int FEW_OPEN = 150;

  /** A reason with its chance before all of them are weighed. */
  private record Weighed(List<Explanation> parts, double weight) {}

  private final Gap gap;
  private final List<Weighed> reasons = new ArrayList<>();

  private GapFinder(Gap gap) {
    this.gap = gap;
  }

  /** Nothing where nothing is apart; otherwise at least that something is missing. */
  public static GapReasons of(Gap gap) {
    if (gap.difference() == 0) {
      return new GapReasons(List.of(), true);
    }
    return new GapFinder(gap).find();
  }

  private GapReasons find() {
    List<Weighed> single = new ArrayList<>(besidesTicking());
    List<Weighed> ticking = eachUnticked();
    Stream.concat(single.stream(), ticking.stream())
        .filter(w -> explains(w) == gap.difference())
        .forEach(reasons::add);
    boolean complete = severalUnticked();
    twoAtOnce(single, ticking);
    knownAndMore();
    reasons.add(new Weighed(List.of(new Missing(gap.difference())), MISSING * ONE_AMOUNT));
    return new GapReasons(ranked(), complete);
  }

  /** Ways of the same kinds are one reason: that digits are swapped, in one of these. */
  private List<Reason> ranked() {
    double all = reasons.stream().mapToDouble(Weighed::weight).sum();
    Map<List<String>, List<Weighed>> byKinds = new HashMap<>();
    for (Weighed weighed : reasons) {
      List<String> kinds = weighed.parts().stream().map(GapFinder::kind).sorted().toList();
      byKinds.computeIfAbsent(kinds, k -> new ArrayList<>()).add(weighed);
    }
    return byKinds.values().stream()
        .map(ways -> reason(ways, all))
        .sorted(Comparator.comparingDouble(Reason::plausibility).reversed())
        .limit(MOST)
        .toList();
  }

  private static Reason reason(List<Weighed> ways, double all) {
    return new Reason(
        ways.stream()
            .sorted(Comparator.comparingDouble(Weighed::weight).reversed())
            .map(w -> new Way(w.parts()))
            .toList(),
        ways.stream().mapToDouble(Weighed::weight).sum() / all);
  }

  private static String kind(Explanation part) {
    String several =
        switch (part) {
          case Unticked(var postings) -> " of " + postings.size();
          case Unposted(var lines) -> " of " + lines.size();
          default -> "";
        };
    return part.getClass().getSimpleName() + several;
  }

  private List<Weighed> eachUnticked() {
    return gap.open().stream()
        .map(item -> weighed(new Unticked(List.of(item)), ONE_UNTICKED, gap.open().size()))
        .toList();
  }

  /** All that one thing alone can be, but for a posting that was left unticked. */
  private List<Weighed> besidesTicking() {
    List<Weighed> single = new ArrayList<>();
    int lines = gap.waiting().size();
    gap.waiting()
        .forEach(line -> single.add(weighed(new Unposted(List.of(line)), ONE_UNPOSTED, lines)));
    for (int i = 0; i < lines; i++) {
      for (int j = i + 1; j < lines && lines <= FEW_OPEN; j++) {
        List<Item> both = List.of(gap.waiting().get(i), gap.waiting().get(j));
        single.add(weighed(new Unposted(both), TWO_UNPOSTED, lines * (lines - 1) / 2));
      }
    }
    if (lines > 2) {
      single.add(weighed(new Unposted(gap.waiting()), ALL_UNPOSTED, 1));
    }
    if (gap.openingApart() != 0) {
      single.add(weighed(new OtherOpening(gap.openingApart()), OTHER_OPENING, 1));
    }
    List<Doubled> doubled = doubled();
    doubled.forEach(two -> single.add(weighed(two, DOUBLED, doubled.size())));
    List<Swapped> swapped = gap.ticked().stream().flatMap(GapFinder::swapped).toList();
    swapped.forEach(one -> single.add(weighed(one, SWAPPED, swapped.size())));
    for (Item item : gap.ticked()) {
      single.add(weighed(new Overticked(item), OVERTICKED, gap.ticked().size()));
      single.add(weighed(new Turned(item), TURNED, gap.ticked().size()));
    }
    return single;
  }

  /**
   * Pairs of the same amount and payee a few days apart; of each, the later one may be too many.
   */
  private List<Doubled> doubled() {
    Map<String, List<Item>> alike = new HashMap<>();
    for (Item item : gap.ticked()) {
      String key = item.minor() + " " + item.payee().toLowerCase(Locale.ROOT);
      alike.computeIfAbsent(key, k -> new ArrayList<>()).add(item);
    }
    List<Doubled> doubled = new ArrayList<>();
    for (List<Item> same : alike.values()) {
      same.sort(Comparator.comparing(Item::date));
      for (int i = 1; i < same.size(); i++) {
        Item before = same.get(i - 1);
        if (!same.get(i).date().isAfter(before.date().plusDays(DAYS_APART))) {
          doubled.add(new Doubled(same.get(i), before));
        }
      }
    }
    return doubled;
  }

  /** The amounts that differ by two neighbouring digits the other way round. */
  private static Stream<Swapped> swapped(Item item) {
    long size = Math.abs(item.minor());
    List<Swapped> swapped = new ArrayList<>();
    for (long place = 1; place <= size / 10; place *= 10) {
      long right = size / place % 10;
      long left = size / place / 10 % 10;
      long should = size + (right - left) * 9 * place;
      // A zero in front would be a digit less.
      if (left != right && Long.toString(should).length() == Long.toString(size).length()) {
        swapped.add(new Swapped(item, item.minor() < 0 ? -should : should));
      }
    }
    return swapped.stream();
  }

  private boolean severalUnticked() {
    long[] amounts = gap.open().stream().mapToLong(Item::minor).toArray();
    SmallSums.Found found =
        SmallSums.of(amounts, gap.difference(), SmallSums.LARGEST, ENOUGH + amounts.length);
    for (int[] places : found.combinations()) {
      if (places.length > 1) {
        List<Item> postings = new ArrayList<>();
        for (int place : places) {
          postings.add(gap.open().get(place));
        }
        reasons.add(
            weighed(
                new Unticked(postings),
                SEVERAL_UNTICKED[places.length],
                combinations(amounts.length, places.length)));
      }
    }
    return found.complete();
  }

  /**
   * What is known to be amiss, whatever the difference: lines that are not posted, another opening
   * balance. What it leaves is not explained.
   */
  private void knownAndMore() {
    List<Weighed> known = new ArrayList<>();
    if (!gap.waiting().isEmpty()) {
      known.add(weighed(new Unposted(gap.waiting()), ALL_UNPOSTED, 1));
    }
    if (gap.openingApart() != 0) {
      known.add(weighed(new OtherOpening(gap.openingApart()), OTHER_OPENING, 1));
    }
    for (Weighed one : known) {
      long rest = gap.difference() - explains(one);
      if (rest != 0) {
        add(one, new Weighed(List.of(new Missing(rest)), MISSING * ONE_AMOUNT));
      }
    }
  }

  /** For each thing that is possible alone, another that explains just what it leaves. */
  private void twoAtOnce(List<Weighed> single, List<Weighed> ticking) {
    Map<Long, List<Weighed>> byEffect = new HashMap<>();
    Stream.concat(single.stream(), ticking.stream())
        .forEach(w -> byEffect.computeIfAbsent(explains(w), k -> new ArrayList<>()).add(w));
    Map<Weighed, Integer> order = new HashMap<>();
    single.forEach(w -> order.put(w, order.size()));
    for (int at = 0; at < single.size(); at++) {
      Weighed one = single.get(at);
      if (explains(one) == 0 || explains(one) == gap.difference()) {
        continue;
      }
      for (Weighed other : byEffect.getOrDefault(gap.difference() - explains(one), List.of())) {
        // Each two once, and never two things of one posting.
        if (order.getOrDefault(other, Integer.MAX_VALUE) > at && isApart(one, other)) {
          add(one, other);
        }
      }
      if (gap.open().size() <= FEW_OPEN) {
        severalUntickedBeside(one);
      }
    }
  }

  /** Two open postings that explain what one thing leaves. */
  private void severalUntickedBeside(Weighed one) {
    long[] amounts = gap.open().stream().mapToLong(Item::minor).toArray();
    long rest = gap.difference() - explains(one);
    for (int i = 0; i < amounts.length; i++) {
      for (int j = i + 1; j < amounts.length; j++) {
        if (amounts[i] + amounts[j] == rest) {
          var both = new Unticked(List.of(gap.open().get(i), gap.open().get(j)));
          add(one, weighed(both, SEVERAL_UNTICKED[2], combinations(amounts.length, 2)));
        }
      }
    }
  }

  private void add(Weighed one, Weighed other) {
    List<Explanation> parts = Stream.concat(one.parts().stream(), other.parts().stream()).toList();
    reasons.add(new Weighed(parts, TWO_AT_ONCE * one.weight() * other.weight()));
  }

  /** Two mistakes, each of a kind or a thing of its own: lines are not posted all at once. */
  private static boolean isApart(Weighed one, Weighed other) {
    if (isUnposted(one) && isUnposted(other)) {
      return false;
    }
    Set<UUID> touched = new HashSet<>(touched(one));
    touched.retainAll(touched(other));
    return touched.isEmpty();
  }

  private static boolean isUnposted(Weighed weighed) {
    return weighed.parts().getFirst() instanceof Unposted;
  }

  private static Set<UUID> touched(Weighed weighed) {
    Set<UUID> ids = new HashSet<>();
    for (Explanation part : weighed.parts()) {
      switch (part) {
        case Unticked(List<Item> postings) -> postings.forEach(p -> ids.add(p.id()));
        case Unposted(List<Item> lines) -> lines.forEach(l -> ids.add(l.id()));
        case Overticked(Item posting) -> ids.add(posting.id());
        case Doubled(Item posting, Item other) -> ids.add(posting.id());
        case Turned(Item posting) -> ids.add(posting.id());
        case Swapped(Item posting, long should) -> ids.add(posting.id());
        case OtherOpening opening -> {}
        case Missing missing -> {}
      }
    }
    return ids;
  }

  private static long explains(Weighed weighed) {
    return weighed.parts().stream().mapToLong(Explanation::explains).sum();
  }

  /**
   * @param among to how many things it could have happened
   */
  private static Weighed weighed(Explanation explanation, double chance, double among) {
    return new Weighed(List.of(explanation), chance / Math.max(1, among));
  }

  private static double combinations(int of, int size) {
    double count = 1;
    for (int i = 0; i < size; i++) {
      count = count * (of - i) / (i + 1);
    }
    return count;
  }
}
