package org.yewledger.formats.table;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;

/** The words by which banks mark money out (debit of the customer's account) and in (credit). */
final class DebitCreditMark {
  private static final Set<String> OUT =
      Set.of("d", "dr", "db", "dbit", "debit", "out", "-", "s", "soll", "af", "withdrawal");
  private static final Set<String> IN =
      Set.of("c", "cr", "crdt", "credit", "in", "+", "h", "haben", "bij", "deposit");

  private DebitCreditMark() {}

  /** Whether the mark means money out; empty if it is no mark that is known. */
  static Optional<Boolean> isOut(String cell) {
    String word = cell.strip().toLowerCase(Locale.ROOT);
    if (OUT.contains(word)) {
      return Optional.of(true);
    }
    return IN.contains(word) ? Optional.of(false) : Optional.empty();
  }

  static boolean isAll(List<String> cells) {
    return !cells.isEmpty() && cells.stream().allMatch(c -> isOut(c).isPresent());
  }
}
