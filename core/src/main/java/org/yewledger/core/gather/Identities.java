package org.yewledger.core.gather;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * The keys of one file's lines, without identities that identify nothing: one that stands on lines
 * of different days, or on three different lines, is no identity, whatever the bank calls it. Cost:
 * linear.
 */
final class Identities {
  private static final int PARTS_OF_ONE = 2;

  private final List<LineKey> keys;
  private final Map<String, Set<LocalDate>> days = new HashMap<>();
  private final Map<String, Set<LineKey.Content>> contents = new HashMap<>();

  Identities(List<BankLine> file) {
    this.keys = file.stream().map(BankLine::key).toList();
    for (LineKey key : keys) {
      if (key.identity() != null) {
        days.computeIfAbsent(key.identity(), i -> new HashSet<>()).add(key.bookedOn());
        contents.computeIfAbsent(key.identity(), i -> new HashSet<>()).add(key.content());
      }
    }
  }

  /** In the order of the lines. */
  List<LineKey> keys() {
    return keys.stream().map(this::withMeaning).toList();
  }

  private LineKey withMeaning(LineKey key) {
    String identity = key.identity();
    boolean means =
        identity == null
            || (days.getOrDefault(identity, Set.of()).size() <= 1
                && contents.getOrDefault(identity, Set.of()).size() <= PARTS_OF_ONE);
    return means ? key : new LineKey(key.bookedOn(), key.amountMinor(), key.evenText(), null);
  }
}
