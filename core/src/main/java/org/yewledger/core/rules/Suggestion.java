package org.yewledger.core.rules;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;

/**
 * A rule that could be made of how lines were booked by hand.
 *
 * @param words the lasting words that its lines share
 * @param accountId where they all went
 * @param payee what their entries call the payee, by the newest
 * @param lines the places of the lines that show it, in the order given
 */
public record Suggestion(
    Words words, Condition.Direction direction, UUID accountId, String payee, List<Integer> lines) {
  /** From how many lines on, all booked alike, a rule is worth its place. */
  private static final int WORTH_A_RULE = 3;

  public Suggestion {
    lines = List.copyOf(lines);
  }

  /**
   * A line that was booked without a rule.
   *
   * @param booked the accounts that its amount went to
   */
  public record Line(RuleLine line, Set<UUID> booked, String payee) {}

  private record Kind(String words, Condition.Direction direction) {}

  /**
   * Those of a book's lines, the ones with most lines first. Lines of the same lasting words that
   * went different ways suggest nothing. Cost: linear in the lines.
   *
   * @param rules what is tried already: lines that a rule decides suggest none
   */
  public static List<Suggestion> of(List<Line> lines, RuleBook rules) {
    Map<Kind, List<Integer>> alike = new LinkedHashMap<>();
    for (int at = 0; at < lines.size(); at++) {
      RuleLine line = lines.get(at).line();
      if (rules.firstMatch(line).isEmpty()) {
        alike.computeIfAbsent(kind(line), k -> new ArrayList<>()).add(at);
      }
    }
    return alike.entrySet().stream()
        .filter(kind -> !kind.getKey().words().isEmpty())
        .filter(kind -> kind.getValue().size() >= WORTH_A_RULE)
        .filter(kind -> goOneWay(kind.getValue(), lines))
        .map(kind -> suggestion(kind.getKey(), kind.getValue(), lines))
        .sorted(
            Comparator.comparing((Suggestion s) -> -s.lines().size())
                .thenComparing(s -> s.words().toString()))
        .toList();
  }

  private static Kind kind(RuleLine line) {
    Words words = LastingWords.of(line.line());
    boolean tells = !LastingWords.telling(words.toString()).isEmpty();
    return new Kind(
        tells ? words.toString() : "",
        line.line().amountMinor() > 0 ? Condition.Direction.IN : Condition.Direction.OUT);
  }

  private static boolean goOneWay(List<Integer> places, List<Line> lines) {
    Set<Set<UUID>> ways =
        places.stream().map(at -> lines.get(at).booked()).collect(Collectors.toSet());
    return ways.size() == 1 && ways.iterator().next().size() == 1;
  }

  private static Suggestion suggestion(Kind kind, List<Integer> places, List<Line> lines) {
    Line newest =
        places.stream()
            .map(lines::get)
            .max(Comparator.comparing(l -> l.line().line().bookedOn()))
            .orElseThrow();
    return new Suggestion(
        Words.of(kind.words()),
        kind.direction(),
        newest.booked().iterator().next(),
        newest.payee(),
        places);
  }
}
