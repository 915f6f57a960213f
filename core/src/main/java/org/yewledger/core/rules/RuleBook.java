package org.yewledger.core.rules;

import com.hankcs.algorithm.AhoCorasickDoubleArrayTrie;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.ledger.Account;

/**
 * The rules of a book in their order, ready to be tried on many lines.
 *
 * <p>They are indexed by the {@linkplain Literals texts} without which none of their lines can be,
 * found all at once by the automaton of Aho and Corasick (Efficient string matching, 1975). Trying
 * a line costs its length, plus the few rules whose text stands in it, plus those that go by no
 * text.
 */
public final class RuleBook {
  private final List<Rule> rules;
  private final @Nullable AhoCorasickDoubleArrayTrie<BitSet> byText;
  private final BitSet always = new BitSet();

  /** {@code rules} in the order in which they are tried, all of which are tried. */
  public RuleBook(List<Rule> rules) {
    this.rules = List.copyOf(rules);
    var places = new TreeMap<String, BitSet>();
    for (int place = 0; place < rules.size(); place++) {
      Set<String> literals = Literals.of(rules.get(place).when());
      if (literals.isEmpty()) {
        always.set(place);
      }
      for (String literal : literals) {
        places.computeIfAbsent(literal, l -> new BitSet()).set(place);
      }
    }
    byText = places.isEmpty() ? null : new AhoCorasickDoubleArrayTrie<>();
    if (byText != null) {
      byText.build(places);
    }
  }

  /** Of all rules those that are tried: not switched off, and not quiet for a closed account. */
  public static RuleBook of(List<Rule> rules, Map<UUID, Account> accounts) {
    return new RuleBook(
        rules.stream().filter(rule -> rule.isOn() && rule.quietSince(accounts).isEmpty()).toList());
  }

  /** The first rule in order that the line fits. */
  public Optional<Rule> firstMatch(RuleLine line) {
    BitSet candidates = candidates(line);
    for (int at = candidates.nextSetBit(0); at >= 0; at = candidates.nextSetBit(at + 1)) {
      if (rules.get(at).fits(line)) {
        return Optional.of(rules.get(at));
      }
    }
    return Optional.empty();
  }

  /** All rules that the line fits, in order: the first decides, the others never come to it. */
  public List<Rule> allMatches(RuleLine line) {
    var all = new ArrayList<Rule>();
    BitSet candidates = candidates(line);
    for (int at = candidates.nextSetBit(0); at >= 0; at = candidates.nextSetBit(at + 1)) {
      if (rules.get(at).fits(line)) {
        all.add(rules.get(at));
      }
    }
    return all;
  }

  private BitSet candidates(RuleLine line) {
    var candidates = (BitSet) always.clone();
    if (byText != null) {
      AhoCorasickDoubleArrayTrie.IHit<BitSet> found = (begin, end, places) -> candidates.or(places);
      byText.parseText(line.words(), found);
    }
    return candidates;
  }
}
