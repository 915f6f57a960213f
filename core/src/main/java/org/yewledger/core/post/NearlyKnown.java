package org.yewledger.core.post;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.money.Amount;
import org.yewledger.core.rules.TellingWords;

/**
 * Lines that are an entry but for a little: a bill with the tip that was added, a sale without the
 * fee that was kept. Only where both name the same payee and nothing else is as near.
 *
 * <p>Cost: linear in lines and in the postings of each account that are left.
 */
final class NearlyKnown {
  /** A tip is up to so many percent of what was typed. */
  private static final int TIP_PERCENT = 20;

  /** A fee that is kept is up to so many percent. */
  private static final int FEE_PERCENT = 6;

  /** A bill is typed when it is paid, and comes within days. */
  private static final int DAYS = 3;

  private NearlyKnown() {}

  /**
   * By the place among the lines, for those that are not known otherwise.
   *
   * @param known what is known already
   * @param words of the same lines and postings
   */
  static Map<Integer, Evidence> of(
      List<WaitingLine> lines,
      List<OpenPosting> open,
      Map<Integer, Evidence> known,
      TellingWords words) {
    ByDay left = left(open, known);
    Set<Integer> taken = new HashSet<>();
    Map<Integer, Evidence> nearly = new HashMap<>();
    for (int place = 0; place < lines.size(); place++) {
      if (known.containsKey(place)) {
        continue;
      }
      WaitingLine line = lines.get(place);
      List<Integer> near =
          left.near(
              line.account().id(),
              line.line().amountMinor(),
              line.line().bookedOn(),
              DAYS,
              2,
              at -> !taken.contains(at) && isNearly(line.line(), open.get(at), words));
      if (near.size() == 1) {
        taken.add(near.getFirst());
        nearly.put(place, evidence(line, open.get(near.getFirst()), words));
      }
    }
    return nearly;
  }

  /** What is no line's yet, by account. An awaited half has its amount from another bank. */
  private static ByDay left(List<OpenPosting> open, Map<Integer, Evidence> known) {
    Set<UUID> taken = new HashSet<>();
    known.values().forEach(e -> e.postings().forEach(posting -> taken.add(posting.id())));
    var left = new ByDay();
    for (int at = 0; at < open.size(); at++) {
      OpenPosting posting = open.get(at);
      if (!taken.contains(posting.id()) && !posting.awaited()) {
        left.add(at, posting.accountId(), posting.amountMinor(), posting.date());
      }
    }
    return left;
  }

  private static boolean isNearly(BankLine line, OpenPosting posting, TellingWords words) {
    return !posting.date().isAfter(line.bookedOn())
        && isNear(line.amountMinor(), posting.amountMinor())
        && words.isSamePayee(line, posting.text());
  }

  /** Out a little more than was typed, or in a little less. */
  private static boolean isNear(long line, long typed) {
    if (line < 0 && typed < 0) {
      return line < typed && (typed - line) * 100 <= -typed * TIP_PERCENT;
    }
    return line > 0 && typed > line && (typed - line) * 100 <= typed * FEE_PERCENT;
  }

  private static Evidence evidence(WaitingLine line, OpenPosting posting, TellingWords words) {
    return new Evidence.NearlyStands(
        posting,
        Amount.ofMinor(
            line.line().amountMinor() - posting.amountMinor(), line.account().currency()),
        posting.daysFrom(line.line()),
        words.shared(line.line(), posting.text()));
  }
}
