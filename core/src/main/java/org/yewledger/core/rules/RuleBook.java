package org.yewledger.core.rules;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.gather.BankLine;

/**
 * All rules of a household in their order, ready to be tried on many lines.
 *
 * <p>The rules are indexed by the first word of their phrase, so that trying a line costs its
 * number of words plus the few rules that begin with one of them, not the number of rules.
 */
public final class RuleBook {
  private record Placed(int place, Rule rule) {}

  private final Map<String, List<Placed>> byFirstWord = new HashMap<>();

  /** {@code rules} in the order in which they are tried. */
  public RuleBook(List<Rule> rules) {
    for (int place = 0; place < rules.size(); place++) {
      Rule rule = rules.get(place);
      byFirstWord
          .computeIfAbsent(rule.when().words().list().getFirst(), w -> new java.util.ArrayList<>())
          .add(new Placed(place, rule));
    }
  }

  /** The first rule in order that the line fits. */
  public Optional<Rule> firstMatch(UUID accountId, BankLine line) {
    @Nullable Placed best = null;
    for (Words text : LineTexts.of(line).texts()) {
      for (int at = 0; at < text.list().size(); at++) {
        for (Placed candidate : byFirstWord.getOrDefault(text.list().get(at), List.of())) {
          if ((best == null || candidate.place() < best.place())
              && candidate.rule().when().words().standIn(text, at)
              && candidate.rule().fitsBesidesWords(accountId, line)) {
            best = candidate;
          }
        }
      }
    }
    return Optional.ofNullable(best).map(Placed::rule);
  }
}
