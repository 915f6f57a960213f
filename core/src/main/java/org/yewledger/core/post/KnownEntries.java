package org.yewledger.core.post;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.match.Assignment;
import org.yewledger.core.match.Pairs;
import org.yewledger.core.rules.TellingWords;

/**
 * Which waiting lines stand in the books already: the best pairs of all lines and all open postings
 * together, not the best for one line after the other.
 *
 * <p>Cost: linear in lines and postings, times the few of one account and amount within a week;
 * what {@link Assignment} says for the pairs.
 */
public final class KnownEntries {
  /** Without a word in common, an equal amount may be a coincidence: a weekend is allowed. */
  private static final int DAYS_WITHOUT_WORDS = 3;

  private static final int NO_WORDS = 14;
  private static final int AWAITED = 1;
  private static final int ALONE = 100;

  /** Of the postings of one amount, so many are looked at for a line, those nearest first. */
  private static final int NEAREST = 24;

  private record OnAccount(UUID accountId, long amountMinor) {}

  private record At(int place, OpenPosting posting) {}

  private final List<WaitingLine> lines;
  private final List<OpenPosting> open;
  private final Map<OnAccount, List<At>> byAmount = new HashMap<>();
  private final TellingWords words;

  private KnownEntries(List<WaitingLine> lines, List<OpenPosting> open, TellingWords words) {
    this.words = words;
    this.lines = lines;
    this.open = open;
    for (int place = 0; place < open.size(); place++) {
      OpenPosting posting = open.get(place);
      byAmount
          .computeIfAbsent(
              new OnAccount(posting.accountId(), posting.amountMinor()), a -> new ArrayList<>())
          .add(new At(place, posting));
    }
  }

  /**
   * What each line is, by its place among the lines.
   *
   * @param words of the same lines and postings
   */
  public static Map<Integer, Evidence.StandsInTheBooks> of(
      List<WaitingLine> lines, List<OpenPosting> open, TellingWords words) {
    return new KnownEntries(lines, open, words).pairs();
  }

  private Map<Integer, Evidence.StandsInTheBooks> pairs() {
    var pairs = new Pairs(lines.size(), open.size());
    for (int place = 0; place < lines.size(); place++) {
      WaitingLine line = lines.get(place);
      List<At> candidates =
          byAmount.get(new OnAccount(line.account().id(), line.line().amountMinor()));
      if (candidates != null) {
        offer(place, line.line(), candidates, pairs);
      }
    }
    Map<Integer, Evidence.StandsInTheBooks> known = new HashMap<>();
    for (Pairs.Pair pair : pairs.best(ALONE)) {
      OpenPosting posting = open.get(pair.right());
      BankLine line = lines.get(pair.left()).line();
      known.put(
          pair.left(),
          new Evidence.StandsInTheBooks(
              posting,
              posting.daysFrom(line),
              words.shared(line, posting.text()),
              pair.rivalled()));
    }
    return known;
  }

  private void offer(int place, BankLine line, List<At> candidates, Pairs pairs) {
    nearest(line, candidates)
        .forEach(at -> {
          long days = at.posting().daysFrom(line);
          boolean shares = words.isShared(line, at.posting().text());
          boolean may = shares || at.posting().awaited() || days <= DAYS_WITHOUT_WORDS;
          if (may) {
            int unlike = shares ? 0 : at.posting().awaited() ? AWAITED : NO_WORDS;
            pairs.mayBe(place, at.place(), Pairs.apart(days) + unlike);
          }
        });
  }

  private static List<At> nearest(BankLine line, List<At> candidates) {
    List<At> within =
        candidates.stream()
            .filter(at -> at.posting().daysFrom(line) <= OpenPosting.WINDOW_DAYS)
            .toList();
    return within.size() <= NEAREST
        ? within
        : within.stream()
            .sorted(Comparator.comparingLong(at -> at.posting().daysFrom(line)))
            .limit(NEAREST)
            .toList();
  }
}
