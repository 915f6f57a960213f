package org.yewledger.core.rules;

import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * The texts by which an index finds the rules that a line may fit: one of them stands among {@link
 * RuleLine#words} of every line that fits. Words are what every kind of comparison leaves alone:
 * whoever contains "COBBLERS-ROW" has the words COBBLERS ROW in it, if not always as whole words.
 */
final class Literals {
  private Literals() {}

  /** Empty if there is no telling, as for a rule by amount alone: it has to be tried each time. */
  static Set<String> of(Condition when) {
    return switch (when) {
      case Condition.Text text -> ofText(text);
      case Condition.All(List<Condition> parts) ->
          parts.stream()
              .map(Literals::of)
              .filter(literals -> !literals.isEmpty())
              .max(Comparator.comparingInt(Literals::shortest))
              .orElse(Set.of());
      case Condition.Any(List<Condition> parts) -> ofEach(parts);
      default -> Set.of();
    };
  }

  private static Set<String> ofText(Condition.Text text) {
    if (text.match() == TextMatch.LIKE) {
      return Set.of();
    }
    String words =
        text.place() == TextPlace.COUNTERPARTY_ACCOUNT
            ? text.form()
            : Words.of(text.what()).toString();
    return words.isEmpty() ? Set.of() : Set.of(words);
  }

  private static Set<String> ofEach(List<Condition> parts) {
    var all = new HashSet<String>();
    for (Condition part : parts) {
      Set<String> literals = of(part);
      if (literals.isEmpty()) {
        return Set.of();
      }
      all.addAll(literals);
    }
    return all;
  }

  /** Long texts stand in few lines. */
  private static int shortest(Set<String> literals) {
    return literals.stream().mapToInt(String::length).min().orElse(0);
  }
}
