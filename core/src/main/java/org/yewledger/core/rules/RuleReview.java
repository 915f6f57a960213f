package org.yewledger.core.rules;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.yewledger.core.ledger.Account;

/**
 * Looks through all rules of a book with the lines of its last twelve months: what each decides,
 * and what is to be said of it.
 */
public final class RuleReview {
  /** From how many booked lines on it is worth telling that they went elsewhere. */
  private static final int WORTH_TELLING = 3;

  /**
   * What came of a rule.
   *
   * @param fits how many lines it fits
   * @param decides how many of them no earlier rule takes
   */
  public record Result(int fits, int decides, List<Warning> warnings) {
    public Result {
      warnings = List.copyOf(warnings);
    }
  }

  /** A line, and the accounts that its amount went to; none while it waits. */
  public record Line(RuleLine line, Set<UUID> booked) {}

  private static final class Count {
    int fits;
    int decides;
    int in;
    int out;
    int booked;
    int elsewhere;
    final Map<UUID, Integer> takenBy = new HashMap<>();
  }

  private RuleReview() {}

  /**
   * By the rules' identities. Cost: that of trying all lines, and of comparing each rule that
   * decides nothing with those before it.
   *
   * @param rules in their order, those switched off and quiet ones too
   */
  public static Map<UUID, Result> of(
      List<Rule> rules, Map<UUID, Account> accounts, List<Line> year) {
    var counts = new HashMap<UUID, Count>();
    rules.forEach(rule -> counts.put(rule.id(), new Count()));
    RuleBook tried = RuleBook.of(rules, accounts);
    for (Line line : year) {
      note(tried.allMatches(line.line()), line, counts);
    }
    var results = new HashMap<UUID, Result>();
    var before = new ArrayList<Rule>();
    for (Rule rule : rules) {
      Count count = java.util.Objects.requireNonNull(counts.get(rule.id()));
      results.put(
          rule.id(),
          new Result(count.fits, count.decides, warnings(rule, count, before, accounts)));
      if (rule.isOn() && rule.quietSince(accounts).isEmpty()) {
        before.add(rule);
      }
    }
    return results;
  }

  private static void note(List<Rule> fitting, Line line, Map<UUID, Count> counts) {
    for (Rule rule : fitting) {
      Count count = java.util.Objects.requireNonNull(counts.get(rule.id()));
      count.fits++;
      if (line.line().line().amountMinor() > 0) {
        count.in++;
      } else {
        count.out++;
      }
      if (rule != fitting.getFirst()) {
        count.takenBy.merge(fitting.getFirst().id(), 1, Integer::sum);
        continue;
      }
      count.decides++;
      switch (Trial.standing(rule, line.booked())) {
        case AGREES -> count.booked++;
        case DIFFERS -> {
          count.booked++;
          count.elsewhere++;
        }
        case WAITS -> {}
      }
    }
  }

  private static List<Warning> warnings(
      Rule rule, Count count, List<Rule> before, Map<UUID, Account> accounts) {
    if (!rule.isOn()) {
      return List.of();
    }
    var quiet = rule.quietSince(accounts);
    if (quiet.isPresent()) {
      return List.of(new Warning.Quiet(quiet.get().id()));
    }
    for (Rule earlier : before) {
      if (count.decides == 0
          && earlier.bookId().equals(rule.bookId())
          && Implication.proves(rule.when(), earlier.when())
          && leavesNoAccountTo(rule, earlier, accounts)) {
        return List.of(new Warning.NeverFires(earlier.id(), count.fits, true));
      }
    }
    if (count.fits == 0) {
      return List.of(new Warning.Idle());
    }
    if (count.decides == 0) {
      return List.of(new Warning.NeverFires(most(count.takenBy), count.fits, false));
    }
    var warnings = new ArrayList<Warning>();
    if (count.elsewhere >= WORTH_TELLING && count.elsewhere * 2 > count.booked) {
      warnings.add(new Warning.BookedElsewhere(count.elsewhere, count.booked));
    }
    if (count.in > 0 && count.out > 0 && !saysTheWay(rule.when())) {
      warnings.add(new Warning.BothWays(count.in, count.out));
    }
    return warnings;
  }

  /**
   * A rule does not fit the lines of an account that it books to: those may be left for another.
   */
  private static boolean leavesNoAccountTo(Rule rule, Rule earlier, Map<UUID, Account> accounts) {
    return earlier.then().division().accounts().stream()
        .filter(id -> !rule.then().division().accounts().contains(id))
        .map(accounts::get)
        .noneMatch(account -> account != null && account.kind().hasStatements());
  }

  private static UUID most(Map<UUID, Integer> takenBy) {
    return takenBy.entrySet().stream()
        .max(Map.Entry.<UUID, Integer>comparingByValue().thenComparing(Map.Entry::getKey))
        .orElseThrow()
        .getKey();
  }

  private static boolean saysTheWay(Condition when) {
    return when instanceof Condition.Way
        || Condition.parts(when).stream().anyMatch(RuleReview::saysTheWay);
  }
}
