package org.yewledger.core.rules;

import java.util.Collections;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.yewledger.core.gather.BankLine;

/**
 * The {@linkplain LastingWords#telling telling} words of many lines and texts that are compared
 * with each other, worked out once for each. For one thread.
 */
public final class TellingWords {
  private final Map<BankLine, Set<String>> ofLines = new IdentityHashMap<>();
  private final Map<String, Set<String>> ofTexts = new HashMap<>();

  public Set<String> of(BankLine line) {
    return ofLines.computeIfAbsent(line, LastingWords::telling);
  }

  public Set<String> of(String text) {
    return ofTexts.computeIfAbsent(text, LastingWords::telling);
  }

  public boolean isShared(BankLine line, String text) {
    return !Collections.disjoint(of(text), of(line));
  }

  /** Whether they share all that tells of one; one word in common, such as WATER, does not. */
  public boolean isSamePayee(BankLine line, String text) {
    int shared = shared(line, text).size();
    return shared > 1 || (shared == 1 && of(text).size() == 1);
  }

  /** The words that a line and a text both have, in the order of the line. */
  public List<String> shared(BankLine line, String text) {
    Set<String> shared = new LinkedHashSet<>(of(line));
    shared.retainAll(of(text));
    return List.copyOf(shared);
  }
}
