package org.yewledger.core.post;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.match.Assignment;
import org.yewledger.core.match.Pairs;
import org.yewledger.core.money.Amount;
import org.yewledger.core.rules.TellingWords;
import org.yewledger.core.schedule.DueItem;

/**
 * Which waiting lines are due items that arrive: early, late or with another amount. The best pairs
 * of all lines and all items together.
 *
 * <p>Cost: linear in lines and items, times the few of one account within a window; what {@link
 * Assignment} says for the pairs.
 */
final class DueLines {
  private static final int NO_WORDS = 30;
  private static final int OTHER_AMOUNT = 30;
  private static final int ALONE = 200;

  /** Another amount is believed from half of the usual one to twice as much. */
  private static final int TIMES = 2;

  private DueLines() {}

  /**
   * What each line is, by its place among the lines.
   *
   * @param free the places that nothing else explains
   */
  static Map<Integer, Evidence.IsDue> of(
      Situation situation, List<Integer> free, TellingWords words) {
    List<DueItem> due = situation.due();
    if (due.isEmpty()) {
      return Map.of();
    }
    Map<UUID, List<Integer>> byAccount =
        IntStream.range(0, due.size())
            .boxed()
            .collect(Collectors.groupingBy(at -> due.get(at).schedule().account().id()));
    var pairs = new Pairs(situation.lines().size(), due.size());
    for (int place : free) {
      WaitingLine line = situation.lines().get(place);
      for (int at : byAccount.getOrDefault(line.account().id(), List.of())) {
        offer(situation, place, at, words, pairs);
      }
    }
    Map<Integer, Evidence.IsDue> found = new HashMap<>();
    for (Pairs.Pair pair : pairs.best(ALONE)) {
      WaitingLine line = situation.lines().get(pair.left());
      DueItem item = due.get(pair.right());
      found.put(
          pair.left(),
          new Evidence.IsDue(
              item,
              item.apart(line.line().bookedOn()).orElseThrow(),
              isNamed(situation, line, item, words),
              item.schedule().expects(amount(line)),
              pair.rivalled()));
    }
    return found;
  }

  private static void offer(
      Situation situation, int place, int at, TellingWords words, Pairs pairs) {
    WaitingLine line = situation.lines().get(place);
    DueItem item = situation.due().get(at);
    boolean named = isNamed(situation, line, item, words);
    boolean expected = item.schedule().expects(amount(line));
    if (expected || (named && isBelieved(item, amount(line)))) {
      item.apart(line.line().bookedOn())
          .ifPresent(days ->
              pairs.mayBe(
                  place,
                  at,
                  Pairs.apart(Math.abs(days))
                      + (named ? 0 : NO_WORDS)
                      + (expected ? 0 : OTHER_AMOUNT)));
    }
  }

  private static boolean isBelieved(DueItem item, Amount amount) {
    Amount usual = item.schedule().whole();
    long size = amount.size().minor();
    return amount.sign() == usual.sign()
        && size <= TIMES * usual.size().minor()
        && usual.size().minor() <= TIMES * size;
  }

  private static boolean isNamed(
      Situation situation, WaitingLine waiting, DueItem item, TellingWords words) {
    BankLine line = waiting.line();
    String payee = item.schedule().payee();
    return situation.pastOf(waiting).map(past -> past.payee().equalsIgnoreCase(payee)).orElse(false)
        || words.isSamePayee(line, payee);
  }

  private static Amount amount(WaitingLine waiting) {
    return waiting.line().amount(waiting.account().currency());
  }
}
