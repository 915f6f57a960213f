package org.yewledger.core.compare;

import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.yewledger.core.compare.Match.Kind;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.match.Pairs;
import org.yewledger.core.post.OpenPosting;
import org.yewledger.core.post.WaitingLine;
import org.yewledger.core.rules.TellingWords;

/**
 * Lines and postings that are likely one thing although amount or day are not the same: a slip in
 * typing, a tip that was added, a cheque that was paid in late. All pairs together cost least.
 *
 * <p>Cost: linear in both sides, times the {@value #NEAREST} nearest of one amount or payee.
 */
final class Disagreements {
  /** Amounts that are a slip of the hand apart are looked for so far. */
  private static final int DAYS_OF_A_SLIP = 7;

  /** Other amounts only where the days are as near as for a bill typed when it is paid. */
  private static final int DAYS_OF_ANOTHER_AMOUNT = 3;

  /** Another amount is up to so many percent more or less. */
  private static final int OTHER_PERCENT = 25;

  /** A cheque is paid in within half a year. */
  private static final int DAYS_OF_A_CHEQUE = 183;

  /** A month or two are typed for another. */
  private static final int DAYS_TYPED_WRONG = 70;

  private static final int NEAREST = 24;

  // What pairs cost beside their days: the likelier one is cheaper, and any is better than none.
  private static final int LATE = 5;
  private static final int OTHER_DAY = 10;
  private static final int SLIP = 10;
  private static final int OTHER_AMOUNT = 30;
  private static final int NO_WORDS = 40;
  private static final int ALONE = 400;

  private final List<WaitingLine> lines;
  private final List<OpenPosting> postings;
  private final TellingWords words;
  private final Map<Long, List<Integer>> byAmount = new HashMap<>();
  private final Map<String, List<Integer>> byWord = new HashMap<>();
  private final Map<Long, Kind> kinds = new HashMap<>();
  private final Pairs pairs;

  /** For each posting the last line that it was held against for a word they share. */
  private final int[] lookedAtFor;

  private Disagreements(List<WaitingLine> lines, List<OpenPosting> postings, TellingWords words) {
    this.lines = lines;
    this.postings = postings.stream().sorted(Comparator.comparing(OpenPosting::date)).toList();
    this.words = words;
    pairs = new Pairs(lines.size(), postings.size());
    lookedAtFor = new int[postings.size()];
    Arrays.fill(lookedAtFor, -1);
    for (int at = 0; at < this.postings.size(); at++) {
      int place = at;
      byAmount
          .computeIfAbsent(this.postings.get(at).amountMinor(), a -> new ArrayList<>(2))
          .add(at);
      words
          .of(this.postings.get(at).text())
          .forEach(word -> byWord.computeIfAbsent(word, w -> new ArrayList<>(2)).add(place));
    }
  }

  static List<Match> of(List<WaitingLine> lines, List<OpenPosting> postings, TellingWords words) {
    return lines.isEmpty() || postings.isEmpty()
        ? List.of()
        : new Disagreements(lines, postings, words).matches();
  }

  private List<Match> matches() {
    for (int place = 0; place < lines.size(); place++) {
      offerAmount(place);
      offerWords(place);
    }
    return pairs.best(ALONE).stream().map(this::match).toList();
  }

  private Match match(Pairs.Pair pair) {
    WaitingLine line = lines.get(pair.left());
    OpenPosting posting = postings.get(pair.right());
    Kind kind = kinds.getOrDefault(key(pair.left(), pair.right()), Kind.SAME);
    List<String> shared = words.shared(line.line(), posting.text());
    boolean sure = kind == Kind.SAME && !pair.rivalled() && !shared.isEmpty();
    return new Match(kind, List.of(line), List.of(posting), shared, pair.rivalled(), sure);
  }

  /** The same amount on a day that is further away. */
  private void offerAmount(int place) {
    BankLine line = lines.get(place).line();
    for (int at : nearest(byAmount.getOrDefault(line.amountMinor(), List.of()), line)) {
      long later = days(line, at);
      boolean shares = words.isShared(line, postings.get(at).text());
      if (later <= 0 && -later <= DAYS_OF_A_CHEQUE) {
        offer(place, at, Kind.SAME, LATE + (int) -later + (shares ? 0 : NO_WORDS));
      } else if (later > 0 && later <= DAYS_TYPED_WRONG && shares) {
        offer(place, at, Kind.DAY_DISAGREES, OTHER_DAY + (int) later);
      }
    }
  }

  /** Another amount with the same payee, near by. */
  private void offerWords(int place) {
    BankLine line = lines.get(place).line();
    for (String word : words.of(line)) {
      for (int at : nearest(byWord.getOrDefault(word, List.of()), line)) {
        if (lookedAtFor[at] != place) {
          lookedAtFor[at] = place;
          offerOtherAmount(place, line, at);
        }
      }
    }
  }

  private void offerOtherAmount(int place, BankLine line, int at) {
    long apart = Math.abs(days(line, at));
    if (apart > DAYS_OF_A_SLIP) {
      return;
    }
    long typed = postings.get(at).amountMinor();
    boolean sameWay = Long.signum(typed) == Long.signum(line.amountMinor());
    boolean turned = typed == -line.amountMinor();
    if (turned || (sameWay && TypingSlip.isBetween(line.amountMinor(), typed))) {
      offer(place, at, Kind.AMOUNT_DISAGREES, SLIP + Pairs.apart(apart));
    } else if (sameWay
        && apart <= DAYS_OF_ANOTHER_AMOUNT
        && isNear(line.amountMinor(), typed)
        && words.isSamePayee(line, postings.get(at).text())) {
      offer(place, at, Kind.AMOUNT_DISAGREES, OTHER_AMOUNT + Pairs.apart(apart));
    }
  }

  private static boolean isNear(long one, long other) {
    return one != other
        && Math.abs(one - other)
            <= Math.max(Math.abs(one), Math.abs(other)) / 100.0 * OTHER_PERCENT;
  }

  private void offer(int place, int at, Kind kind, int cost) {
    pairs.mayBe(place, at, cost);
    kinds.put(key(place, at), kind);
  }

  private long key(int place, int at) {
    return (long) place * postings.size() + at;
  }

  /** How many days after the line the posting is; before it where that is below zero. */
  private long days(BankLine line, int at) {
    return ChronoUnit.DAYS.between(line.bookedOn(), postings.get(at).date());
  }

  /**
   * Of places in the order of their days, those nearest to the line. Cost: the logarithm of their
   * number, and {@value #NEAREST}.
   */
  private List<Integer> nearest(List<Integer> places, BankLine line) {
    if (places.size() <= NEAREST) {
      return places;
    }
    int low = 0;
    int high = places.size();
    while (low < high) {
      int middle = (low + high) >>> 1;
      if (days(line, places.get(middle)) < 0) {
        low = middle + 1;
      } else {
        high = middle;
      }
    }
    int first = Math.max(0, low - NEAREST / 2);
    return places.subList(first, Math.min(places.size(), first + NEAREST));
  }
}
