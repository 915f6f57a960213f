package org.yewledger.core.rules;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.UUID;

/**
 * What a rule would have caught of the lines that are there, before it is saved.
 *
 * @param decided the places of the lines that it fits and that no earlier rule takes
 * @param takenEarlier how many more it fits that a rule before it takes
 */
public record Trial(List<Integer> decided, int takenEarlier) {

  /** How a line stands to a rule that decides it. */
  public enum Standing {
    /** Booked as the rule would. */
    AGREES,
    /** Booked to other accounts. */
    DIFFERS,
    WAITS
  }

  public Trial {
    decided = List.copyOf(decided);
  }

  /**
   * Tries a rule. Cost: a look for the rule's text in each line, and a trial of the earlier rules
   * on those it fits.
   *
   * @param earlier the rules that are tried before it
   */
  public static Trial of(Rule rule, RuleBook earlier, List<RuleLine> lines) {
    Set<String> literals = Literals.of(rule.when());
    var decided = new ArrayList<Integer>();
    int taken = 0;
    for (int at = 0; at < lines.size(); at++) {
      RuleLine line = lines.get(at);
      if ((literals.isEmpty() || literals.stream().anyMatch(line.words()::contains))
          && rule.fits(line)) {
        if (earlier.firstMatch(line).isEmpty()) {
          decided.add(at);
        } else {
          taken++;
        }
      }
    }
    return new Trial(decided, taken);
  }

  /**
   * How a line stands to a rule that decides it.
   *
   * @param booked the accounts that its amount went to; empty while it waits
   */
  public static Standing standing(Rule rule, Set<UUID> booked) {
    if (booked.isEmpty()) {
      return Standing.WAITS;
    }
    return rule.then().division().accounts().equals(booked) ? Standing.AGREES : Standing.DIFFERS;
  }
}
