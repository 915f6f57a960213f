package org.yewledger.core.post;

import java.util.BitSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.rules.TellingWords;

/**
 * Lines that are several entries together, as a deposit of three cheques, and entries that come as
 * several lines: what {@link KnownEntries} has left, put together by adding up.
 *
 * <p>Cost: for each line or posting that is left, at most the sums of five of the ten nearest.
 */
public final class KnownGroups {
  private static final int MOST_TOGETHER = 5;
  private static final int NEAREST = 10;

  /** So many lines that may be a part of a posting are asked whether they name its payee. */
  private static final int MOST_LOOKED_AT = 60;

  /** Places whose amounts add up to what is looked for, and whether others do as well. */
  private record Found(List<Integer> places, boolean rivalled) {}

  private final List<WaitingLine> lines;
  private final List<OpenPosting> open;
  private final BitSet lineTaken = new BitSet();
  private final BitSet postingTaken = new BitSet();
  private final Map<Integer, Evidence> known = new HashMap<>();
  private final TellingWords words;

  private KnownGroups(
      List<WaitingLine> lines,
      List<OpenPosting> open,
      Map<Integer, Evidence.StandsInTheBooks> pairs,
      TellingWords words) {
    this.words = words;
    this.lines = lines;
    this.open = open;
    pairs.keySet().forEach(lineTaken::set);
    Set<UUID> paired = new HashSet<>();
    pairs.values().forEach(pair -> paired.add(pair.posting().id()));
    for (int i = 0; i < open.size(); i++) {
      if (paired.contains(open.get(i).id())) {
        postingTaken.set(i);
      }
    }
  }

  /**
   * What each line is that is no entry by itself, by its place among the lines.
   *
   * @param pairs those that are known already, with their entries
   */
  public static Map<Integer, Evidence> of(
      List<WaitingLine> lines,
      List<OpenPosting> open,
      Map<Integer, Evidence.StandsInTheBooks> pairs,
      TellingWords words) {
    if (open.size() == pairs.size()) {
      return Map.of();
    }
    var groups = new KnownGroups(lines, open, pairs, words);
    groups.linesOfSeveralEntries();
    groups.entriesOfSeveralLines();
    return groups.known;
  }

  private void linesOfSeveralEntries() {
    var free = new ByDay();
    for (int at = 0; at < open.size(); at++) {
      OpenPosting posting = open.get(at);
      // The other half of a transfer comes by itself.
      if (!postingTaken.get(at) && !posting.awaited()) {
        free.add(at, posting.accountId(), posting.amountMinor(), posting.date());
      }
    }
    for (int place = 0; place < lines.size(); place++) {
      if (lineTaken.get(place)) {
        continue;
      }
      WaitingLine line = lines.get(place);
      long amount = line.line().amountMinor();
      List<Integer> candidates =
          free.near(
              line.account().id(),
              amount,
              line.line().bookedOn(),
              OpenPosting.WINDOW_DAYS,
              NEAREST,
              at -> !postingTaken.get(at) && isPartOf(open.get(at).amountMinor(), amount));
      Found found = together(candidates, amount, at -> open.get(at).amountMinor());
      if (found != null) {
        knowAsSeveral(place, line.line(), found);
      }
    }
  }

  private static boolean isPartOf(long part, long whole) {
    return part != 0 && Math.abs(part) < Math.abs(whole);
  }

  /** Money paid out together is to one payee; cheques paid in together are of anybody. */
  private void knowAsSeveral(int place, BankLine line, Found found) {
    List<OpenPosting> postings = found.places().stream().map(open::get).toList();
    Set<String> shared = new LinkedHashSet<>(words.of(line));
    shared.retainAll(
        postings.stream()
            .flatMap(posting -> words.of(posting.text()).stream())
            .collect(Collectors.toSet()));
    if (line.amountMinor() < 0 && shared.isEmpty()) {
      return;
    }
    lineTaken.set(place);
    found.places().forEach(postingTaken::set);
    known.put(place, new Evidence.StandsInSeveral(postings, List.copyOf(shared), found.rivalled()));
  }

  private void entriesOfSeveralLines() {
    var free = new ByDay();
    for (int place = 0; place < lines.size(); place++) {
      if (!lineTaken.get(place)) {
        WaitingLine line = lines.get(place);
        free.add(place, line.account().id(), line.line().amountMinor(), line.line().bookedOn());
      }
    }
    for (int at = 0; at < open.size(); at++) {
      OpenPosting posting = open.get(at);
      if (postingTaken.get(at) || posting.awaited()) {
        continue;
      }
      Found found =
          together(
              partsOf(posting, free),
              posting.amountMinor(),
              place -> lines.get(place).line().amountMinor());
      if (found != null) {
        knowAsParts(at, posting, found);
      }
    }
  }

  private void knowAsParts(int at, OpenPosting posting, Found found) {
    found.places().forEach(lineTaken::set);
    postingTaken.set(at);
    List<UUID> ids = found.places().stream().map(place -> lines.get(place).id()).toList();
    for (int place : found.places()) {
      known.put(place, new Evidence.PartOfAnEntry(posting, ids, found.rivalled()));
    }
  }

  /** Lines that name the payee of the entry: without a word in common sums are coincidence. */
  private List<Integer> partsOf(OpenPosting posting, ByDay free) {
    return free
        .near(
            posting.accountId(),
            posting.amountMinor(),
            posting.date(),
            OpenPosting.WINDOW_DAYS,
            MOST_LOOKED_AT,
            place ->
                !lineTaken.get(place)
                    && isPartOf(lines.get(place).line().amountMinor(), posting.amountMinor()))
        .stream()
        .filter(place -> words.isShared(lines.get(place).line(), posting.text()))
        .limit(NEAREST)
        .toList();
  }

  private interface AmountAt {
    long of(int place);
  }

  /** The first two to five of the candidates, the nearest first, that add up to the amount. */
  private static @Nullable Found together(List<Integer> candidates, long amount, AmountAt amounts) {
    var search = new Search(candidates, amounts);
    search.from(0, Math.abs(amount), 0);
    return search.first == null ? null : new Found(search.first, search.count > 1);
  }

  /** All amounts go the same way, so that what is left only ever shrinks. */
  private static final class Search {
    private final List<Integer> candidates;
    private final long[] sizes;

    /** What all from a place on come to together. */
    private final long[] restFrom;

    private final int[] taken = new int[MOST_TOGETHER];
    private @Nullable List<Integer> first;
    private int count;

    Search(List<Integer> candidates, AmountAt amounts) {
      this.candidates = candidates;
      sizes = candidates.stream().mapToLong(at -> Math.abs(amounts.of(at))).toArray();
      restFrom = new long[sizes.length + 1];
      for (int at = sizes.length - 1; at >= 0; at--) {
        restFrom[at] = restFrom[at + 1] + sizes[at];
      }
    }

    void from(int at, long left, int depth) {
      if (left == 0 && depth > 1) {
        count++;
        first = first == null ? taken(depth) : first;
        return;
      }
      for (int next = at;
          depth < MOST_TOGETHER && count <= 1 && next < sizes.length && restFrom[next] >= left;
          next++) {
        if (sizes[next] <= left) {
          taken[depth] = next;
          from(next + 1, left - sizes[next], depth + 1);
        }
      }
    }

    private List<Integer> taken(int depth) {
      return IntStream.range(0, depth).mapToObj(i -> candidates.get(taken[i])).toList();
    }
  }
}
