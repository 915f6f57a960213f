package org.yewledger.core.journal;

import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.function.Function;

/** What a part of a name means among the names that there are. */
public final class NamedBy {
  private NamedBy() {}

  /**
   * Those of the very name, whatever its case, and only if there are none, those with the part in
   * their names. Cost: linear in the names.
   *
   * @param names how one may be called; an account has one name, a payee also what banks call it
   */
  public static <T> List<T> meant(
      String part, Collection<T> among, Function<T, Collection<String>> names) {
    String sought = lower(part);
    List<T> exact =
        among.stream()
            .filter(one -> names.apply(one).stream().anyMatch(n -> lower(n).equals(sought)))
            .toList();
    return exact.isEmpty() ? having(part, among, names) : exact;
  }

  /** All with the part in their names. */
  public static <T> List<T> having(
      String part, Collection<T> among, Function<T, Collection<String>> names) {
    String sought = lower(part);
    return among.stream()
        .filter(one -> names.apply(one).stream().anyMatch(n -> lower(n).contains(sought)))
        .toList();
  }

  private static String lower(String text) {
    return text.strip().toLowerCase(Locale.ROOT);
  }
}
